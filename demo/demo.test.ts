import { beforeAll, describe, expect, it } from 'vitest';
import { FORMS, GardenForecast, genusOf, HABITS, traitsOf } from '@zinc-pail/core';
import { checkGarden } from '@zinc-pail/contract/gardenFile';
import { MIXES, PLANTS, SITES } from './collection.ts';
import { play, PLAYED_DAYS, type PlayedSite } from './play.ts';

const TODAY = '2026-06-15';
let played: PlayedSite[];
beforeAll(() => {
  played = play(() => TODAY);
});

describe('the demo collection', () => {
  it('has sixty plants and more of thirty genera and more, all habits and all forms', () => {
    expect(PLANTS.length).toBeGreaterThanOrEqual(60);
    const genera = new Set(PLANTS.map((plant) => genusOf(plant.name)?.name ?? plant.name.split(' ')[0]));
    expect(genera.size).toBeGreaterThanOrEqual(30);
    const traits = PLANTS.map((plant) => traitsOf({ ...plant.plant, id: plant.number, events: [] }).traits);
    expect(new Set(traits.map((t) => t.habit)).size).toBe(HABITS.length);
    expect(new Set(traits.map((t) => t.form)).size).toBe(FORMS.length);
  });
  it('stands at seven places, in ten mixes, on both halves of the globe', () => {
    expect(SITES.flatMap((site) => site.places)).toHaveLength(7);
    expect(MIXES).toHaveLength(10);
    expect(SITES.map((site) => Math.sign(site.latitudeDeg))).toEqual([1, -1]);
    expect(new Set(PLANTS.map((plant) => plant.number)).size).toBe(PLANTS.length);
  });
  it('knows every genus it grows', () => {
    expect(PLANTS.filter((plant) => !genusOf(plant.name)).map((plant) => plant.name)).toEqual([]);
  });
});

describe('its journal', () => {
  it('is the same for the same day', () => {
    expect(play(() => TODAY)).toEqual(played);
  });
  it('spans two years and ends today', () => {
    for (const { garden } of played) {
      const dates = garden.plants.flatMap((plant) => plant.events.map((event) => event.date));
      expect(garden.today).toBe(TODAY);
      expect(dates.every((date) => date <= TODAY)).toBe(true);
      const [first] = dates.toSorted();
      expect(Math.round((Date.parse(TODAY) - Date.parse(first!)) / 86_400_000)).toBeGreaterThan(PLAYED_DAYS - 30);
      expect(garden.weather.filter((day) => day.source === 'observed').at(-1)!.date).toBe(TODAY);
    }
  });
  it('is a sound garden file', () => {
    for (const { garden } of played) {
      const file = {
        format: 'zinc-pail/garden',
        version: 1,
        ...garden,
        places: garden.places.map(({ name: _name, ...place }: any) => place),
        mixes: garden.mixes.map(({ name: _name, ...mix }: any) => mix),
      };
      expect(checkGarden(file).faults).toEqual([]);
    }
  });
  it('has all kinds of looks, drinks and states, as a person would keep it', () => {
    const events = played.flatMap(({ garden }) => garden.plants.flatMap((plant) => plant.events));
    const kinds = new Set(events.map((event) => event.type));
    for (const kind of ['watering', 'check', 'weights', 'sign', 'state', 'feeding', 'move'])
      expect(kinds, kind).toContain(kind);
    const looks = events.filter((event) => event.type === 'check');
    expect(
      looks.some((look) => 'finger' in look) &&
        looks.some((look) => 'meter' in look) &&
        looks.some((look) => 'weight_g' in look),
    ).toBe(true);
    const methods = new Set(events.flatMap((event) => (event.type === 'watering' ? [event.method] : [])));
    expect([...methods].toSorted()).toEqual(['bottom', 'drench', 'measured']);
  });
  it('teaches the engine rates that scatter about one', () => {
    const rates = played.flatMap(({ garden }) =>
      new GardenForecast(garden)
        .outlooks()
        .filter((outlook) => outlook.history.checks > 8)
        .map((outlook) => Math.log(outlook.rate.p50)),
    );
    const mean = rates.reduce((a, b) => a + b) / rates.length;
    expect(rates.length).toBeGreaterThan(30);
    expect(Math.abs(mean)).toBeLessThan(0.35);
    expect(Math.max(...rates) - Math.min(...rates)).toBeGreaterThan(0.6);
  });
});
