import { describe, expect, it } from 'vitest';
import { GENERA, genusOf } from './genera.ts';
import { genusCare } from './library.ts';
import { poisonOf, WHOM } from './poison.ts';

describe('whom a plant harms', () => {
  it.each([
    ['Euphorbia', 'yes', 'yes', 'yes', 'yes', 'yes'],
    ['Aloe', 'unknown', 'yes', 'yes', 'unknown', 'unknown'],
    ['Pelargonium', 'unknown', 'yes', 'yes', 'unknown', 'unknown'],
    ['Boophone', 'yes', 'yes', 'yes', 'yes', 'yes'],
    ['Haworthia', 'no', 'no', 'no', 'unknown', 'unknown'],
    ['Kalanchoe', 'yes', 'yes', 'yes', 'yes', 'unknown'],
  ] as const)('%s', (name, people, dogs, cats, others, eyes) => {
    const genus = genusOf(name)!;
    const poison = poisonOf(genus.name, genus.cautions);
    expect(poison.eaten).toEqual({ people, dogs, cats, others });
    expect(poison.eyes).toBe(eyes);
  });

  it('is unknown of what nobody knows, and never safe', () => {
    const poison = poisonOf(null, []);
    expect(Object.values({ ...poison.eaten, skin: poison.skin, eyes: poison.eyes })).toEqual(
      Array.from({ length: 6 }, () => 'unknown'),
    );
  });

  it('agrees with what benches and arrivals warn of, for every genus of the library', () => {
    for (const genus of GENERA.values()) {
      const { eaten } = poisonOf(genus.name, genus.cautions);
      const { poisonous } = genusCare(genus, genus.form, genus.habit);
      expect([genus.name, poisonous]).toEqual([
        genus.name,
        { people: eaten.people === 'yes', pets: WHOM.some((whom) => whom !== 'people' && eaten[whom] === 'yes') },
      ]);
    }
  });
});
