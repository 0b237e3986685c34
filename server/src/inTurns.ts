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

/** Each item made into another, one at a step. */
export function* mapped<T, U>(items: Iterable<T>, make: (item: T) => U): Generator<void, U[]> {
  const made: U[] = [];
  for (const item of items) {
    made.push(make(item));
    yield;
  }
  return made;
}

/** Lists this deep are written item by item; what lies deeper is short. */
const LISTS_DEEP = 2;

/** What JSON.stringify makes of an object, its long lists an item at a step. */
export function* jsonText(value: object, depth = 0): Generator<void, string> {
  if (Array.isArray(value)) {
    const items = yield* mapped(value, (item) => JSON.stringify(item) ?? 'null');
    return `[${items.join(',')}]`;
  }
  const fields: string[] = [];
  for (const [name, field] of Object.entries(value)) {
    const deeper = typeof field === 'object' && field !== null && depth < LISTS_DEEP;
    const text = deeper ? yield* jsonText(field as object, depth + 1) : JSON.stringify(field);
    if (text !== undefined) fields.push(`${JSON.stringify(name)}:${text}`);
  }
  return `{${fields.join(',')}}`;
}
