import { describe, expect, it } from 'vitest';
import { USUAL_SLIPS } from './looks.ts';
import { begun, copied, type Walk } from './state.ts';

const WALK = { input: {}, fromDay: 100, fromFull: false, wanderVar: 1, slips: USUAL_SLIPS } as unknown as Walk;

/** Every list and object in a state, by its way. */
function parts(value: unknown, way = '', found = new Map<object, string>()): Map<object, string> {
  if (typeof value !== 'object' || value === null || found.has(value)) return found;
  found.set(value, way);
  if (!ArrayBuffer.isView(value)) for (const [key, part] of Object.entries(value)) parts(part, `${way}/${key}`, found);
  return found;
}

describe('how a walk stands', () => {
  it('begins with as many ways as it may have been wet, of one weight together', () => {
    const state = begun(WALK);
    const sum = state.branches.reduce((all, { weights }) => all + weights[0]!, 0);
    expect(sum).toBeCloseTo(1, 9);
    expect(state.branches).toContain(state.main);
    expect(begun({ ...WALK, fromFull: true }).branches.map(({ m }) => m[0])).toEqual([1]);
  });
  it('copied shares nothing that a step writes into', () => {
    const state = begun(WALK);
    state.looks.push({ day: 101, kind: 'finger' });
    state.stretches.push({ endDay: 101 } as never);
    const copy = copied(state);
    expect(copy).toEqual(state);
    const own = parts(state);
    // Bounds of the grid, what was closed or noted, and how looks were believed are replaced, never written into.
    const shared = [...parts(copy)].filter(([part]) => own.has(part)).map(([, way]) => way.replaceAll(/\d+/g, 'n'));
    expect(new Set(shared)).toEqual(new Set(['/stretches/n', '/looks/n', '/range', '/branches/n/slips']));
    expect(copy.branches).toContain(copy.main);
    expect(copy.branches.indexOf(copy.main)).toBe(state.branches.indexOf(state.main));
    copy.main.weights[0] = 9;
    copy.trust.finger.looks = 7;
    expect(state.main.weights[0]).not.toBe(9);
    expect(state.trust.finger.looks).toBe(0);
  });
});
