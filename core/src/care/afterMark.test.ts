import { describe, expect, it } from 'vitest';
import { dayNumber } from '../calendar/day.ts';
import { outlookView } from '../forecast/view.ts';
import type { PlantEvent, Sign } from '../garden.ts';
import { judged, type Scene } from '../../test/gardens.ts';
import { genusByAnyName } from '../plant/synonyms.ts';
import { afterBloom } from './afterBloom.ts';
import { afterMark, type Finding } from './afterMark.ts';

function codesAfter(written: Finding, scene: Scene = {}, events: PlantEvent[] = []) {
  const today = scene.today ?? '2026-07-05';
  const { outlook, forecast } = judged(scene);
  const before = outlookView(outlook, forecast, dayNumber(today));
  return afterMark({
    written: [written],
    before,
    events,
    coarse: false,
    shedsWater: false,
    neverSoak: false,
    genus: null,
  });
}
const sign = (name: Sign, date = '2026-07-05'): PlantEvent => ({ type: 'sign', date, sign: name, strength: 2 });

describe('what a sign means beyond the judgement', () => {
  it('leaves that die back are left until crisp', () =>
    expect(codesAfter(sign('leaves-dying-back'))).toEqual([{ code: 'let-wither', n: {} }]));
  it('a stretched plant wants light, and one that sleeps wants it cool besides', () => {
    expect(codesAfter(sign('stretched'))).toEqual([{ code: 'stretched', n: { asleep: 0 } }]);
    const asleep: Scene = {
      today: '2026-01-10',
      events: [{ type: 'state', date: '2026-01-01', state: 'resting' }],
    };
    expect(codesAfter(sign('stretched', '2026-01-10'), asleep)).toEqual([{ code: 'stretched', n: { asleep: 1 } }]);
  });
  it('yellow soon after food is told apart from yellow without', () => {
    const fed: PlantEvent = { type: 'feeding', date: '2026-06-28', dose: 1 };
    expect(codesAfter(sign('yellow-lower'), {}, [fed])).toEqual([{ code: 'yellow-after-food', n: {} }]);
    expect(codesAfter(sign('yellow-lower'))).toEqual([]);
  });
  it('a firm base asks for nothing more', () => expect(codesAfter(sign('firm-base'))).toEqual([]));
});

describe('what is cut after flowering', () => {
  it.each([
    ['Mammillaria hahniana', 'bloom-body'],
    ['Lithops lesliei', 'bloom-body'],
    ['Echeveria agavoides', 'bloom-stalk'],
    ['Haworthia cooperi', 'bloom-stalk'],
    ['Agave victoriae-reginae', 'bloom-dies'],
    ['Sempervivum tectorum', 'bloom-dies'],
    ['Kalanchoe blossfeldiana', 'bloom-stems'],
    ['Lachenalia aloides', 'bloom-bulb'],
    ['Hoya carnosa', 'bloom-spur'],
    ['Adenium obesum', 'bloom-caudex'],
  ])('%s: %s', (name, code) => {
    const genus = genusByAnyName(name)!;
    expect(afterBloom(genus.form, genus.name)).toBe(code);
  });
  it('is told when the flowers are over, not before', () => {
    const stage = (of: 'buds' | 'over'): Finding => ({ type: 'flowering', date: '2026-07-05', stage: of });
    expect(codesAfter(stage('buds'))).toEqual([]);
    expect(codesAfter(stage('over')).map(({ code }) => code)).toEqual([expect.stringMatching(/^bloom-/)]);
  });
});
