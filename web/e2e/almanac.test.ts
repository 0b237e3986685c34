/** The almanac in a browser: reckoned beside the screen, looked at week by week, tried under another roof. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, sees, type Stage, stage } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage();
});
afterAll(() => on?.close());

const year = async () => {
  const page = await on.open('/year');
  await page.waitForSelector('main li a');
  return page;
};

describe('the almanac', () => {
  it('shows the year of every pot by bench, and can be read without sight of it', async () => {
    const page = await year();
    await sees(page, /Week from .*pots? to water/);
    await sees(page, /Lean-to on the lock wall/);
    await expectAccessible(page);
    // Keys move the week that is told.
    const before = await page.$eval('[aria-live]', (one) => one.textContent);
    await page.focus('input[type=range]');
    for (let i = 0; i < 20; i++) await page.keyboard.press('ArrowRight');
    expect(await page.$eval('[aria-live]', (one) => one.textContent)).not.toBe(before);
    await page.close();
  });
  it('is grouped anew at once, and opens the plant', async () => {
    const page = await year();
    await page.select('label select', 'genus');
    await sees(page, /Adenium/);
    await page.click('main li a');
    await page.waitForFunction(() => location.pathname.startsWith('/plants/'));
    await page.close();
  });
  it('tries the year with the glass heated: fewer weeks too cold; put away, it is as it was', async () => {
    const page = await year();
    await page.type('form input', '12');
    await page.evaluate(() =>
      [...document.querySelectorAll('button')].find((b) => b.textContent === 'Try it')!.click(),
    );
    await sees(page, /as it would be/);
    const cells = await page.$$eval('table tbody tr', (lines) =>
      lines.map((line) => [...line.children].map((cell) => cell.textContent ?? '')),
    );
    const cold = cells.find(([words]) => words === 'weeks too cold')!;
    expect(Number(cold[2])).toBeLessThan(Number(cold[1]));
    await page.evaluate(() =>
      [...document.querySelectorAll('button')].find((b) => b.textContent === 'Put it away')!.click(),
    );
    await page.waitForFunction(() => !document.body.textContent!.includes('as it would be'));
    await page.close();
  });
  it('a stretch that is drawn out is looked at closely, and the whole comes back', async () => {
    const page = await year();
    const box = (await (await page.$('svg[role=img]'))!.boundingBox())!;
    await page.mouse.move(box.x + 200, box.y + 30);
    await page.mouse.down();
    await page.mouse.move(box.x + 400, box.y + 30, { steps: 5 });
    await page.mouse.up();
    await sees(page, /The whole year/);
    await page.close();
  });
});
