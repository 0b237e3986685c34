/** What stands on the round besides its pots: the can, kept answers, whose version, who writes. No database. */
import type { Request } from 'express';
import type { RoundPot } from '@zinc-pail/contract/api';
import { describe, expect, it } from 'vitest';
import { keeperOf } from '../src/http/keeper.ts';
import { Refused } from '../src/http/refusals.ts';
import { refuseStale, versionOf } from '../src/http/version.ts';
import { sizeInPot, plantColumns } from '../src/plants/takingInStore.ts';
import { placeColumns } from '../src/places/store.ts';
import { canLines } from '../src/round/roundBook.ts';

const feeds = [
  { id: 1, name: 'Bloom', n: 4, p: 6, k: 9, unit: 'ml' as const, perLitre: 5 },
  { id: 2, name: 'Grains', n: 7, p: 7, k: 7, unit: 'g' as const, perLitre: 1 },
];
const kit = { collection: 'C', canMl: 5000, feeds };
const pot = (
  amount_ml: number,
  over: { water?: string; strength?: number; feed_id?: number | null; deed?: string } = {},
): RoundPot =>
  ({
    outlook: {},
    task: {
      amount_ml,
      water: over.water ?? 'rain',
      feed_id: over.feed_id ?? null,
      food: over.strength ?? null,
      judgement: { deeds: [{ deed: over.deed ?? 'water' }] },
    },
  }) as unknown as RoundPot;

describe('for the can', () => {
  it('sums what is due, and only that', () => {
    expect(canLines([pot(1200), pot(300), pot(9000, { deed: 'wait' })], kit)).toEqual([
      { water: 'rain', pots: 2, ml: 1500, fills: 1, feed: null },
    ]);
    expect(canLines([], kit)).toEqual([]);
  });
  it('a line for each water, and for each feed at each strength: 5 ml a litre at half strength in 3 l is 7.5 ml', () => {
    const lines = canLines(
      [
        pot(1000, { strength: 0.5 }),
        pot(2000, { strength: 0.5 }),
        pot(400),
        pot(400, { water: 'soft', strength: 0.25, feed_id: 2 }),
      ],
      kit,
    );
    expect(lines).toHaveLength(3);
    expect(lines[0]).toEqual({
      water: 'rain',
      pots: 2,
      ml: 3000,
      fills: 1,
      feed: { name: 'Bloom', strength: 0.5, unit: 'ml', dose: 7.5 },
    });
    expect(lines.find((line) => line.water === 'soft')!.feed).toEqual({
      name: 'Grains',
      strength: 0.25,
      unit: 'g',
      dose: 0.1,
    });
  });
  it('counts fills, and owns up where no feed is named', () => {
    expect(canLines([pot(5001)], kit)[0]!.fills).toBe(2);
    expect(canLines([pot(500, { strength: 1 })], { ...kit, feeds: [] })[0]!.feed).toEqual({
      name: null,
      strength: 1,
      unit: null,
      dose: null,
    });
    expect(canLines([pot(500, { strength: 1, feed_id: 99 })], kit)[0]!.feed).toMatchObject({ name: null, dose: null });
  });
});

const request = (headers: Record<string, string>) =>
  ({ get: (name: string) => headers[name.toLowerCase()] }) as unknown as Request;

describe('who writes', () => {
  it.each([
    [{}, 'keeper'],
    [{ 'x-keeper': '%C3%84nne' }, 'Änne'],
    [{ 'x-keeper': '%E0%A4%A' }, 'keeper'],
    [{ 'x-keeper': '   ' }, 'keeper'],
    [{ 'x-keeper': 'x'.repeat(90) }, 'x'.repeat(40)],
  ])('%j is %s', (headers, name) => expect(keeperOf(request(headers as Record<string, string>))).toBe(name));
});

describe('whose version', () => {
  it.each([
    ['3', 3],
    ['"3"', 3],
    ['W/"12"', 12],
  ])('%s', (header, version) => expect(versionOf(request({ 'if-match': header }))).toBe(version));
  it.each(['', '*', 'three', '-1'])('%j is none', (header) =>
    expect(() => versionOf(request({ 'if-match': header }))).toThrow(Refused),
  );
  it('tells the later of two what the first one changed, and nothing else', () => {
    try {
      refuseStale(
        { name: 'Mine', air: 'still', lamp: null },
        { name: 'Theirs', air: 'still', lamp: null, secret: 'x' },
      );
    } catch (error) {
      const refused = error as Refused;
      expect(refused.status).toBe(412);
      expect(refused.message).toBe(
        'Someone changed this since you opened it: name is now "Theirs". Look at it and save again.',
      );
      expect(refused.faults!.map((fault) => fault.pointer)).toEqual(['/name']);
      return;
    }
    expect.unreachable();
  });
});

describe('columns', () => {
  it('take what a keeper may set and nothing else; null empties, absence leaves', () => {
    expect(plantColumns({ name: 'A', provenance: null, id: 7, version: 9, own_rules: '{}', ended: 'died' })).toEqual({
      name: 'A',
      provenance: null,
    });
    const place = { name: 'A', lamp: { ppfd_umol_m2_s: 200, hours: 12 }, indoor_c: null, site_id: 3 };
    expect(placeColumns(place)).toEqual({
      name: 'A',
      lamp_ppfd_umol_m2_s: 200,
      lamp_hours: 12,
      indoor_c: null,
    });
    expect(placeColumns({ lamp: null })).toEqual({ lamp_ppfd_umol_m2_s: null, lamp_hours: null });
  });
  it('a plant nobody measured is about as wide as its pot', () => {
    expect(
      sizeInPot({
        shape: 'round',
        top_mm: 100,
        base_mm: 70,
        depth_mm: 90,
        material: 'plastic',
        holes: true,
        top_dressing_mm: 0,
      }),
    ).toEqual({ diameter_mm: 75, height_mm: 60 });
  });
});
