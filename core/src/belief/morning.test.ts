/** A walk that goes on from this morning is the walk from the beginning, to the last digit. */
import { describe, expect, it } from 'vitest';
import { play } from '../../../demo/play.ts';
import type { PlantEvent } from '../garden.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import { dueMoisture } from '../forecast/plantModel.ts';
import type { HistoryInput } from './history.ts';
import { retrace, retraceFrom } from './walk.ts';

const TODAY = '2026-07-20';
const { garden } = play(() => TODAY)[0]!;
/** What was noted today, and whether the walk can go on from the morning: a drink moves which days are of old. */
const TODAYS: [string, PlantEvent[], boolean][] = [
  ['a finger', [{ type: 'check', date: TODAY, finger: 'damp' }], true],
  [
    'a finger, then a probe',
    [
      { type: 'check', date: TODAY, finger: 'wet' },
      { type: 'check', date: TODAY, meter: 3 },
    ],
    true,
  ],
  ['a sign', [{ type: 'sign', date: TODAY, sign: 'wrinkled', strength: 2 }], true],
  ['a drench', [{ type: 'watering', date: TODAY, method: 'drench' }], false],
  [
    'a look and a drench',
    [
      { type: 'check', date: TODAY, finger: 'dry' },
      { type: 'watering', date: TODAY, method: 'drench' },
    ],
    false,
  ],
  ['weights', [{ type: 'weights', date: TODAY, drained_g: 900, dry_g: 500 }], false],
  ['a mist', [{ type: 'watering', date: TODAY, method: 'mist', amount_ml: 5 }], true],
];

const forecast = new GardenForecast(garden);
const POTS = garden.plants.map((plant) => ({ plant, model: forecast.outlook(plant.id).model }));

function inputOf({ plant, model }: (typeof POTS)[number], todays: readonly PlantEvent[]): HistoryInput {
  const { today, firstDay } = forecast.climate;
  const events = [...plant.events, ...todays];
  return {
    pot: model.pot,
    loss: model.loss,
    events,
    fromDay: Math.max(model.pottedOn ?? firstDay, firstDay),
    today,
    dueM: dueMoisture(model.traits),
    holdDays: model.traits.holdDays,
    surfaceWetM: forecast.surface(),
    upsets: true,
    openSky: false,
    placeOn: () => plant.place,
  };
}

describe.each(TODAYS)('after %s', (_, todays, goesOn) => {
  it('each pot of the demo is believed to hold the same as if its book were read anew', () => {
    let wentOn = 0;
    for (const pot of POTS) {
      const { morning } = retraceFrom(inputOf(pot, []), null);
      const input = inputOf(pot, todays);
      const anew = retrace(input);
      // Twice: the first must leave the morning as it was.
      for (let n = 0; n < 2; n++) {
        const again = retraceFrom(input, morning);
        expect(again.history).toEqual(anew);
        if (again.morning === morning) wentOn++;
      }
    }
    // Else nothing would have been tried.
    if (goesOn) expect(wentOn).toBe(2 * POTS.length);
    else expect(wentOn).toBe(0);
  });
});

describe('a morning', () => {
  const [pot] = POTS;
  const { morning } = retraceFrom(inputOf(pot!, []), null);
  it.each<[string, (input: HistoryInput) => HistoryInput]>([
    ['another surface', (input) => ({ ...input, surfaceWetM: input.surfaceWetM + 0.1 })],
    ['another pot', (input) => ({ ...input, pot: { ...input.pot } })],
    ['another day', (input) => ({ ...input, today: input.today - 1 })],
    [
      'other slips',
      (input) => ({ ...input, slips: { finger: 0.2, surface: 0.2, meter: 0.2, weight: 0.2, lift: 0.2 } }),
    ],
    ['a line struck out', (input) => ({ ...input, events: input.events.slice(1) })],
  ])('does not fit %s', (_, other) => {
    const input = other(inputOf(pot!, []));
    const again = retraceFrom(input, morning);
    expect(again.morning).not.toBe(morning);
    expect(again.history).toEqual(retrace(input));
  });
});
