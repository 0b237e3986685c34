/** The thread that takes one large garden file in, and ends. */
import { parentPort, workerData } from 'node:worker_threads';
import { openPool } from '../database/pool.ts';
import { type Errand, onErrand } from '../errand.ts';
import { Refused } from '../http/refusals.ts';
import type { ClerkTask, ClerkWord } from './gardenClerk.ts';
import { parsedGarden, takeGarden } from './gardenTaking.ts';

const task = workerData as ClerkTask;
const pool = openPool(task.database.url, { folder: task.database.folder });
const errand: Errand = { until: Infinity, written: 'no', over: false };
let word: ClerkWord;
try {
  const file = parsedGarden(task.bytes);
  // The text is read: what it takes is needed now.
  task.bytes = new Uint8Array();
  word = { taken: await onErrand(errand, () => takeGarden(pool, file, task.order)) };
} catch (error) {
  if (error instanceof Refused) {
    word = { refused: { kind: error.kind, detail: error.message, faults: error.faults } };
  } else {
    const { message, code } = error as Error & { code?: string };
    word = { failed: message, code, written: errand.written };
  }
}
await pool.end().catch(() => {});
parentPort!.postMessage(word);
