/** The weather in a browser: what is drawn can be read in words, records and instruments can be brought. */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { ElementHandle } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, press, sees, type Stage, stage } from './stage.ts';

let on: Stage;
const folder = mkdtempSync(join(tmpdir(), 'zinc-weather-'));
beforeAll(async () => {
  on = await stage();
});
afterAll(async () => {
  await on?.close();
  rmSync(folder, { recursive: true, force: true });
});

const weather = async (viewport?: { width: number; height: number }) => {
  const page = await on.open('/year/weather', viewport);
  await sees(page, /Which plants can be here/);
  await press(page, 'Lean-to on the lock wall');
  await sees(page, /Lean-to on the lock wall, /);
  return page;
};

describe('the weather', () => {
  it('says how it is known, draws it, and can be read without sight of it', async () => {
    const page = await weather();
    await sees(page, /No weather service is in use/);
    await sees(page, /learned from \d+ readings/);
    await expectAccessible(page);
    const told = () => page.$eval('[aria-live]', (one) => one.textContent ?? '');
    const today = await told();
    expect(today).toMatch(/outside .* to .*; among the plants .* to .*, \d+ % humidity/);
    await page.focus('input[type=range]');
    for (let i = 0; i < 5; i++) await page.keyboard.press('ArrowRight');
    expect(await told()).toMatch(/a night of .*\(.* to .*\), a day of/);
    await page.close();
  });
  it('shows another place, and another site, at one press', async () => {
    const page = await weather();
    await press(page, 'Cellar for sleepers');
    await sees(page, /Cellar for sleepers, in the room/);
    await press(page, 'School roof, Port Alder');
    await sees(page, /Roof tables, outdoors, /);
    await page.close();
  });
  it('fits a phone', async () => {
    const page = await weather({ width: 390, height: 844 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await expectAccessible(page);
    await page.close();
  });
  it('takes daily records, and says what the table left out; a wrong row says where', async () => {
    const page = await weather();
    const day = new Date(Date.now() - 3 * 86_400_000).toISOString().slice(0, 10);
    const file = join(folder, 'records.csv');
    const box = (await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>;
    writeFileSync(file, `date,min,max,rain\n${day},cold,9,2\n`);
    await box.uploadFile(file);
    await sees(page, /Row 2, min: found "cold", wanted degrees Celsius/);
    writeFileSync(file, `date,min,max,rain\n${day},-11.5,-2,2\n`);
    await box.uploadFile(file);
    await sees(page, /1 day written\. For humidity, sunshine, wind the usual weather stands/);
    await page.close();
  });
  it('asks about usual weather that is odd, and keeps it when that is meant', async () => {
    const page = await weather();
    await press(page, 'Type the usual weather…');
    const july = 'input[aria-label="Jul, day"]';
    await page.waitForSelector(july);
    await expectAccessible(page);
    await page.click(july, { count: 3 });
    await page.type(july, '41');
    await press(page, 'Save');
    await sees(page, /wanted .* If it is so all the same, say that you are sure/);
    await press(page, 'It is so all the same; I am sure.');
    await press(page, 'Save');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await page.close();
  });
  it('adds an instrument, shows its token once, and takes it off', async () => {
    const page = await weather();
    await press(page, 'Add an instrument');
    const form = 'section[aria-labelledby=instruments] form';
    await page.type(`${form} input`, 'Ridge');
    const [, where] = await page.$$(`${form} select`);
    const [, first] = await where!.$$eval('option', (options) => options.map((option) => option.value));
    await where!.select(first!);
    await press(page, 'Add it');
    await sees(page, /shown this once/);
    await sees(page, /has said nothing yet/);
    const list = 'section[aria-labelledby=instruments] ul';
    const elsewhere = await page.$$eval(`${list} select[aria-label="Hang Ridge elsewhere"] option`, (all) => [
      all.at(-1)!.value,
      all.at(-1)!.textContent!,
    ]);
    await page.select('select[aria-label="Hang Ridge elsewhere"]', elsewhere[0]!);
    await sees(page, new RegExp(`Ridge, ${elsewhere[1]!.replaceAll(/[^\w ]/g, '.')}`), list);
    await press(page, 'Take Ridge off');
    await sees(page, /taken off/);
    await press(page, 'Remove Ridge from the list');
    await page.waitForFunction((at) => !document.querySelector(at)?.textContent?.includes('Ridge'), {}, list);
    await page.close();
  });
});
