/** Wrong values, told so that whoever wrote them can put them right. */
import Joi from 'joi';

export interface Fault {
  /** JSON pointer (RFC 6901) of the field */
  pointer: string;
  /** what stood there; absent where nothing did */
  got: unknown;
  /** what would be right, as a phrase: "a number from -90 to 90" */
  accepted: string;
}

export interface Checked<T> {
  value: T;
  faults: Fault[];
  /** pointers of fields nobody knows; they are ignored */
  unknown: string[];
}

export function pointerOf(path: readonly (string | number)[]): string {
  return path.map((step) => `/${String(step).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');
}

export function faultText(fault: Fault): string {
  const where = fault.pointer === '' ? 'the whole file' : fault.pointer;
  const got = fault.got === undefined ? 'nothing' : shortened(JSON.stringify(fault.got));
  return `${where}: found ${got}; wanted ${fault.accepted}`;
}

function shortened(text: string | undefined): string {
  if (text === undefined) return 'nothing';
  return text.length > 80 ? `${text.slice(0, 77)}...` : text;
}

/** Checks without changing or guessing: "5" is not 5. Unknown fields are told apart from faults. */
export function check<T>(schema: Joi.Schema, input: unknown): Checked<T> {
  const { error } = schema.validate(input, { abortEarly: false, allowUnknown: false, convert: false });
  const faults: Fault[] = [];
  const unknown: string[] = [];
  for (const detail of error?.details ?? []) {
    if (detail.type === 'object.unknown') unknown.push(pointerOf(detail.path));
    else
      faults.push({
        pointer: pointerOf(detail.path),
        got: detail.type === 'any.required' ? undefined : detail.context?.value,
        accepted: detail.message,
      });
  }
  return { value: input as T, faults, unknown };
}
