/** The desk where marks are handed in: what comes at once is written together, each sheet for itself. */
import { GivenUp } from '../src/database/limits.ts';
import { randomUUID } from 'node:crypto';
import { describe, expect, it } from 'vitest';
import type { App } from '../src/context.ts';
import { type Errand, errandNow, onErrand } from '../src/errand.ts';
import { Refused } from '../src/http/refusals.ts';
import { MarkDesk } from '../src/marks/desk.ts';
import { asKept, type Entered, type Sheet, type writeMarks } from '../src/marks/marks.ts';
import { Shared } from '../src/sharing.ts';

const sheet = (plantIds: number[], id: string = randomUUID()): Sheet =>
  asKept({
    marks: plantIds.map((plant_id, i) => ({
      plant_id,
      entries: [{ client_id: i === 0 ? id : randomUUID(), date: '2026-06-01', type: 'check', finger: 'dry' }],
    })),
    by: 'keeper',
    anyway: false,
  });
const plants = (sheets: readonly Sheet[]) => sheets.map(({ marks }) => marks.map((mark) => mark.plant_id));
const entered = { result: { done: [], already: [], timers: [] }, repeated: false } satisfies Entered;

/** A desk whose writing waits until it is let go on. */
function slowDesk(outcome: (sheet: Sheet) => Entered | Refused = () => entered) {
  const batches: number[][][] = [];
  const going: (() => void)[] = [];
  const enter: typeof writeMarks = async (_app, sheets) => {
    batches.push(plants(sheets));
    await new Promise<void>((resolve) => going.push(resolve));
    return sheets.map(outcome);
  };
  const goOn = async () => {
    while (going.length > 0) {
      going.shift()!();
      await new Promise((resolve) => setImmediate(resolve));
    }
  };
  return { desk: new MarkDesk({} as App, enter), batches, goOn };
}

describe('the desk', () => {
  it('writes together what comes while others are written, and a plant in its turn', async () => {
    const { desk, batches, goOn } = slowDesk();
    const all = [[1], [2], [3], [4], [5], [4], [6]].map((ids) => desk.write(sheet(ids)));
    expect(batches).toEqual([[[1]], [[2]], [[3]]]);
    await goOn();
    await Promise.all(all);
    // What waited goes together; the second mark on plant 4 not beside the first.
    expect(batches.slice(3)).toEqual([[[4], [5], [6]], [[4]]]);
  });
  it('keeps an id from being written twice at once, on whatever plant', async () => {
    const { desk, batches, goOn } = slowDesk();
    const id = randomUUID();
    const all = [desk.write(sheet([1], id)), desk.write(sheet([2], id.toUpperCase()))];
    expect(batches).toEqual([[[1]]]);
    await goOn();
    await Promise.all(all);
    expect(batches).toEqual([[[1]], [[2]]]);
  });
  it('takes a large sheet whole, and no more than some plants beside it', async () => {
    const { desk, batches, goOn } = slowDesk();
    const large = Array.from({ length: 60 }, (_, i) => 100 + i);
    const all = [[1], [2], [3], large, [4]].map((ids) => desk.write(sheet(ids)));
    await goOn();
    await Promise.all(all);
    expect(batches.slice(3)).toEqual([[large], [[4]]]);
  });
  it('refuses one and writes the others', async () => {
    const { desk, goOn } = slowDesk(({ marks }) =>
      marks[0]!.plant_id === 5 ? new Refused('not-here', 'There is no such plant.') : entered,
    );
    const all = [1, 2, 3, 4, 5, 6].map((id) => desk.write(sheet([id])));
    const settled = Promise.allSettled(all);
    await goOn();
    expect((await settled).map(({ status }) => status === 'fulfilled')).toEqual([true, true, true, true, false, true]);
  });
  it('tries each alone where together nothing was written, and tells what became of it', async () => {
    const tried: number[][][] = [];
    const enter: typeof writeMarks = async (_app, sheets) => {
      tried.push(plants(sheets));
      await new Promise((resolve) => setImmediate(resolve));
      if (sheets.some(({ marks }) => marks[0]!.plant_id === 5)) throw new Error('5 breaks it');
      errandNow()!.written = 'yes';
      return sheets.map(() => entered);
    };
    const desk = new MarkDesk({} as App, enter);
    const errands = [1, 2, 3, 4, 5].map((): Errand => ({ until: Infinity, written: 'no', over: false }));
    const all = errands.map((errand, i) => onErrand(errand, () => desk.write(sheet([i + 1]))));
    const settled = await Promise.allSettled(all);
    expect(settled.map(({ status }) => status === 'fulfilled')).toEqual([true, true, true, true, false]);
    expect(tried.slice(3)).toEqual([[[4], [5]], [[4]], [[5]]]);
    expect(errands.map(({ written }) => written)).toEqual(['yes', 'yes', 'yes', 'yes', 'no']);
  });
  it.each([
    ['cannot be reached', Object.assign(new Error('connect'), { code: 'ETIMEDOUT' })],
    ['does not answer', new GivenUp('a statement took longer than 10000 ms')],
  ])('does not try each alone where the database itself %s: all would wait as long again', async (_, error) => {
    const tried: number[][][] = [];
    const desk = new MarkDesk({} as App, async (_app, sheets) => {
      tried.push(plants(sheets));
      await new Promise((resolve) => setImmediate(resolve));
      throw error;
    });
    const settled = await Promise.allSettled([1, 2, 3, 4, 5].map((id) => desk.write(sheet([id]))));
    expect(settled.map(({ status }) => status)).toEqual(Array(5).fill('rejected'));
    expect(tried.flat().length).toBe(5);
  });
  it('writes nothing for a request that was given up while it waited', async () => {
    const { desk, batches, goOn } = slowDesk();
    const before = [1, 2, 3].map((id) => desk.write(sheet([id])));
    const errand: Errand = { until: Infinity, written: 'no', over: false };
    const late = onErrand(errand, () => desk.write(sheet([4])));
    errand.over = true;
    const refused = expect(late).rejects.toMatchObject({ code: 'ZINC_GIVEN_UP' });
    await goOn();
    await Promise.all([...before, refused]);
    expect(batches.flat(2)).toEqual([1, 2, 3]);
    expect(errand.written).toBe('no');
  });
});

describe('what is shared', () => {
  it('is made once for all who ask at once, and anew for who asks while it is being made', async () => {
    let made = 0;
    const shared = new Shared(async () => {
      const now = ++made;
      await new Promise((resolve) => setImmediate(resolve));
      return now;
    });
    const first = [shared.ask(), shared.ask()];
    await Promise.resolve();
    await Promise.resolve();
    const second = [shared.ask(), shared.ask()];
    expect(await Promise.all([...first, ...second])).toEqual([1, 1, 2, 2]);
  });
  it('that failed is made anew', async () => {
    let made = 0;
    const shared = new Shared(async () => {
      if (++made === 1) throw new Error('not yet');
      return made;
    });
    await expect(shared.ask()).rejects.toThrow('not yet');
    expect(await shared.ask()).toBe(2);
  });
});
