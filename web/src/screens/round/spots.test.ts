import type { RoundPot } from '@zinc-pail/contract/api';
import { describe, expect, it } from 'vitest';
import { dueAt, type Spot, stepFrom, toggled, toggledAll } from './spots.ts';

const pot = (id: number, deed = 'wait') => ({ id, task: { judgement: { deeds: [{ deed }] } } }) as unknown as RoundPot;
const at = (placeId: number, ...pots: RoundPot[]) =>
  pots.map((one) => ({ site: { id: 1 }, place: { id: placeId }, pot: one }) as unknown as Spot);
const spots = [...at(10, pot(1, 'water'), pot(2)), ...at(11, pot(3, 'water')), ...at(20, pot(4, 'sip'))];

describe('the walk', () => {
  it('knows what is due at a bench, sips among it', () => {
    expect(dueAt(spots, 10)).toEqual([1]);
    expect(dueAt(spots, 20)).toEqual([4]);
    expect(dueAt(spots, 99)).toEqual([]);
  });
  it('steps on and back and stops at its ends; from nowhere to the first or the last', () => {
    expect(stepFrom(spots, 2, 1)).toBe(3);
    expect(stepFrom(spots, 1, -1)).toBe(1);
    expect(stepFrom(spots, 4, 1)).toBe(4);
    expect(stepFrom(spots, null, 1)).toBe(1);
    expect(stepFrom(spots, null, -1)).toBe(4);
    expect(stepFrom([], null, 1)).toBeNull();
  });
});

describe('choosing', () => {
  it('one on, and off again, leaving the rest and the set before', () => {
    const before = new Set([1]);
    expect([...toggled(before, 2)]).toEqual([1, 2]);
    expect([...toggled(before, 1)]).toEqual([]);
    expect([...before]).toEqual([1]);
  });
  it('all of a bench, or none where all were chosen', () => {
    expect([...toggledAll(new Set([1, 7]), [1, 2])]).toEqual([1, 7, 2]);
    expect([...toggledAll(new Set([1, 2, 7]), [1, 2])]).toEqual([7]);
  });
});
