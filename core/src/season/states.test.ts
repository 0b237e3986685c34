import { describe, expect, it } from 'vitest';
import { PLANT_STATES, type PlantState } from '../garden.ts';
import { firstState, LEAST_EASING_DAYS, nextState, RAMP_DAYS } from './states.ts';

const next = (state: PlantState, invited: number, daysIn: number, evergreen = false) =>
  PLANT_STATES[nextState(PLANT_STATES.indexOf(state), invited, daysIn, evergreen)];

describe('each arrow, and just short of it', () => {
  it.each<[PlantState, number, number, PlantState, string]>([
    ['growing', 0.49, 99, 'easing', 'growing eases once little invites it'],
    ['growing', 0.5, 99, 'growing', 'and not before'],
    ['easing', 0.76, 1, 'growing', 'a good spell takes it back to growth at once'],
    ['easing', 0.75, 99, 'easing', 'a fair one does not'],
    ['easing', 0.19, LEAST_EASING_DAYS, 'resting', 'it sleeps after two weeks of easing'],
    ['easing', 0.19, LEAST_EASING_DAYS - 1, 'easing', 'and not before these'],
    ['easing', 0.2, 99, 'easing', 'nor while a little invites it'],
    ['resting', 0.41, 1, 'waking', 'a sleeper wakes once it is invited'],
    ['resting', 0.4, 400, 'resting', 'however long it has slept'],
    ['waking', 0.14, 99, 'resting', 'and turns over where spring was none'],
    ['waking', 0.15, RAMP_DAYS - 1, 'waking', 'it wakes over four weeks'],
    ['waking', 0.15, RAMP_DAYS, 'growing', 'and then grows'],
  ])('%s at %d, day %d: %s, %s', (state, invited, daysIn, wanted) => {
    expect(next(state, invited, daysIn)).toBe(wanted);
  });
  it('an evergreen slows and never sleeps', () => {
    expect(next('easing', 0, 400, true)).toBe('easing');
    expect(next('waking', 0, 5, true)).toBe('easing');
    expect(next('growing', 0.1, 400, true)).toBe('easing');
  });
  it('what is no state is refused', () => expect(() => nextState(7, 0.5, 1, false)).toThrow(RangeError));
});

describe('where a record begins', () => {
  it.each<[number, boolean, PlantState]>([
    [0.56, false, 'growing'],
    [0.55, false, 'easing'],
    [0.2, false, 'resting'],
    [0.51, true, 'growing'],
    [0, true, 'easing'],
  ])('at %d, evergreen %s: %s', (invited, evergreen, wanted) => {
    expect(PLANT_STATES[firstState(invited, evergreen)]).toBe(wanted);
  });
});
