/** Wrong values, told so that whoever wrote them can put them right. */
import Joi from 'joi';
import { MOST_FAULTS_TOLD } from './limits.ts';

export interface Fault {
  /** JSON pointer (RFC 6901) of the field */
  pointer: string;
  /** what stood there, cut short where it is long; absent where nothing did */
  got: unknown;
  /** what would be right, as a phrase: "a number from -90 to 90" */
  accepted: string;
}

export interface Checked<T> {
  value: T;
  /** the first of them: one more than are told at most, so that it shows that there are more */
  faults: Fault[];
  /** pointers of fields nobody knows; they are ignored. Of a large input the first of them. */
  unknown: string[];
}

type Path = readonly (string | number)[];

export function pointerOf(path: Path): string {
  return path.map((step) => `/${String(step).replaceAll('~', '~0').replaceAll('/', '~1')}`).join('');
}

export function faultText(fault: Fault): string {
  const where = fault.pointer === '' ? 'the whole file' : fault.pointer;
  const got = fault.got === undefined ? 'nothing' : shortened(JSON.stringify(brief(fault.got)));
  return `${where}: found ${got}; wanted ${fault.accepted}`;
}

/** The faults as one text; of many the first, and that there are more. */
export function faultsText(faults: readonly Fault[], between = '; '): string {
  const told = faults.slice(0, MOST_FAULTS_TOLD).map(faultText);
  return [...told, ...(faults.length > told.length ? ['and more'] : [])].join(between);
}

function shortened(text: string | undefined): string {
  if (text === undefined) return 'nothing';
  return text.length > 80 ? `${text.slice(0, 77)}...` : text;
}

const LONGEST_TEXT_TOLD = 100;
const MOST_VALUES_TOLD = 20;
const DEEPEST_TOLD = 4;

/** A value as it is where it is small; else its beginning, `…` where something is left out. */
export function brief(value: unknown): unknown {
  let left = MOST_VALUES_TOLD;
  const cut = (part: unknown, depth: number): unknown => {
    left--;
    if (typeof part === 'string')
      return part.length > LONGEST_TEXT_TOLD ? `${part.slice(0, LONGEST_TEXT_TOLD)}…` : part;
    if (typeof part !== 'object' || part === null) return part;
    if (depth === DEEPEST_TOLD) return '…';
    const kept: [string | number, unknown][] = [];
    let whole = true;
    // Not Object.entries: a list may be a million long.
    for (const key in part) {
      if (left <= 0) {
        whole = false;
        break;
      }
      kept.push([cut(key, depth) as string, cut((part as Record<string, unknown>)[key], depth + 1)]);
    }
    if (Array.isArray(part)) return [...kept.map(([, item]) => item), ...(whole ? [] : ['…'])];
    return Object.fromEntries(whole ? kept : [...kept, ['…', '…']]);
  };
  return cut(value, 0);
}

/** No file or body of ours nests deeper than eight; Joi and JSON.stringify recurse, and a stack ends. */
const DEEPEST = 24;
/** About what a garden file of the largest size holds. */
const MOST_VALUES = 8_000_000;
/** No object of ours has a hundred; Joi takes long over names that it does not know. */
export const MOST_FIELDS = 10_000;
/** Up to here all faults are looked for: Joi takes some ten microseconds for each. */
const FEW_VALUES = 2000;
/** Of a longer list of a large input so many neighbours of the first fault are looked at. */
const NEIGHBOURS = 20;

/**
 * Checks without changing or guessing: "5" is not 5. Unknown fields are told apart from faults.
 *
 * It costs what reading the input costs, however wrong it is: depth and size come first, then the first fault, and more
 * are looked for only in an input that is small, or in the neighbourhood of the first.
 */
