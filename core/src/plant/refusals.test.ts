import { describe, expect, it } from 'vitest';
import type { PlantEvent, Refusal } from '../garden.ts';
import { judged, plusDays } from '../../test/gardens.ts';

const TODAY = '2026-07-05';
const back = (days: number) => plusDays(TODAY, -days);
/** Its pace is known: found dry a fortnight after each drench. */
const known = [75, 60, 45, 30].flatMap((days): PlantEvent[] => [
  { type: 'check', date: back(days + 1), finger: 'dry' },
  { type: 'watering', date: back(days), method: 'drench' },
]);
const no = (days: number, reason: Refusal): PlantEvent => ({ type: 'refused', date: back(days), reason });
const judge = (...events: PlantEvent[]) =>
  judged({ today: TODAY, plant: { taxon: 'Echeveria elegans', events: [...known, ...events] } });

describe('a drink that was left out', () => {
  const asked = judge().judgement;
  it('is asked when nobody left it out', () => expect(asked.deeds[0]!.deed).toBe('water'));
  it('once, is asked again as before', () => expect(judge(no(1, 'other')).judgement.deeds[0]!.deed).toBe('water'));
  it('twice running, waits a week and says why', () => {
    const { judgement } = judge(no(2, 'too-cold'), no(1, 'too-cold'));
    expect(judgement.deeds[0]).toMatchObject({ deed: 'wait', until: plusDays(TODAY, 6) });
    expect(judgement.because[0]).toMatchObject({ code: 'refused-twice', of: 'too-cold', on: back(1) });
  });
  it('and then it is felt before it is watered', () => {
    const { judgement } = judge(no(10, 'not-sure'), no(9, 'not-sure'));
    expect(judgement.deeds[0]).toMatchObject({ deed: 'look', what: 'depth' });
    const felt = judge(no(10, 'too-cold'), no(9, 'too-cold'), { type: 'check', date: TODAY, finger: 'dry' });
    expect(felt.judgement.deeds[0]!.deed).toBe('water');
  });
  it('“it sleeps”, twice, is its season as its keeper sees it; of what never sleeps it is a week', () => {
    expect(judge(no(2, 'asleep'), no(1, 'asleep')).outlook.state).toBe('resting');
    const never = judged({
      today: TODAY,
      plant: {
        taxon: 'Haworthiopsis attenuata',
        habit: 'evergreen',
        events: [...known, no(2, 'asleep'), no(1, 'asleep')],
      },
    });
    expect(never.outlook.state).not.toBe('resting');
    expect(never.judgement.deeds[0]!.deed).toBe('wait');
  });
});
