import { runs } from '../../test/cases.ts';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { isoDay } from '../calendar/day.ts';
import {
  AIRS,
  DRY_RULES,
  FORMS,
  type Garden,
  HABITS,
  PLACE_KINDS,
  type PlantEvent,
  PLANT_STATES,
  POT_MATERIALS,
  POT_SHAPES,
  SIGNS,
  STORES,
} from '../garden.ts';
import { COMPONENTS } from '../mix/components.ts';
import { METHODS } from '../catalogue/ways.ts';
import { gardenTasks } from '../judgement/garden.ts';
import { outlookView } from './view.ts';

/**
 * Any garden that the file format allows must get an answer in order and in range: no NaN, nothing below nothing, no
 * day out of turn.
 */
const TODAY = 20_600;
const number = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const maybe = <T>(arbitrary: fc.Arbitrary<T>) => fc.option(arbitrary, { nil: null });
const twelve = (min: number, max: number) => fc.array(number(min, max), { minLength: 12, maxLength: 12 });
const pastDay = fc.integer({ min: 0, max: 500 });

const pot = fc.record({
  shape: fc.constantFrom(...POT_SHAPES),
  top_mm: number(10, 1500),
  base_mm: number(1, 1500),
  depth_mm: number(10, 1500),
  material: fc.constantFrom(...POT_MATERIALS),
  wall_mm: maybe(number(0.2, 100)),
  holes: fc.boolean(),
  top_dressing_mm: number(0, 300),
});

const event: fc.Arbitrary<(date: string) => PlantEvent> = fc.oneof(
  fc
    .record({ method: fc.constantFrom(...METHODS), amount_ml: number(0.1, 5000) })
    .map((e) => (date: string): PlantEvent => ({ type: 'watering', date, ...e })),
  fc
    .constantFrom('wet' as const, 'damp' as const, 'dry' as const)
    .map((finger) => (date: string): PlantEvent => ({ type: 'check', date, finger })),
  fc
    .constantFrom('wet' as const, 'dry' as const)
    .map((surface) => (date: string): PlantEvent => ({ type: 'check', date, surface })),
  number(1, 10).map((meter) => (date: string): PlantEvent => ({ type: 'check', date, meter })),
  number(0.1, 50_000).map((weight_g) => (date: string): PlantEvent => ({ type: 'check', date, weight_g })),
  fc
    .tuple(number(200, 9000), number(1, 199))
    .map(([drained_g, dry_g]) => (date: string): PlantEvent => ({ type: 'weights', date, drained_g, dry_g })),
  fc
    .record({ sign: fc.constantFrom(...SIGNS), strength: fc.integer({ min: 1, max: 3 }) })
    .map((e) => (date: string): PlantEvent => ({ type: 'sign', date, ...e })),
  fc
    .record({
      mix_was: maybe(fc.constantFrom('dry' as const, 'damp' as const, 'wet' as const)),
      before: maybe(pot.map((p) => ({ pot: p, mix: 'mix' }))),
    })
    .map((e) => (date: string): PlantEvent => ({ type: 'repotting', date, ...e })),
  fc.constant((date: string): PlantEvent => ({ type: 'move', date, from: 'other' })),
  fc.constantFrom(...PLANT_STATES).map((state) => (date: string): PlantEvent => ({ type: 'state', date, state })),
);

const place = (id: string) =>
  fc.record({
    id: fc.constant(id),
    kind: fc.constantFrom(...PLACE_KINDS),
    air: fc.constantFrom(...AIRS),
    aspect_deg: maybe(number(0, 360)),
    light_fraction: maybe(number(0, 1)),
    floor_c: maybe(number(-20, 40)),
    vent_c: maybe(number(0, 60)),
    indoor_c: maybe(twelve(-20, 50)),
    lamp: maybe(fc.record({ ppfd_umol_m2_s: number(0, 3000), hours: number(0, 24) })),
    thermometer: maybe(
      fc
        .array(fc.record({ day: fc.integer({ min: 0, max: 200 }), low: number(-30, 30), range: number(0, 40) }), {
          maxLength: 5,
        })
        .map((all) =>
          all.map(({ day, low, range }) => ({ date: isoDay(TODAY - day), tmin_c: low, tmax_c: low + range })),
        ),
    ),
  });

