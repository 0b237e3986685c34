/** A trial says what would follow, and leaves everything as it was. */
import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import type { PlantEvent } from '../garden.ts';
import { garden, judged, plusDays } from '../../test/gardens.ts';
import type { Judgement } from './deeds.ts';
import { promised, type Trial } from './promised.ts';

const TODAY = '2026-06-20';
const LOOK: Judgement['deeds'] = [
  { deed: 'look', what: 'depth', then: { wet: 'wait', damp: 'wait', dry: 'water' } },
  { deed: 'wait', until: null },
];
const judgement = (deeds: Judgement['deeds']) => ({ deeds, because: [] }) as unknown as Judgement;
/** A judge that answers by the last finger it was shown. */
const byFinger = (answers: Record<string, Judgement['deeds'][0]>): Trial => ({
  today: TODAY,
  outlookWith: (events) => events as never,
  judge: (outlook) => {
    const [event] = outlook as unknown as [Extract<PlantEvent, { type: 'check' }>];
    expect(event.date).toBe(TODAY);
    return judgement([answers['finger' in event ? event.finger : '']!]);
  },
});

describe('what an answer leads to', () => {
  it('is the first deed of the judgement that follows, whatever the rule said', () => {
    const again = { deed: 'look', what: 'weight', then: {} } as const;
    const trial = byFinger({
      wet: { deed: 'wait', until: null },
      damp: { deed: 'sleep', next_look: null },
      dry: again,
    });
    const { deeds } = promised(judgement(LOOK), trial);
    expect(deeds[0]).toMatchObject({ then: { wet: 'wait', damp: 'sleep', dry: 'look' } });
    expect(deeds[1]).toEqual(LOOK[1]);
  });
  it.each([
    ['a deed that asks nothing', [{ deed: 'wait', until: null }]],
    ['a look whose finds are told by name', [{ deed: 'look', what: 'underside', then: { clean: 'wait' } }]],
  ] as [string, Judgement['deeds']][])('%s is not tried', (_, deeds) => {
    const never: Trial = {
      today: TODAY,
      outlookWith: () => expect.unreachable(),
      judge: () => expect.unreachable(),
    };
    expect(promised(judgement(deeds), never).deeds).toEqual(deeds);
  });
});

describe('a pot that is tried', () => {
  const events: PlantEvent[] = [
    { type: 'watering', date: plusDays(TODAY, -30), method: 'drench' },
    { type: 'check', date: plusDays(TODAY, -12), finger: 'damp' },
  ];
  const file = garden({ today: TODAY, events });
  const id = file.plants[0]!.id;
  it.each([
    [{ type: 'check', date: TODAY, finger: 'wet' }],
    [{ type: 'sign', date: TODAY, sign: 'firm-base', strength: 2, where: 'base' }],
    [{ type: 'sign', date: TODAY, sign: 'leaves-dying-back', strength: 2 }],
    [{ type: 'watering', date: TODAY, method: 'drench' }],
  ] as [PlantEvent][])('%j: stands as it will once that is written, and until then as it stood', (event) => {
    const forecast = new GardenForecast(file);
    const before = forecast.outlook(id);
    const tried = forecast.tried(id, [event]);
    const again = forecast.outlook(id);
    for (const of of ['moisture', 'dryOn', 'state', 'rate'] as const) expect(again[of]).toEqual(before[of]);
    expect(again.plant.events).toHaveLength(events.length);
    forecast.replacePlant({ ...file.plants[0]!, events: [...events, event] });
    const written = forecast.outlook(id);
    // What a pot teaches its bench is summed in another order: the last digit is not the same.
    for (const p of ['p10', 'p50', 'p90'] as const) expect(tried.moisture[p]).toBeCloseTo(written.moisture[p], 12);
    for (const of of ['dryOn', 'state'] as const) expect(tried[of]).toEqual(written[of]);
    expect(dayNumber(TODAY)).toBe(forecast.climate.today);
  });
});

describe('water that stood on the mix', () => {
  const stood: PlantEvent = { type: 'sign', date: plusDays(TODAY, -1), sign: 'water-stands', strength: 2 };
  const first = (...more: PlantEvent[]) => judged({ today: TODAY, events: [stood, ...more] }).judgement.deeds[0];
  it('is to be tipped out, until whoever tipped it has felt what is left', () => {
    expect(first()).toMatchObject({ deed: 'act', what: 'out-of-water' });
    expect(first({ type: 'check', date: TODAY, finger: 'wet' })).not.toMatchObject({ deed: 'act' });
  });
});
