import type { Logger } from 'pino';
import type { Pool } from './database/pool.ts';
import type { GardenClerk } from './formats/gardenClerk.ts';
import type { Outlooks } from './outlook/outlooks.ts';
import type { WeatherWatch } from './weather/watch.ts';

/** What every route may use. */
export interface App {
  pool: Pool;
  outlooks: Outlooks;
  clerk: GardenClerk;
  watch: WeatherWatch;
  /** what runs in threads (worker.ts) */
  workerFile: string;
  log: Logger;
}
