/** From nothing to the first round: a site, a bench, a plant. */
import type { Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, press, sees, type Stage, stage, textOf } from './stage.ts';

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
  it('is led from the empty round to the first drink', async () => {
    const page = await on.open('/');
    expect(await textOf(page, 'h1')).toBe('Nothing on the benches yet');
    await expectAccessible(page);
    await press(page, 'shed', 'main');
    await sees(page, /Add this site/);
    await type(page, 'Latitude, °', 'north');
    await press(page, 'Add this site');
    await sees(page, /Latitude from -90 to 90/, '[role=alert]');
    await type(page, 'Name of a new site', 'Weir house');
    await type(page, 'Latitude, °', '46,8');
    await type(page, 'Longitude, °', '9.1');
    await type(page, 'Height, m', '500');
    await press(page, 'Add this site');
    await sees(page, /Weir house, 46\.8° north/);
    await expectAccessible(page);
    await press(page, 'Benches', 'nav');
    await sees(page, /No bench yet/);
    await press(page, 'A new bench');
    await page.waitForSelector('dialog[open]');
    await type(page, 'Name', 'Kitchen sill', 'dialog');
    await type(page, 'Faces, degrees', '180', 'dialog');
    await press(page, 'Keep it', 'dialog');
    await sees(page, /Kitchen sill/);
    await press(page, 'Take in', 'nav');
    await page.waitForSelector('input[role=combobox]');
    await page.type('input[role=combobox]', 'Haworthia cooperi');
    await press(page, 'Take it in');
    await sees(page, /open/, '[role=status]');
    await press(page, 'Round', 'nav');
    await sees(page, /Haworthia cooperi/);
    await sees(page, /has not been looked over/);
    await expectAccessible(page);
    await page.close();
  }, 60_000);
});
