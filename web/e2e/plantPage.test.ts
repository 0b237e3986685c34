/** A plant's page in daily use: its picture, its neighbours, its chart, what is at hand; and the pages on paper. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, press, sees, type Stage, stage, textOf } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage();
});
afterAll(() => on?.close());
const get = async <T>(path: string): Promise<T> => (await (await fetch(on.url + path)).json()) as T;
const plants = async () => (await get<{ sites: { places: { id: number }[] }[] }>('/api/round')).sites[0]!.places;
const benchOf = async (placeId: number) =>
  (await get<{ pots: { id: number; name: string; picture_id: number | null }[] }>(`/api/places/${placeId}/pots`)).pots;

describe('a plant’s page', () => {
  it('walks along its bench by link and key, and shows its newest photograph or the drawing', async () => {
    const [place] = await plants();
    const bench = await benchOf(place!.id);
    const page = await on.open(`/plants/${bench[0]!.id}`);
    await page.waitForSelector('a[aria-label^="Next: "]');
    expect(await page.$('a[aria-label^="Before: "]')).toBeNull();
    await page.keyboard.press('ArrowRight');
    await page.waitForFunction((id) => location.pathname === `/plants/${id}`, {}, bench[1]!.id);
    await page.waitForSelector('a[aria-label^="Before: "]');
    await expectAccessible(page);
    await page.evaluate(() => (document.querySelector('a[aria-label^="Before: "]') as HTMLElement).click());
    await page.waitForFunction((id) => location.pathname === `/plants/${id}`, {}, bench[0]!.id);
    const all = (await Promise.all((await plants()).map(({ id }) => benchOf(id)))).flat();
    const pictured = all.find(({ picture_id: id }) => id !== null)!;
    await page.goto(`${on.url}/plants/${pictured.id}`, { waitUntil: 'networkidle0' });
    expect(await page.$eval('header img', (img) => img.getAttribute('src'))).toBe(
      `/api/pictures/${pictured.picture_id}/small`,
    );
    await page.close();
  });
  it('its chart is read by keys and by pointer, and its legend names what is there only', async () => {
    const [place] = await plants();
    const [first] = await benchOf(place!.id);
    const page = await on.open(`/plants/${first!.id}`);
    const chart = await page.waitForSelector('[role=slider][aria-label="The pot day by day"]');
    await chart!.focus();
    await page.keyboard.press('ArrowLeft');
    const yesterday = await textOf(page, '[data-testid=read-day]');
    expect(yesterday).toMatch(/^\w+day \d+ \w+: (wet|damp|drying|dry), \d+ % \(\d+ to \d+\)/);
    await page.keyboard.press('PageUp');
    expect(await textOf(page, '[data-testid=read-day]')).not.toBe(yesterday);
    expect(page.url()).toContain(`/plants/${first!.id}`);
    const box = (await chart!.boundingBox())!;
    await page.mouse.move(box.x + box.width * 0.8, box.y + 60);
    await sees(page, /\w+day \d+ \w+: /, '[data-testid=read-day]');
    const { journal } = await get<{ journal: { voided: boolean; event: { type: string; meter?: number } }[] }>(
      `/api/plants/${first!.id}`,
    );
    const probed = journal.some(({ voided, event }) => !voided && event.type === 'check' && 'meter' in event);
    expect(/probe/.test(await page.$eval('[role=slider]', (one) => one.textContent ?? ''))).toBe(probed);
    await page.close();
  });
  it('weighing, moving and repotting are at hand', async () => {
    const [place] = await plants();
    const [first] = await benchOf(place!.id);
    const page = await on.open(`/plants/${first!.id}`);
    for (const [button, wanted] of [
      ['Weigh…', /Grams|weight/i],
      ['Move…', /Move 1 plant/],
      ['Repot…', /Its roots were/],
    ] as const) {
      await press(page, button);
      await sees(page, wanted, 'dialog[open]');
      await page.keyboard.press('Escape');
      await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    }
    await page.close();
  });
  it('is potted by the form of the potting bench, and shows its new pot', async () => {
    const [place] = await plants();
    const [first] = await benchOf(place!.id);
    const page = await on.open(`/plants/${first!.id}`);
    await press(page, 'Repot…');
    await sees(page, /Its roots were/, 'dialog[open]');
    await press(page, 'Potted', 'dialog[open]');
    await sees(page, /What follows/, 'dialog[open]');
    await press(page, 'Good', 'dialog[open]');
    await sees(page, /Repotted/);
    const { journal } = await get<{ journal: { event: { type: string } }[] }>(`/api/plants/${first!.id}`);
    expect(journal[0]!.event.type).toBe('repotting');
    await page.close();
  });
});

describe('on paper', () => {
  it.each(['/', '/benches/list', '/benches'])(
    '%s: no frame, nothing to press, boxes to tick on the round',
    async (path) => {
      const page = await on.open(path);
      await page.emulateMediaType('print');
      const shown = await page.$$eval('body > div header, main button, main input, nav', (all) =>
        all
          .filter((one) => one.getClientRects().length > 0)
          .filter((one) => !one.matches('[data-judged], [data-pot]') && !one.closest('main header'))
          .map((one) => one.outerHTML.slice(0, 90)),
      );
      expect(shown).toEqual([]);
      if (path === '/') {
        const rows = await page.$$eval('li[id^=pot-]', (all) => all.length);
        const boxes = await page.$$eval(
          'li[id^=pot-] span.print\\:inline-block',
          (all) => all.filter((one) => one.getClientRects().length > 0).length,
        );
        expect(boxes).toBe(rows);
      }
      const pdf = await page.pdf({ preferCSSPageSize: true });
      expect(Buffer.from(pdf.subarray(0, 5)).toString()).toBe('%PDF-');
      await page.close();
    },
  );
});

describe('units', () => {
  it('change on the screen that is open, at once', async () => {
    const page = await on.open('/benches/list?columns=name,diameter_mm,min_wet_c');
    await sees(page, /Width, mm/);
    await press(page, 'Your name and units');
    await page.click('dialog input[name=length][value=in]');
    await press(page, 'Save', 'dialog');
    await sees(page, /Width, in/);
    await page.evaluate(() => localStorage.clear());
    await page.close();
  });
});
