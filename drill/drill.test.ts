/** The drill's own tools: chance that repeats, and requests that are worth sending. */
import { allRoutes } from '@zinc-pail/server/app';
import type { App } from '@zinc-pail/server/context';
import { check } from '@zinc-pail/contract/faults';
import { describe, expect, it } from 'vitest';
import { quantile } from './ask.ts';
import { Chance } from './chance.ts';
import { type Described, Maker } from './maker.ts';
import { Table } from './table.ts';

describe('chance', () => {
  it('is the same for the same seed, another for another', () => {
    const draw = (seed: number) => {
      const chance = new Chance(seed);
      return Array.from({ length: 20 }, () => chance.next());
    };
    expect(draw(3)).toEqual(draw(3));
    expect(draw(3)).not.toEqual(draw(4));
    expect(draw(5).every((x) => x >= 0 && x < 1)).toBe(true);
  });
  it('keeps within its bounds, and reaches them', () => {
    const chance = new Chance(1);
    const drawn = new Set(Array.from({ length: 300 }, () => chance.between(-2, 2)));
    expect([...drawn].sort((a, b) => a - b)).toEqual([-2, -1, 0, 1, 2]);
  });
});

describe('requests', () => {
  const bodies = allRoutes({} as App).flatMap(({ body, path }) => (body ? [{ body, path }] : []));
  const of = (schema: Described, seed: number) =>
    new Maker(new Chance(seed), { ids: [1, 2, 3], uuids: [] }).value(schema);
  it('made from a schema are taken by it often enough to get past the door', () => {
    const taken = bodies.filter(({ body }) =>
      Array.from({ length: 60 }, (_, seed) => of(body.describe() as Described, seed)).some((value) => {
        const { faults, unknown } = check(body, value);
        return faults.length + unknown.length === 0;
      }),
    );
    expect(bodies.length).toBeGreaterThan(15);
    expect(taken.length / bodies.length).toBeGreaterThan(0.7);
  });
  it('that are broken are another than they were, and can be sent', () => {
    const chance = new Chance(9);
    const maker = new Maker(chance, { ids: [1], uuids: [] });
    let other = 0;
    for (let i = 0; i < 200; i++) {
      const sound = { marks: [{ plant_id: 1, entries: [{ type: 'note', text: 'a' }] }], anyway: true };
      const text = JSON.stringify(maker.broken(sound));
      if (text !== JSON.stringify(sound)) other++;
    }
    expect(other).toBeGreaterThan(150);
  });
});

describe('figures', () => {
  it('a quantile is one of the values', () => {
    expect(quantile([5, 1, 3], 0)).toBe(1);
    expect(quantile([5, 1, 3], 0.5)).toBe(3);
    expect(quantile([5, 1, 3], 1)).toBe(5);
    expect(quantile([], 0.5)).toBeNaN();
  });
  it('a table keeps what held and what broke', () => {
    const table = new Table('part');
    table.hold('this', true, 'so');
    table.hold('that', false, 'not so');
    expect(table.findings.map(({ part, promise, held }) => [part, promise, held])).toEqual([
      ['part', 'this', true],
      ['part', 'that', false],
    ]);
  });
});
