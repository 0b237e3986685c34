/** What a look has shown comes before what the book calls for. */
import { describe, expect, it } from 'vitest';
import type { PlantEvent } from '../garden.ts';
import { judged, plusDays } from '../../test/gardens.ts';
import { drinkOf } from './deeds.ts';

const TODAY = '2026-06-20';
const back = (days: number) => plusDays(TODAY, -days);
const globe = (...events: PlantEvent[]) =>
  judged({
    today: TODAY,
    plant: { taxon: 'Mammillaria hahniana', habit: null, form: null, dry_rule: null },
    events: [
      { type: 'watering', date: back(40), method: 'drench' },
      { type: 'check', date: back(20), finger: 'dry' },
      ...events,
    ],
  });

describe('wool on the roots', () => {
  const wool: PlantEvent = { type: 'sign', date: back(10), sign: 'root-fluff', strength: 2, where: 'roots' };
  it('lifts the plant; nothing is poured onto its guests, however dry the pot', () => {
    const { judgement, due } = globe(wool);
    expect(judgement.deeds[0]).toEqual({ deed: 'act', what: 'unpot' });
    expect(drinkOf(judgement)).toBeNull();
    expect(due).toBeNull();
  });
  it('potted anew since, it is not lifted again; without it none is', () => {
    const potted: PlantEvent = { type: 'repotting', date: back(9), mix_was: 'dry' };
    for (const { judgement } of [globe(wool, potted), globe()])
      expect(judgement.deeds.map(({ deed }) => deed)).not.toContain('act');
  });
});
