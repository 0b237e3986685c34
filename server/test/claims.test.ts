/** Nothing that one surface says of a plant contradicts another: the demo through its year, and random gardens. */
import { every, runs } from '../../core/test/cases.ts';
import { type Cause, CAUSES, dayNumber, drinkOf, type Garden, isoDay, type PlantEvent, SIGNS } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { GRITTY, INLAND, mirrored, PEATY, roundPot } from '../../core/test/gardens.ts';
import { seededRandom } from '../../core/src/numeric/random.ts';
import { play } from '../../demo/play.ts';
import { diagnosisFile, forecastFile, judgementFile } from '@zinc-pail/words/files';
import { contradictions, toldOf } from './claims.ts';

/** Two days of each month, so that frost, rest, waking and heat all fall on some. */
const DAYS = Array.from({ length: 24 }, (_, i) => isoDay(dayNumber('2026-01-06') + i * 15));

describe('the demo contradicts itself nowhere', () => {
  it.each(every(DAYS, 4))(
    'on %s',
    (today) => {
      // A few of each garden a day, others on other days: all of them in the year, at the cost of a few.
      const turn = DAYS.indexOf(today);
      for (const { garden } of play(() => today)) {
        const plants = garden.plants.filter((_, i) => (i + turn) % 8 === 0);
        expect(contradictions({ ...garden, plants })).toEqual([]);
      }
    },
    120_000,
  );
});

const KINDS = [
  'Lithops lesliei',
  'Conophytum bilobum',
  'Mammillaria hahniana',
  'Rebutia minuscula',
  'Melocactus azureus',
  'Sempervivum tectorum',
  'Opuntia humifusa',
  'Echeveria agavoides',
  'Crassula ovata',
  'Haworthia cooperi',
  'Sansevieria trifasciata',
  'Zamioculcas zamiifolia',
  'Schlumbergera truncata',
  'Rhipsalis baccifera',
  'Hoya kerrii',
  'Aeonium arboreum',
  'Albuca spiralis',
  'Dioscorea elephantipes',
  'Adenium obesum',
  'Pachypodium lamerei',
  'Stapelia grandiflora',
  'Euphorbia milii',
  'Portulacaria afra',
  'Tillandsia ionantha',
  'Nobody knows',
];
const PLACES: Garden['places'] = [
  { id: 'cold', kind: 'cold-glass', air: 'gentle' },
  { id: 'warm', kind: 'heated-glass', air: 'gentle', floor_c: 12 },
  { id: 'sill', kind: 'windowsill', aspect_deg: 180, air: 'still' },
  { id: 'room', kind: 'room', air: 'still', light_fraction: 0.05 },
  { id: 'lamp', kind: 'lamp-shelf', air: 'gentle', lamp: { ppfd_umol_m2_s: 200, hours: 13 } },
  { id: 'open', kind: 'open', air: 'breezy' },
  { id: 'porch', kind: 'covered', air: 'breezy' },
];

/** A garden of plants of all habits with cases open, pottings of late, odd looks and signs, by a seed. */
function randomGarden(seed: number): Garden {
  const random = seededRandom(seed);
  const pick = <T>(all: readonly T[]) => all[Math.floor(random() * all.length)]!;
  const today = dayNumber('2026-01-03') + Math.floor(random() * 364);
  const ago = (days: number) => isoDay(today - Math.floor(days));
  const south = random() < 0.5;
  const book = (): PlantEvent[] => {
    const events: PlantEvent[] = [];
    const every = 6 + random() * 40;
    for (let day = 20 + random() * 150; day > random() * 40; day -= every) {
      events.push({ type: 'watering', date: ago(day), method: random() < 0.8 ? 'drench' : 'measured', amount_ml: 60 });
      if (random() < 0.5)
        events.push({ type: 'check', date: ago(Math.max(0, day - every * 0.8)), finger: pick(['wet', 'damp', 'dry']) });
    }
    if (random() < 0.3)
      events.push({ type: 'repotting', date: ago(random() * 40), mix_was: 'dry', roots_cut: random() < 0.5 });
    if (random() < 0.3) {
      const cause: Cause = pick(CAUSES);
      events.push({ type: 'verdict', date: ago(random() * 30), cause });
      if (random() < 0.5) events.push({ type: 'case-step', date: ago(random() * 10), cause, step: 'unpot' });
    }
    if (random() < 0.4)
      events.push({
        type: 'sign',
        date: ago(random() * 12),
        sign: pick(SIGNS),
        strength: 1 + Math.floor(random() * 3),
      });
    if (random() < 0.2) events.push({ type: 'check', date: ago(0), finger: pick(['wet', 'damp', 'dry']) });
    if (random() < 0.1)
      events.push({ type: 'state', date: ago(random() * 60), state: pick(['growing', 'resting', 'waking']) });
    return events.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
  };
  return {
    today: isoDay(today),
    site: {
      latitude_deg: south ? -40 : 47,
      longitude_deg: 8,
      elevation_m: 300,
      normals: south ? mirrored(INLAND) : INLAND,
    },
    weather: Array.from({ length: 12 }, (_, i) => ({
      date: isoDay(today - 8 + i),
      tmin_c: -6 + random() * 22,
      tmax_c: 16 + random() * 20,
      rh_pct: 70,
      sunshine_h: random() * 9,
      rain_mm: random() < 0.3 ? random() * 15 : 0,
      wind_m_s: 2,
      source: i <= 8 ? ('observed' as const) : ('forecast' as const),
    })),
    places: PLACES,
    mixes: [GRITTY, { ...PEATY, id: 'peat' }],
    plants: Array.from({ length: 7 }, (_, i) => ({
      id: `${i} ${seed}`,
      name: pick(KINDS),
      taxon: null,
      diameter_mm: 40 + random() * 90,
      height_mm: 30 + random() * 120,
      place: pick(PLACES).id,
      mix: random() < 0.7 ? 'mix' : 'peat',
      pot: {
        ...roundPot(60 + random() * 120, 60 + random() * 80, pick(['plastic', 'terracotta'])),
        holes: random() < 0.92,
      },
      events: book(),
    })),
  };
}

describe('random gardens contradict themselves nowhere', () => {
  it.each(Array.from({ length: runs(12, 4) }, (_, i) => i + 1))(
    'garden %d',
    (seed) => expect(contradictions(randomGarden(seed))).toEqual([]),
    60_000,
  );
});

describe('the command says what the screens say', () => {
  it.each([31, 32, 33])('of garden %d', (seed) => {
    const garden = randomGarden(seed);
    const told = toldOf(garden);
    const forecasts = new Map(forecastFile(garden).plants.map((one) => [one.id, one]));
    const judgements = new Map(judgementFile(garden).plants.map((one) => [one.id, one]));
    for (const { id, task, view } of told) {
      expect(forecasts.get(id)!.water?.ideal ?? null).toBe(task.due);
      expect(forecasts.get(id)!.water?.ideal ?? null).toBe(view.water?.ideal ?? null);
      expect(forecasts.get(id)!.state).toBe(view.state);
      expect(judgements.get(id)!.deeds).toEqual(task.judgement.deeds);
      const drinks = drinkOf(task.judgement) !== null;
      const { head } = judgements.get(id)!.words;
      if (drinks) expect(head).toMatch(/water|sip|soak|drench|flush|mist|drink|drops| ml/i);
      // Of a plant that shows nothing the clinic says nothing: its schedule stands.
      const { water, causes } = diagnosisFile(garden, id);
      if (causes.length > 0) expect([id, water === 'now']).toEqual([id, drinks]);
    }
  });
});
