import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { Habit, Place, PlantEvent, PlantState } from '../garden.ts';
import { INLAND, mirrored, outlook, type Scene } from '../../test/gardens.ts';
import { stateOn } from '../forecast/plantModel.ts';

/** The state on a day that lies ahead of a garden seen from `from`. */
function stateAt(habit: Habit, on: string, scene: Scene = {}): PlantState {
  const from = isoDay(dayNumber(on) - 200);
  return stateOn(
    outlook({ ...scene, today: from, plant: { habit, grow_min_c: 10, ...scene.plant }, events: [] }).model.timeline,
    dayNumber(on),
  );
}

const SILL: Place = { id: 'place', kind: 'windowsill', aspect_deg: 180, air: 'still' };
const GLASS_FREE: Place = { id: 'place', kind: 'cold-glass', air: 'gentle', floor_c: 3 };

describe('the plant’s year', () => {
  it('summer growers grow in July and sleep in January under cold glass', () => {
    expect(stateAt('summer', '2026-07-10', { place: GLASS_FREE })).toBe('growing');
    expect(stateAt('summer', '2026-01-10', { place: GLASS_FREE })).toBe('resting');
  });
  it('winter growers sleep in July and grow in November', () => {
    expect(stateAt('winter', '2026-07-25', { place: SILL, plant: { grow_min_c: 7 } })).toBe('resting');
    expect(stateAt('winter', '2026-11-20', { place: SILL, plant: { grow_min_c: 7 } })).toBe('growing');
  });
  it('spring-and-autumn growers rest in deep cold', () => {
    expect(stateAt('spring-autumn', '2026-05-15', { place: GLASS_FREE })).toBe('growing');
    expect(stateAt('spring-autumn', '2026-01-10', { place: GLASS_FREE })).toBe('resting');
  });
  it('evergreens never rest', () => {
    for (const on of ['2026-01-10', '2026-04-10', '2026-07-10', '2026-10-10']) {
      expect(['growing', 'easing']).toContain(stateAt('evergreen', on, { place: GLASS_FREE }));
    }
  });
  it.each([
    ['summer', '2026-07-10'],
    ['summer', '2026-01-10'],
    ['winter', '2026-07-25'],
    ['winter', '2026-11-20'],
    ['spring-autumn', '2026-01-10'],
  ] as [Habit, string][])('%s on %s is the same half a year on in the south', (habit, on) => {
    const south = { latitude: -47, normals: mirrored(INLAND), place: GLASS_FREE };
    expect(stateAt(habit, isoDay(dayNumber(on) + 183), south)).toBe(stateAt(habit, on, { place: GLASS_FREE }));
  });
  it('a bright warm lamp cancels a summer grower’s rest', () => {
    const lamp: Place = { id: 'place', kind: 'lamp-shelf', air: 'still', lamp: { ppfd_umol_m2_s: 300, hours: 14 } };
    expect(stateAt('summer', '2026-01-10', { place: lamp })).toBe('growing');
  });
  it('what the keeper sees wins, and keeps for weeks', () => {
    const today = '2026-07-05';
    const seen = outlook({
      today,
      events: [
        { type: 'state', date: '2026-07-01', state: 'resting' },
        { type: 'watering', date: today, method: 'drench' },
      ],
    });
    expect(seen.state).toBe('resting');
    expect(stateOn(seen.model.timeline, dayNumber('2026-07-20'))).toBe('resting');
  });
  it('says when it will change', () => {
    const asleep = outlook({ today: '2026-01-10', place: GLASS_FREE, events: [] });
    expect(asleep.advice.window).toBeNull();
    expect(asleep.advice.hold).toMatchObject({ kind: 'rest', n: { wakes: 1 } });
    expect(isoDay(asleep.advice.hold!.until) > '2026-02-15').toBe(true);
    expect(isoDay(asleep.advice.hold!.until) < '2026-05-15').toBe(true);
  });
});

describe('a plant’s own way', () => {
  const today = '2026-12-10';
  const wakes = (events: PlantEvent[]) => {
    const { model } = outlook({
      today,
      events,
      plant: { habit: 'summer', sleeps: 'season' },
      place: { id: 'place', kind: 'cold-glass', air: 'gentle' },
    });
    const next = model.timeline.changes.find(
      ({ day, state }) => day > dayNumber(today) && state !== 'easing' && state !== 'resting',
    )!;
    return { day: next.day, own: model.timeline.own, kind: model.timeline.changes };
  };
  const seen = (state: 'growing' | 'resting' | 'waking', date: string): PlantEvent => ({ type: 'state', date, state });
  const bare = wakes([{ type: 'check', date: '2025-01-10', finger: 'dry' }]);
  const turnOf = (year: string) =>
    bare.kind.find(({ day, state }) => state === 'waking' && isoDay(day).startsWith(year))!.day;

  it('is that of its kind where nothing was seen', () => expect(bare.own).toEqual({ days: 0, turns: 0 }));
  it('seen to wake late two springs running, it is expected late, but by less than that', () => {
    const late = wakes([
      { type: 'check', date: '2025-01-10', finger: 'dry' },
      seen('waking', isoDay(turnOf('2025') + 20)),
      seen('waking', isoDay(turnOf('2026') + 20)),
    ]);
    expect(late.own).toEqual({ days: 10, turns: 2 });
    expect(late.day - bare.day).toBeGreaterThanOrEqual(8);
    expect(late.day - bare.day).toBeLessThanOrEqual(12);
  });
  it('a mark out of all season moves nothing', () => {
    const odd = wakes([{ type: 'check', date: '2025-01-10', finger: 'dry' }, seen('waking', '2025-11-20')]);
    expect(odd.own.days).toBe(0);
  });
});
