import { describe, expect, it } from 'vitest';
import { judged } from '../../test/gardens.ts';
import { stretchSign } from './stretch.ts';

describe('stem between leaves', () => {
  it.each([
    [6, 9, undefined, null],
    [6, 10.2, undefined, 1],
    [6, 15, undefined, 2],
    [6, 30, undefined, 3],
    [6, 10.2, 2, null],
    [6, 9, 1.4, 1],
    [0, 9, undefined, null],
    [NaN, 9, undefined, null],
  ])('%s mm at the foot, %s at the tip, from %s on: %s', (low, tip, from, strength) => {
    const sign = stretchSign('2026-06-01', low, tip, from);
    expect(sign && 'strength' in sign ? sign.strength : null).toBe(strength);
  });
  it('asks for more light first, until it is moved', () => {
    const today = '2026-06-20';
    const sign = stretchSign('2026-06-10', 5, 14)!;
    const told = (events: Parameters<typeof judged>[0]) => judged({ today, ...events }).judgement;
    const stretched = told({ events: [sign] });
    expect(stretched.because.map(({ code }) => code)).toContain('stretched-seen');
    expect(stretched.deeds).toContainEqual({ deed: 'move', what: 'brighter' });
    const moved = told({ events: [sign, { type: 'move', date: '2026-06-12', from: 'dark' }] });
    expect(moved.because.map(({ code }) => code)).not.toContain('stretched-seen');
  });
});

describe('a kind that fails indoors', () => {
  const sill = { id: 'place', kind: 'room' as const, air: 'still' as const };
  const houseleek = (facts: object, own: object = {}) =>
    judged({
      today: '2026-06-20',
      place: sill,
      plant: { name: 'Sempervivum tectorum', taxon: null, form: null, habit: null, store: null, dry_rule: null },
      own,
      facts: { placeKind: 'room', ...facts },
      events: [{ type: 'check', date: '2026-01-10', finger: 'dry' }],
    }).judgement;
  const codes = (judgement: ReturnType<typeof houseleek>) => judgement.because.map(({ code }) => code);
  it('is told of after its days under a roof, and wants light', () => {
    expect(codes(houseleek({}))).toContain('long-indoors');
    expect(houseleek({}).deeds).toContainEqual({ deed: 'move', what: 'brighter' });
  });
  it('not under a lamp, nor before the keeper’s own limit', () => {
    expect(codes(houseleek({ lit: true }))).not.toContain('long-indoors');
    expect(codes(houseleek({}, { indoorDays: 900 }))).not.toContain('long-indoors');
  });
});