const garden: fc.Arbitrary<Garden> = fc.record({
  today: fc.constant(isoDay(TODAY)),
  site: fc.record({
    latitude_deg: number(-90, 90),
    longitude_deg: fc.constant(0),
    elevation_m: number(-400, 5000),
    normals: fc
      .tuple(twelve(-40, 25), number(0.5, 20), twelve(0, 100), twelve(0, 24), twelve(0, 900), twelve(0, 15))
      .map(([tmin_c, range, rh_pct, sunshine_h, rain_mm, wind_m_s]) => ({
        tmin_c,
        tmax_c: tmin_c.map((t) => t + range),
        rh_pct,
        sunshine_h,
        rain_mm,
        wind_m_s,
      })),
  }),
  weather: fc.constant([]),
  places: fc.tuple(place('place'), place('other')).map((both) => both as Garden['places']),
  mixes: fc
    .array(fc.record({ component: fc.constantFrom(...COMPONENTS.keys()), parts: number(0.1, 9) }), {
      minLength: 1,
      maxLength: 4,
    })
    .map((parts) => [{ id: 'mix', parts }]),
  plants: fc
    .record({
      habit: maybe(fc.constantFrom(...HABITS)),
      form: maybe(fc.constantFrom(...FORMS)),
      dry_rule: maybe(fc.constantFrom(...DRY_RULES)),
      store: maybe(fc.constantFrom(...STORES)),
      hold_days: maybe(number(0, 60)),
      diameter_mm: number(0, 2000),
      height_mm: number(0, 4000),
      leafless: maybe(fc.boolean()),
      root_loss: maybe(number(0, 1)),
      grow_min_c: maybe(number(-20, 40)),
      min_wet_c: maybe(number(-50, 40)),
      pot,
      timed: fc.array(fc.tuple(pastDay, event), { maxLength: 12 }),
    })
    .map(({ timed, ...plant }) => [
      {
        ...plant,
        id: 'plant',
        place: 'place',
        mix: 'mix',
        events: timed.toSorted((a, b) => b[0] - a[0]).map(([ago, make]) => make(isoDay(TODAY - ago))),
      },
    ]),
});

function everyNumber(value: unknown, visit: (n: number) => void): void {
  if (typeof value === 'number') visit(value);
  else if (value && typeof value === 'object' && !ArrayBuffer.isView(value))
    for (const inner of Object.values(value)) everyNumber(inner, visit);
}

describe('any garden', () => {
  it('gets an answer that is in order and in range', () => {
    fc.assert(
      fc.property(garden, (any) => {
        const plant = gardenTasks(any)[0]!.task.forecast;
        everyNumber(plant, (n) => expect(Number.isFinite(n)).toBe(true));
        const { moisture, dry_on, water, hold, rate } = plant!;
        expect(moisture.p10).toBeGreaterThanOrEqual(0);
        expect(moisture.p10 <= moisture.p50 && moisture.p50 <= moisture.p90).toBe(true);
        expect(rate.p10 > 0 && rate.p10 <= rate.p50 && rate.p50 <= rate.p90).toBe(true);
        const order = [dry_on.p10, dry_on.p50, dry_on.p90].map((day) => day ?? '9999');
        expect(order).toEqual(order.toSorted());
        expect(water === null).toBe(hold !== undefined && water === null);
        if (water) {
          expect(water.earliest <= water.ideal && water.ideal <= water.latest).toBe(true);
          expect(water.ideal >= any.today).toBe(true);
          expect(water.amount_ml).toBeGreaterThanOrEqual(0);
          if (!any.plants[0]!.pot.holes) expect(water.method).toBe('measured');
        }
      }),
      { numRuns: runs(50, 12) },
    );
  });
  it('can be shown', () => {
    fc.assert(
      fc.property(garden, (any) => {
        const { outlook, task } = gardenTasks(any)[0]!;
        const view = outlookView(outlook, task.forecast, TODAY);
        everyNumber(view, (n) => expect(Number.isFinite(n)).toBe(true));
        expect(task.judgement.because.length).toBeGreaterThan(0);
        everyNumber(task.judgement, (n) => expect(Number.isFinite(n)).toBe(true));
        expect(JSON.stringify(view)).not.toMatch(/NaN|undefined|Infinity/);
      }),
      { numRuns: runs(15, 4) },
    );
  });
});
