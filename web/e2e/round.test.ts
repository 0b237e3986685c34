import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, feelDry, isDue, press, sees, type Stage, stage, textOf, told } from './stage.ts';

let on: Stage;
let url: string;
beforeAll(async () => {
  on = await stage();
  await feelDry(on.url, /Lamp shelf/);
  ({ url } = on);
});
afterAll(() => on?.close());
const open = (path: string, viewport?: { width: number; height: number }): Promise<Page> => on.open(path, viewport);

interface DemoPot {
  id: number;
  number: string;
  outlook: { water: { ideal: string } | null };
  task: { judgement: { deeds: { deed: string }[] } };
}
/** Every pot, those to leave alone too, in the order of the walk. */
async function pots(): Promise<DemoPot[]> {
  const get = async <T>(path: string): Promise<T> => (await (await fetch(url + path)).json()) as T;
  const round = await get<{ sites: { places: { id: number }[] }[] }>('/api/round');
  const benches = await Promise.all(
    round.sites.flatMap((site) => site.places.map((place) => get<{ pots: DemoPot[] }>(`/api/places/${place.id}/pots`))),
  );
  return benches.flatMap((bench) => bench.pots);
}

describe('under a thumb', () => {
  it('everything to press is 44 px, the first line stands high, and a screen holds four pots', async () => {
    const page = await open('/', { width: 390, height: 844 });
    await page.waitForSelector('li[id^=pot-]');
    const small = await page.$$eval('main button, main a, main summary, main select, main label', (all) =>
      all
        .map((one) => ({
          box: one.getBoundingClientRect(),
          words: one.getAttribute('aria-label') ?? one.textContent ?? '',
        }))
        .filter(({ box }) => box.width > 0 && (box.height < 43.5 || box.width < 24))
        .map(({ box, words }) => `${words.slice(0, 40)}: ${Math.round(box.width)} x ${Math.round(box.height)}`),
    );
    expect(small).toEqual([]);
    expect(await page.$eval('[data-line]', (line) => line.getBoundingClientRect().top)).toBeLessThan(330);
    const most = await page.evaluate(async () => {
      let seen = 0;
      for (const row of document.querySelectorAll('li[id^=pot-]')) {
        row.scrollIntoView();
        await new Promise(requestAnimationFrame);
        const whole = [...document.querySelectorAll('li[id^=pot-]')].filter((one) => {
          const box = one.getBoundingClientRect();
          return box.top >= 0 && box.bottom <= innerHeight;
        });
        seen = Math.max(seen, whole.length);
      }
      return seen;
    });
    expect(most).toBeGreaterThanOrEqual(4);
    await page.close();
  });
  it('the bench one stands at stays in sight while its pots scroll', async () => {
    const page = await open('/', { width: 390, height: 844 });
    await page.waitForSelector('li[id^=pot-]');
    const head = await page.evaluate(async () => {
      const bench = [...document.querySelectorAll('section[aria-labelledby^=place-]')].find(
        (one) => one.querySelectorAll('li[id^=pot-]').length >= 4,
      )!;
      bench.querySelectorAll('li[id^=pot-]')[3]!.scrollIntoView();
      await new Promise(requestAnimationFrame);
      const box = bench.querySelector('h3')!.getBoundingClientRect();
      return { top: box.top, bottom: box.bottom };
    });
    expect(head.top).toBeGreaterThanOrEqual(0);
    expect(head.bottom).toBeLessThan(80);
    await page.close();
  });
  it('photographs stand in the pots where the keeper wants them, and stay', async () => {
    const page = await open('/');
    await page.waitForSelector('li[id^=pot-]');
    expect(await page.$$eval('image', (all) => all.length)).toBe(0);
    await page.evaluate(() => {
      const button = [...document.querySelectorAll('button')].find((one) => one.textContent === 'Show photographs');
      button!.click();
    });
    await page.waitForSelector('image[href^="/api/pictures/"]');
    await page.reload();
    await page.waitForSelector('image[href^="/api/pictures/"]');
    const href = await page.$eval('image', (one) => one.getAttribute('href')!);
    expect((await fetch(url + href)).headers.get('content-type')).toBe('image/jpeg');
    await page.evaluate(() => localStorage.clear());
    await page.close();
  });
});

