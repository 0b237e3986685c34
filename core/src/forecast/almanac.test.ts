/** The year ahead: what it must hold of any plant, and what another roof changes. */
import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { Garden, Place, PlantEvent } from '../garden.ts';
import { GRITTY, INLAND, PEATY, roundPot } from '../../test/gardens.ts';
import {
  ALMANAC_WEEKS,
  almanacOf,
  type AlmanacRow,
  almanacStarts,
  weekLoads,
  wouldBe,
  type WhatIf,
} from './almanac.ts';
import { GardenForecast } from './forecast.ts';
import { weeklyLimits } from './nights.ts';
import { standsWhen } from './moveWeeks.ts';
import { placeOutlook } from './placeOutlook.ts';

const TODAY = '2026-05-10';
const COLD: Place = { id: 'cold', kind: 'cold-glass', air: 'gentle', floor_c: 0 };
const SILL: Place = { id: 'sill', kind: 'windowsill', aspect_deg: 180, air: 'still' };
const NAMES = [
  'Echeveria agavoides',
  'Mammillaria hahniana',
  'Conophytum bilobum',
  'Adenium obesum',
  'Haworthia cooperi',
];

function collection(mixes = [GRITTY, { ...PEATY, id: 'peat' }]): Garden {
  const drunk: PlantEvent = { type: 'watering', date: isoDay(dayNumber(TODAY) - 3), method: 'drench' };
  return {
    today: TODAY,
    site: { latitude_deg: 47, longitude_deg: 8, elevation_m: 400, normals: INLAND },
    weather: [],
    places: [COLD, SILL],
    mixes,
    plants: NAMES.flatMap((name) =>
      [COLD, SILL].map((place) => ({
        id: `${name} ${place.id}`,
        name,
        diameter_mm: 60,
        height_mm: 50,
        place: place.id,
        mix: 'mix',
        pot: roundPot(90, 80, 'terracotta'),
        events: [drunk],
      })),
    ),
  };
}

const garden = collection();
const forecast = new GardenForecast(garden);
const judged = new Map(
  garden.plants.map(({ id }) => [id, { due: id.startsWith('Echeveria') ? dayNumber(TODAY) + 9 : null, ceilingC: 40 }]),
);
const read: number[] = [];
const starts = almanacStarts(forecast, judged, (n) => read.push(n));
const rows = almanacOf(forecast, starts);
const rowOf = (id: string, of: readonly AlmanacRow[] = rows) => of.find(({ plantId }) => plantId === id)!;
const instead = (whatIf: WhatIf) => almanacOf(new GardenForecast(wouldBe(garden, whatIf)), starts);
const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0);

describe('a year', () => {
  it('tells how far it is', () => expect(read).toEqual(garden.plants.map((_, i) => i + 1)));
  it('has a state on each day, without a gap', () => {
    for (const { states } of rows) {
      expect(states[0]!.from).toBe(0);
      expect(states.at(-1)!.to).toBe(ALMANAC_WEEKS * 7);
      for (const [i, span] of states.slice(1).entries()) expect(span.from).toBe(states[i]!.to);
    }
  });
  it('begins with the next drink as it was judged, and goes on with those after it', () => {
    const { waterings } = rowOf('Echeveria agavoides sill');
    expect(waterings[0]).toBe(0);
    expect(waterings[1]).toBeGreaterThanOrEqual(1);
    // Through the summer it is watered again and again.
    expect(sum(waterings.slice(2, 16))).toBeGreaterThan(3);
  });
  it('waters none that sleeps', () => {
    for (const { states, waterings } of rows)
      for (const { state, from, to } of states) {
        if (state !== 'resting') continue;
        for (let week = Math.ceil(from / 7); week < Math.floor(to / 7); week++) expect(waterings[week]).toBe(0);
      }
    expect(rowOf('Mammillaria hahniana cold').states.some(({ state }) => state === 'resting')).toBe(true);
  });
  it('is cold for the tender under cold glass in winter, and hot for nobody there', () => {
    const { cold } = rowOf('Adenium obesum cold');
    const january = Math.floor((dayNumber('2027-01-15') - dayNumber(TODAY)) / 7);
    const july = Math.floor((dayNumber('2026-07-15') - dayNumber(TODAY)) / 7);
    expect(cold[january]).toBe(1);
    expect(cold[july]!).toBeLessThan(cold[january]!);
    for (const row of rows) for (const share of [...row.cold, ...row.heat]) expect(share >= 0 && share <= 1).toBe(true);
  });
  it('is hot where the keeper says that it is: a ceiling of its own counts, in sleep a higher one', () => {
    const lower = starts.map((start) => ({ ...start, ceilingC: 26 }));
    const hot = almanacOf(forecast, lower);
    expect(sum(rowOf('Haworthia cooperi cold', hot).heat)).toBeGreaterThan(sum(rowOf('Haworthia cooperi cold').heat));
    const july = Math.floor((dayNumber('2026-07-15') - dayNumber(TODAY)) / 7);
    // Asleep in July it bears more than one that grows.
    expect(rowOf('Conophytum bilobum cold', hot).heat[july]!).toBeLessThanOrEqual(
      rowOf('Haworthia cooperi cold', hot).heat[july]!,
    );
  });
  it('takes more litres of a larger pot, and as many as are poured', () => {
    for (const { waterings, litres } of rows) expect(sum(litres) > 0).toBe(sum(waterings) > 0);
    const [load] = weekLoads(rows).slice(2, 3);
    expect(load!.pots).toBeCloseTo(sum(rows.map(({ waterings }) => waterings[2]!)), 9);
    expect(load!.minutes).toBeGreaterThan(0);
  });
  it('is the same again for the same garden', () =>
    expect(almanacOf(new GardenForecast(garden), starts)).toEqual(rows));
  it('of nothing is nothing', () => expect(almanacOf(forecast, [])).toEqual([]));
});

