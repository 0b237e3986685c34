import Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { brief, check, checkInTurns, type Fault, faultsText, faultText } from './faults.ts';
import { list, number, object, optional, text } from './fields.ts';
import { checkGarden } from './gardenFile.ts';
import { MOST_FAULTS_TOLD } from './limits.ts';

const row = object({ name: text(20), parts: optional(list(number(0, 9), 'numbers', 3000)) }, 'a row');
const rows = object({ rows: list(row, 'rows', 50_000), more: optional(list(number(0, 9), 'numbers')) }, 'rows');
const good = (n: number) => Array.from({ length: n }, (_, i) => ({ name: `row ${i}` }) as Record<string, unknown>);
const pointers = (input: unknown, schema: Joi.Schema = rows) => check(schema, input).faults.map((f) => f.pointer);

describe('what is wrong in a small input', () => {
  it('is told whole, each at its place, with what stood there', () => {
    const input = { rows: [{ name: 'a' }, { name: '', parts: [1, 99] }, {}] };
    expect(check(rows, input).faults).toEqual([
      { pointer: '/rows/1/name', got: '', accepted: 'a text of 1 to 20 characters' },
      { pointer: '/rows/1/parts/1', got: 99, accepted: 'a number from 0 to 9' },
      { pointer: '/rows/2/name', got: undefined, accepted: 'a text of 1 to 20 characters' },
    ]);
  });
  it('is told with what hinders: a space before or after', () =>
    expect(check(rows, { rows: [{ name: ' Aloe ' }] }).faults[0]!.accepted).toContain('no space before or after'));
  it('fields that nobody knows stand apart', () =>
    expect(check(rows, { rows: [{ name: 'a', mood: 1 }], x: 2 })).toMatchObject({
      faults: [],
      unknown: ['/rows/0/mood', '/x'],
    }));
});

describe('what is wrong in a large input', () => {
  it.each([0, 1, 19, 3456, 4980, 4999])('row %d is found, and its neighbours that follow', (at) => {
    const input = { rows: good(5000) };
    input.rows[at]!.name = 7;
    const next = Math.min(at + 3, 4999);
    input.rows[next]!.name = 8;
    expect(pointers(input)).toEqual([...new Set([`/rows/${at}/name`, `/rows/${next}/name`])]);
  });
  it('lists within lists are found at their place', () => {
    const input = { rows: good(3000) };
    input.rows[2000]!.parts = Array.from({ length: 1000 }, (_, i) => (i === 700 || i === 705 ? 77 : 1));
    expect(pointers(input)).toEqual(['/rows/2000/parts/700', '/rows/2000/parts/705']);
  });
  it('a list that is whole is never told to be too short for its being cut', () => {
    const twelve = Joi.object({
      rows: list(row, 'rows'),
      year: Joi.array().items(Joi.number()).length(12),
    });
    const input = { rows: good(3000), year: Array.from({ length: 12 }, (_, i) => (i === 7 ? 'July' : i)) };
    expect(pointers(input, twelve)).toEqual(['/year/7']);
  });
  it('an unknown field does not hide a fault, nor a fault an unknown field', () => {
    const input = { rows: good(5000) };
    input.rows[10]!.mood = 1;
    expect(check(rows, input)).toMatchObject({ faults: [], unknown: ['/rows/10/mood'] });
    input.rows[4000]!.name = 7;
    const { faults, unknown } = check(rows, input);
    expect(faults.map((fault) => fault.pointer)).toEqual(['/rows/4000/name']);
    expect(unknown).toContain('/rows/10/mood');
  });
  it('a list too long is told as that', () => {
    const [fault] = check(rows, { rows: good(50_001) }).faults;
    expect(fault).toMatchObject({ pointer: '/rows', accepted: 'rows, at most 50000' });
    expect(JSON.stringify(fault).length).toBeLessThan(2000);
  });
});

