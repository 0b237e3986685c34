/** Takes garden files in, large ones in a thread of their own: reading and checking them takes seconds. */
import { Worker } from 'node:worker_threads';
import type { GardenTaken } from '@zinc-pail/contract/answers';
import type { Fault } from '@zinc-pail/contract/faults';
import type { DatabaseAt, Pool } from '../database/pool.ts';
import { errandNow, type Written } from '../errand.ts';
import { type RefusalName, Refused } from '../http/refusals.ts';
import { type GardenOrder, parsedGarden, takeGarden } from './gardenTaking.ts';

/** What the thread is started with. */
export interface ClerkTask {
  role: 'clerk';
  database: DatabaseAt;
  bytes: Uint8Array;
  order: GardenOrder;
}

/** What the thread says at its end. */
export type ClerkWord =
  | { taken: GardenTaken }
  | { refused: { kind: RefusalName; detail: string; faults: Fault[] | undefined } }
  | { failed: string; code: string | undefined; written: Written };

/** Up to this size a file is read within a few hundredths of a second, quicker than a thread starts. */
const SMALL_BYTES = 100_000;
/** What a file of the largest size comes to with its text, and a fifth; what is too much is told before it is read (gardenTaking.ts). */
const HEAP = { maxOldGenerationSizeMb: 224, maxYoungGenerationSizeMb: 8 };

export class GardenClerk {
  /** one at a time: each may take much memory */
  private last: Promise<unknown> = Promise.resolve();

  constructor(
    private readonly pool: Pool,
    private readonly workerFile: string,
    private readonly database: DatabaseAt,
  ) {}

  /** @throws Refused as takeGarden */
  async take(bytes: Uint8Array, order: GardenOrder): Promise<GardenTaken> {
    if (bytes.byteLength <= SMALL_BYTES) return takeGarden(this.pool, parsedGarden(bytes), order);
    const taken = this.last.then(() => this.inThread(bytes, order));
    this.last = taken.catch(() => {});
    return taken;
  }

  private async inThread(bytes: Uint8Array, order: GardenOrder): Promise<GardenTaken> {
    const errand = errandNow();
    const task: ClerkTask = { role: 'clerk', database: this.database, bytes, order };
    const worker = new Worker(this.workerFile, {
      workerData: task,
      transferList: [bytes.buffer as ArrayBuffer],
      resourceLimits: HEAP,
    });
    if (errand && !order.dryRun) errand.written = 'unknown';
    // Whoever gave it up has been told; the end of the thread is the end of its transaction.
    const giveUp = setTimeout(
      () => void worker.terminate(),
      Math.min(LONGEST_MS, Math.max(0, (errand?.until ?? Infinity) - performance.now())),
    );
    try {
      const word = await new Promise<ClerkWord>((resolve, reject) => {
        worker.once('message', resolve);
        worker.once('error', (error: NodeJS.ErrnoException) =>
          reject(error.code === 'ERR_WORKER_OUT_OF_MEMORY' ? tooMuch() : error),
        );
        worker.once('exit', () => reject(new Error('the thread that took the garden in has ended')));
      });
      if ('taken' in word) return word.taken;
      if (errand) errand.written = 'refused' in word ? 'no' : word.written;
      if ('refused' in word) throw new Refused(word.refused.kind, word.refused.detail, word.refused.faults);
      throw Object.assign(new Error(word.failed), { code: word.code });
    } finally {
      clearTimeout(giveUp);
      void worker.terminate();
    }
  }
}

function tooMuch(): Refused {
  return new Refused('too-large', 'The file holds more than can be read at once; take it in in parts.');
}

/** Longer than that no timer runs. */
const LONGEST_MS = 2 ** 31 - 1;