describe('the day as one list', () => {
  it('names each pot once, begins high, fits on three screens, and nothing jumps', async () => {
    const page = await on.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    await page.evaluateOnNewDocument(() => {
      Object.assign(window, { shift: 0 });
      new PerformanceObserver((list) => {
        for (const entry of list.getEntries() as (PerformanceEntry & { value: number })[])
          (window as unknown as { shift: number }).shift += entry.value;
      }).observe({ type: 'layout-shift', buffered: true });
    });
    await page.goto(url, { waitUntil: 'networkidle0' });
    await page.waitForSelector('[data-line]');
    const { numbers, first, water, screens, rails, shift } = await page.evaluate(() => {
      const lines = [...document.querySelectorAll('[data-line]')];
      const watered = [...document.querySelectorAll('[data-line] button')].find((one) =>
        one.textContent!.startsWith('Watered'),
      );
      return {
        numbers: lines.map((line) => line.getAttribute('data-line')),
        first: lines[0]!.getBoundingClientRect().top,
        water: watered?.getBoundingClientRect().bottom ?? 0,
        screens: document.documentElement.scrollHeight / innerHeight,
        rails: document.querySelectorAll('[id^=before-dusk] li').length,
        shift: (window as unknown as { shift: number }).shift,
      };
    });
    expect(new Set(numbers).size).toBe(numbers.length);
    if (rails < 4) expect(first).toBeLessThan(420);
    expect(water).toBeLessThanOrEqual(800);
    expect(screens).toBeLessThanOrEqual(3);
    expect(shift).toBeLessThan(0.01);
    await page.close();
  });
  it('a count that is pressed leaves its lines alone, the first in hand; pressed again, all come back', async () => {
    const page = await open('/');
    await page.waitForSelector('[data-line]');
    const lines = () => page.$$eval('[data-line]', (all) => all.length);
    const before = await lines();
    await press(page, /^\d+ to water/, 'header');
    const wanted = Number(
      /\d+/.exec(await page.$eval('header button[aria-pressed=true]', (one) => one.textContent!))![0],
    );
    expect(await lines()).toBe(wanted);
    expect(await page.$$eval('[data-line]', (all) => all.every((line) => /Watered/.test(line.textContent!)))).toBe(
      true,
    );
    await page.waitForSelector('[data-line]:first-of-type[aria-current]');
    await expectAccessible(page);
    await press(page, /^\d+ to water/, 'header');
    expect(await lines()).toBe(before);
    await page.close();
  });
  it('more of a line unfolds below its buttons: none moves under the thumb', async () => {
    const page = await open('/', { width: 390, height: 844 });
    await page.waitForSelector('[data-line] button');
    const where = () =>
      page.$eval('[data-line]', (line) =>
        [...line.querySelectorAll('button')].map((one) => one.getBoundingClientRect().top),
      );
    const before = await where();
    await page.$eval('[data-line] button[aria-label^="More on"]', (one) => (one as HTMLElement).click());
    await sees(page, /Note something/, '[data-line]');
    expect((await where()).slice(0, before.length)).toEqual(before);
    await expectAccessible(page);
    await page.close();
  });
  it('an answer to a look is written, and its line rests', async () => {
    const page = await open('/');
    await page.waitForSelector('[data-line]');
    const number = await page.$$eval('[data-line]', (all) =>
      all.find((line) => /Feel it first/.test(line.textContent!))?.getAttribute('data-line'),
    );
    const line = `[data-line="${number}"]`;
    await press(page, /felt wet$/, line);
    await told(page, /felt wet/);
    await page.waitForSelector(`${line}[data-rests]`);
    expect(await textOf(page, line)).toMatch(/Felt wet.*Done for today/i);
    await page.$eval(`${line} button[aria-label^="Undo"]`, (button) => (button as HTMLElement).click());
    await page.waitForSelector(`${line}:not([data-rests])`);
    await page.close();
  });
  it('yesterday is written for on a plant’s page too, which says so', async () => {
    const page = await open('/');
    await page.keyboard.press('y');
    await sees(page, /Notes for/, 'main');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.pathname.startsWith('/plants/'));
    await sees(page, /Notes for/, 'main');
    await press(page, 'back to today');
    await page.waitForFunction(() => !/Notes for/.test(document.querySelector('main')!.textContent!));
    await page.close();
  });
  it('coming back from a plant, the walk stands where it stood', async () => {
    const page = await open('/');
    for (let i = 0; i < 3; i++) await page.keyboard.press('ArrowDown');
    const at = await page.$eval('[data-line][aria-current]', (line) => line.getAttribute('data-line'));
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.pathname.startsWith('/plants/'));
    await press(page, 'Back');
    await page.waitForSelector(`[data-line="${at}"][aria-current]`);
    await page.close();
  });
});

