/** What holds of a judgement whatever the plant, the place and the book. */
import { runs } from '../../test/cases.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { type DryRule, type Habit, HABITS, type Place, type Plant, type PlantEvent, SIGNS } from '../garden.ts';
import { GRITTY, judged, PEATY, roundPot, type Scene } from '../../test/gardens.ts';
import { drinkOf, judgedAs, REASON_CODES } from './deeds.ts';

const PLACES: Place[] = [
  { id: 'place', kind: 'cold-glass', air: 'gentle' },
  { id: 'place', kind: 'windowsill', aspect_deg: 180, air: 'still' },
  { id: 'place', kind: 'open', air: 'breezy' },
  { id: 'place', kind: 'room', air: 'still' },
];

interface Case {
  scene: Scene;
  today: string;
  book: PlantEvent[];
}

const someCase: fc.Arbitrary<Case> = fc
  .record({
    day: fc.integer({ min: 0, max: 364 }),
    place: fc.constantFrom(...PLACES),
    mix: fc.constantFrom(GRITTY, PEATY),
    top: fc.integer({ min: 55, max: 160 }),
    material: fc.constantFrom('plastic' as const, 'terracotta' as const),
    habit: fc.constantFrom<Habit>(...HABITS),
    rule: fc.constantFrom<DryRule>('dry-through', 'dry-top'),
    drinks: fc.array(fc.integer({ min: 1, max: 150 }), { minLength: 1, maxLength: 6 }),
    looks: fc.array(
      fc.record({
        back: fc.integer({ min: 1, max: 100 }),
        finger: fc.constantFrom('wet' as const, 'damp' as const, 'dry' as const),
      }),
      { maxLength: 4 },
    ),
  })
  .map(({ day, place, mix, top, material, habit, rule, drinks, looks }) => {
    const now = dayNumber('2026-01-05') + day;
    return {
      today: isoDay(now),
      scene: {
        today: isoDay(now),
        place,
        mix,
        pot: roundPot(top, Math.round(top * 0.9), material),
        plant: { habit, dry_rule: rule } as Partial<Plant>,
      },
      book: [
        ...[...new Set(drinks)].map((back): PlantEvent => ({
          type: 'watering',
          date: isoDay(now - back),
          method: 'drench',
        })),
        ...looks.map(({ back, finger }): PlantEvent => ({ type: 'check', date: isoDay(now - back), finger })),
      ],
    };
  });
const answer = ({ scene, book }: Case, ...more: PlantEvent[]) => judged({ ...scene, events: [...book, ...more] });
const holds = (property: (one: Case) => void, numRuns = runs(25, 8)) =>
  fc.assert(fc.property(someCase, property), { numRuns });

describe('a judgement, whatever the plant', () => {
  it('has a deed, reasons in their order, known codes, and dates that have not passed', () => {
    holds((one) => {
      const { judgement } = answer(one);
      expect(judgement.because.length).toBeGreaterThan(0);
      const weights = judgement.because.map(({ weight }) => weight);
      expect(weights).toEqual(weights.toSorted((a, b) => b - a));
      for (const { code, weight, on, source } of judgement.because) {
        expect(REASON_CODES).toContain(code);
        expect(weight).toBeGreaterThanOrEqual(0);
        expect(weight).toBeLessThanOrEqual(1);
        if (source === 'seen' && on) expect(on <= one.today).toBe(true);
      }
      if (judgement.until) expect(judgement.until >= one.today).toBe(true);
      if (judgement.next_look) expect(judgement.next_look >= one.today).toBe(true);
    });
  });
  it('says one thing: what is due, what the forecast pours and how a list sorts it are the same drink', () => {
    holds((one) => {
      const { judgement, due, forecast } = answer(one);
      const drink = drinkOf(judgement);
      const sorted = judgedAs(judgement, one.today);
      expect(sorted === 'water').toBe(drink !== null);
      if (drink) {
        expect(due).toBe(one.today);
        expect(forecast.water?.ideal).toBe(one.today);
        expect(judgement.deeds.some(({ deed }) => deed === 'sleep' || deed === 'wait')).toBe(false);
      } else {
        expect(forecast.water === null || forecast.water.ideal > one.today || judgement.deeds[0].deed === 'look').toBe(
          true,
        );
      }
      if (forecast.water)
        expect(forecast.water.earliest <= forecast.water.ideal && forecast.water.ideal <= forecast.water.latest).toBe(
          true,
        );
    });
  });
  it('pours nothing on what was felt wet today, nor on the eve of a night below its limit, nor on rot', () => {
    holds((one) => {
      expect(drinkOf(answer(one, { type: 'check', date: one.today, finger: 'wet' }).judgement)).toBeNull();
      for (const sign of ['soft-base', 'roots-mush'] as const) {
        const rotten = answer(one, { type: 'sign', date: one.today, sign, strength: 2 });
        expect(drinkOf(rotten.judgement)).toBeNull();
        expect(rotten.forecast.water).toBeNull();
        expect(rotten.judgement.deeds[0].deed).toBe('act');
      }
      const plain = answer(one).judgement;
      if (plain.because.some(({ code }) => code === 'below-limit')) expect(drinkOf(plain)).toBeNull();
    }, 12);
  });
  it('gets no drink felt wetter that it would not get, or be looked at for, felt drier', () => {
    holds((one) => {
      const [damp, dry] = (['damp', 'dry'] as const).map(
        (finger) => answer(one, { type: 'check', date: one.today, finger }).judgement,
      );
      if (drinkOf(damp!)) expect(drinkOf(dry!) ?? dry!.deeds.find(({ deed }) => deed === 'look')).toBeTruthy();
    }, 15);
  });
  it('any sign of today has its place in the answer, and none brings the answer to nothing', () => {
    fc.assert(
      fc.property(someCase, fc.constantFrom(...SIGNS), (one, sign) => {
        const { judgement } = answer(one, { type: 'sign', date: one.today, sign, strength: 2 });
        expect(judgement.deeds.length).toBeGreaterThan(0);
        expect(['high', 'medium', 'low']).toContain(judgement.sure);
      }),
      { numRuns: runs(25, 8) },
    );
  });
});
