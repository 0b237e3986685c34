/** What this device remembers of its keeper: drawings understood, photographs, on every screen alike. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { press, sees, type Stage, stage, typeInto } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage();
});
afterAll(() => on?.close());

const LEGEND = '[aria-label="What the drawings mean"]';

describe('drawings', () => {
  it('are told until they are understood: here, on another screen, after a reload; then from the sheet of keys', async () => {
    const page = await on.open('/benches/side');
    await sees(page, /The shelf.*Pot and plant/, `main ${LEGEND}`);
    await press(page, 'Understood', `main ${LEGEND}`);
    await page.waitForFunction((at) => !document.querySelector(at), {}, `main ${LEGEND}`);
    // The plan is new; the shelf is not.
    await press(page, 'From above');
    await sees(page, /The bench from above/, LEGEND);
    await press(page, 'From the side');
    await page.waitForFunction((at) => !document.querySelector(at), {}, LEGEND);
    await page.goto(`${on.url}/benches`, { waitUntil: 'networkidle0' });
    await sees(page, /The bench from above/, LEGEND);
    await page.keyboard.press('?');
    await sees(page, /The shelf.*Pot and plant.*Frost and heat/, 'dialog[open]');
    await page.evaluate(() => localStorage.clear());
    await page.close();
  });
});

describe('photographs', () => {
  it('that were asked for in the list stand on the benches too', async () => {
    const page = await on.open('/benches/list');
    await page.waitForSelector('[role=row] [role=cell]');
    expect(await page.$('img[src^="/api/pictures/"]')).toBeNull();
    await press(page, 'photographs');
    // Those with a picture may stand further down.
    await page.waitForFunction(() => {
      const body = [...document.querySelectorAll('div')].find((one) => getComputedStyle(one).overflowY === 'auto');
      body?.scrollBy(0, 400);
      return document.querySelector('img[src^="/api/pictures/"]') !== null;
    });
    await page.goto(`${on.url}/`, { waitUntil: 'networkidle0' });
    await page.waitForSelector('image[href^="/api/pictures/"]');
    await press(page, 'Show drawings');
    await page.waitForFunction(() => !document.querySelector('image[href^="/api/pictures/"]'));
    await page.evaluate(() => localStorage.clear());
    await page.close();
  });
});

describe('the rules of the house', () => {
  it('are said to be kept as long as they are what is kept', async () => {
    const page = await on.open('/shed/house');
    await typeInto(page, 'Name of the collection', 'Lock and roof');
    await press(page, 'Save');
    await sees(page, /Saved/, 'form');
    await typeInto(page, 'Name of the collection', 'Lock, roof and cellar');
    await sees(page, /Save/, 'form');
    await page.close();
  });
});

describe('pots of several benches', () => {
  interface Place {
    id: number;
    name: string;
    pots: { id: number; x_mm: number | null; y_mm: number | null }[];
  }
  const places = async () => ((await (await fetch(`${on.url}/api/places`)).json()) as { places: Place[] }).places;
  const at = async (id: number) => {
    const place = (await places()).find(({ pots }) => pots.some((pot) => pot.id === id))!;
    const { x_mm: x, y_mm: y } = place.pots.find((pot) => pot.id === id)!;
    return { on: place.name, x, y };
  };
  it('that went to one together are put back each to its own, and to its own spot', async () => {
    const [lean, bench, cellar] = await Promise.all(
      [/Lean-to/, /Heated bench/, /Cellar/].map(async (name) => (await places()).find((one) => name.test(one.name))!),
    );
    const [one] = lean!.pots;
    const [other] = bench!.pots;
    const set = await fetch(`${on.url}/api/places/${lean!.id}/spots`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: on.url },
      body: JSON.stringify({ spots: [{ plant_id: one!.id, x_mm: 333, y_mm: 222 }] }),
    });
    expect(set.status).toBe(200);
    const page = await on.open('/benches');
    await press(page, 'Move the pots');
    for (const { id } of [one!, other!]) await page.$eval(`[data-pot="${id}"]`, (pot) => (pot as HTMLElement).click());
    await sees(page, /Selected: 2 pots/);
    await page.select('[aria-label="Setting the pots"] select', String(cellar!.id));
    await sees(page, /2 pots moved to Cellar for sleepers/);
    expect((await at(one!.id)).on).toBe(cellar!.name);
    await press(page, 'undo');
    await sees(page, /Back on .*Lean-to.* and .*Heated bench|Back on .*Heated bench.* and .*Lean-to/);
    expect(await at(one!.id)).toEqual({ on: lean!.name, x: 333, y: 222 });
    expect((await at(other!.id)).on).toBe(bench!.name);
    // What stands there already is not moved again.
    await page.$eval(`[data-pot="${cellar!.pots[0]!.id}"]`, (pot) => (pot as HTMLElement).click());
    await page.select('[aria-label="Setting the pots"] select', String(cellar!.id));
    await sees(page, /On Cellar for sleepers already/);
    await page.close();
  });
});
