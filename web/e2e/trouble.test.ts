/** What goes wrong on the screens, and the shed, on a small garden of its own. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, labelled, press, sees, type Stage, stage, textOf, told, typeInto } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage({ empty: true });
  const post = async (path: string, body: object) => {
    const response = await fetch(on.url + path, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: on.url },
      body: JSON.stringify(body),
    });
    expect(response.status).toBe(201);
    return (await response.json()) as { id: number; ids: number[] };
  };
  const [site, zone] = [{ name: 'Weir', latitude_deg: 47, longitude_deg: 8, elevation_m: 400 }, { time_zone: 'UTC' }];
  const { id } = await post('/api/sites', { ...site, ...zone });
  const bench = await post('/api/places', { site_id: id, name: 'Sill', kind: 'windowsill', air: 'still' });
  const { mixes } = await get<{ mixes: { id: number }[] }>('/api/kit');
  const pot = { shape: 'round', top_mm: 90, base_mm: 67, depth_mm: 80, material: 'terracotta', holes: true };
  await post('/api/plants', {
    client_id: crypto.randomUUID(),
    name: 'Aloe aristata',
    pot: { ...pot, top_dressing_mm: 0 },
    mix_id: mixes[0]!.id,
    place_id: bench.id,
    date: new Date().toISOString().slice(0, 10),
    count: 2,
  });
});
afterAll(() => on?.close());

const get = async <T>(path: string): Promise<T> => (await (await fetch(on.url + path)).json()) as T;
const entries = async (id: number) => (await get<{ journal: unknown[] }>(`/api/plants/${id}`)).journal.length;
const plants = async () => {
  const { fields, rows } = await get<{ fields: string[]; rows: number[][] }>('/api/plants');
  return rows.map((row) => row[fields.indexOf('id')]!);
};

/** A page whose requests of a kind do not reach the server while the line is down. */
async function withLine(path: string, cut: (url: string, method: string) => boolean) {
  const page = await on.open(path);
  const line = { down: false };
  await page.setRequestInterception(true);
  page.on('request', (request) =>
    line.down && cut(request.url(), request.method()) ? void request.abort() : void request.continue(),
  );
  return { page, line };
}
describe('a line that is dead', () => {
  it('a mark is told as not written, nothing is in the book, and the same key writes it once the line is back', async () => {
    const [first] = await plants();
    const { page, line } = await withLine('/', (url) => url.includes('/api/marks'));
    const before = await entries(first!);
    await page.keyboard.press('l');
    await page.waitForSelector(`#pot-${first}`);
    await page.keyboard.press('ArrowDown');
    line.down = true;
    await page.keyboard.press('2');
    await told(page, /does not answer/);
    await expectAccessible(page);
    expect(await entries(first!)).toBe(before);
    line.down = false;
    await page.keyboard.press('2');
    await told(page, /felt damp/);
    expect(await entries(first!)).toBe(before + 1);
    await page.close();
  });
  it('a mark whose answer got lost is written once, though the key is pressed twice', async () => {
    const [first] = await plants();
    const before = await entries(first!);
    const page = await on.open('/');
    await page.setRequestInterception(true);
    let lost = true;
    page.on('request', async (request) => {
      if (!lost || !request.url().endsWith('/api/marks')) return request.continue();
      await fetch(request.url(), {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', Origin: on.url },
        body: request.postData()!,
      });
      return request.abort();
    });
    await page.keyboard.press('l');
    await page.waitForSelector(`#pot-${first}`);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('1');
    await told(page, /does not answer/);
    expect(await entries(first!)).toBe(before + 1);
    lost = false;
    await page.keyboard.press('1');
    await told(page, /felt wet/);
    expect(await entries(first!)).toBe(before + 1);
    await page.close();
  });
  it('a screen that did not come asks again by itself until it does', async () => {
    const { page, line } = await withLine('/', (url) => url.includes('/api/places'));
    line.down = true;
    await page.click('a[href="/benches"]');
    await sees(page, /Retrying every few seconds/);
    await expectAccessible(page);
    line.down = false;
    await sees(page, /Sill/);
    await page.close();
  });
  it('a form keeps what was typed and sends it when asked again', async () => {
    const [, second] = await plants();
    const { page, line } = await withLine(`/plants/${second}`, (_, method) => method === 'PATCH');
    await press(page, /^More/);
    await press(page, 'Change its record');
    await page.waitForSelector('dialog[open]');
    await typeInto(page, 'Provenance', 'from the weir', 'dialog');
    line.down = true;
    await press(page, 'Save', 'dialog');
    await sees(page, /does not answer/, 'dialog');
    line.down = false;
    await press(page, 'Save', 'dialog');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await sees(page, /from the weir/);
    expect((await get<{ provenance: string }>(`/api/plants/${second}`)).provenance).toBe('from the weir');
    await page.close();
  });
});

