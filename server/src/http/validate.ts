import { checkInTurns, type Fault, faultsText, pointerOf } from '@zinc-pail/contract/faults';
import { setImmediate } from 'node:timers/promises';
import type Joi from 'joi';
import { Refused } from './refusals.ts';

/**
 * The input if it is sound; else a refusal with a pointer for each wrong field. Unknown fields are refused too. Others are
 * answered between parts of a long list.
 */
export async function accept<T>(schema: Joi.Schema<T>, input: unknown): Promise<T> {
  const broken = brokenText(input);
  if (broken) throw new Refused('not-understood', faultsText([broken]), [broken]);
  const { value, faults, unknown } = await checkInTurns<T>(schema, input, () => setImmediate());
  const all = [...faults, ...unknown.map((pointer) => ({ pointer, got: undefined, accepted: 'no such field here' }))];
  if (all.length > 0) throw new Refused('not-understood', faultsText(all), all);
  return value;
}

/** Half a character, or a NUL: no database writes it, and no screen shows it. */
const UNWRITABLE = /[\0\p{Surrogate}]/u;
/** Of larger bodies the parts are looked at where they are read. */
const MOST_LOOKED_AT = 200_000;

function brokenText(input: unknown): Fault | null {
  const way: (string | number)[] = [];
  const found = findBroken(input, way, { left: MOST_LOOKED_AT });
  return found === null
    ? null
    : {
        pointer: pointerOf(way.toReversed()),
        got: found.replaceAll(/[\0\p{Surrogate}]/gu, '…'),
        accepted: 'a text of whole characters',
      };
}

/** @param way from the text that was found up to the whole: filled on the way back, so that what is sound costs nothing */
function findBroken(value: unknown, way: (string | number)[], looked: { left: number }, depth = 0): string | null {
  if (typeof value === 'string') return UNWRITABLE.test(value) ? value : null;
  if (typeof value !== 'object' || value === null || depth > DEEPEST_LOOKED_AT) return null;
  const inside = (key: string | number, part: unknown): string | null => {
    // Most of a long list is numbers: they are no text, and hold none.
    if ((typeof part !== 'string' && typeof part !== 'object') || part === null) return null;
    const broken = findBroken(part, way, looked, depth + 1);
    if (broken !== null) way.push(key);
    return broken;
  };
  if (Array.isArray(value)) {
    for (let i = 0; i < value.length && looked.left > 0; i++, looked.left--) {
      const broken = inside(i, value[i]);
      if (broken !== null) return broken;
    }
    return null;
  }
  for (const key in value) {
    if (looked.left-- <= 0) return null;
    if (UNWRITABLE.test(key)) return key;
    const broken = inside(key, (value as Record<string, unknown>)[key]);
    if (broken !== null) return broken;
  }
  return null;
}
const DEEPEST_LOOKED_AT = 30;

/** A number in a path, or a refusal. */
export function acceptParam<T>(schema: Joi.ObjectSchema<T>, params: unknown): T {
  const { value, error } = schema.validate(params, { convert: true, abortEarly: false });
  if (error) throw new Refused('not-here', 'There is nothing at this address.');
  return value as T;
}

/** What follows the question mark: texts, read as what the schema makes of them. */
export function acceptQuery<T>(schema: Joi.ObjectSchema<T>, query: unknown): T {
  const { value, error } = schema.validate(query, { convert: true, abortEarly: false });
  const faults = (error?.details ?? []).map(({ path, type, message, context }) => ({
    pointer: pointerOf(path),
    got: context?.value as unknown,
    accepted: type === 'object.unknown' ? 'no such field here' : message,
  }));
  if (faults.length > 0) throw new Refused('not-understood', faultsText(faults), faults);
  return value as T;
}
