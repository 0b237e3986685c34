/** What stands on the round besides its pots: kept answers, whose version, who writes. No database. */
import type { Request } from 'express';
import { describe, expect, it } from 'vitest';
import { keeperOf } from '../src/http/keeper.ts';
import { Refused } from '../src/http/refusals.ts';
import { refuseStale, versionOf } from '../src/http/version.ts';
import { sizeInPot, plantColumns } from '../src/plants/takingInStore.ts';
import { placeColumns } from '../src/places/store.ts';

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
