import type { Logger } from 'pino';
import type { Pool } from './database/pool.ts';
import type { GardenClerk } from './formats/gardenClerk.ts';
import type { Outlooks } from './outlook/outlooks.ts';

/** What every route may use. */
export interface App {
  pool: Pool;
  outlooks: Outlooks;
  clerk: GardenClerk;
  /** what runs in threads (worker.ts) */
  workerFile: string;
  log: Logger;
}
