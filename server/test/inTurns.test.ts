import { describe, expect, it } from 'vitest';
import { inTurns, jsonText } from '../src/inTurns.ts';

describe('JSON in turns', () => {
  it.each([
    ['an empty object', {}],
    ['fields that are left out', { a: undefined, b: [undefined, 1], c: { d: undefined } }],
    ['lists in lists, texts with quotation marks', { a: [[1, '"'], { b: [null, true] }], c: [] }],
    ['what is deep', { a: { b: { c: { d: [1, { e: 2 }] } } }, n: null }],
  ])('%s is what JSON.stringify makes of it', async (_, value) =>
    expect(await inTurns(jsonText(value))).toBe(JSON.stringify(value)),
  );
});
