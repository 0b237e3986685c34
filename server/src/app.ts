import { statfsSync } from 'node:fs';
import expressStaticGzip from 'express-static-gzip';
import express, { type Express } from 'express';
import { join } from 'node:path';
import { gate } from './http/gate.ts';
import { noSuchRoute, problems } from './http/problem.ts';
import type { App } from './context.ts';
import { almanacRoutes } from './almanac/routes.ts';
import { clinicRoutes } from './clinic/routes.ts';
import { calendarAddress } from './formats/calendarRoutes.ts';
import { formatRoutes } from './formats/routes.ts';
import { deviceAddress, deviceRoutes } from './devices/routes.ts';
import { hardeningRoutes } from './hardening/routes.ts';
import { mount, type Route } from './http/route.ts';
import { findRoutes } from './find/routes.ts';
import { keepingRoutes } from './keeping/routes.ts';
import { siteRoutes } from './sites/routes.ts';
import { labelRoutes } from './labels/routes.ts';
import { markRoutes } from './marks/routes.ts';
import { pictureRoutes } from './pictures/routes.ts';
import { placeRoutes } from './places/routes.ts';
import { plantRoutes } from './plants/routes.ts';
import { pottingRoutes } from './potting/routes.ts';
import { roundRoutes } from './round/routes.ts';
import { tableRoutes } from './table/routes.ts';
import { townRoutes } from './towns/routes.ts';
import { weatherRoutes } from './weather/routes.ts';

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
    ...siteRoutes(app),
    ...almanacRoutes(app),
    ...weatherRoutes(app),
    ...deviceRoutes(app),
    ...pottingRoutes(app),
    ...clinicRoutes(app),
    ...findRoutes(app),
    ...formatRoutes(app),
    ...labelRoutes(app),
    ...townRoutes(),
  ];
}

export interface AppOptions {
  webFolder: string | null;
  /** what the command line shows to be let in; null lets none in */
  commandKey: string | null;
  /** every JSON answer is held to what its route declares: for tests */
  holdAnswers: boolean;
  /** where the database lies, if that is known: asked for room when it does not answer */
  databaseFolder?: string | undefined;
}

/** MariaDB takes its files larger by some megabytes at a time. */
const LEAST_ROOM_BYTES = 16 * 1024 * 1024;

function isFull(folder: string): boolean {
  try {
    const { bavail, bsize } = statfsSync(folder);
    return bavail * bsize < LEAST_ROOM_BYTES;
  } catch {
    return false;
  }
}

export function buildApp(app: App, { webFolder, commandKey, holdAnswers, databaseFolder }: AppOptions): Express {
  const server = express();
  server.disable('x-powered-by');
  // What is asked of the API is never stored, so nothing would ask by it; a digest of every answer costs a twentieth of all.
  server.disable('etag');
  server.use(gate(commandKey));
  const api = express.Router();
  api.use((_request, response, next) => {
    response.set('Cache-Control', 'no-store');
    next();
  });
  mount(api, allRoutes(app), holdAnswers);
  api.use(noSuchRoute);
  server.use('/api', api);
  server.use(calendarAddress(app));
  server.use(deviceAddress(app));
  if (webFolder) {
    // Packed once when they were built; who cannot unpack gets them as they are.
    const packed = { enableBrotli: true, index: false } as const;
    const forever = { serveStatic: { immutable: true, maxAge: '1y' } };
    server.use('/assets', expressStaticGzip(join(webFolder, 'assets'), { ...packed, ...forever }));
    server.use(expressStaticGzip(webFolder, packed));
    // Every other address is a screen of the interface.
    server.get(/^\/(?!assets\/)[^.]*$/, (_request, response) => response.sendFile(join(webFolder, 'index.html')));
  }
  server.use(noSuchRoute);
  server.use(problems(app.log, () => databaseFolder !== undefined && isFull(databaseFolder)));
  return server;
}
