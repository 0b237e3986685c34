/** The one file that runs in threads: the engine, which stays, or a clerk for one large garden file or sheet of labels. */
import { workerData } from 'node:worker_threads';

switch ((workerData as { role?: 'clerk' | 'labels' } | null)?.role) {
  case 'clerk':
    await import('./formats/gardenClerkWorker.ts');
    break;
  case 'labels':
    await import('./labels/labelWorker.ts');
    break;
  default:
    await import('./outlook/worker.ts');
}
