/** The potting bench in a browser: a recipe tried, an aim found, a batch taken from the stores, a plant potted and looked after. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, labelled, press, sees, type Stage, stage } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage();
});
afterAll(() => on?.close());

/** Sets a field that React watches. */
const type = async (page: Awaited<ReturnType<Stage['open']>>, label: string, value: string) => {
  const id = await page.evaluate(
    (words) => [...document.querySelectorAll('label')].find((one) => one.textContent?.trim() === words)?.htmlFor ?? '',
    label,
  );
  await page.click(`[id="${id}"]`, { count: 3 });
  await page.type(`[id="${id}"]`, value);
};

describe('mixing', () => {
  const open = async () => {
    const page = await on.open('/potting/mixing');
    await sees(page, /How tightly it holds water/);
    return page;
  };
  it('shows at once what a part more does, and can be read without sight of it', async () => {
    const page = await open();
    await expectAccessible(page);
    const figures = () => page.$eval('section[aria-label="Near-mineral"] dl', (one) => one.textContent ?? '');
    const before = await figures();
    await page.focus('input[aria-label="Parts of loam, sterilised, to draw"]');
    for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowRight');
    expect(await figures()).not.toBe(before);
    expect(await page.$eval('input[aria-label="Parts of loam, sterilised"]', (one) => one.value)).toBe('5');
    await page.close();
  });
  it('for a plant says the days to dry, now and in winter', async () => {
    const page = await open();
    const [select] = await page.$$('select');
    const [, first] = await select!.$$eval('option', (options) => options.map((option) => option.value));
    await select!.select(first!);
    await sees(page, /days to dry in winter/);
    await page.close();
  });
  it('for its next pot, whose batch may be of any recipe beside it, crocks taken off', async () => {
    const page = await open();
    const [select] = await page.$$('select');
    const [, first] = await select!.$$eval('option', (options) => options.map((option) => option.value));
    await select!.select(first!);
    await sees(page, /in its pot of/);
    await press(page, 'in its next pot');
    await sees(page, /in its next pot of/);
    const mixed = () => page.$eval('section[aria-labelledby=batch]', (one) => one.textContent ?? '');
    const whole = /([\d.]+) l of mix/.exec(await mixed())![1]!;
    await type(page, 'Crocks below, mm', '20');
    expect(Number(/([\d.]+) l of mix/.exec(await mixed())![1])).toBeLessThan(Number(whole));
    await page.select(await labelled(page, 'A batch of which'), '1');
    await sees(page, /A batch of Half and half/);
    await press(page, 'the plants that are due');
    await sees(page, /l of mix for \d+ pots?/);
    await page.close();
  });
  it('looks for an aim among what lies in the stores, in whole parts, and puts it beside', async () => {
    const page = await open();
    await type(page, 'Air at least, %', '28');
    await press(page, 'Look for it');
    await sees(page, /The best of [\d,]+ recipes that were tried/);
    await press(page, 'put it beside');
    expect(await page.$$eval('section[aria-label] dl', (all) => all.length)).toBeGreaterThanOrEqual(3);
    await page.close();
  });
  it('says how much opens up a bag, less where less is asked', async () => {
    const page = await on.open('/potting/mixing');
    await sees(page, /To one part of the bag/, 'section[aria-labelledby="amend"]');
    const first = () =>
      page.$eval('section[aria-labelledby="amend"] li b', (one) => Number.parseFloat(one.textContent!));
    const least = await first();
    await type(page, 'Air wanted, %', '30');
    await page.waitForFunction(
      (before) =>
        Number.parseFloat(document.querySelector('section[aria-labelledby="amend"] li b')?.textContent ?? '0') > before,
      {},
      least,
    );
    await press(page, /^put it beside: /, 'section[aria-labelledby="amend"]');
    await page.waitForFunction(() =>
      [...document.querySelectorAll<HTMLInputElement>('input[aria-label="Name of the recipe"]')].some((one) =>
        / with /.test(one.value),
      ),
    );
    await page.close();
  });
  it('reckons a batch, says what lacks, and takes it from the stores', async () => {
    const page = await open();
    await type(page, 'Pots', '4');
    await sees(page, /l of mix for 4 pots/);
    await sees(page, /wear a mask/);
    const pumice = async () => {
      const { stock } = (await (await fetch(`${on.url}/api/stock`)).json()) as {
        stock: { name: string; amount: number }[];
      };
      return stock.find(({ name }) => name.startsWith('Pumice'))!.amount;
    };
    const before = await pumice();
    await press(page, 'Mixed it: take it from the stores');
    await sees(page, /Taken from the stores/);
    expect(await pumice()).toBeLessThan(before);
    await page.close();
  });
  it('keeps a recipe, which can then be chosen', async () => {
    const page = await open();
    await page.click('section[aria-label="Half and half"] button.btn');
    await sees(page, /you can choose it wherever a mix is asked for/);
    const { mixes } = (await (await fetch(`${on.url}/api/kit`)).json()) as { mixes: { name: string }[] };
    expect(mixes.map(({ name }) => name)).toContain('Half and half');
    await page.close();
  });
});

