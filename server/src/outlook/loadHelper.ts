/** A thread that helps to load a large site, and ends with it. */
import { type MessagePort, Worker } from 'node:worker_threads';
import type { Answer, LoadNews, Task } from './worker.ts';

export class LoadHelper {
  /** its share of the plants; none where it ended before that: the other thread notices by its port, and does all */
  readonly helped: Promise<Answer['plants']>;
  private readonly worker: Worker;

  /** @param tell its news of how far it is, and its first failure */
  constructor(file: string, tell: { news(news: LoadNews['load']): void; failed(error: unknown): void }) {
    this.worker = new Worker(file);
    let failed = false;
    const fail = (error: unknown) => {
      if (!failed) tell.failed(error);
      failed = true;
    };
    this.helped = new Promise((resolve) => {
      this.worker.on('message', (message: { answer?: Answer; error?: string } | LoadNews) => {
        if ('load' in message) tell.news(message.load);
        else if (message.answer) resolve(message.answer.plants);
        else {
          fail(new Error(message.error));
          // Its port closes with it, for which the other thread waits.
          void this.terminate();
        }
      });
      this.worker.on('error', fail);
      this.worker.on('exit', () => resolve([]));
    });
  }

  post(task: Task, transferred: readonly MessagePort[] = []): void {
    this.worker.postMessage({ id: 0, task }, transferred);
  }

  async terminate(): Promise<void> {
    await this.worker.terminate();
  }
}