export function check<T>(schema: Joi.Schema, input: unknown): Checked<T> {
  const value = input as T;
  const { values, fault } = measured(input);
  if (fault) return { value, faults: [fault], unknown: [] };
  const first = firstOf(schema, input, false);
  if (!first) return { value, faults: [], unknown: [] };
  if (values <= FEW_VALUES) return { value, ...sorted(allOf(schema, input)) };
  // A field that nobody knows must not hide that something else is wrong.
  const worst = first.type === 'object.unknown' ? (firstOf(schema, input, true) ?? first) : first;
  const part = new Neighbourhood(input, worst.path);
  const more = measured(part.value).values <= FEW_VALUES ? allOf(schema, part.value) : [];
  const others = more.map((detail) => ({ ...detail, path: part.pathIn(detail.path) }));
  return { value, ...sorted([first, worst, ...others]) };
}

/**
 * The same for a long list in an object, some of its items at a time, so that whoever runs beside it is not held up.
 *
 * @param pause awaited between two turns
 */
export async function checkInTurns<T>(
  schema: Joi.Schema,
  input: unknown,
  pause: () => Promise<void>,
): Promise<Checked<T>> {
  const long = longestList(input);
  const bounds = long && boundsIn(schema).get(long.key);
  if (!long || !bounds) return check(schema, input);
  const value = input as T;
  const whole = measured(input).fault;
  if (whole) return { value, faults: [whole], unknown: [] };
  const { key, items } = long;
  if (items.length > bounds.most) {
    const fault = { pointer: pointerOf([key]), got: brief(items), accepted: bounds.accepted };
    return { value, faults: [fault], unknown: [] };
  }
  for (let from = 0; from < items.length;) {
    const part = turnFrom(items, from);
    const { faults, unknown } = check(schema, { ...(input as object), [key]: part });
    if (faults.length + unknown.length > 0) {
      const inList = new RegExp(`^${escaped(pointerOf([key]))}/(\\d+)`);
      const moved = (pointer: string) =>
        pointer.replace(inList, (_, i: string) => `${pointerOf([key])}/${Number(i) + from}`);
      return {
        value,
        faults: faults.map((one) => ({ ...one, pointer: moved(one.pointer) })),
        unknown: unknown.map(moved),
      };
    }
    from += part.length;
    await pause();
  }
  return { value, faults: [], unknown: [] };
}

/** The longest list that stands directly in an object, if it is long enough to be worth it. */
function longestList(input: unknown): { key: string; items: readonly unknown[] } | null {
  if (typeof input !== 'object' || input === null || Array.isArray(input)) return null;
  let longest: { key: string; items: readonly unknown[] } | null = null;
  let fields = 0;
  for (const key in input) {
    if (++fields > MOST_FIELDS) return null;
    const items = (input as Record<string, unknown>)[key];
    if (Array.isArray(items) && items.length > Math.max(1, longest?.items.length ?? 1)) longest = { key, items };
  }
  return longest;
}

interface ListBounds {
  most: number;
  accepted: string;
}

/** What is told of the lists that stand directly in an object: describing a schema takes some hundredths of a second. */
const boundsOfLists = new WeakMap<Joi.Schema, ReadonlyMap<string, ListBounds>>();

function boundsIn(schema: Joi.Schema): ReadonlyMap<string, ListBounds> {
  const known = boundsOfLists.get(schema);
  if (known) return known;
  const { keys = {} } = schema.describe() as {
    keys?: Record<
      string,
      {
        type: string;
        rules?: { name: string; args?: { limit: number } }[];
        preferences?: { messages?: Record<string, string> };
      }
    >;
  };
  const bounds = new Map(
    Object.entries(keys)
      .filter(([, { type }]) => type === 'array')
      .map(([key, { rules = [], preferences }]): [string, ListBounds] => [
        key,
        {
          most: rules.find(({ name }) => name === 'max')?.args?.limit ?? Infinity,
          accepted: preferences?.messages?.['*'] ?? 'a shorter list',
        },
      ]),
  );
  boundsOfLists.set(schema, bounds);
  return bounds;
}

/** Items for one turn: at least one, and no more values than are checked in some hundredths of a second. */
function turnFrom(items: readonly unknown[], from: number): unknown[] {
  let values = 0;
  let to = from;
  while (to < items.length && (to === from || values < FEW_VALUES)) values += measured(items[to++]).values;
  return items.slice(from, to);
}

