/** Lists of plants as people keep them: taken in, put right by choosing, taken back. */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, press, sees, type Stage, stage } from './stage.ts';

let on: Stage;
const folder = mkdtempSync(join(tmpdir(), 'zinc-lists-'));
beforeAll(async () => {
  on = await stage();
});
afterAll(() => on?.close());

const get = async <T>(path: string): Promise<T> => (await (await fetch(on.url + path)).json()) as T;
const found = async (words: string) =>
  (await get<{ plants: { id: number; name: string }[] }>(`/api/find?q=${words}`)).plants;
async function bring(page: Page, name: string, csv: string): Promise<void> {
  const path = join(folder, name);
  writeFileSync(path, csv);
  await ((await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>).uploadFile(path);
}
/** Chooses in the box whose label has these words, by the words of the choice, once both are there. */
async function means(page: Page, label: string, choice: RegExp): Promise<void> {
  const at = await page.waitForFunction(
    (wanted, source) => {
      const named = (box: HTMLSelectElement) => box.getAttribute('aria-label') ?? box.labels?.[0]?.textContent ?? '';
      const box = [...document.querySelectorAll('select')].find((one) => named(one).includes(wanted));
      const option = [...(box?.options ?? [])].find((one) => one.value !== '' && new RegExp(source).test(one.text));
      if (!box || !option) return null;
      box.id ||= crypto.randomUUID();
      return { id: box.id, value: option.value };
    },
    {},
    label,
    choice.source,
  );
  const { id, value } = (await at.jsonValue())!;
  await page.select(`[id="${id}"]`, value);
}
const valueOf = (page: Page, label: string) => page.$eval(`select[aria-label="${label}"]`, (box) => box.value);

describe('a list of plants', () => {
  it('is put right by choosing, taken in, marked, and taken back after saying what goes', async () => {
    const page = await on.open('/shed/papers-in');
    const csv =
      'Taxon,Bench,Nr,Pot mm\nAloe juvenna,Attic sill,J1,65\n,"Attic sill, south",J2,65\nAloe jucunda,"Attic sill, south",J3,65\n';
    await bring(page, 'plants.csv', csv);
    await sees(page, /Which column is what/);
    expect(await valueOf(page, 'Taxon is')).toBe('name');
    await sees(page, /row 3, Taxon: found “”, wanted a name/);
    await sees(page, /3 rows: 0 good, 1 with faults, 3 with words that are asked above/);
    await expectAccessible(page);
    await press(page, 'Attic sill, south?');
    await means(page, '3 rows have no soil', /./);
    await press(page, 'Skip this row: row 3');
    await sees(page, /3 rows: 2 good, 0 with faults, 1 left out/);
    expect(await found('juvenna')).toEqual([]);
    await press(page, 'Import 2 plants');
    await sees(page, /plants\.csv: 2 plants/);
    const [plant] = await found('juvenna');
    const note = {
      type: 'note',
      text: 'seen',
      client_id: crypto.randomUUID(),
      date: new Date().toISOString().slice(0, 10),
    };
    const marked = await fetch(`${on.url}/api/marks`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: on.url },
      body: JSON.stringify({ marks: [{ plant_id: plant!.id, entries: [note] }] }),
    });
    expect(marked.status).toBeLessThan(300);
    await press(page, 'Take back plants.csv');
    await sees(page, /1 mark on Aloe juvenna goes with it/);
    expect(await found('juvenna')).toHaveLength(1);
    await expectAccessible(page);
    await press(page, 'Take it back with all that');
    await sees(page, /plants\.csv: 2 plants, [\w, ]+, taken back/);
    expect(await found('juvenna')).toEqual([]);
    await page.close();
  });

  it('of thirty rows in disorder: twenty-seven are in within two minutes, nothing defaulted in silence', async () => {
    const page = await on.open('/shed/papers-in');
    await bring(page, 'my plants.csv', MESSY);
    await sees(page, /my plants\.csv: 30 rows/);
    // Days that fit both ways are asked once, the measure stands in the head.
    await press(page, /4 May 2023/);
    await means(page, '“Hall wndow” is', /a bench to be made/);
    await means(page, '“Kitchen” is', /a bench to be made/);
    await press(page, 'Attic sill, south?');
    await means(page, '“shop soil” is', /not known/);
    await means(page, '“grit” is', /./);
    await means(page, '“hens and chicks” is', /Sempervivum/i);
    await means(page, '“jade plant” is', /Crassula/);
    await means(page, '“Pl.” is', /plastic/);
    await means(page, 'no bench', /Attic/);
    await means(page, 'no soil', /./);
    await means(page, 'no pot width', /./);
    await sees(page, /30 rows: 27 good, 3 with faults/);
    expect(await page.$$eval('[role=status] li button[aria-label^="Skip this row: row"]', (all) => all.length)).toBe(3);
    await press(page, 'Skip these 3 rows');
    await sees(page, /27 good, 0 with faults, 3 left out/);
    await press(page, 'Import 27 plants');
    await sees(page, /my plants\.csv: 27 plants/);
    const { places } = await get<{ places: { name: string; pots: { name: string; width_mm: number }[] }[] }>(
      '/api/places',
    );
    const hall = places.find(({ name }) => name === 'Hall wndow')!;
    expect(hall.pots.length).toBeGreaterThan(5);
    expect(hall.pots.find(({ name }) => name.startsWith('Haworthia'))!.width_mm).toBe(65);
    const [chicks] = await found('hens and chicks');
    expect(JSON.stringify(await get(`/api/plants/${chicks!.id}`))).toMatch(/Sempervivum/i);
    await press(page, 'Take back my plants.csv');
    await sees(page, /my plants\.csv: 27 plants, [\w, ]+, taken back/);
    await page.close();
  });

  it('tells all that is wrong, counted, filtered and downloaded', async () => {
    const page = await on.open('/shed/papers-in');
    const rows = Array.from(
      { length: 70 },
      (_, i) => `Aloe vera;"Attic sill, south";${i < 40 ? 'wide' : '65'};${i < 40 ? '2024-01-01' : 'once'}`,
    );
    await bring(page, 'wrong.csv', `Name;Bench;Pot mm;Bought\n${rows.join('\n')}\n`);
    await means(page, 'no soil', /./);
    await sees(page, /70 rows: 0 good, 70 with faults/);
    await sees(page, /and 10 more/);
    await means(page, 'Only', /^Bought \(30\)/);
    expect(await page.$$eval('[role=status] li button[aria-label^="Skip this row: row"]', (all) => all.length)).toBe(
      30,
    );
    // The thirty whose pot is read say what of it was not: round, plastic, with a hole.
    const href = await page.$eval('[role=status] a[download]', (a) => (a as HTMLAnchorElement).href);
    const text = decodeURIComponent(href.slice(href.indexOf(',') + 1));
    expect(text.trim().split('\n')).toHaveLength(1 + 70 + 30);
    expect(text).toContain('once');
    await press(page, 'Cancel');
    await page.waitForFunction(() => !document.body.innerText.includes('wrong.csv'));
    await page.close();
  });
});

/** A list as it grew over years: two soils in words, two rooms without a bench, slips, gaps, one common name for several kinds. */
const MESSY = readFileSync(join(import.meta.dirname, 'fixtures', 'my-plants.csv'), 'utf8');