describe('two keepers on one record', () => {
  it('the later is told what the first one changed, keeps what was typed, and may save it knowing', async () => {
    const [first] = await plants();
    const page = await on.open(`/plants/${first}`);
    await press(page, /^More/);
    await press(page, 'Change its record');
    await typeInto(page, 'Other names', 'lace aloe', 'dialog');
    const { version } = await get<{ version: number }>(`/api/plants/${first}`);
    const change = await fetch(`${on.url}/api/plants/${first}`, {
      method: 'PATCH',
      headers: { 'Content-Type': 'application/json', 'If-Match': String(version), Origin: on.url },
      body: JSON.stringify({ used_to: 'a greenhouse' }),
    });
    expect(change.status).toBe(200);
    await press(page, 'Save', 'dialog');
    await sees(page, /Someone changed this since you opened it/, 'dialog');
    expect(await page.$$eval('dialog input', (all) => all.map((one) => (one as HTMLInputElement).value))).toContain(
      'lace aloe',
    );
    await press(page, 'Save', 'dialog');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await page.close();
  });
});

describe('the shed', () => {
  it('a water is added, one that cannot be is told at its field, and dropping asks first', async () => {
    const page = await on.open('/shed/waters');
    const waters = 'section[aria-labelledby=waters]';
    await typeInto(page, 'Name', 'Weir butt', waters);
    await page.select(await labelled(page, 'Kind', waters), 'hard');
    await typeInto(page, 'Hardness, °dH', '400', waters);
    await press(page, 'Add this water', waters);
    await sees(page, /Hardness from 0 to 100/, waters);
    // The field itself is marked, and has the focus.
    expect(
      await page.evaluate(() => [
        document.activeElement?.getAttribute('aria-invalid'),
        document.getElementById(document.activeElement?.getAttribute('aria-describedby') ?? '')?.textContent,
      ]),
    ).toEqual(['true', 'Hardness from 0 to 100 °dH, or empty.']);
    await expectAccessible(page);
    await typeInto(page, 'Hardness, °dH', '18', waters);
    await press(page, 'Add this water', waters);
    await sees(page, /Weir butt.*hard, 18 °dH; hard: not for plants that mind salts/, waters);
    await press(page, 'Change Weir butt', waters);
    await typeInto(page, 'Hardness, °dH', '12', waters);
    await press(page, 'Save', waters);
    await sees(page, /12 °dH/, waters);
    await press(page, 'Drop Weir butt', waters);
    await sees(page, /keep the kind of water/, waters);
    await press(page, 'Drop it', waters);
    await page.waitForFunction(() => !/12 °dH/.test(document.body.textContent ?? ''));
    expect((await get<{ waters: { name: string }[] }>('/api/kit')).waters).toEqual([]);
    await page.close();
  });
  it('a feed is added by its label, and what is missing of it is said', async () => {
    const page = await on.open('/shed/feeds');
    const feeds = 'section[aria-labelledby=feeds]';
    await typeInto(page, 'Name', 'Lock feed', feeds);
    await typeInto(page, 'N, %', '4', feeds);
    await press(page, /^Add/, feeds);
    await sees(page, /P is missing.*K is missing/, feeds);
    await typeInto(page, 'P, %', '6', feeds);
    await typeInto(page, 'K, %', '8', feeds);
    await typeInto(page, 'Label’s dose a litre', '2,5', feeds);
    await press(page, /^Add/, feeds);
    await sees(page, /Lock feed.*4-6-8/, `${feeds} ul`);
    expect((await get<{ feeds: object[] }>('/api/kit')).feeds).toMatchObject([
      { name: 'Lock feed', n_pct: 4, p_pct: 6, k_pct: 8, per_litre: 2.5 },
    ]);
    await page.close();
  });
  it('the can is told in litres and what is none is said', async () => {
    const page = await on.open('/shed/can');
    const can = 'section[aria-labelledby=can]';
    await typeInto(page, 'The can holds, litres', 'a bucket', can);
    await press(page, 'Save', can);
    await sees(page, /litres from 0.1 to 200/, can);
    await typeInto(page, 'The can holds, litres', '7,5', can);
    await press(page, 'Save', can);
    await sees(page, /Saved/, can);
    expect((await get<{ collection: { can_ml: number } }>('/api/kit')).collection.can_ml).toBe(7500);
    await page.close();
  });
  it('a misspelt part of the numbering is no text', async () => {
    const page = await on.open('/shed/house');
    await typeInto(page, 'Numbers are made as', '{foo}-{n:3}', 'main');
    await press(page, 'Save', 'main');
    await sees(page, /\{foo\} means nothing here/, 'main');
    await page.close();
  });
  it('a site is found by its town, said to be guessed, put right, and dropped', async () => {
    const page = await on.open('/shed/sites');
    await press(page, 'Another site');
    await typeInto(page, 'Your town, or the nearest larger one', 'Innsbr', 'main');
    await press(page, /Innsbruck/, 'ul[aria-label="Towns found"]');
    await press(page, 'Add this site');
    await sees(page, /Innsbruck.*575 m up.*Its usual weather is Innsbruck’s, approximate/);
    await expectAccessible(page);
    await press(page, 'Change Innsbruck');
    await typeInto(page, 'Where it lies', 'somewhere', 'main');
    await press(page, 'Save');
    await sees(page, /write coordinates/);
    await typeInto(page, 'Where it lies', "46°30'N 11,35°E", 'main');
    await press(page, 'Save');
    await sees(page, /46.5° N, 11.35° E.*guessed from Innsbruck, 85 km away/);
    await press(page, 'Drop Innsbruck');
    await press(page, 'Drop it');
    await page.waitForFunction(() => !/Innsbruck/.test(document.querySelector('main ul')?.textContent ?? ''));
    await page.close();
  });
  it('every shelf of it is accessible and stands under its own name', async () => {
    const page = await on.open('/shed');
    const shelves = await page.$$eval('nav[aria-label="Shelves of the shed"] a', (links) =>
      links.map((link) => link.getAttribute('href')!),
    );
    expect(shelves).toHaveLength(8);
    for (const shelf of shelves) {
      await page.goto(on.url + shelf, { waitUntil: 'networkidle0' });
      await expectAccessible(page);
      expect(await page.title()).toContain('in the shed');
    }
    await page.close();
  });
});

