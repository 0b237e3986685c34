import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { hardeningPlan, stepBack } from './hardening.ts';
import { crowding, lampHoursShort, lightVerdict } from './light.ts';
import { LIGHT_BANDS, LIGHTS } from '../plant/library.ts';
import { PLANT_STATES } from '../garden.ts';

const TODAY = dayNumber('2026-05-01');
const hours = fc.double({ min: 0, max: 14, noNaN: true });

describe('a plan into the sun, from anywhere to anywhere', () => {
  it('has a step a day, never falls, never jumps by more than an hour, and ends at the new sun', () => {
    fc.assert(
      fc.property(hours, hours, (oldH, newH) => {
        const plan = hardeningPlan(TODAY, oldH, newH);
        if (newH - oldH < 1) {
          expect(plan).toEqual([]);
          return;
        }
        expect(plan.at(-1)!.minutes).toBe(Math.round(newH * 60));
        for (const [i, step] of plan.entries()) {
          expect(step.date).toBe(isoDay(TODAY + i));
          if (i > 0) expect(step.minutes).toBeGreaterThanOrEqual(plan[i - 1]!.minutes);
          if (i > 0 && plan.length < 29) expect(step.minutes - plan[i - 1]!.minutes).toBeLessThanOrEqual(60);
        }
      }),
    );
  });
  it('goes back at a scorch without losing its end or its days', () => {
    fc.assert(
      fc.property(hours, fc.integer({ min: 0, max: 40 }), (newH, after) => {
        const plan = hardeningPlan(TODAY, 0, newH);
        if (plan.length === 0) return;
        const back = stepBack(plan, TODAY + after);
        expect(back.at(-1)!.minutes).toBe(plan.at(-1)!.minutes);
        const planned = plan.find((step) => step.date >= isoDay(TODAY + after));
        const now = back.find((step) => step.date === isoDay(TODAY + after))!;
        if (planned) expect(now.minutes).toBeLessThanOrEqual(planned.minutes);
        const dates = back.map((step) => step.date);
        expect(new Set(dates).size).toBe(dates.length);
      }),
    );
  });
});

describe('light, whatever the spot', () => {
  it('brighter is never judged dimmer, and a sleeper is never too dark', () => {
    const order = ['too-dim', 'gets-by', 'well', 'too-bright'];
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 60, noNaN: true }),
        fc.double({ min: 0, max: 20, noNaN: true }),
        fc.constantFrom(...LIGHTS),
        fc.constantFrom(...PLANT_STATES),
        (dli, more, light, state) => {
          expect(order.indexOf(lightVerdict(dli + more, light, state))).toBeGreaterThanOrEqual(
            order.indexOf(lightVerdict(dli, light, state)),
          );
          expect(lightVerdict(dli, light, 'resting')).not.toBe('too-dim');
        },
      ),
    );
  });
  it('the lamp hours that are short are just enough', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 30, noNaN: true }),
        fc.constantFrom(...LIGHTS),
        fc.integer({ min: 50, max: 800 }),
        (dli, light, ppfd) => {
          const short = lampHoursShort(dli, light, ppfd);
          expect(dli + short * ppfd * 0.0036).toBeGreaterThanOrEqual(
            LIGHT_BANDS[light].wellFrom - 0.05 * ppfd * 0.0036 - 1e-9,
          );
        },
      ),
    );
  });
  it('a bench twice as large is half as full', () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 30, max: 400 })),
        fc.double({ min: 0.01, max: 5, noNaN: true }),
        (widths, area) => {
          expect(crowding(widths, 2 * area)).toBeCloseTo(crowding(widths, area) / 2, 9);
        },
      ),
    );
  });
});
