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
  let left = MOST_LOOKED_AT;
  const look = (value: unknown, path: readonly (string | number)[]): Fault | null => {
    if (left-- <= 0) return null;
    if (typeof value === 'string')
      return UNWRITABLE.test(value)
        ? {
            pointer: pointerOf(path),
            got: value.replaceAll(/[\0\p{Surrogate}]/gu, '…'),
            accepted: 'a text of whole characters',
          }
        : null;
    if (typeof value !== 'object' || value === null || path.length > DEEPEST_LOOKED_AT) return null;
    for (const key in value) {
      const wrong = look(key, path) ?? look((value as Record<string, unknown>)[key], [...path, key]);
      if (wrong) return wrong;
    }
    return null;
  };
  return look(input, []);
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
