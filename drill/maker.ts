/** Values made from a schema as it describes itself, and the same broken. */
import { randomUUID } from 'node:crypto';
import type { Chance } from './chance.ts';

/** As much of what Joi tells of a schema as a value can be made from. */
export interface Described {
  type: string;
  flags?: { presence?: string; only?: boolean };
  keys?: Record<string, Described>;
  items?: Described[];
  allow?: unknown[];
  rules?: { name: string; args?: { limit?: number; regex?: string } }[];
  matches?: { schema?: Described; switch?: { then?: Described }[]; then?: Described }[];
}

const TEXTS = [
  "' OR 1=1 -- ",
  '"; DROP TABLE plant; --',
  '<script>alert(1)</script>',
  "=cmd|' /C calc'!A0",
  '../../etc/passwd',
  '\r\nX-EVIL: 1',
  '{uuid}',
  '1970-13-45',
  '9999-12-31',
  'x'.repeat(5000),
];
const CHARACTERS = ['', ' ', '0', 'null', 'NaN', '%ff', '\u0000', '🌵', 'Á1', '..'];
const NUMBERS = [0, -1, 1, 0.5, -0.0001, 1e308, -1e308, 2 ** 32, 2 ** 53];
const SHAPES: unknown[] = [
  [],
  {},
  [[]],
  [null],
  { a: { a: { a: {} } } },
  ['__proto__'],
  { constructor: { prototype: 1 } },
];
export const HOSTILE: readonly unknown[] = [null, true, false, ...NUMBERS, ...CHARACTERS, ...TEXTS, ...SHAPES];

const deep = (levels: number): unknown => JSON.parse(`${'['.repeat(levels)}${']'.repeat(levels)}`);

export class Maker {
  constructor(
    private readonly chance: Chance,
    private readonly known: { ids: readonly number[]; uuids: string[] },
  ) {}

  value(schema: Described, name = ''): unknown {
    const { chance } = this;
    const allowed = (schema.allow ?? []).filter((one) => typeof one !== 'object');
    if (schema.flags?.only || (allowed.length > 0 && chance.is(0.3)))
      return allowed.length > 0 ? chance.of(allowed) : null;
    switch (schema.type) {
      case 'object':
        return this.object(schema);
      case 'array':
        return Array.from({ length: chance.between(1, 3) }, () =>
          this.value(schema.items?.[0] ?? { type: 'any' }, name),
        );
      case 'number':
        return this.number(schema, name);
      case 'boolean':
        return chance.is(0.5);
      case 'alternatives':
        return this.alternative(schema, name);
      case 'string':
        return this.text(schema, name);
      default:
        return chance.of(HOSTILE);
    }
  }

  private object({ keys = {} }: Described): Record<string, unknown> {
    const out: Record<string, unknown> = {};
    for (const [key, schema] of Object.entries(keys))
      if (schema.flags?.presence === 'required' || this.chance.is(0.5)) out[key] = this.value(schema, key);
    return out;
  }

  private number({ rules = [] }: Described, name: string): number {
    const limit = (rule: string, otherwise: number) => rules.find((one) => one.name === rule)?.args?.limit ?? otherwise;
    if (/(^|_)ids?$/.test(name)) return this.chance.of(this.known.ids);
    // Else some thousand requests make some ten thousand plants, and it is their reckoning that is tried.
    if (name === 'count') return this.chance.between(1, 2);
    return this.chance.between(Math.ceil(limit('min', 0)), Math.floor(Math.min(limit('max', 1000), 1e6)));
  }

  private alternative({ matches = [] }: Described, name: string): unknown {
    const all = matches.flatMap((one) => [
      ...(one.schema ? [one.schema] : []),
      ...(one.then ? [one.then] : []),
      ...(one.switch ?? []).flatMap((part) => (part.then ? [part.then] : [])),
    ]);
    return all.length > 0 ? this.value(this.chance.of(all), name) : null;
  }

  private text({ rules = [] }: Described, name: string): string {
    const { chance } = this;
    if (/client_id|with/.test(name)) {
      const uuid = chance.is(0.2) && this.known.uuids.length > 0 ? chance.of(this.known.uuids) : randomUUID();
      this.known.uuids.push(uuid);
      return chance.is(0.1) ? uuid.toUpperCase() : uuid;
    }
    if (/date|day|_on$|_until$|from$/.test(name))
      return `20${chance.between(10, 26)}-0${chance.between(1, 9)}-1${chance.between(0, 9)}`;
    const most = rules.find((rule) => rule.name === 'max')?.args?.limit ?? 40;
    return 'Echeveria agavoides, of the lock wall'.slice(0, Math.max(1, Math.min(most, chance.between(1, 37))));
  }

  /** The same with something in it broken. */
  broken(value: unknown): unknown {
    const { chance } = this;
    if (typeof value !== 'object' || value === null || chance.is(0.25))
      return chance.is(0.03) ? deep(4000) : chance.of(HOSTILE);
    if (Array.isArray(value)) {
      if (chance.is(0.2)) return [...value, ...value];
      const at = Math.floor(chance.next() * value.length);
      return value.map((item, i) => (i === at ? this.broken(item) : item));
    }
    const keys = Object.keys(value);
    const out: Record<string, unknown> = { ...value };
    if (keys.length === 0 || chance.is(0.15))
      out[chance.of(['x', '__proto__', 'constructor', 'id'])] = chance.of(HOSTILE);
    else if (chance.is(0.2)) delete out[chance.of(keys)];
    else {
      const key = chance.of(keys);
      out[key] = this.broken(out[key]);
    }
    return out;
  }
}
