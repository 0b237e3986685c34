/** The one file that runs in threads: the engine, which stays, or a clerk for one large garden file. */
import { workerData } from 'node:worker_threads';

if ((workerData as { role?: string } | null)?.role === 'clerk') await import('./formats/gardenClerkWorker.ts');
else await import('./outlook/worker.ts');