function escaped(text: string): string {
  return text.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&');
}

/** How many values there are; a fault where they nest too deep or are too many. */
function measured(input: unknown): { values: number; fault: Fault | null } {
  let values = 0;
  // No recursion: that is what is guarded against.
  const open: [value: unknown, depth: number][] = [[input, 0]];
  while (open.length > 0) {
    const [value, depth] = open.pop()!;
    values++;
    if (typeof value !== 'object' || value === null) continue;
    if (depth > DEEPEST) return { values, fault: wholeFault(`lists and objects at most ${DEEPEST} deep`) };
    if (Array.isArray(value)) {
      if (values + value.length > MOST_VALUES) return { values, fault: wholeFault(`at most ${MOST_VALUES} values`) };
      // What is no list or object itself needs no turn of its own.
      for (const item of value) if (typeof item === 'object' && item !== null) open.push([item, depth + 1]);
      values += value.length;
    } else {
      let fields = 0;
      for (const key in value) {
        if (++fields > MOST_FIELDS) return { values, fault: wholeFault(`at most ${MOST_FIELDS} fields in an object`) };
        open.push([(value as Record<string, unknown>)[key], depth + 1]);
      }
    }
    if (values + open.length > MOST_VALUES) return { values, fault: wholeFault(`at most ${MOST_VALUES} values`) };
  }
  return { values, fault: null };
}

function wholeFault(accepted: string): Fault {
  return { pointer: '', got: 'more', accepted };
}

function firstOf(schema: Joi.Schema, input: unknown, allowUnknown: boolean): Joi.ValidationErrorItem | null {
  return schema.validate(input, { abortEarly: true, allowUnknown, convert: false }).error?.details[0] ?? null;
}

function allOf(schema: Joi.Schema, input: unknown): Joi.ValidationErrorItem[] {
  return schema.validate(input, { abortEarly: false, allowUnknown: false, convert: false }).error?.details ?? [];
}

/** The first faults and the unknown fields, each pointer once. */
function sorted(details: readonly Joi.ValidationErrorItem[]): { faults: Fault[]; unknown: string[] } {
  const faults = new Map<string, Fault>();
  const unknown = new Set<string>();
  for (const { type, path, context, message } of details) {
    const pointer = pointerOf(path);
    if (type === 'object.unknown') unknown.add(pointer);
    else if (faults.size <= MOST_FAULTS_TOLD && !faults.has(pointer))
      faults.set(pointer, {
        pointer,
        got: type === 'any.required' ? undefined : brief(context?.value),
        accepted: message,
      });
  }
  return { faults: [...faults.values()], unknown: [...unknown] };
}

/**
 * An input with its long lists cut: on the way to a fault from there on, elsewhere from the beginning. Short lists stay
 * whole, so that none is found too short that is not.
 */
class Neighbourhood {
  readonly value: unknown;
  private readonly starts: number[] = [];

  constructor(
    input: unknown,
    private readonly to: Path,
  ) {
    this.value = this.cut(input, 0, true);
  }

  private cut(value: unknown, depth: number, onTheWay: boolean): unknown {
    if (typeof value !== 'object' || value === null) return value;
    const next = this.to[depth];
    if (Array.isArray(value)) {
      const latest = Math.max(0, value.length - NEIGHBOURS);
      const start = onTheWay && typeof next === 'number' ? Math.min(next, latest) : 0;
      if (onTheWay) this.starts[depth] = start;
      return value
        .slice(start, start + NEIGHBOURS)
        .map((item, i) => this.cut(item, depth + 1, onTheWay && start + i === next));
    }
    return Object.fromEntries(
      Object.entries(value).map(([key, item]) => [key, this.cut(item, depth + 1, onTheWay && key === next)]),
    );
  }

  /** A path of the cut value as it is in the input. */
  pathIn(path: Path): (string | number)[] {
    let onTheWay = true;
    return path.map((step, depth) => {
      const there = onTheWay && typeof step === 'number' ? step + (this.starts[depth] ?? 0) : step;
      onTheWay &&= there === this.to[depth];
      return there;
    });
  }
}
