import type { DoneToday } from '@zinc-pail/contract/api';
import { describe, expect, it } from 'vitest';
import { withDone } from '../../api/round.ts';

const mark = (client_id: string, event: object): DoneToday =>
  ({ plant_id: 1, client_id, event: { date: '2026-11-27', ...event } }) as DoneToday;
const FELT = mark('a', { type: 'check', finger: 'dry' });
const DRINK = mark('b', { type: 'watering', method: 'drench' });

describe('the marks of a day on the round', () => {
  const round = (done: DoneToday[] = []) =>
    ({
      collection: '',
      sites: [{ today: '2026-11-27', places: [{ pots: [{ id: 1 }], done }] }],
    }) as unknown as Parameters<typeof withDone>[0];
  const ids = (after: ReturnType<typeof withDone>) => after.sites[0]!.places[0]!.done.map(({ client_id: id }) => id);
  it('grow as they are written', () => expect(ids(withDone(round([FELT]), [DRINK], new Set()))).toEqual(['a', 'b']));
  it('shrink as they are taken back', () =>
    expect(ids(withDone(round([FELT, DRINK]), [], new Set(['b'])))).toEqual(['a']));
  it('those of yesterday, of another kind or on a pot that stands elsewhere lay nothing to rest', () => {
    const others = [
      mark('d', { type: 'watering', method: 'drench', date: '2026-11-26' }),
      mark('e', { type: 'note', text: 'x' }),
      { ...mark('f', { type: 'watering', method: 'drench' }), plant_id: 2 },
    ];
    expect(ids(withDone(round(), others, new Set()))).toEqual([]);
  });
});
