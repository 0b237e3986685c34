import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import type { Habit, Place, PlantState } from '../garden.ts';
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
