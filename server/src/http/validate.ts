import { check, faultText } from '@zinc-pail/contract/faults';
import type Joi from 'joi';
import { Refused } from './problem.ts';

/** The input if it is sound; else a refusal with a pointer for each wrong field. Unknown fields are refused too. */
export function accept<T>(schema: Joi.Schema, input: unknown): T {
  const { value, faults, unknown } = check<T>(schema, input);
  const all = [...faults, ...unknown.map((pointer) => ({ pointer, got: undefined, accepted: 'no such field here' }))];
  if (all.length > 0) throw new Refused(400, 'Not understood', all.map(faultText).join('; '), all);
  return value;
}

/** A number in a path, or a refusal. */
export function acceptParam<T>(schema: Joi.ObjectSchema, params: unknown): T {
  const { value, error } = schema.validate(params, { convert: true, abortEarly: false });
  if (error) throw new Refused(404, 'Not here', 'There is nothing at this address.');
  return value as T;
}