describe('a panel', () => {
  it('never throws typed work away with Escape: it asks, and a second Escape goes on', async () => {
    const page = await on.open('/benches');
    await press(page, 'A new bench');
    await typeInto(page, 'Name', 'Half a thought', 'dialog');
    await page.keyboard.press('Escape');
    await sees(page, /not kept yet/, 'dialog');
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('[role=alertdialog]'));
    expect(await page.$eval(await labelled(page, 'Name', 'dialog'), (box) => (box as HTMLInputElement).value)).toBe(
      'Half a thought',
    );
    await page.keyboard.press('Escape');
    await press(page, 'Throw it away', 'dialog');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await page.close();
  });
});

describe('pages that are not there', () => {
  it.each(['/plants/4711', '/plants/aloe'])('%s is said in words', async (path) => {
    const page = await on.open(path);
    await page.waitForSelector('[role=alert]');
    expect(await textOf(page, '[role=alert]')).toMatch(/no such plant|nothing at this address/);
    await page.close();
  });
  it('an address of no screen leads home', async () => {
    const page = await on.open('/nowhere-at-all');
    await expectAccessible(page);
    expect(await page.$$eval('main a', (links) => links.map((link) => link.getAttribute('href')))).toContain('/');
    await page.close();
  });
});

describe('what is wrong with what was typed', () => {
  const invalid = (page: Page) =>
    page.evaluate(() => {
      const field = document.querySelector<HTMLElement>('dialog[open] [aria-invalid=true]');
      const told = field && document.getElementById(field.getAttribute('aria-describedby') ?? '');
      return {
        label: field?.id ? (document.querySelector(`label[for="${field.id}"]`)?.textContent ?? null) : null,
        words: told?.textContent ?? null,
        focused: field !== null && document.activeElement === field,
      };
    });
  it('stands at its field, which has the focus: in a note, in a rule', async () => {
    const { sites } = (await (await fetch(`${on.url}/api/round`)).json()) as {
      sites: { places: { id: number }[] }[];
    };
    const { pots } = (await (await fetch(`${on.url}/api/places/${sites[0]!.places[0]!.id}/pots`)).json()) as {
      pots: { id: number }[];
    };
    const page = await on.open(`/plants/${pots[0]!.id}`);
    await press(page, 'Weigh…');
    await page.waitForSelector('dialog[open]');
    await press(page, 'Save', 'dialog[open]');
    await page.waitForSelector('dialog[open] [aria-invalid=true]');
    expect(await invalid(page)).toEqual({
      label: 'Grams, pot and all',
      words: 'Weight in grams, pot and all.',
      focused: true,
    });
    await expectAccessible(page);
    await press(page, 'Cancel', 'dialog[open]');
    await press(page, 'Set its rules…');
    await page.waitForSelector('dialog[open]');
    await typeInto(page, 'Best from, °C', '99', 'dialog');
    await press(page, 'Save', 'dialog[open]');
    await page.waitForSelector('dialog[open] [aria-invalid=true]');
    const told = await invalid(page);
    expect(told).toMatchObject({ label: 'Best from, °C', focused: true });
    expect(told.words).toMatch(/^A number from -10 to 40 is wanted/);
    await page.close();
  });
});

describe('a server that is gone', () => {
  it('leaves the frame on every screen, which says so', async () => {
    const page = await on.open('/shed/house');
    await page.setRequestInterception(true);
    page.on('request', (request) => void (request.url().includes('/api/') ? request.abort() : request.continue()));
    for (const screen of ['Round', 'Benches', 'Year', 'Potting', 'Clinic', 'Shed']) {
      await press(page, screen, 'nav[aria-label=Screens]');
      // What was fetched before may still be shown; what was not says that nobody answers.
      await page.waitForFunction(
        (name) =>
          [...document.querySelectorAll('nav[aria-label=Screens] a')].some(
            (link) => link.textContent === name && link.getAttribute('aria-current') === 'page',
          ) && /does not answer|Shed/.test(document.querySelector('main')?.textContent ?? ''),
        {},
        screen,
      );
      expect(await page.$('header nav')).not.toBeNull();
    }
    await page.close();
  });
});
