/** Work that takes long on the one thread that answers everybody: others are answered in between. */
import { setImmediate } from 'node:timers/promises';

/** Nobody waits for a turn longer than about this. */
const TURN_MS = 20;

/** Does work that says at each step that it may be interrupted. */
export async function inTurns<T>(work: Generator<void, T>): Promise<T> {
  let began = performance.now();
  for (;;) {
    const step = work.next();
    if (step.done) return step.value;
    if (performance.now() - began < TURN_MS) continue;
    await setImmediate();
    began = performance.now();
  }
}
