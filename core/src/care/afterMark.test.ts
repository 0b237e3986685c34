import { describe, expect, it } from 'vitest';
import { dayNumber, isoDay } from '../calendar/day.ts';
import { GardenForecast } from '../forecast/forecast.ts';
import { outlookView, type OutlookView } from '../forecast/view.ts';
import type { Plant, PlantEvent } from '../garden.ts';
import { garden, roundPot } from '../../test/gardens.ts';
import { afterMark, type Finding } from './afterMark.ts';
import { careTask } from './task.ts';
import type { OwnRules, Way } from './rules.ts';

const TODAY = dayNumber('2026-06-20');
const ago = (days: number) => isoDay(TODAY - days);
const drench = (days: number): PlantEvent => ({ type: 'watering', date: ago(days), method: 'drench' });
const sign = (name: string, days = 0): PlantEvent => ({ type: 'sign', date: ago(days), sign: name as 'limp', strength: 2 });

function seen(events: PlantEvent[], over: Partial<Plant> = {}): { view: OutlookView; events: PlantEvent[] } {
  const base = garden({ today: isoDay(TODAY) });
  const plant: Plant = { ...base.plants[0]!, name: 'Echeveria elegans', taxon: null, form: null, habit: null, store: null, dry_rule: null, pot: roundPot(120, 120, 'plastic'), events, ...over };
  return { view: outlookView(new GardenForecast({ ...base, plants: [plant] }).outlook(plant.id), TODAY), events };
}
const after = (written: Finding & { way?: Way }, events: PlantEvent[], over: Partial<Plant> = {}, more: { coarse?: boolean; shedsWater?: boolean; neverSoak?: boolean } = {}) => {
  const { view } = seen(events, over);
  return afterMark({ written: [written], before: view, events, coarse: false, shedsWater: false, neverSoak: false, ...more }).join(' ');
};
const task = (events: PlantEvent[], own: OwnRules = {}, over: Partial<Plant> = {}) => {
  const { view } = seen(events, over);
  return careTask({ name: over.name ?? 'Echeveria elegans', taxon: null, own, outlook: view, events, today: TODAY, placeKind: 'windowsill', south: false, mixIsCharged: false, arrivedOn: null, watersAtHand: [] });
};

describe('what a finding means', () => {
  it('limp and wet: no water, look at base and roots; limp and dry: water and look again', () => {
    expect(after(sign('limp') as Finding, [drench(1)])).toMatch(/do not water.*roots/);
    expect(after(sign('limp') as Finding, [drench(40)])).toMatch(/^Slack and dry: water it/);
  });
  it('taut and dry with the store below: wait', () => {
    expect(after(sign('taut') as Finding, [drench(60)], { name: 'Zamioculcas zamiifolia', store: 'below' })).toMatch(/first wrinkles, or about a week/);
    expect(after(sign('taut') as Finding, [drench(1)])).toBe('Taut and wet: leave it.');
  });
  it('a dry surface of a deep pot is no dry pot', () => {
    expect(after({ type: 'check', date: ago(0), surface: 'dry' }, [drench(3)])).toMatch(/check deeper/);
    expect(after({ type: 'check', date: ago(0), surface: 'dry' }, [drench(3)], { pot: roundPot(80, 70, 'plastic') })).toBe('');
  });
  it('a probe between stones reads too dry', () => {
    expect(after({ type: 'check', date: ago(0), meter: 2 }, [drench(3)], {}, { coarse: true })).toMatch(/drier than it is/);
    expect(after({ type: 'check', date: ago(0), meter: 6 }, [drench(3)], {}, { coarse: true })).toBe('');
  });
  it('a stone plant is lifted out of its soak', () => expect(after({ type: 'watering', date: ago(0), method: 'bottom' }, [drench(40)], {}, { neverSoak: true })).toMatch(/lift it out now/));
  it('water that ran past a dry peaty ball was no drink', () => expect(after({ type: 'watering', date: ago(0), method: 'drench' }, [drench(90)], {}, { shedsWater: true })).toMatch(/ran past/));
  it('not firmed up in a wet mix is a case for the roots', () => {
    expect(after({ type: 'firmed', date: ago(0), yes: false }, [drench(1)])).toMatch(/roots may not drink/);
    expect(after({ type: 'firmed', date: ago(0), yes: true }, [drench(1)])).toMatch(/its roots drink/);
  });
  it('yellow soon after food is too much of it; pale and never fed is hunger', () => {
    expect(after(sign('yellow-all') as Finding, [drench(12), { type: 'feeding', date: ago(10), dose: 1 }])).toMatch(/stop feeding, flush once, then half/);
    expect(after(sign('yellow-all') as Finding, [drench(30)])).toMatch(/one weak feed/);
  });
  it('crust asks for a flush, soft tissue for the knife', () => {
    expect(after(sign('salt-crust') as Finding, [drench(5)])).toMatch(/flush with plain rain/);
    expect(after(sign('soft-base') as Finding, [drench(5)])).toMatch(/rot until shown otherwise/);
  });
});

describe('before any rule counts', () => {
  it('slack in a wet pot is looked at, whatever calls for water', () => expect(task([drench(1), sign('limp')]).verdict).toMatchObject({ kind: 'check', head: 'Press the base' }));
  it('a plant long dry comes back in stages: a sip, a wait, then the fuller drink', () => {
    const parched = task([drench(150)]);
    expect(parched.water.way).toBe('measured');
    expect(parched.water.amountMl).toBeLessThan(0.06 * seen([drench(150)]).view.volume_ml + 1);
    expect(parched.mind.join(' ')).toMatch(/small drink first/);
    const sip: PlantEvent = { type: 'watering', date: ago(1), method: 'measured', amount_ml: parched.water.amountMl };
    expect(task([drench(150), sip]).verdict).toMatchObject({ kind: 'leave' });
    const later: PlantEvent = { ...sip, date: ago(5) };
    expect(task([drench(150), later]).mind.join(' ')).not.toMatch(/small drink first/);
  });
  it('one that is hard to replace is felt first, unless it is surely dry', () => {
    const days = Array.from({ length: 25 }, (_, i) => i + 4);
    const held = days.filter((i) => task([drench(i)]).verdict.kind === 'water' && task([drench(i)], { hardToReplace: true }).verdict.kind === 'check');
    expect(held.length).toBeGreaterThan(0);
    expect(task([drench(80)], { hardToReplace: true }).verdict.kind).toBe('water');
  });
  it('says how sure it is: surest where it is long dry, least on the way there', () => {
    expect(task([drench(80)]).sure).toBe('high');
    const unsure = Array.from({ length: 20 }, (_, i) => task([drench(i)]).sure);
    expect(unsure).toContain('low');
  });
  it('has one line of what is never done', () => {
    expect(task([drench(20)], {}, { name: 'Lithops lesliei' }).mind.at(-1)).toBe('Never: a long soak.');
    expect(task([drench(20)], {}, { name: 'Melocactus azureus' }).mind.at(-1)).toMatch(/Never: nights below 11/);
  });
});