describe('the doors', () => {
  it('are six and a button; addresses of before lead there still, with what they asked for', async () => {
    const page = await open('/');
    expect(await page.$$eval('header nav[aria-label=Screens] a', (all) => all.map((one) => one.textContent))).toEqual([
      'Round',
      'Benches',
      'Year',
      'Potting',
      'Clinic',
      'Shed',
    ]);
    for (const [from, to] of [
      ['/list?q=sill', '/benches/list?q=sill'],
      ['/almanac', '/year'],
      ['/weather', '/year/weather'],
      ['/take-in', '/add'],
    ]) {
      await page.goto(url + from, { waitUntil: 'domcontentloaded' });
      await page.waitForFunction((wanted) => location.pathname + location.search === wanted, {}, to!);
    }
    await page.close();
  });
  it('on a phone five stand at the bottom, the others behind the last', async () => {
    const page = await open('/clinic', { width: 390, height: 844 });
    const bar = 'nav[aria-label=Screens]';
    const shown = await page.$$eval(`${bar} a, ${bar} button`, (all) =>
      all
        .map((one) => ({ words: one.textContent!.trim(), box: one.getBoundingClientRect() }))
        .filter(({ box }) => box.height > 0)
        .map(({ words, box }) => ({ words, low: box.bottom > 780, high: box.height })),
    );
    expect(shown.map(({ words }) => words)).toEqual(['Round', 'Benches', 'Find', 'Clinic', 'More']);
    for (const { low, high } of shown) expect(low && high >= 44).toBe(true);
    await press(page, 'More', bar);
    await expectAccessible(page);
    await press(page, 'Potting', '.fixed');
    await page.waitForFunction(() => location.pathname === '/potting');
    await page.close();
  });
  it.each([640, 800, 1000])('at %i pixels the bar is one row and nothing runs out', async (width) => {
    const page = await open('/', { width, height: 800 });
    const bar = await page.$eval('body > div header, #root header', (one) => one.getBoundingClientRect().height);
    expect(bar).toBeLessThanOrEqual(53);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width);
    await page.close();
  });
  it('one filter goes over the three views of the benches; find knows what is asked of plants', async () => {
    const page = await open('/benches?q=resting');
    const many = Number(/\d+/.exec(await textOf(page, '[role=status]'))![0]);
    await press(page, 'As a list');
    await sees(page, new RegExp(`^${many} of \\d+ plants$`), 'main [role=status]');
    await press(page, 'From the side');
    await page.waitForFunction(
      (wanted) => document.querySelectorAll('ol[aria-label="From the side"] button').length === wanted,
      {},
      many,
    );
    await page.keyboard.press('Escape');
    await page.evaluate(() => (document.activeElement as HTMLElement | null)?.blur());
    await page.keyboard.press('/');
    await page.waitForSelector('dialog[open] input');
    await page.type('dialog input', 'dry this');
    await sees(page, /All plants: dry this week/, 'dialog[open]');
    await page.keyboard.press('Enter');
    await page.waitForFunction(
      () =>
        (location.pathname === '/benches/list' && location.search === '?q=dry+this+week') ||
        location.search === '?q=dry%20this%20week',
    );
    await page.close();
  });
});