describe('weeks that are warm enough', () => {
  it('under cold glass are none for the tenderest, a summer for others, and on a sill all', () => {
    expect(rowOf('Adenium obesum cold').stands).toEqual({ when: 'never' });
    const haworthia = rowOf('Haworthia cooperi cold').stands;
    if (haworthia.when !== 'from-to') throw new Error(haworthia.when);
    expect(haworthia.out < '2026-07-15' || haworthia.now).toBe(true);
    expect(haworthia.in > '2026-08-15' && haworthia.in < '2026-12-01').toBe(true);
    expect(rowOf('Haworthia cooperi sill').stands).toEqual({ when: 'always' });
  });
  it('are those that the place itself tells of', () => {
    const { climate } = forecast;
    const { coldest_c: coldest } = placeOutlook({ garden, climate }, 'cold');
    const { m, due } = starts.find(({ plantId }) => plantId === 'Haworthia cooperi cold')!;
    const limits = weeklyLimits(forecast.modelOf('Haworthia cooperi cold'), dayNumber(TODAY), { m, drinksOn: due });
    expect(standsWhen(coldest, limits, dayNumber(TODAY))).toEqual(rowOf('Haworthia cooperi cold').stands);
  });
});

describe('the night that it bears', () => {
  it('is a dry pot’s until its next drink, a moist one’s from then on, and as it is this week where none is in sight', () => {
    const model = forecast.modelOf('Echeveria agavoides cold');
    const { minDryC, minWetC } = model.traits;
    expect(minDryC).toBeLessThan(minWetC);
    const limits = (m: number, drinksIn: number | null) =>
      weeklyLimits(model, dayNumber(TODAY), { m, drinksOn: drinksIn === null ? null : dayNumber(TODAY) + drinksIn });
    expect(limits(0.05, 15).slice(0, 4)).toEqual([minDryC, minDryC, minWetC, minWetC]);
    expect(limits(0.05, null).slice(0, 2)).toEqual([minDryC, minWetC]);
    expect(limits(0.8, 15)[0]).toBe(minWetC);
  });
});

describe('what if', () => {
  it('nothing is changed, the year is the same', () => expect(instead({})).toEqual(rows));
  it('the glass is heated: fewer cold weeks, and nothing else moves on the sill', () => {
    const heated = instead({ heatToC: 12 });
    expect(sum(rowOf('Adenium obesum cold', heated).cold)).toBeLessThan(sum(rowOf('Adenium obesum cold').cold));
    expect(rowOf('Adenium obesum sill', heated)).toEqual(rowOf('Adenium obesum sill'));
  });
  it('all stand on the sill: they live by it', () => {
    const moved = instead({ placeId: 'sill' });
    expect(moved.every(({ placeId }) => placeId === 'sill')).toBe(true);
    expect(rowOf('Echeveria agavoides cold', moved).states).toEqual(rowOf('Echeveria agavoides sill').states);
  });
  it('none is let sleep: none does, and the can is out in winter', () => {
    const awake = instead({ noRest: true });
    expect(awake.flatMap(({ states }) => states).some(({ state }) => state === 'resting')).toBe(false);
    expect(sum(rowOf('Mammillaria hahniana sill', awake).waterings)).toBeGreaterThan(
      sum(rowOf('Mammillaria hahniana sill').waterings),
    );
  });
  it('all stand in peat: they ask more rarely', () => {
    const peat = instead({ mixId: 'peat' });
    expect(sum(peat.flatMap(({ waterings }) => waterings))).toBeLessThan(
      sum(rows.flatMap(({ waterings }) => waterings)),
    );
  });
  it('ten degrees north it is colder; ten degrees south of the line likewise', () => {
    const north = instead({ polewardDeg: 10 });
    expect(sum(north.flatMap(({ cold }) => cold))).toBeGreaterThan(sum(rows.flatMap(({ cold }) => cold)));
    const south = wouldBe({ ...garden, site: { ...garden.site, latitude_deg: -34 } }, { polewardDeg: 10 });
    expect(south.site.latitude_deg).toBe(-44);
    expect(wouldBe(garden, { polewardDeg: 40 }).site.latitude_deg).toBe(66);
  });
});
