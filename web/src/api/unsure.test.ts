import type { JournalEvent } from '@zinc-pail/contract/api';
import { describe, expect, it } from 'vitest';
import { Unsure } from './unsure.ts';

const note = (text: string): JournalEvent => ({ type: 'note', date: '2026-05-01', text }) as JournalEvent;
const mark = (plantId: number, ...events: JournalEvent[]) => ({ plantId, events });
const ids = (unsure: Unsure, one: ReturnType<typeof mark>) => unsure.entriesOf(one).map((entry) => entry.client_id);

describe('a mark that is tried again', () => {
  it('keeps its ids for as long as nobody knows, and is another afterwards', () => {
    const unsure = new Unsure();
    const once = mark(1, note('a'), note('b'));
    const first = unsure.entriesOf(once);
    unsure.keep(once, first);
    expect(unsure.entriesOf(mark(1, note('a'), note('b')))).toEqual(first);
    unsure.settle(once);
    expect(ids(unsure, once)).not.toEqual(first.map((entry) => entry.client_id));
  });
  it('that was written all the same and taken back is another afterwards', () => {
    const unsure = new Unsure();
    const [one, two] = [mark(1, note('a')), mark(2, note('a'))];
    for (const each of [one, two]) unsure.keep(each, unsure.entriesOf(each));
    const [first, second] = [ids(unsure, one), ids(unsure, two)];
    unsure.forget(first);
    expect(ids(unsure, one)).not.toEqual(first);
    expect(ids(unsure, two)).toEqual(second);
  });
  it('is told from others: another plant, another word, another day', () => {
    const unsure = new Unsure();
    const once = mark(1, note('a'));
    const [first] = unsure.entriesOf(once);
    unsure.keep(once, [first!]);
    const others = [mark(2, note('a')), mark(1, note('b')), mark(1, { ...note('a'), date: '2026-05-02' })];
    for (const other of others) expect(ids(unsure, other)).not.toContain(first!.client_id);
  });
  it('a feed is tied to the drink that goes with it', () => {
    const drink = { type: 'watering', date: '2026-05-01', method: 'drench' } as JournalEvent;
    const food = { type: 'feeding', date: '2026-05-01', dose: 0.5 } as JournalEvent;
    const [watering, feeding] = new Unsure().entriesOf(mark(1, drink, food));
    expect(feeding).toMatchObject({ with: watering!.client_id });
    expect(new Unsure().entriesOf(mark(1, food))[0]).not.toHaveProperty('with');
  });
});