describe('the round by keyboard', () => {
  it('marks a pot watered, shows its date moved, keeps it over a reload, and takes it back', async () => {
    const page = await open('/');
    const due = (await pots()).find((pot) => isDue(pot) && pot.outlook.water)!;
    expect(due).toBeDefined();
    const row = `#pot-${due.id}`;
    const before = await textOf(page, row);
    // Walk down with j until the pot is the current one.
    for (let i = 0; i < 200 && !(await page.$(`${row}[aria-current]`)); i++) await page.keyboard.press('ArrowDown');
    await page.keyboard.press('w');
    const said = await told(page, /watered|stood in water/);
    expect(said).toMatch(/Next drink/);
    await page.waitForFunction(
      (selector, old) => document.querySelector(selector)?.textContent !== old,
      {},
      row,
      before,
    );
    const now = (await pots()).find((pot) => pot.id === due.id)!;
    expect(now.outlook.water === null || now.outlook.water.ideal > due.outlook.water!.ideal).toBe(true);

    await page.reload({ waitUntil: 'networkidle0' });
    expect((await pots()).find((pot) => pot.id === due.id)!.outlook.water).toEqual(now.outlook.water);
    // Done, its line rests where it was till tomorrow, and is taken back from there after a reload too.
    await page.waitForSelector(`${row}[data-rests]`);
    expect(await textOf(page, row)).toMatch(/(Watered|Stood in water).*Done for today/);
    await page.$eval(`${row} button[aria-label^="Undo"]`, (button) => (button as HTMLElement).click());
    await told(page, /taken back/);
    await page.waitForSelector(`${row}:not([data-rests])`);
    const after = (await pots()).find((pot) => pot.id === due.id)!;
    expect(after.outlook.water).toEqual(due.outlook.water);
    await page.close();
  });
  it('undoes with u at once', async () => {
    const page = await open('/');
    const due = (await pots()).find((pot) => isDue(pot))!;
    for (let i = 0; i < 200 && !(await page.$(`#pot-${due.id}[aria-current]`)); i++)
      await page.keyboard.press('ArrowDown');
    await page.keyboard.press('w');
    await told(page, /watered|stood in water/);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await told(page, /taken back/);
    expect((await pots()).find((pot) => pot.id === due.id)!.outlook.water).toEqual(due.outlook.water);
    await page.close();
  });
  it('opens a plant with Enter and comes back with g; ? shows the keys', async () => {
    const page = await open('/');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.pathname.startsWith('/plants/'));
    await page.waitForSelector('h1');
    await page.keyboard.press('g');
    await page.waitForFunction(() => location.pathname === '/');
    await page.keyboard.press('?');
    await page.waitForSelector('dialog[open]');
    expect(await textOf(page, 'dialog[open]')).toContain('next pot');
    await expectAccessible(page);
    await page.keyboard.press('Escape');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await page.close();
  });
});

describe('noting something', () => {
  it('bad input shows words and loses nothing typed; put right, it is written', async () => {
    const page = await open('/');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('n');
    await page.waitForSelector('dialog[open]');
    await page.click('dialog input[value=measured]');
    await page.type('dialog input[inputmode=decimal]', 'a cup');
    await page.click('dialog button[type=submit]');
    await page.waitForSelector('dialog [role=alert]');
    expect(await textOf(page, 'dialog [role=alert]')).toContain('millilitres');
    expect(await page.$eval('dialog input[inputmode=decimal]', (input) => (input as HTMLInputElement).value)).toBe(
      'a cup',
    );
    await expectAccessible(page);
    await page.$eval('dialog input[inputmode=decimal]', (input) => (input as HTMLInputElement).select());
    await page.type('dialog input[inputmode=decimal]', '12,5');
    await page.click('dialog button[type=submit]');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await told(page, /watered, 1[23] ml/);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await told(page, /taken back/);
    await page.close();
  });
  it('what the server refuses is told, and what was typed stays', async () => {
    const page = await open('/');
    await page.setRequestInterception(true);
    page.on('request', (request) =>
      request.method() === 'POST'
        ? void request.respond({
            status: 503,
            contentType: 'application/problem+json',
            body: JSON.stringify({ type: 'about:blank', title: 'Busy', status: 503, detail: 'The database rests.' }),
          })
        : void request.continue(),
    );
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('n');
    await page.waitForSelector('dialog[open]');
    await page.click('dialog input[value=note]');
    await page.type('dialog textarea', 'first bud');
    await page.click('dialog button[type=submit]');
    await page.waitForSelector('dialog [role=alert]');
    expect(await textOf(page, 'dialog [role=alert]')).toContain('The database rests.');
    expect(await page.$eval('dialog textarea', (area) => (area as HTMLTextAreaElement).value)).toBe('first bud');
    await page.close();
  });
});

