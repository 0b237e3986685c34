import { describe, expect, it } from 'vitest';
import { traitsOf } from '../plant/traits.ts';
import { GENERA } from '../plant/genera.ts';
import { restPlace } from './restPlace.ts';

const of = (name: string) => restPlace(traitsOf({ name }).traits);

describe('where a kind rests', () => {
  it.each([
    ['Mammillaria hahniana', 'light', 4, 11],
    ['Adenium obesum', 'dark', 11, 16],
    ['Ipomoea holubii', 'dark', 11, 15],
    ['Melocactus azureus', 'light', 13, 15],
    ['Echeveria agavoides', 'light', 4, 11],
    ['Lithops lesliei', 'light', 4, 13],
    ['Albuca spiralis', 'dark', 16, 30],
    ['Conophytum bilobum', 'shade', 16, 30],
  ] as const)('%s: %s, %d to %d°', (name, light, fromC, toC) => expect(of(name)).toEqual({ light, fromC, toC }));
  it.each(['Haworthia cooperi', 'Sansevieria trifasciata', 'Hoya kerrii'])('%s never rests', (name) =>
    expect(of(name)).toBeNull(),
  );
  it('never asks for what would harm: above what it bears dry, and a band that is one', () => {
    for (const genus of GENERA.values()) {
      const place = restPlace(genus);
      if (!place) continue;
      expect(place.fromC, genus.name).toBeGreaterThan(genus.minDryC);
      expect(place.toC, genus.name).toBeGreaterThan(place.fromC);
    }
  });
});
