/** The thread that draws many labels, and ends: opening fonts and drawing codes takes tenths of a second at a time. */
import { PassThrough } from 'node:stream';
import { parentPort, workerData } from 'node:worker_threads';
import type { LabelTask } from './labelClerk.ts';
import { labelSheet } from './sheet.ts';

const { plants, ...options } = workerData as LabelTask;
const to = new PassThrough();
const chunks: Buffer[] = [];
to.on('data', (chunk: Buffer) => chunks.push(chunk));
const drawn = new Promise((resolve) => to.once('end', resolve));
await labelSheet(to, plants, options);
await drawn;
parentPort!.postMessage(new Uint8Array(Buffer.concat(chunks)));
