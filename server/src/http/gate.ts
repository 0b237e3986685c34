/**
 * The one gate before every address. There are no accounts yet and loopback is open to every page in the browser, so a
 * request is let in by where it comes from: from this machine's own pages, or from the command line with its key.
 *
 * A change is refused unless it says that our own page sent it. A browser puts Origin on every request but GET and HEAD
 * and lets no page leave it out or alter it; `null` is what a sandboxed frame or a local file sends. (Fetch standard,
 * "Origin header"; Fetch Metadata Request Headers.)
 */
import { timingSafeEqual } from 'node:crypto';
import type { Request, RequestHandler } from 'express';
import { problemOf, sendProblem } from './problem.ts';

const ALLOWED_HOST = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;
/** Where instruments bring their readings, each under its own token. */
const INSTRUMENTS = '/devices/readings';
const READS = new Set(['GET', 'HEAD']);

const HEADERS = {
  'X-Content-Type-Options': 'nosniff',
  'Referrer-Policy': 'same-origin',
  'X-Frame-Options': 'DENY',
  // Else a foreign page could show the pictures.
  'Cross-Origin-Resource-Policy': 'same-origin',
  // Nor hold the window that it opened.
  'Cross-Origin-Opener-Policy': 'same-origin',
  'Content-Security-Policy': [
    "default-src 'self'",
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' data: blob:",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
    "object-src 'none'",
  ].join('; '),
};

/** @param commandKey what the command line shows in `Authorization: Bearer`; null lets no command line in */
export function gate(commandKey: string | null): RequestHandler {
  return (request, response, next) => {
    response.set(HEADERS);
    const refusal = refused(request, commandKey);
    if (refusal) sendProblem(response, problemOf('foreign', refusal));
    else next();
  };
}

function refused(request: Request, commandKey: string | null): string | null {
  const host = request.get('host') ?? '';
  if (!ALLOWED_HOST.test(host)) return 'Zinc Pail answers its own pages on this machine only.';
  const origin = request.get('origin');
  const own = origin !== undefined && isOwn(origin, host);
  if (READS.has(request.method)) {
    // What a foreign page may not read need not be worked out for it; a link that somebody follows is no such page.
    const foreign = request.get('sec-fetch-site') === 'cross-site' && request.get('sec-fetch-mode') !== 'navigate';
    return !foreign && (origin === undefined || own) ? null : 'Zinc Pail answers its own pages on this machine only.';
  }
  // No page knows an instrument's token, and without one nothing is taken there.
  if (request.path === INSTRUMENTS && origin === undefined) return null;
  if (commandKey !== null && showsKey(request.get('authorization'), commandKey)) return null;
  const from = request.get('sec-fetch-site');
  if (own && (from === undefined || from === 'same-origin')) return null;
  return `A change is taken from Zinc Pail’s own pages only (Origin: http://${host}), or from the zinc command with its key.`;
}

function isOwn(origin: string, host: string): boolean {
  // Served by HTTP alone: a page of the same host by another scheme is another's.
  return URL.canParse(origin) && new URL(origin).origin === origin && origin === `http://${host}`;
}

function showsKey(authorization: string | undefined, key: string): boolean {
  const shown = Buffer.from(authorization ?? '');
  const wanted = Buffer.from(`Bearer ${key}`);
  return shown.length === wanted.length && timingSafeEqual(shown, wanted);
}
