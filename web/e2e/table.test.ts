/** The list: names held, cards on a phone, many at once, on paper. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, press, sees, type Stage, stage, told } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage();
});
afterAll(() => on?.close());
const get = async <T>(path: string): Promise<T> => (await (await fetch(on.url + path)).json()) as T;

describe('the list at the desk', () => {
  it('holds the name while the rest scrolls, puts what is empty last, soonest first', async () => {
    const page = await on.open('/benches/list', { width: 800, height: 700 });
    await page.waitForSelector('[role=row] a');
    await expectAccessible(page);
    const before = await page.$eval('[role=rowgroup] a', (name) => name.getBoundingClientRect().left);
    await page.$eval('[role=table]', (table) => table.parentElement!.scrollTo({ left: 400 }));
    const after = await page.$eval('[role=rowgroup] a', (name) => name.getBoundingClientRect().left);
    expect(after).toBeCloseTo(before, 0);
    await press(page, 'Next drink', '[role=table]');
    const drinks = () =>
      page.$$eval('[role=table] [role=row]', (rows) => {
        const heads = [...rows[0]!.querySelectorAll('[role=columnheader]')].map((head) => head.textContent?.trim());
        const at = heads.indexOf('Next drink');
        return rows.slice(1).map((row) => row.querySelectorAll('[role=cell]')[at]?.textContent?.trim());
      });
    expect((await drinks())[0]).toMatch(/\d+ \w{3}/);
    await press(page, 'Next drink', '[role=table]');
    expect((await drinks())[0]).toMatch(/\d+ \w{3}/);
    await page.close();
  });
  it('several in hand: marked, given a rule, and one gone and back', async () => {
    const page = await on.open('/benches/list?q=lithops');
    await page.waitForSelector('input[aria-label^="Choose Lithops"]');
    await page.$$eval('input[aria-label^="Choose Lithops"]', (boxes) => {
      for (const box of boxes) (box as HTMLElement).click();
    });
    await sees(page, /Selected: 2 plants/);
    await expectAccessible(page);
    await press(page, 'felt damp');
    await told(page, /2 pots: felt damp/);
    const { plants } = await get<{ plants: { id: number; name: string }[] }>('/api/find?q=lithops');
    const ids = plants.map(({ id }) => id);
    for (const id of ids) {
      const { journal } = await get<{ journal: { event: { type: string; finger?: string } }[] }>(`/api/plants/${id}`);
      expect(journal[0]!.event).toMatchObject({ type: 'check', finger: 'damp' });
    }
    await press(page, 'rules…');
    await page.waitForSelector('dialog[open] select');
    const select = await page.$$('dialog[open] select');
    await select[0]!.select('bright');
    await expectAccessible(page);
    await press(page, 'Set for 2 plants', 'dialog[open]');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    for (const id of ids) {
      const { care } = await get<{ care: { rules: { light: string }; sources: { light: string } } }>(
        `/api/plants/${id}`,
      );
      expect([care.rules.light, care.sources.light]).toEqual(['bright', 'keeper']);
    }
    await press(page, 'gone…');
    await sees(page, /2 plants gone/, 'dialog[open]');
    await press(page, 'Write 2 ends', 'dialog[open]');
    await sees(page, /No plant fits/);
    expect((await fetch(`${on.url}/api/plants/${ids[0]}`)).status).toBe(410);
    for (const id of ids)
      await fetch(`${on.url}/api/plants/${id}/revive`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', Origin: on.url },
        body: '{}',
      });
    expect((await fetch(`${on.url}/api/plants/${ids[0]}`)).status).toBe(200);
    await page.close();
  });
  it('goes to labels with those in hand, begun where the sheet is', async () => {
    const page = await on.open('/benches/list?q=lithops');
    await page.waitForSelector('input[aria-label^="Choose Lithops"]');
    await page.$eval('input[aria-label^="Choose Lithops"]', (box) => (box as HTMLElement).click());
    await press(page, 'labels…');
    await sees(page, /For the 1 plant chosen/);
    await page.evaluate(() => (document.querySelector('button[aria-label="Row 2, column 1"]') as HTMLElement).click());
    const href = await page.$eval('a[href^="/api/labels.pdf"]', (link) => link.getAttribute('href')!);
    expect(href).toContain('skip=3');
    const pdf = await fetch(on.url + href);
    expect(pdf.headers.get('content-type')).toContain('pdf');
    await expectAccessible(page);
    await page.close();
  });
  it('every row is on paper', async () => {
    const page = await on.open('/benches/list');
    await page.waitForSelector('[role=row] a');
    const { rows } = await get<{ rows: unknown[] }>('/api/plants');
    await page.emulateMediaType('print');
    await page.waitForFunction(
      (wanted) => document.querySelectorAll('[role=table] [role=row]').length === wanted + 1,
      {},
      rows.length,
    );
    await page.close();
  });
});

describe('the list on a phone', () => {
  it('is cards with picture, name, bench and what today asks, sorted by choice, nothing running over the side', async () => {
    const page = await on.open('/benches/list', { width: 390, height: 844 });
    await page.waitForSelector('ul[aria-label=Plants] li');
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await expectAccessible(page);
    await page.select('select[aria-label="Sorted by"]', 'due');
    await page.waitForFunction(() =>
      /drinks/.test(document.querySelector('ul[aria-label=Plants] li')?.textContent ?? ''),
    );
    expect(page.url()).toContain('sort=due');
    const [first] = await page.$$('ul[aria-label=Plants] li a');
    await first!.evaluate((link) => (link as HTMLElement).click());
    await page.waitForFunction(() => location.pathname.startsWith('/plants/'));
    await page.goBack();
    await page.waitForSelector('select[aria-label="Sorted by"]');
    expect(await page.$eval('select[aria-label="Sorted by"]', (box) => box.value)).toBe('due');
    await page.close();
  });
});
