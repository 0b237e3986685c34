import { checkInTurns, faultsText, pointerOf } from '@zinc-pail/contract/faults';
import { setImmediate } from 'node:timers/promises';
import type Joi from 'joi';
import { Refused } from './refusals.ts';

/**
 * The input if it is sound; else a refusal with a pointer for each wrong field. Unknown fields are refused too. Others are
 * answered between parts of a long list.
 */
export async function accept<T>(schema: Joi.Schema<T>, input: unknown): Promise<T> {
  const { value, faults, unknown } = await checkInTurns<T>(schema, input, () => setImmediate());
  const all = [...faults, ...unknown.map((pointer) => ({ pointer, got: undefined, accepted: 'no such field here' }))];
  if (all.length > 0) throw new Refused('not-understood', faultsText(all), all);
  return value;
}

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
