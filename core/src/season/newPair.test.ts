import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { Garden, PlantEvent } from '../garden.ts';
import { GRITTY, INLAND, judged, roundPot } from '../../test/gardens.ts';
import { almanacOf, almanacStarts } from '../forecast/almanac.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import type { StateChange } from './timeline.ts';
import { newPairUntil, sheathSpans } from './newPair.ts';

const WOKE = dayNumber('2026-03-20');
const CHANGES: StateChange[] = [
  { day: WOKE - 130, state: 'resting', why: 'cold' },
  { day: WOKE, state: 'waking', why: 'nothing' },
];
const summer = { habit: 'summer' } as const;
const until = (day: string, events: PlantEvent[] = [], nature: 'stone' | 'succulent' = 'stone') =>
  newPairUntil(summer, nature, { changes: CHANGES, events, today: dayNumber(day), south: false });

describe('a stone plant in spring', () => {
  it('lives on its old pair for two months from its stirring', () => {
    expect(isoDay(until('2026-04-10')!)).toBe('2026-05-19');
    expect(until('2026-05-20')).toBeNull();
  });
  it('is let drink once the keeper found the old pair to be paper', () =>
    expect(
      until('2026-05-01', [{ type: 'sign', date: '2026-04-30', sign: 'leaves-dying-back', strength: 2 }]),
    ).toBeNull());
  it('no other succulent is kept from it, nor those that change in summer', () => {
    expect(until('2026-04-10', [], 'succulent')).toBeNull();
    const known = { changes: CHANGES, events: [], today: WOKE - 30, south: false };
    expect(sheathSpans({ habit: 'winter' }, 'stone', known)).toEqual([]);
    expect(sheathSpans(summer, 'stone', known)).toEqual([{ from: WOKE, to: WOKE + 60 }]);
  });
  it('seen to change later, the year ahead has it later too; found to be paper, no longer', () => {
    const today = WOKE + 25;
    const of = (events: PlantEvent[]) =>
      sheathSpans(summer, 'stone', { changes: CHANGES, events, today, south: false });
    const seen: PlantEvent = { type: 'sign', date: isoDay(today - 5), sign: 'new-growth', strength: 1 };
    const paper: PlantEvent = { type: 'sign', date: isoDay(today), sign: 'leaves-dying-back', strength: 2 };
    expect(of([])).toEqual([{ from: today, to: WOKE + 60 }]);
    expect(of([seen])).toEqual([{ from: today, to: today + 70 }]);
    expect(of([seen, paper])).toEqual([]);
  });
  it('that never sleeps, under lamps, changes its leaves in its winter, and drinks in its summer', () => {
    const awake = (day: string, south = false, events: PlantEvent[] = []) => {
      const known = { changes: [], events, today: dayNumber(day), south };
      const pair = newPairUntil(summer, 'stone', known);
      return [pair && isoDay(pair), ...sheathSpans(summer, 'stone', known).map(({ from }) => isoDay(from))];
    };
    expect(awake('2026-01-20')).toEqual(['2026-03-15', '2026-01-20']);
    expect(awake('2026-07-20')).toEqual([null, '2026-12-15']);
    expect(awake('2026-07-20', true)).toEqual(['2026-09-14', '2026-07-20']);
    expect(awake('2026-01-20', true)).toEqual([null, '2026-06-16']);
    const paper: PlantEvent = { type: 'sign', date: '2026-01-10', sign: 'leaves-dying-back', strength: 2 };
    expect(awake('2026-01-20', false, [paper])).toEqual([null]);
  });
  it('the almanac and the line keep it dry in the same weeks', () => {
    const garden: Garden = {
      today: '2026-02-20',
      site: { latitude_deg: 47, longitude_deg: 8, elevation_m: 400, normals: INLAND },
      weather: [],
      places: [{ id: 'cold', kind: 'cold-glass', air: 'gentle', floor_c: 2 }],
      mixes: [GRITTY],
      plants: [
        {
          id: 'stone',
          name: 'Lithops lesliei',
          diameter_mm: 35,
          height_mm: 20,
          place: 'cold',
          mix: 'mix',
          pot: roundPot(70, 80, 'terracotta'),
          events: [{ type: 'watering', date: '2025-10-20', method: 'drench' }],
        },
      ],
    };
    const forecast = new GardenForecast(garden);
    const [row] = almanacOf(forecast, almanacStarts(forecast, new Map()));
    const woken = row!.states.find(({ state }) => state === 'waking')!;
    const weeks = row!.waterings.slice(0, Math.floor((woken.from + 60) / 7));
    expect(weeks.reduce((sum, times) => sum + times, 0)).toBe(0);
    expect(
      row!.waterings.slice(weeks.length, weeks.length + 20).reduce((sum, times) => sum + times, 0),
    ).toBeGreaterThan(2);
    const { judgement } = judged({
      today: isoDay(dayNumber(garden.today) + woken.from + 20),
      place: garden.places[0]!,
      plant: { taxon: 'Lithops lesliei', habit: null, form: null, dry_rule: null },
      events: garden.plants[0]!.events as PlantEvent[],
    });
    expect(judgement.deeds[0].deed).not.toMatch(/water|sip/);
  });
});
