/** `npm run screenshots [-- folder]`: one picture of each main view, from the demo data, into docs/screenshots. */
import { mkdirSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { openBrowser } from './browser.mjs';
import { checkNode, npmPackages } from './install.mjs';
import { main, ROOT, say } from './lib.mjs';
import { serveDemo } from './serveDemo.mjs';

const DESK = { width: 1280, height: 800, deviceScaleFactor: 1 };
const BENCH = { width: 390, height: 844, deviceScaleFactor: 2, isMobile: true, hasTouch: true };

const VIEWS = [
  { file: 'round.png', viewport: DESK, path: '/' },
  { file: 'round-dusk.png', viewport: DESK, path: '/', dusk: true },
  { file: 'round-bench.png', viewport: BENCH, path: '/' },
  { file: 'plant.png', viewport: { ...DESK, height: 1400 }, plant: '202' },
  { file: 'plant-bench.png', viewport: BENCH, plant: '202' },
  { file: 'benches.png', viewport: DESK, path: '/benches' },
  { file: 'list.png', viewport: DESK, path: '/benches/list' },
  {
    file: 'take-in.png',
    viewport: DESK,
    path: '/add',
    prepare: async (page) => page.type('input[role=combobox]', 'Gymnocalycium cf. horstii'),
  },
  {
    file: 'shelf.png',
    viewport: DESK,
    path: '/benches/side',
    prepare: async (page) => {
      await page.waitForSelector('ol[aria-label="From the side"] button');
      await page.evaluate(() =>
        [...document.querySelectorAll('h2')].find((h) => h.textContent.includes('Attic'))?.scrollIntoView(),
      );
    },
  },
  { file: 'shed.png', viewport: DESK, path: '/shed/papers-out' },
  {
    file: 'almanac.png',
    viewport: DESK,
    path: '/year',
    prepare: async (page) => page.waitForSelector('main li a'),
  },
  { file: 'weather.png', viewport: { ...DESK, height: 1000 }, path: '/year/weather' },
  {
    file: 'potting.png',
    viewport: { ...DESK, height: 1000 },
    path: '/potting',
    prepare: async (page) => {
      await page.waitForSelector('main li button');
      await page.click('main li button');
      await page.waitForSelector('[aria-labelledby=bench-plant]');
    },
  },
  {
    file: 'mixing.png',
    viewport: { ...DESK, height: 1000 },
    path: '/potting/mixing',
    prepare: async (page) => {
      await page.waitForFunction(() => document.querySelectorAll('select option').length > 10);
      await page.evaluate(() => {
        const choice = document.querySelector('select');
        const option = [...choice.options].find(({ text }) => text.includes('Haworthia cooperi'));
        choice.value = option.value;
        choice.dispatchEvent(new Event('change', { bubbles: true }));
      });
      await page.waitForFunction(() => document.body.textContent.includes('in its place'));
    },
  },
  { file: 'clinic.png', viewport: { ...DESK, height: 1000 }, path: '/clinic' },
  { file: 'clinic-plant.png', viewport: { ...DESK, height: 1700 }, plant: '030', at: '/clinic' },
  { file: 'clinic-bench.png', viewport: BENCH, plant: '030', at: '/clinic' },
  { file: 'list-bench.png', viewport: BENCH, path: '/benches/list' },
  {
    file: 'list-in.png',
    viewport: { ...DESK, height: 1300 },
    path: '/shed/papers-in',
    prepare: async (page) => {
      const file = await page.$('input[type=file]');
      await file.uploadFile(join(ROOT, 'web', 'e2e', 'fixtures', 'my-plants.csv'));
      await page.waitForFunction(() => document.body.textContent.includes('with faults'));
    },
  },
];

await main(async () => {
  checkNode();
  await npmPackages();
  const folder = resolve(
    process.argv.slice(2).find((word) => !word.startsWith('-')) ?? join(ROOT, 'docs', 'screenshots'),
  );
  mkdirSync(folder, { recursive: true });
  const demo = await serveDemo({ weather: true });
  const chromium = await openBrowser();
  try {
    const { fields, rows } = await (await fetch(`${demo.url}/api/plants`)).json();
    const ids = new Map(rows.map((row) => [row[fields.indexOf('number')], row[fields.indexOf('id')]]));
    for (const view of VIEWS) {
      const page = await chromium.newPage();
      await page.setViewport(view.viewport);
      // As a keeper sees it who knows the drawings by now.
      await page.evaluateOnNewDocument(() =>
        localStorage.setItem('zinc-understood', 'shelf pot stick strip weather rail plan'),
      );
      await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: view.dusk ? 'dark' : 'light' }]);
      await page.goto(`${demo.url}${view.plant ? `${view.at ?? '/plants'}/${ids.get(view.plant)}` : view.path}`, {
        waitUntil: 'networkidle0',
      });
      await page.evaluate(() => document.fonts.ready);
      if (view.prepare) {
        await view.prepare(page);
        await new Promise((done) => setTimeout(done, 300));
      }
      await page.screenshot({ path: join(folder, view.file) });
      await page.close();
      say(`${view.file}`);
    }
  } finally {
    await chromium.close();
    await demo.close();
  }
});
