import { describe, expect, it } from 'vitest';
import { garden } from '../../core/test/gardens.ts';
import { faultText } from './faults.ts';
import { checkGarden, checkMixFile } from './gardenFile.ts';

const sound = () => ({ format: 'zinc-pail/garden', version: 1, ...structuredClone(garden()) }) as any;

/** Changes one field and returns what is said of it. */
function spoil(change: (file: any) => void) {
  const file = sound();
  change(file);
  return checkGarden(file);
}

describe('the garden file', () => {
  it('is taken when it is sound, nulls and gaps and all', () => {
    const file = sound();
    file.places[0].aspect_deg = null;
    file.places[0].thermometer = [{ date: '2026-06-01', tmin_c: 8, tmax_c: 24 }];
    file.components = [
      { id: 'slag', total_porosity: 0.5, water_at_10cm: 0.2, water_air_dry: 0.02, bulk_density_g_ml: 1 },
    ];
    file.plants[0].events.unshift({
      type: 'repotting',
      date: '2026-01-01',
      mix_was: 'damp',
      before: { pot: file.plants[0].pot, mix: 'mix' },
    });
    expect(checkGarden(file).faults).toEqual([]);
  });
  it('with a field nobody knows is taken, with a warning', () => {
    const verdict = spoil((file) => (file.plants[0].mood = 'sunny'));
    expect(verdict.faults).toEqual([]);
    expect(verdict.unknown).toEqual(['/plants/0/mood']);
  });
  it.each<[string, (file: any) => void, string, RegExp]>([
    ['no format', (f) => delete f.format, '/format', /zinc-pail\/garden/],
    ['another version', (f) => (f.version = 2), '/version', /^1$/],
    ['a number as text', (f) => (f.site.latitude_deg = '47'), '/site/latitude_deg', /a number from -90 to 90/],
    ['a place off the globe', (f) => (f.site.latitude_deg = 91), '/site/latitude_deg', /-90 to 90/],
    ['eleven months', (f) => f.site.normals.rain_mm.pop(), '/site/normals/rain_mm', /12 numbers/],
    ['a night warmer than its day', (f) => (f.site.normals.tmin_c[0] = 30), '/site/normals/tmin_c/0', /no higher/],
    ['a day that is none', (f) => (f.today = '2026-02-30'), '/today', /YYYY-MM-DD/],
    [
      'observed weather of tomorrow',
      (f) =>
        f.weather.push({
          date: '2026-07-06',
          tmin_c: 1,
          tmax_c: 2,
          rh_pct: 50,
          sunshine_h: 1,
          rain_mm: 0,
          wind_m_s: 1,
          source: 'observed',
        }),
      '/weather/0/source',
      /forecast/,
    ],
    ['a kind of place nobody knows', (f) => (f.places[0].kind = 'attic'), '/places/0/kind', /"cold-glass"/],
    [
      'a component nobody knows',
      (f) => (f.mixes[0].parts[0].component = 'moondust'),
      '/mixes/0/parts/0/component',
      /"pumice"/,
    ],
    [
      'parts that sum to nothing',
      (f) => f.mixes[0].parts.forEach((p: any) => (p.parts = 0)),
      '/mixes/0/parts',
      /more than 0/,
    ],
    ['a place that is not there', (f) => (f.plants[0].place = 'moon'), '/plants/0/place', /"place"/],
    ['a mix that is not there', (f) => (f.plants[0].mix = 'moon'), '/plants/0/mix', /"mix"/],
    ['an id twice', (f) => f.plants.push(structuredClone(f.plants[0])), '/plants/1/id', /of its own/],
    ['a pot of no depth', (f) => (f.plants[0].pot.depth_mm = 0), '/plants/0/pot/depth_mm', /10 to 3000 mm/],
    ['no word on holes', (f) => delete f.plants[0].pot.holes, '/plants/0/pot/holes', /true or false/],
    [
      'a measured drink without its amount',
      (f) => (f.plants[0].events[1].method = 'measured'),
      '/plants/0/events/1/amount_ml',
      /needs its amount/,
    ],
    [
      'a check of nothing',
      (f) => f.plants[0].events.push({ type: 'check', date: '2026-07-05' }),
      '/plants/0/events/2',
      /exactly one of/,
    ],
    [
      'a check of two things',
      (f) => f.plants[0].events.push({ type: 'check', date: '2026-07-05', finger: 'dry', meter: 2 }),
      '/plants/0/events/2',
      /exactly one of/,
    ],
    [
      'an event nobody knows',
      (f) => f.plants[0].events.push({ type: 'sung to', date: '2026-07-05' }),
      '/plants/0/events/2/type',
      /"watering"/,
    ],
    [
      'events out of order',
      (f) => f.plants[0].events.push({ type: 'check', date: '2026-07-01', finger: 'dry' }),
      '/plants/0/events/2/date',
      /oldest first/,
    ],
    [
      'an event of tomorrow',
      (f) => f.plants[0].events.push({ type: 'check', date: '2026-07-06', finger: 'dry' }),
      '/plants/0/events/2/date',
      /up to today/,
    ],
    [
      'a dry pot heavier than a wet one',
      (f) => f.plants[0].events.push({ type: 'weights', date: '2026-07-05', drained_g: 100, dry_g: 120 }),
      '/plants/0/events/2/dry_g',
      /less than/,
    ],
    [
      'a sign nobody knows',
      (f) => f.plants[0].events.push({ type: 'sign', date: '2026-07-05', sign: 'sad', strength: 1 }),
      '/plants/0/events/2/sign',
      /"wrinkled"/,
    ],
    ['plants as an object', (f) => (f.plants = {}), '/plants', /a list of plants/],
  ])('refuses %s', (_name, change, pointer, accepted) => {
    const { faults } = spoil(change);
    const fault = faults.find((found) => found.pointer === pointer);
    expect(fault, JSON.stringify(faults)).toBeDefined();
    expect(fault!.accepted).toMatch(accepted);
    expect(faultText(fault!)).toContain(pointer);
  });
  it.each([null, [], 'garden', 5])('refuses %j as a whole', (input) => {
    expect(checkGarden(input).faults[0]!.pointer).toBe('');
  });
  it('of a mix refuses what does not fit its pot', () => {
    const pot = sound().plants[0].pot;
    expect(checkMixFile({ parts: [{ component: 'pumice', parts: 1 }], pot, crock_mm: 20 }).faults).toEqual([]);
    expect(checkMixFile({ parts: [{ component: 'pumice', parts: 1 }], pot, crock_mm: 90 }).faults[0]!.pointer).toBe(
      '/crock_mm',
    );
    expect(checkMixFile({ parts: [], pot }).faults[0]!.pointer).toBe('/parts');
  });
});