describe('potting', () => {
  it('shows who is due with reasons, the next pot beside the old one, and what to mind', async () => {
    const page = await on.open('/potting');
    await sees(page, /To check/);
    await expectAccessible(page);
    await page.click('main li button');
    await sees(page, /times the mix it has/);
    await sees(page, /How deep:/);
    await expectAccessible(page);
    await page.close();
  });
  it('gives the due ones pots of the shelf, and names what is to be bought', async () => {
    const page = await on.open('/potting');
    await sees(page, /Its pot is on the shelf: |Pots to buy: \d+ of about/);
    await page.close();
  });
  it('potted, it says what follows, and the round looks after it', async () => {
    const page = await on.open('/potting');
    await sees(page, /To check/);
    await page.click('main li button');
    await sees(page, /times the mix it has/);
    const name = await page.$eval('#bench-plant + p', (one) => one.textContent ?? '');
    await press(page, 'Pot it…');
    await page.waitForSelector('dialog[open]');
    await expectAccessible(page);
    await press(page, 'brown and soft');
    await press(page, 'half cut');
    const yesterday = await page.$eval('dialog input[type=date]', (one) => {
      const day = new Date(`${one.value}T00:00:00Z`);
      day.setUTCDate(day.getUTCDate() - 1);
      return day.toISOString().slice(0, 10);
    });
    await page.$eval(
      'dialog input[type=date]',
      (one, day) => {
        Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, 'value')!.set!.call(one, day);
        one.dispatchEvent(new Event('input', { bubbles: true }));
      },
      yesterday,
    );
    await press(page, 'Potted');
    await sees(page, /First drink from .*rot wounds need to dry first/);
    await sees(page, /No food before/);
    await press(page, 'Good');
    const round = await on.open('/');
    await sees(
      round,
      new RegExp(`${name.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&').slice(0, 12)}[\\s\\S]*Check how it stands`),
    );
    await round.close();
    await page.close();
  });
});

describe('the stores', () => {
  it('are counted, and say what runs low', async () => {
    const page = await on.open('/potting/stores');
    await sees(page, /Runs low: Perlite/);
    await expectAccessible(page);
    await page.type('input[aria-label="Amount of Perlite"]', '20');
    await press(page, 'set to Perlite');
    await sees(page, /Perlite: 20 l/);
    expect(await page.evaluate(() => document.body.textContent)).not.toMatch(/Runs low: [^.]*Perlite/);
    await page.close();
  });
  it('take in a new thing, or say what is missing', async () => {
    const page = await on.open('/potting/stores');
    await sees(page, /Something new/);
    await press(page, 'Add to the stores');
    await sees(page, /A name is wanted/);
    await type(page, 'Name', 'River sand');
    await type(page, 'How much, l', '4');
    await press(page, 'Add to the stores');
    await sees(page, /River sand: 4 l/);
    await page.close();
  });
});