describe('a long list, some items at a time', () => {
  const inTurns = async (input: unknown, schema: Joi.Schema = rows) => {
    let turns = 0;
    const checked = await checkInTurns(schema, input, async () => void turns++);
    return { ...checked, turns };
  };
  it('that is sound takes many turns', async () => {
    const { faults, unknown, turns, value } = await inTurns({ rows: good(5000) });
    expect([faults, unknown]).toEqual([[], []]);
    expect(turns).toBeGreaterThan(3);
    expect((value as { rows: unknown[] }).rows).toHaveLength(5000);
  });
  it.each([0, 1, 999, 1000, 2345, 4999])('what is wrong at %d is told at its place', async (at) => {
    const input = { rows: good(5000) };
    input.rows[at]!.name = 7;
    expect((await inTurns(input)).faults).toEqual([
      { pointer: `/rows/${at}/name`, got: 7, accepted: 'a text of 1 to 20 characters' },
    ]);
  });
  it('what nobody knows is told at its place, within the list and beside it', async () => {
    const input = { rows: good(3000), x: 1 };
    input.rows[0]!.mood = 1;
    expect((await inTurns(input)).unknown).toEqual(['/rows/0/mood', '/x']);
    const later = { rows: good(3000) };
    later.rows[2999]!.mood = 1;
    expect((await inTurns(later)).unknown).toEqual(['/rows/2999/mood']);
  });
  it('that is too long is told before anything in it', async () => {
    const { faults, turns } = await inTurns({ rows: Array(60_000).fill(0) });
    expect(faults).toMatchObject([{ pointer: '/rows', accepted: 'rows, at most 50000' }]);
    expect(turns).toBe(0);
  });
  it('beside another that is wrong does not hide it', async () => {
    expect((await inTurns({ rows: good(3000), more: [99] })).faults[0]).toMatchObject({ pointer: '/more/0', got: 99 });
  });
  it.each([
    ['no object', [1, 2, 3]],
    ['a list where none is wanted', { rows: good(2), name: Array(5000).fill(1) }],
    ['too deep', { rows: [JSON.parse(`${'['.repeat(40)}${']'.repeat(40)}`) as unknown, 1] }],
    ['nothing', null],
  ])('%s is told as ever', async (_, input) => {
    const { faults, unknown } = await inTurns(input);
    const asEver = check(rows, input);
    expect({ faults, unknown }).toEqual({ faults: asEver.faults, unknown: asEver.unknown });
    expect(faults.length + unknown.length).toBeGreaterThan(0);
  });
  it('an item that is large alone is a turn of its own', async () => {
    const large = { name: 'large', parts: Array(2500).fill(1) };
    expect((await inTurns({ rows: [large, large, large] })).turns).toBe(3);
  });
});

describe('however much is wrong', () => {
  it.each<[string, unknown]>([
    ['numbers for rows', { rows: Array.from({ length: 50_000 }, () => 0) }],
    ['rows of nothing', { rows: Array.from({ length: 50_000 }, () => ({})) }],
    [
      'lists of wrong numbers',
      { rows: Array.from({ length: 300 }, () => ({ name: 1, parts: Array(1500).fill('x') })) },
    ],
    [
      'fields nobody knows',
      { rows: [], ...Object.fromEntries(Array.from({ length: 90_000 }, (_, i) => [`k${i}`, 0])) },
    ],
    [
      'fields nobody knows, in rows',
      { rows: Array.from({ length: 50 }, () => Object.fromEntries(good(1900).map((_, i) => [`k${i}`, 0]))) },
    ],
    ['one long text', { rows: [{ name: 'x'.repeat(900_000) }] }],
    ['long names of fields', { rows: [], ['x'.repeat(900_000)]: 0 }],
    ['a few', { rows: Array.from({ length: 400 }, () => ({ name: 1 })) }],
  ])('%s: some faults are told, and that there are more', (_name, input) => {
    const { faults, unknown } = check(rows, input);
    expect(faults.length + unknown.length).toBeGreaterThan(0);
    expect(faults.length).toBeLessThanOrEqual(MOST_FAULTS_TOLD + 1);
    expect(JSON.stringify(faults).length).toBeLessThan(64_000);
    expect(faultsText(faults).length).toBeLessThan(6000);
    if (faults.length > MOST_FAULTS_TOLD) expect(faultsText(faults)).toMatch(/; and more$/);
  });
  it.each<[string, (inner: unknown) => unknown]>([
    ['lists', (inner) => [inner]],
    ['objects', (inner) => ({ a: inner })],
  ])('%s a hundred thousand deep are refused in words', (_name, wrap) => {
    let deep: unknown = 0;
    for (let i = 0; i < 100_000; i++) deep = wrap(deep);
    expect(check(rows, { rows: deep }).faults[0]!.accepted).toBe('lists and objects at most 24 deep');
    expect(checkGarden(deep).faults[0]!.accepted).toBe('lists and objects at most 24 deep');
    expect(JSON.stringify(brief(deep)).length).toBeLessThan(100);
  });
  it('millions of values are refused before they are looked at', () =>
    expect(check(rows, { rows: Array(9_000_000).fill(0) }).faults[0]!.accepted).toBe('at most 8000000 values'));
});

describe('what is told of a value', () => {
  it.each<[unknown, unknown]>([
    [7, 7],
    ['short', 'short'],
    [null, null],
    [{ a: [1, { b: 'c' }] }, { a: [1, { b: 'c' }] }],
    ['x'.repeat(101), `${'x'.repeat(100)}…`],
    [[[[[[1]]]]], [[[['…']]]]],
  ])('%j is %j', (value, told) => expect(brief(value)).toEqual(told));
  it('a long list and a wide object by their beginning', () => {
    expect(brief(Array(1000).fill(1))).toEqual([...Array((20 - 1) / 2 + 0.5).fill(1), '…']);
    expect(Object.keys(brief(Object.fromEntries(good(99).map((_, i) => [`k${i}`, i]))) as object)).toContain('…');
  });
  it('text of a fault names the whole file, and nothing where nothing was', () => {
    const fault: Fault = { pointer: '', got: undefined, accepted: 'a garden' };
    expect(faultText(fault)).toBe('the whole file: found nothing; wanted a garden');
    expect(faultsText([fault, fault], '\n').split('\n')).toHaveLength(2);
  });
});
