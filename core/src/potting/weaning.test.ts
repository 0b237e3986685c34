import { describe, expect, it } from 'vitest';
import { drinkOf } from '../judgement/deeds.ts';
import { dueMoisture } from '../forecast/plantModel.ts';
import type { Mix, PlantEvent } from '../garden.ts';
import { type Scene, judged, PEATY, plusDays, roundPot } from '../../test/gardens.ts';

const TODAY = '2026-06-20';
const BARK: Mix = {
  id: 'mix',
  parts: [
    { component: 'bark-chunky', parts: 2 },
    { component: 'pumice', parts: 1 },
  ],
};
const CLAY = roundPot(110, 100, 'terracotta');
const ago = (days: number) => plusDays(TODAY, -days);

/** A Hoya that stood in soggy peat, potted so many days ago into bark and pumice. */
function hoya(days: number, more: Scene['plant'] = {}, before = true) {
  const potted: PlantEvent = {
    type: 'repotting',
    date: ago(days),
    mix_was: 'damp',
    ...(before ? { before: { pot: roundPot(100, 95, 'plastic'), mix: 'old' } } : {}),
  };
  return judged({
    today: TODAY,
    mix: BARK,
    mixes: [{ ...PEATY, id: 'old' }],
    pot: CLAY,
    place: { id: 'place', kind: 'windowsill', aspect_deg: 90, air: 'still' },
    plant: { taxon: 'Kalanchoe tomentosa', habit: null, form: null, dry_rule: null, ...more },
    events: [
      potted,
      { type: 'watering', date: ago(Math.max(0, days - 1)), method: 'drench' },
      { type: 'check', date: ago(Math.max(0, days - 2)), finger: 'wet' },
    ],
  });
}

describe('roots grown in wet, in a mix that dries', () => {
  it('call for water moister than their rule at first, and by steps back to it', () => {
    const due = [2, 20, 40, 60].map((days) => dueMoisture(hoya(days).outlook.model.traits));
    expect(due[0]).toBeGreaterThan(0.4);
    expect(due).toEqual(due.toSorted((a, b) => b - a));
    expect(due[3]).toBe(0.12);
  });
  it('so the window and the line come sooner, and say why', () => {
    const weaned = hoya(4);
    const raisedDry = hoya(4, {}, false);
    const ideal = (one: typeof weaned) => one.outlook.advice.window!.ideal;
    expect(ideal(weaned)).toBeLessThan(ideal(raisedDry));
    expect(weaned.judgement.because.map(({ code }) => code)).toContain('weaning');
    expect(raisedDry.judgement.because.map(({ code }) => code)).not.toContain('weaning');
    for (const one of [weaned, raisedDry]) if (drinkOf(one.judgement)) expect(one.due).toBe(TODAY);
  });
  it('are told by the keeper where the pot before is not on record', () =>
    expect(dueMoisture(hoya(5, { grown_wet: true }, false).outlook.model.traits)).toBeGreaterThan(0.35));
  it('a store below ground needs none of it', () =>
    expect(dueMoisture(hoya(5, { store: 'below' }).outlook.model.traits)).toBe(0.12));
});