describe.each([
  ['desk', { width: 1280, height: 800 }],
  ['bench', { width: 390, height: 844 }],
] as const)('at the %s', (_name, viewport) => {
  it.each([
    '/',
    '/plants/1',
    '/benches',
    '/benches/side',
    '/benches/list',
    '/add',
    '/year',
    '/year/weather',
    '/potting',
    '/potting/mixing',
    '/potting/stores',
    '/shed',
    '/walk',
    '/clinic',
    '/clinic/1',
    '/nowhere',
  ])('%s fits and axe finds nothing, by day and at dusk', async (path) => {
    const page = await open(path, viewport);
    for (const scheme of ['light', 'dark']) {
      await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: scheme }]);
      await expectAccessible(page, scheme === 'light' ? 'all' : 'contrast');
    }
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(viewport.width);
    await page.close();
  });
  it('has targets of 44 px', async () => {
    const page = await open('/', viewport);
    const small = await page.$$eval(
      'main button',
      (buttons) => buttons.map((b) => b.getBoundingClientRect()).filter((r) => r.width > 0 && r.height < 43.5).length,
    );
    expect(small).toBe(0);
    await page.close();
  });
});

describe('a plant', () => {
  it('shows its curve, why, the three schools, its ways and its book', async () => {
    const [pot] = await pots();
    const page = await open(`/plants/${pot!.id}`);
    for (const heading of [
      'Why this day',
      'Three ways to decide',
      'Its notes',
      'Pot and plant',
      'How it grows',
      'Before hands go in',
    ]) {
      expect(
        await page.$$eval('h2', (all, wanted) => all.some((h) => h.textContent === wanted), heading),
        heading,
      ).toBe(true);
    }
    expect(
      await page.$eval(
        '[role=slider][aria-label="The pot day by day"] svg',
        (svg) => svg.querySelectorAll('path').length,
      ),
    ).toBeGreaterThan(4);
    const facts = await textOf(page, 'dl');
    expect(facts).toMatch(/as fast as expected|as expected/);
    await page.close();
  });
  it('says when a pot is no longer itself', async () => {
    const page = await on.newPage();
    await page.setRequestInterception(true);
    page.on('request', (request) => {
      if (!/api\/plants\/\d+$/.test(request.url())) return void request.continue();
      void fetch(request.url())
        .then((response) => response.json() as Promise<{ outlook: { alarm: unknown } }>)
        .then((plant) => {
          plant.outlook.alarm = {
            kind: 'slower',
            text: 'Since its last drinks it dries 2.0 times slower than it did. A blocked hole?',
          };
          return request.respond({ status: 200, contentType: 'application/json', body: JSON.stringify(plant) });
        });
    });
    await page.goto(`${url}/plants/1`, { waitUntil: 'networkidle0' });
    expect(await textOf(page, '[role=note]')).toContain('Something changed');
    await expectAccessible(page);
    await page.close();
  });
});

describe('states that are not the usual one', () => {
  it('a server that does not answer is said, and the page can be asked again', async () => {
    const page = await on.newPage();
    await page.setRequestInterception(true);
    let down = true;
    page.on('request', (request) =>
      down && request.url().includes('/api/') ? void request.abort() : void request.continue(),
    );
    await page.goto(url, { waitUntil: 'domcontentloaded' });
    await page.waitForSelector('[role=alert]');
    expect(await textOf(page, '[role=alert]')).toContain('does not answer');
    down = false;
    await page.click('[role=alert] button');
    await page.waitForSelector('h1');
    await page.close();
  });
  it('a plant that is not there is said', async () => {
    const page = await open('/plants/99999');
    await page.waitForSelector('[role=alert]');
    expect(await textOf(page, '[role=alert]')).toContain('no such plant');
    await page.close();
  });
});
