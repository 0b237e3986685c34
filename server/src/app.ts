import compression from 'compression';
import express, { type Express } from 'express';
import { join } from 'node:path';
import type { Logger } from 'pino';
import type { Pool } from './database/pool.ts';
import { noSuchRoute, problems } from './http/problem.ts';
import type { Outlooks } from './outlook/outlooks.ts';
import { calendarRoutes, formatRoutes, LARGEST_GARDEN } from './formats/routes.ts';
import { findRoutes } from './find/routes.ts';
import { keepingRoutes } from './keeping/routes.ts';
import { labelRoutes } from './labels/routes.ts';
import { markRoutes } from './marks/routes.ts';
import { pictureRoutes } from './pictures/routes.ts';
import { placeRoutes } from './places/routes.ts';
import { plantRoutes } from './plants/routes.ts';
import { roundRoutes } from './round/routes.ts';
import { tableRoutes } from './table/routes.ts';

/** What every route may use. */
export interface App {
  pool: Pool;
  outlooks: Outlooks;
  log: Logger;
}

/** A page of another origin must not write here: there are no accounts yet, and loopback is open to the browser. */
const ALLOWED_HOST = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

export function buildApp(app: App, webFolder: string | null): Express {
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
      response
        .status(403)
        .type('application/problem+json')
        .send(
          JSON.stringify({
            type: 'about:blank',
            title: 'Not from there',
            status: 403,
            detail: 'Zinc Pail answers its own pages on this machine only.',
          }),
        );
      return;
    }
    next();
  });
  const api = express.Router();
  // A garden file may be large; everything else is small.
  api.use('/import/garden', express.json({ limit: LARGEST_GARDEN }));
  api.use(express.json({ limit: '1mb' }));
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  api.use(
    roundRoutes(app),
    tableRoutes(app),
    plantRoutes(app),
    markRoutes(app),
    placeRoutes(app),
    pictureRoutes(app),
    keepingRoutes(app),
    findRoutes(app),
    formatRoutes(app),
    labelRoutes(app),
  );
  api.use(noSuchRoute);
  server.use('/api', api);
  server.use(calendarRoutes(app));
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
