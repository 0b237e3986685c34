import { describe, expect, it } from 'vitest';
import { blendMix } from '../mix/blend.ts';
import { COMPONENTS } from '../mix/components.ts';
import { garden, roundPot } from '../../test/gardens.ts';
import { daysToDryIn, dryingOf, storeDaysIn } from './drying.ts';
import { GardenForecast } from './forecast.ts';

/** How pots of the plain scene dry, asked on a day; on the other half of the earth with its seasons turned. */
function drying(today: string, south = false) {
  const scene = garden({ today });
  const { site } = scene;
  const turned = south
    ? {
        ...site,
        latitude_deg: -site.latitude_deg,
        normals: Object.fromEntries(
          Object.entries(site.normals).map(([key, months]) => [key, [...months.slice(6), ...months.slice(0, 6)]]),
        ) as unknown as typeof site.normals,
      }
    : site;
  const forecast = new GardenForecast({ ...scene, weather: [], site: turned });
  const { model, rate } = forecast.outlook(scene.plants[0]!.id);
  const blend = forecast.blend(scene.plants[0]!.mix);
  const found = dryingOf(model, {
    today: forecast.climate.today,
    rate,
    surfaceWetM: forecast.surface(),
    latitudeDeg: turned.latitude_deg,
  });
  return { found, blend, pot: scene.plants[0]!.pot };
}

describe('how a place dries pots', () => {
  it.each([
    ['north', '2026-07-05', false],
    ['south', '2026-01-05', true],
  ])('in the %s its winter is slower than its summer', (_, today, south) => {
    const { found, blend, pot } = drying(today, south);
    expect(daysToDryIn(found, pot, blend, found.winter).p50).toBeGreaterThan(
      1.3 * daysToDryIn(found, pot, blend, found.now).p50,
    );
  });
  it('in the midst of winter the winter is no quicker than now', () => {
    const { found, blend, pot } = drying('2026-12-05');
    expect(daysToDryIn(found, pot, blend, found.winter).p50).toBeGreaterThanOrEqual(
      daysToDryIn(found, pot, blend, found.now).p50,
    );
  });
  it('its bounds are in order, a larger pot takes longer, clay less long', () => {
    const { found, blend } = drying('2026-07-05');
    const days = (pot: ReturnType<typeof roundPot>) => daysToDryIn(found, pot, blend, found.now);
    const small = days(roundPot(80, 80, 'plastic'));
    expect(small.p10).toBeLessThan(small.p50);
    expect(small.p50).toBeLessThan(small.p90);
    expect(days(roundPot(140, 120, 'plastic')).p50).toBeGreaterThan(small.p50);
    expect(days(roundPot(80, 80, 'terracotta')).p50).toBeLessThan(small.p50);
  });
  it('as a function of the store alone it says the same', () => {
    const { found, pot } = drying('2026-07-05');
    for (const component of ['pumice', 'potting-soil']) {
      const blend = blendMix({ id: component, parts: [{ component, parts: 1 }] }, COMPONENTS);
      const any = blendMix({ id: 'any', parts: [{ component: 'loam', parts: 1 }] }, COMPONENTS);
      const { days, volumeMl } = storeDaysIn(found, pot, any, found.now);
      const store = storeDaysIn(found, pot, blend, found.now);
      expect(volumeMl).toBe(store.volumeMl);
      expect(days(60)).toBeCloseTo(store.days(60), 9);
    }
  });
});
