import compression from 'compression';
import express, { type Express } from 'express';
import { join } from 'node:path';
import { noSuchRoute, problemOf, problems, sendProblem } from './http/problem.ts';
import { LARGEST_BODY_MB, LARGEST_GARDEN_MB } from '@zinc-pail/contract/limits';
import type { App } from './context.ts';
import { calendarAddress } from './formats/calendarRoutes.ts';
import { formatRoutes } from './formats/routes.ts';
import { hardeningRoutes } from './hardening/routes.ts';
import { mount, type Route } from './http/route.ts';
import { findRoutes } from './find/routes.ts';
import { keepingRoutes } from './keeping/routes.ts';
import { labelRoutes } from './labels/routes.ts';
import { markRoutes } from './marks/routes.ts';
import { pictureRoutes } from './pictures/routes.ts';
import { placeRoutes } from './places/routes.ts';
import { plantRoutes } from './plants/routes.ts';
import { roundRoutes } from './round/routes.ts';
import { tableRoutes } from './table/routes.ts';

/** Every way into the API; docs/api.md is written from these. */
export function allRoutes(app: App): Route[] {
  return [
    ...roundRoutes(app),
    ...tableRoutes(app),
    ...plantRoutes(app),
    ...hardeningRoutes(app),
    ...markRoutes(app),
    ...placeRoutes(app),
    ...pictureRoutes(app),
    ...keepingRoutes(app),
    ...findRoutes(app),
    ...formatRoutes(app),
    ...labelRoutes(app),
  ];
}

/** A page of another origin must not write here: there are no accounts yet, and loopback is open to the browser. */
const ALLOWED_HOST = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/** @param holdAnswers every JSON answer is held to what its route declares: for tests */
export function buildApp(app: App, webFolder: string | null, holdAnswers = false): Express {
  const server = express();
  server.disable('x-powered-by');
  server.use(compression());
  server.use((request, response, next) => {
    response.set({
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'same-origin',
      'X-Frame-Options': 'DENY',
      'Content-Security-Policy': "default-src 'self'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:",
    });
    const origin = request.get('origin');
    const host = request.get('host') ?? '';
    const foreign = origin !== undefined && origin !== 'null' && new URL(origin).host !== host;
    if (!ALLOWED_HOST.test(host) || foreign) {
      sendProblem(response, problemOf('foreign', 'Zinc Pail answers its own pages on this machine only.'));
      return;
    }
    next();
  });
  const api = express.Router();
  // A garden file may be large; everything else is small.
  api.use('/import/garden', express.json({ limit: `${LARGEST_GARDEN_MB}mb` }));
  api.use(express.json({ limit: `${LARGEST_BODY_MB}mb` }));
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  mount(api, allRoutes(app), holdAnswers);
  api.use(noSuchRoute);
  server.use('/api', api);
  server.use(calendarAddress(app));
  if (webFolder) {
    server.use('/assets', express.static(join(webFolder, 'assets'), { immutable: true, maxAge: '1y' }));
    server.use(express.static(webFolder, { index: false }));
    // Every other address is a screen of the interface.
    server.get(/^\/(?!assets\/)[^.]*$/, (_request, response) => response.sendFile(join(webFolder, 'index.html')));
  }
  server.use(noSuchRoute);
  server.use(problems(app.log));
  return server;
}
