/** Field types. Each one's only message is what it accepts, so that every refusal says what would have been right. */
import { isIsoDay } from '@zinc-pail/core';
import Joi from 'joi';

function accepting<S extends Joi.Schema>(schema: S, accepted: string): S {
  return schema.messages({ '*': accepted }) as S;
}

export function number(min: number, max: number, unit = ''): Joi.NumberSchema {
  return accepting(Joi.number().min(min).max(max), `a number from ${min} to ${max}${unit && ` ${unit}`}`).required();
}

/** A number within bounds that several places share (limits.ts). */
export function within({ min, max }: { min: number; max: number }, unit = ''): Joi.NumberSchema {
  return number(min, max, unit);
}

export function whole(min: number, max: number, unit = ''): Joi.NumberSchema {
  return accepting(
    Joi.number().integer().min(min).max(max),
    `a whole number from ${min} to ${max}${unit && ` ${unit}`}`,
  ).required();
}

/** The database takes a text of signs without width for an empty one. */
export const CAN_BE_SEEN = /[\p{L}\p{N}\p{P}\p{S}]/u;

export function text(max: number): Joi.StringSchema {
  return accepting(Joi.string().trim().min(1).max(max).pattern(CAN_BE_SEEN), `a text of 1 to ${max} characters`)
    .messages({ 'string.trim': `a text of 1 to ${max} characters, no space before or after it` })
    .required();
}

export function oneOf(values: readonly string[]): Joi.StringSchema {
  return accepting(Joi.string().valid(...values), `one of ${values.map((v) => `"${v}"`).join(', ')}`).required();
}

export function exactly(value: string | number): Joi.AnySchema {
  return accepting(Joi.any().valid(value), JSON.stringify(value)).required();
}

export function yesNo(): Joi.BooleanSchema {
  return accepting(Joi.boolean(), 'true or false').required();
}

const DAY = 'a calendar date written YYYY-MM-DD';
export function day(): Joi.StringSchema {
  return accepting(
    Joi.string().custom((value: string, helpers) => (isIsoDay(value) ? value : helpers.error('string.isoDate'))),
    DAY,
  ).required();
}

const MOMENT = /^(\d{4}-\d{2}-\d{2})T\d{2}:\d{2}(?::\d{2}(?:\.\d{1,9})?)?(?:Z|[+-]\d{2}:\d{2})$/;

/** A moment that was, as an instrument tells it: with its day, its time and its zone. */
export function moment(): Joi.StringSchema {
  return accepting(
    Joi.string().custom((value: string, helpers) => {
      const day = MOMENT.exec(value)?.[1];
      const sound = day !== undefined && isIsoDay(day) && day >= '1970-01-02' && day < '9999-12-31';
      return sound && !Number.isNaN(Date.parse(value)) ? value : helpers.error('string.isoDate');
    }),
    'a moment as 2026-11-27T09:00:00Z',
  ).required();
}

export function twelve(min: number, max: number, unit: string): Joi.ArraySchema {
  return accepting(
    Joi.array()
      .items(number(min, max, unit).optional())
      .length(12),
    `12 numbers from ${min} to ${max} ${unit}, January first`,
  ).required();
}

export function list(items: Joi.Schema, accepted: string, max = 100_000): Joi.ArraySchema {
  // A required item would mean that the list may not be empty.
  return accepting(Joi.array().items(items.optional()).max(max), `${accepted}, at most ${max}`).required();
}

/** With a type named, the compiler holds the fields against it: none missing, none too many. */
export function object<T = any>(fields: Record<keyof NoInfer<T>, Joi.Schema>, accepted: string): Joi.ObjectSchema<T> {
  return accepting(Joi.object(fields), accepted).required() as Joi.ObjectSchema<T>;
}

/** An id in a path or a query, where everything is text. */
export function idText(): Joi.NumberSchema {
  return id().prefs({ convert: true });
}

export function id(): Joi.NumberSchema {
  return whole(1, MOST_ID);
}

/** As many as an unsigned INT of the database counts. */
export const MOST_ID = 4_294_967_295;

/** Gives a shape that several bodies share a name, under which the docs tell it once. */
export function named<S extends Joi.Schema>(shape: string, schema: S): S {
  return schema.meta({ shape }) as S;
}

/** May be left out or null. */
export function optional<S extends Joi.Schema>(schema: S): S {
  return schema.optional().allow(null) as S;
}
