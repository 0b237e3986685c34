import type { DoneToday, RoundPot, RoundView } from '@zinc-pail/contract/api';
import { describe, expect, it } from 'vitest';
import { askId, lastMark, linesOf, shownOf, stands, tally } from './lines.ts';

const TODAY = '2026-12-01';
const pot = (id: number, first: object = { deed: 'wait', until: null }) =>
  ({
    id,
    number: String(id).padStart(3, '0'),
    name: `Plant ${id}`,
    outlook: { state: 'growing' },
    task: { judgement: { deeds: [first], because: [] } },
  }) as unknown as RoundPot;
const WATER = { deed: 'water' };
const LOOK = { deed: 'look', what: 'depth', then: {} };
const COLD = { deed: 'act', what: 'out-of-frost' };

function round(over: { site?: object; place?: object } = {}): RoundView {
  return {
    collection: '',
    sites: [
      {
        id: 1,
        name: 'Lock',
        today: TODAY,
        clinic: { steps: [], raised: [], inspect: null },
        also: [],
        pottings: [],
        places: [
          {
            id: 10,
            pots: [pot(1, WATER), pot(2), pot(3, COLD), pot(4, LOOK)],
            cold: [{ id: 3, near: false, done: null }],
            done: [],
            ...over.place,
          },
        ],
        ...over.site,
      },
    ],
  } as unknown as RoundView;
}
const ids = (lines: ReturnType<typeof linesOf>) => lines.map((line) => line.pot.id);

describe('the lines of the round', () => {
  it('hold each pot once, whatever is asked of it, in walking order', () => {
    const lines = linesOf(
      round({
        site: {
          clinic: {
            steps: [{ plant_id: 1, cause: 'mealybug', step: 'swab', due: TODAY, time: 1 }],
            raised: [],
            inspect: null,
          },
          also: [{ plant_id: 2, kind: 'review', day: TODAY }],
          pottings: [{ plant_id: 4, on: '2026-12-05', reason: { code: 'roots-out', weight: 1, n: {} } }],
        },
      }),
      new Map(),
    );
    expect(ids(lines)).toEqual([1, 2, 3, 4]);
    expect(lines.map(({ asks }) => asks.map(({ kind }) => kind))).toEqual([
      ['judged', 'step'],
      ['also'],
      ['judged'],
      ['judged', 'potting'],
    ]);
    expect(tally(lines)).toMatchObject({ dusk: 1, act: 0, water: 1, look: 1, treat: 1, other: 2, soon: 0 });
  });
  it('of a pot that asks for nothing is not there until its bench is opened', () => {
    const lines = linesOf(round(), new Map());
    expect(ids(shownOf(lines, null, new Set()))).toEqual([1, 3, 4]);
    const open = linesOf(round(), new Map([[10, [pot(1, WATER), pot(2), pot(3, COLD), pot(4, LOOK), pot(9)]]]));
    expect(ids(shownOf(open, null, new Set([10])))).toEqual([1, 2, 3, 4, 9]);
  });
  it('narrow to one count', () => {
    const lines = linesOf(round(), new Map());
    expect(ids(shownOf(lines, 'look', new Set()))).toEqual([4]);
    expect(ids(shownOf(lines, 'dusk', new Set([10])))).toEqual([3]);
    expect(ids(shownOf(lines, 'soon', new Set()))).toEqual([]);
  });
  it('a pot that was seen to tonight is in danger no more, nor one that is only close to its limit', () => {
    for (const cold of [
      { id: 3, near: false, done: 'in' },
      { id: 3, near: true, done: null },
    ])
      expect(tally(linesOf(round({ place: { cold: [cold] } }), new Map()))).toMatchObject({ dusk: 0, act: 1 });
  });
  it('soon is a drink within days, and asks for nothing yet', () => {
    const [line] = linesOf(
      round({ place: { pots: [pot(5, { deed: 'wait', until: '2026-12-03' })], cold: [] } }),
      new Map(),
    );
    expect(line!.counts).toEqual(new Set(['soon']));
    expect(stands(line!)).toBe(false);
  });
  it('an ask that was answered is gone at once; a pot that was marked is not lifted out as well', () => {
    const site = { also: [{ plant_id: 2, kind: 'review', day: TODAY }], pottings: [{ plant_id: 2, on: TODAY }] };
    const also = { kind: 'also' as const, task: { plant_id: 2, plant: '', kind: 'review' as const, day: TODAY } };
    const settled = new Set([askId(2, also)]);
    const second = (view: RoundView) => linesOf(view, new Map(), settled)[1]!.asks.map(({ kind }) => kind);
    expect(second(round({ site }))).toEqual(['potting']);
    const done = [{ plant_id: 2, client_id: 'a', event: { type: 'check', date: TODAY, finger: 'dry' } }];
    expect(second(round({ site, place: { done } }))).toEqual([]);
  });
});

const mark = (client_id: string, event: object): DoneToday =>
  ({ plant_id: 1, client_id, event: { date: TODAY, ...event } }) as DoneToday;
const FELT = mark('a', { type: 'check', finger: 'dry' });
const DRINK = mark('b', { type: 'watering', method: 'drench' });
const FOOD = mark('c', { type: 'feeding', dose: 0.5, with: 'b' });

describe('what is taken back from a line', () => {
  it.each([
    ['the last of two', [FELT, DRINK], ['b']],
    ['a drink with its food', [FELT, DRINK, FOOD], ['b', 'c']],
    ['the only one', [FELT], ['a']],
  ])('%s', (_, done, wanted) => expect(lastMark(done).map(({ client_id: id }) => id)).toEqual(wanted));
});
