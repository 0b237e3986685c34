import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import type { PlantEvent, Refusal, Sign } from '../garden.ts';
import { judged, plusDays } from '../../test/gardens.ts';
import { intervalSteps } from './interval.ts';

const TODAY = '2026-07-05';
const back = (days: number) => plusDays(TODAY, -days);
const sign = (name: Sign, days: number): PlantEvent => ({ type: 'sign', date: back(days), sign: name, strength: 2 });
const felt = (finger: 'wet' | 'dry', days: number): PlantEvent => ({ type: 'check', date: back(days), finger });
const drench = (days: number): PlantEvent => ({ type: 'watering', date: back(days), method: 'drench' });
const steps = (events: PlantEvent[], takenBack: string[] = []) => intervalSteps(events, dayNumber(TODAY), takenBack);
const thirst = (days: number) => [sign('limp', days), felt('dry', days), drench(days - 1), sign('taut', days - 3)];

describe('signs move the interval', () => {
  it('slack, dry, and firm again after the drink: a step earlier, dated by the day it was firm', () => {
    expect(steps(thirst(20))).toEqual([{ on: back(17), way: 'earlier', sign: 'limp', helped: null }]);
  });
  it.each<[string, PlantEvent[]]>([
    ['not firm again', [sign('limp', 20), drench(19)]],
    ['no drink', [sign('limp', 20), sign('taut', 17)]],
    ['felt wet beside it', [sign('limp', 20), felt('wet', 20), drench(19), sign('taut', 17)]],
    ['mush at the tips, as frost leaves it', [{ ...sign('mushy', 20), where: 'tips' } as PlantEvent]],
    ['yellow leaves in a dry pot', [felt('dry', 25), sign('yellow-lower', 20)]],
  ])('%s: no step', (_, events) => expect(steps(events)).toEqual([]));
  it('mush, or yellow low leaves after a wet look: a step later', () => {
    expect(steps([sign('mushy', 20)])).toMatchObject([{ way: 'later', on: back(20) }]);
    expect(steps([felt('wet', 22), sign('yellow-lower', 20)])).toMatchObject([{ way: 'later' }]);
    expect(steps([felt('wet', 22), { ...sign('mushy', 20), where: 'tips' } as PlantEvent])).toHaveLength(1);
  });
  it('two of a kind close together are one; taken back it is none', () => {
    expect(steps([sign('mushy', 20), sign('split', 16)])).toHaveLength(1);
    expect(steps([sign('mushy', 20)], [back(20)])).toEqual([]);
  });
  it('left out twice running for a reason that lies in the pot: a step later; once, or with a drink between, none', () => {
    const no = (days: number, reason: Refusal = 'other'): PlantEvent => ({ type: 'refused', date: back(days), reason });
    expect(steps([no(9), no(8)])).toEqual([{ on: back(8), way: 'later', sign: 'refused', helped: null }]);
    for (const none of [[no(8)], [no(9), drench(9), no(8)], [no(60), no(8)], [no(8), no(8)]])
      expect(steps(none)).toEqual([]);
    expect(steps([no(9, 'too-cold'), no(8, 'too-cold')])).toEqual([]);
    expect(steps([no(9), no(8)], [back(8)])).toEqual([]);
  });
  it('a season later it is said whether it helped', () => {
    expect(steps([sign('split', 250)])[0]!.helped).toBe(true);
    expect(steps([sign('split', 250), sign('split', 150)])[0]!.helped).toBe(false);
    expect(steps([sign('split', 90)])[0]!.helped).toBeNull();
  });
  it('moves the day of the next drink, modestly, and never to daily', () => {
    const due = (events: PlantEvent[], plant: object = {}) =>
      judged({ today: TODAY, plant, events: [felt('dry', 90), ...events, drench(1)] }).outlook.advice.window!.ideal;
    const without = { steps_taken_back: [back(17), back(20)] };
    const [earlier, plain] = [due(thirst(20)), due(thirst(20), without)];
    expect(earlier).toBeLessThan(plain);
    expect(plain - earlier).toBeLessThanOrEqual(Math.ceil(0.45 * (plain - dayNumber(back(1)))));
    expect(earlier - dayNumber(back(1))).toBeGreaterThan(1);
    expect(due([sign('split', 20)])).toBeGreaterThan(due([sign('split', 20)], without));
  });
});
