/** Benches from above: pots set where they stand, by drag, by keys, several together, to another bench and back. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, press, sees, type Stage, stage } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage();
});
afterAll(() => on?.close());

interface Place {
  id: number;
  name: string;
  width_mm: number | null;
  pots: { id: number; name: string; x_mm: number | null; y_mm: number | null }[];
}
const places = async (): Promise<Place[]> =>
  ((await (await fetch(`${on.url}/api/places`)).json()) as { places: Place[] }).places;
const bench = async (name: RegExp) => (await places()).find((place) => name.test(place.name))!;
const middle = (page: Page, selector: string) =>
  page.$eval(selector, (one) => {
    one.scrollIntoView({ block: 'center' });
    const box = one.getBoundingClientRect();
    return { x: box.left + box.width / 2, y: box.top + box.height / 2 };
  });
async function drag(page: Page, from: string, by: { x: number; y: number }): Promise<void> {
  const { x, y } = await middle(page, from);
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + by.x / 2, y + by.y / 2, { steps: 4 });
  await page.mouse.move(x + by.x, y + by.y, { steps: 4 });
  await page.mouse.up();
}
const written = (page: Page) => page.waitForResponse((answer) => answer.url().endsWith('/spots') && answer.ok());

describe('the plan of a bench', () => {
  it('a pot is dragged, it and another moved by keys, and both stand there after a reload', async () => {
    const page = await on.open('/benches');
    await sees(page, /Light, [\d.]+ mol a day/);
    await expectAccessible(page);
    const [first, second] = (await bench(/Lean-to/)).pots;
    await press(page, 'Move the pots');
    await sees(page, /Drag a pot/);
    await expectAccessible(page);
    let sent = written(page);
    await drag(page, `[data-pot="${first!.id}"]`, { x: 120, y: 250 });
    await sent;
    const dragged = (await bench(/Lean-to/)).pots.find(({ id }) => id === first!.id)!;
    expect(dragged.x_mm).toBeGreaterThan(150);
    expect(dragged.y_mm).toBeGreaterThan(250);
    // The others were written where they were drawn, so that none jumps.
    expect((await bench(/Lean-to/)).pots.every(({ x_mm: x }) => x !== null)).toBe(true);
    await page.click(`[data-pot="${first!.id}"]`);
    await page.click(`[data-pot="${second!.id}"]`);
    await sees(page, /Selected: 2 pots/);
    const before = (await bench(/Lean-to/)).pots;
    sent = written(page);
    await page.keyboard.down('Shift');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.up('Shift');
    await sent;
    const after = (await bench(/Lean-to/)).pots;
    for (const { id } of [first!, second!]) {
      const x = (of: Place['pots']) => of.find((pot) => pot.id === id)!.x_mm!;
      expect(x(after) - x(before)).toBeCloseTo(50, 0);
    }
    await page.reload({ waitUntil: 'networkidle0' });
    const share = await page.$eval(`[data-pot="${first!.id}"]`, (pot) =>
      Number.parseFloat((pot as HTMLElement).style.left),
    );
    const { width_mm: width, pots } = await bench(/Lean-to/);
    expect(share).toBeCloseTo((pots.find(({ id }) => id === first!.id)!.x_mm! / width!) * 100, 1);
    await page.close();
  });
  it('two go to another bench together, and are put back', async () => {
    const page = await on.open('/benches');
    const [first, second] = (await bench(/Heated bench/)).pots;
    await press(page, 'Move the pots');
    for (const { id } of [first!, second!])
      await page.$eval(`[data-pot="${id}"]`, (pot) => (pot as HTMLElement).click());
    const cellar = await bench(/Cellar/);
    await page.select('[aria-label="Setting the pots"] select', String(cellar.id));
    await sees(page, /2 pots moved to Cellar for sleepers/);
    expect((await bench(/Cellar/)).pots.map(({ id }) => id)).toEqual(expect.arrayContaining([first!.id, second!.id]));
    await press(page, 'undo');
    await sees(page, /Back on Heated bench/);
    expect((await bench(/Heated bench/)).pots.map(({ id }) => id)).toEqual(
      expect.arrayContaining([first!.id, second!.id]),
    );
    await page.close();
  });
  it('by thumb: nothing runs over the side, a pot is wide enough to hit, a tap opens its plant', async () => {
    const page = await on.open('/benches', { width: 390, height: 844 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    const [pot] = (await bench(/Attic/)).pots;
    const hit = await page.$eval(`[data-pot="${pot!.id}"]`, (one) => {
      const after = getComputedStyle(one, '::after');
      const box = one.getBoundingClientRect();
      return box.width - 2 * Number.parseFloat(after.left);
    });
    expect(hit).toBeGreaterThanOrEqual(44);
    await expectAccessible(page);
    await page.$eval(`[data-pot="${pot!.id}"]`, (one) => (one as HTMLElement).click());
    await page.waitForFunction((id) => location.pathname === `/plants/${id}`, {}, pot!.id);
    await page.close();
  });
});
