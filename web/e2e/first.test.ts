/** From nothing to the first drink: where, which water, one bench, the first plant, and the can. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, press, sees, type Stage, stage, told } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage({ empty: true });
});
afterAll(() => on?.close());

const type = async (page: Page, label: string, text: string, within = 'body') => {
  const selector = await page.evaluate(
    (wanted, root) =>
      `[id="${[...document.querySelectorAll(`${root} label`)].find((one) => one.textContent?.trim() === wanted)?.getAttribute('for')}"]`,
    label,
    within,
  );
  await page.$eval(selector, (input) => (input as HTMLInputElement).select());
  await page.type(selector, text);
};

describe('a keeper who begins', () => {
  it('has the first watering marked within eight clicks and a minute, without a number typed', async () => {
    const page = await on.open('/');
    let clicks = 0;
    const click = async (words: string | RegExp, within = 'main') => {
      clicks++;
      await press(page, words, within);
    };
    await sees(page, /Where are your plants/);
    await type(page, 'Your town, or the nearest larger one', 'Salzburg');
    await click(/^Salzburg/, 'ul[aria-label="Towns found"]');
    await sees(page, /What comes from the tap/);
    await click(/^Hard/);
    await click(/^A windowsill/);
    await click('south');
    await sees(page, /The first plant/);
    await page.type('input[role=combobox]', 'Haworthia cooperi');
    await click('Add it');
    await sees(page, /Haworthia cooperi/, '#main');
    // Nobody knows how wet it came: it is asked to be felt. What its keeper does is theirs: it is watered all the same.
    await sees(page, /Feel it first/, '[data-line]');
    await click(/^More on/);
    await click(/^Note something/);
    await click('Save', 'dialog');
    await told(page, /watered|stood in water/);
    expect(clicks).toBeLessThanOrEqual(8);
    // What was told at the beginning decides: the tap is hard, the bench faces south, the clock is the town's.
    const { sites, waters } = (await (await fetch(`${on.url}/api/kit`)).json()) as {
      sites: { name: string; time_zone: string; latitude_deg: number }[];
      waters: { kind: string }[];
    };
    expect(sites[0]).toMatchObject({ name: 'Salzburg', time_zone: 'Europe/Vienna' });
    expect(sites[0]!.latitude_deg).toBeCloseTo(47.8, 1);
    expect(waters.map(({ kind }) => kind)).toEqual(['hard']);
    const { places } = (await (await fetch(`${on.url}/api/places`)).json()) as {
      places: { name: string; aspect_deg: number }[];
    };
    expect(places[0]).toMatchObject({ name: 'Windowsill, south', aspect_deg: 180 });
    await page.close();
  });
});

describe('the beginning', () => {
  let empty: Stage;
  beforeAll(async () => {
    empty = await stage({ empty: true });
  });
  afterAll(() => empty?.close());
  it('takes a place as people write it, goes back to every step, and writes nothing before the end', async () => {
    const page = await empty.open('/', { width: 390, height: 844 });
    await sees(page, /Where are your plants/);
    await expectAccessible(page);
    await type(page, 'Your town, or the nearest larger one', "34.6°S 58°24'W");
    await press(page, /^Near/, 'ul[aria-label="Towns found"]');
    await expectAccessible(page);
    await press(page, /I don’t know: assume hard water/);
    await press(page, /^A balcony/);
    await expectAccessible(page);
    await press(page, 'north');
    await sees(page, /The first plant/);
    await expectAccessible(page);
    await press(page, /^2 Water/, 'ol[aria-label=Steps]');
    await press(page, /^Soft/);
    await sees(page, /The first plant/);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await press(page, 'Add it');
    await sees(page, /A name, even if/, '[role=alert]');
    const { sites, waters } = (await (await fetch(`${empty.url}/api/kit`)).json()) as {
      sites: unknown[];
      waters: unknown[];
    };
    expect([sites.length, waters.length]).toEqual([0, 0]);
    await page.close();
  });
});
