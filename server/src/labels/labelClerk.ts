/** Draws sheets of labels: a few here, many in a thread of their own. */
import type { Writable } from 'node:stream';
import { Worker } from 'node:worker_threads';
import { labelSheet, type Labelled, type SheetOptions } from './sheet.ts';

/** What the thread is started with. */
export interface LabelTask extends SheetOptions {
  role: 'labels';
  plants: readonly Labelled[];
}

/** So many take some tenths of a second, between which others are answered. */
const FEW = 48;

/** Writes the labels and ends the stream. */
export async function drawLabels(
  to: Writable,
  workerFile: string,
  { plants, ...options }: Omit<LabelTask, 'role'>,
): Promise<void> {
  if (plants.length <= FEW) return labelSheet(to, plants, options);
  const task: LabelTask = { role: 'labels', plants, ...options };
  const worker = new Worker(workerFile, { workerData: task });
  try {
    const sheet = await new Promise<Uint8Array>((resolve, reject) => {
      worker.once('message', resolve);
      worker.once('error', reject);
      worker.once('exit', () => reject(new Error('the thread that draws labels has ended')));
    });
    to.end(sheet);
  } finally {
    void worker.terminate();
  }
}
