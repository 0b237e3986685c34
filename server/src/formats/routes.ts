import type { App } from '../context.ts';
import type { Route } from '../http/route.ts';
import { calendarRoutes } from './calendarRoutes.ts';
import { gardenFileRoutes } from './gardenRoutes.ts';
import { listRoutes } from './listRoutes.ts';

export function formatRoutes(app: App): Route[] {
  return [...gardenFileRoutes(app), ...listRoutes(app), ...calendarRoutes(app)];
}
