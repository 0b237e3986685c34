/**
 * A keeper's day on the screens: many at once, yesterday, another keeper, a timer, taking in, benches, list, rules,
 * finding, files.
 */
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import type { ElementHandle, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { ROOT } from '../../server/test/harness.ts';
import { expectAccessible, feelDry, isDue, press, sees, type Stage, stage, textOf, told, labelled } from './stage.ts';

let on: Stage;
const folder = mkdtempSync(join(tmpdir(), 'zinc-day-'));
beforeAll(async () => {
  on = await stage();
  await feelDry(on.url, /Lamp shelf/);
});
afterAll(() => on?.close());

interface Pot {
  id: number;
  name: string;
  number: string;
  revision: number;
  task: { due: string | null; judgement: { deeds: { deed: string }[] } };
}
const get = async <T>(path: string): Promise<T> => (await (await fetch(on.url + path)).json()) as T;
const round = () =>
  get<{ sites: { today: string; places: { id: number; name: string; pots: Pot[] }[] }[] }>('/api/round');
const potsOf = async () => (await round()).sites.flatMap((site) => site.places.flatMap((place) => place.pots));
const fill = async (page: Page, selector: string, text: string) => {
  await page.$eval(selector, (input) => (input as HTMLInputElement).select());
  await page.type(selector, text);
};
describe('many at once', () => {
  it('a bench’s pots are chosen with one key, watered with another, and all taken back', async () => {
    const page = await on.open('/');
    const bench = (await round()).sites
      .flatMap((site) => site.places)
      .find((place) => place.pots.filter((pot) => isDue(pot)).length > 1)!;
    const due = bench.pots.filter((pot) => isDue(pot));
    for (let i = 0; i < 200 && !(await page.$(`#pot-${due[0]!.id}[aria-current]`)); i++)
      await page.keyboard.press('ArrowDown');
    await page.keyboard.down('Shift');
    await page.keyboard.press('Space');
    await page.keyboard.up('Shift');
    await sees(page, new RegExp(`Selected: ${due.length} pots`));
    await expectAccessible(page);
    await page.keyboard.press('w');
    expect(await told(page, /pots: watered as advised/)).toContain(`${due.length} pots`);
    const after = new Map(
      (await get<{ pots: Pot[] }>(`/api/places/${bench.id}/pots`)).pots.map((pot) => [pot.id, pot]),
    );
    for (const pot of due) expect(isDue(after.get(pot.id)!)).toBe(false);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await told(page, /taken back/);
    expect((await potsOf()).filter((pot) => due.some(({ id }) => id === pot.id) && isDue(pot))).toHaveLength(
      due.length,
    );
    await page.close();
  });
  it('yesterday is one key away', async () => {
    const page = await on.open('/');
    const due = (await potsOf()).find((pot) => isDue(pot))!;
    await page.keyboard.press('y');
    await sees(page, /Notes for \w+day \d+ \w+\./);
    expect(await page.$('button[aria-label^="Watered yesterday: "]')).not.toBeNull();
    for (let i = 0; i < 200 && !(await page.$(`#pot-${due.id}[aria-current]`)); i++)
      await page.keyboard.press('ArrowDown');
    await page.keyboard.press('w');
    await told(page, /watered.*yesterday/);
    const { journal } = await get<{ journal: { voided: boolean; event: { date: string; type: string } }[] }>(
      `/api/plants/${due.id}`,
    );
    const entry = journal.find(({ voided, event }) => !voided && event.type === 'watering');
    expect(entry!.event.date < (await round()).sites[0]!.today).toBe(true);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await told(page, /taken back/);
    await page.close();
  });
  it('a second keeper is told that the first was there', async () => {
    const page = await on.open('/');
    const due = (await potsOf()).find((pot) => isDue(pot))!;
    const { today } = (await round()).sites[0]!;
    const id = crypto.randomUUID();
    await fetch(`${on.url}/api/marks`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', 'X-Keeper': 'Ida', Origin: on.url },
      body: JSON.stringify({
        marks: [{ plant_id: due.id, entries: [{ client_id: id, date: today, type: 'watering', method: 'drench' }] }],
      }),
    });
    for (let i = 0; i < 200 && !(await page.$(`#pot-${due.id}[aria-current]`)); i++)
      await page.keyboard.press('ArrowDown');
    await page.keyboard.press('w');
    expect(await told(page, /already/)).toMatch(/Ida already watered it/);
    await fetch(`${on.url}/api/marks/void`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Origin: on.url },
      body: JSON.stringify({ client_ids: [id] }),
    });
    await page.close();
  });
});

describe('timers', () => {
  it('stand on every screen, survive a reload, and go when they are done', async () => {
    const sill = (await round()).sites[0]!.places.find((place) => /sill/.test(place.name))!;
    const [pot] = (await get<{ pots: Pot[] }>(`/api/places/${sill.id}/pots`)).pots;
    const page = await on.open(`/plants/${pot!.id}`);
    await press(page, 'Note something…');
    await page.waitForSelector('dialog[open]');
    await page.click('dialog input[value=bottom]');
    await page.click('dialog button[type=submit]');
    await page.waitForSelector('[data-testid=timer-lift]');
    await page.goto(`${on.url}/shed`, { waitUntil: 'networkidle0' });
    expect(await textOf(page, '[data-testid=timer-lift]')).toMatch(/in \d+ min.*Lift it out/);
    await expectAccessible(page);
    await press(page, /^Done:.*Lift it out/);
    await page.waitForFunction(() => !document.querySelector('[data-testid=timer-lift]'));
    await page.close();
  });
});

describe('taking in', () => {
  it('offers genera as one types, asks which is meant, and takes in a tray', async () => {
    const page = await on.open('/add');
    await page.type('input[role=combobox]', 'Lobi');
    await sees(page, /also Lobivia/, '[role=listbox]');
    await expectAccessible(page);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    expect(await page.$eval('input[role=combobox]', (input) => (input as HTMLInputElement).value)).toBe('Echinopsis ');
    await fill(page, 'input[role=combobox]', 'bird’s nest');
    await sees(page, /Which is meant/);
    await press(page, 'Dracaena');
    await sees(page, /as Dracaena/);
    await fill(page, 'input[role=combobox]', 'Rebutia heliosa ‘Quay’');
    await fill(page, await labelled(page, 'How many alike'), '20');
    await press(page, 'Add it');
    await sees(page, /× 20/, '[role=status]');
    const { rows } = await get<{ rows: unknown[][] }>('/api/plants');
    expect(rows.filter((row) => row.includes('Rebutia heliosa ‘Quay’'))).toHaveLength(20);
    await press(page, 'look it over');
    await page.waitForSelector('dialog[open]');
    await expectAccessible(page);
    await press(page, /foil, sleeve/, 'dialog');
    await press(page, 'Save', 'dialog');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await sees(page, /apart until/, 'main header');
    await page.close();
  });
  it('says what is missing, and keeps what was typed', async () => {
    const page = await on.open('/add');
    await fill(page, await labelled(page, 'How many alike'), '0');
    await press(page, 'Add it');
    await page.waitForSelector('[role=alert]');
    const told = await page.$$eval('[role=alert]', (all) => all.map((one) => one.textContent));
    expect(told.join(' ')).toMatch(/A name.*A number from 1 to 200/);
    // The first of them has the focus, and both are marked.
    expect(await page.evaluate(() => document.activeElement?.getAttribute('role'))).toBe('combobox');
    expect(await page.$$('[aria-invalid=true]')).toHaveLength(2);
    await page.close();
  });
});

describe('one plant', () => {
  it('has rules that can be set with a reason and put back', async () => {
    const page = await on.open('/plants/3');
    await press(page, 'Set its rules…');
    await page.waitForSelector('dialog[open]');
    await expectAccessible(page);
    await page.click('dialog input[name=trigger][value=calendar]');
    await page.waitForSelector('dialog input[inputmode=numeric]');
    const why = await labelled(page, 'Why, for what you changed now', 'dialog');
    await page.type(why, 'the sitter wants a list');
    await press(page, 'Save', 'dialog');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await sees(page, /by the calendar.*because the sitter wants a list/);
    await press(page, 'Reset: Calls');
    await sees(page, /when the pot is dry enough/);
    await page.close();
  });
  it('is measured, pictured, and its pictures stand side by side', async () => {
    const page = await on.open('/plants/1');
    const file = join(folder, 'a.png');
    writeFileSync(
      file,
      await sharp({ create: { width: 300, height: 200, channels: 3, background: '#b4653f' } })
        .png()
        .toBuffer(),
    );
    const before = (await page.$$('main section img[src*="/small"]')).length;
    await ((await page.$('input[type=file]')) as ElementHandle<HTMLInputElement>).uploadFile(file);
    await page.waitForFunction(
      (n) => document.querySelectorAll('main section img[src*="/small"]').length === n + 1,
      {},
      before,
    );
    await press(page, /^Show the picture of/);
    await page.waitForSelector('img[src*="/large"]');
    await press(page, 'Note something…');
    await page.waitForSelector('dialog[open]');
    await page.click('dialog input[value=measure]');
    await page.type(await labelled(page, 'Width, mm', 'dialog'), '33');
    await press(page, 'Save', 'dialog');
    await sees(page, /width: 33 mm now/);
    await expectAccessible(page);
    await page.close();
  });
  it('that died tells its story, and may come back', async () => {
    const page = await on.open('/plants/5');
    await press(page, 'More…');
    await press(page, 'Given away, or died');
    await page.waitForSelector('dialog[open]');
    await expectAccessible(page);
    await press(page, 'Close its record', 'dialog');
    await sees(page, /Its last months, from its notes/);
    await expectAccessible(page);
    await press(page, /^Undo: it is still here/);
    await sees(page, /Three ways to decide/);
    await page.close();
  });
  it('leafless and not in growth it is pressed before its book is closed', async () => {
    const { sites } = await round();
    const benches = await Promise.all(
      sites.flatMap(({ places }) => places.map(({ id }) => fetch(`${on.url}/api/places/${id}/pots`))),
    );
    const pots = (await Promise.all(benches.map((bench) => bench.json()))).flatMap(
      ({ pots: standing }: { pots: { id: number; outlook: { state: string; traits: { form: string } } }[] }) =>
        standing,
    );
    const bare = pots.find(
      ({ outlook }) => ['caudex', 'bulb'].includes(outlook.traits.form) && outlook.state !== 'growing',
    )!;
    const page = await on.open(`/plants/${bare.id}`);
    await press(page, 'More…');
    await press(page, 'Given away, or died');
    await page.waitForSelector('dialog[open]');
    await press(page, 'Close its record', 'dialog');
    await sees(page, /may rest and not be dead/);
    await expectAccessible(page);
    await press(page, 'It is hard: it stays', 'dialog');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await sees(page, /firm base/i);
    await page.close();
  });
  it('back goes back to where one came from', async () => {
    const page = await on.open('/benches/list');
    await page.click('[role=cell] a');
    await page.waitForFunction(() => location.pathname.startsWith('/plants/'));
    await press(page, 'Back');
    await page.waitForFunction(() => location.pathname === '/benches/list');
    await page.close();
  });
});

describe('the shelf', () => {
  it.each([
    ['desk', { width: 1280, height: 800 }],
    ['bench', { width: 390, height: 844 }],
  ] as const)('shows every pot of a bench from the side, at the %s, and opens one at a tap', async (_, viewport) => {
    const page = await on.open('/benches', viewport);
    await press(page, 'From the side');
    await page.waitForSelector('ol[aria-label="From the side"] button');
    await page.waitForFunction(() => document.querySelectorAll('ol[aria-label="From the side"] button').length > 60);
    await expectAccessible(page);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(viewport.width);
    // No name runs into its neighbour's, no pot stands on another.
    const collide = await page.$$eval('ol[aria-label="From the side"] li', (pots) => {
      const boxes = pots.map((pot) => pot.getBoundingClientRect());
      return boxes.filter((a, i) =>
        boxes.some(
          (b, j) =>
            j > i && a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1,
        ),
      ).length;
    });
    expect(collide).toBe(0);
    await page.click('ol[aria-label="From the side"] button');
    await page.waitForFunction(() => location.pathname.startsWith('/plants/'));
    await page.close();
  });
  it('stands on the Round in one row; a tap on a pot opens its line, one that asks for nothing too', async () => {
    const page = await on.open('/');
    const quiet = 'ol[aria-label="From the side"] button[data-judged="leave"]';
    await page.waitForSelector(quiet);
    const number = await page.$$eval(quiet, (all) => {
      const numberOf = (pot: Element) => pot.getAttribute('aria-label')!.split(' ')[0]!;
      const pot = all.find((one) => !document.querySelector(`[data-line="${numberOf(one)}"]`))!;
      (pot as HTMLElement).click();
      return numberOf(pot);
    });
    await page.waitForSelector(`[data-line="${number}"][aria-current]`);
    const loud = await page.$eval('[data-line]', (line) => line.getAttribute('data-line')!);
    await page.$eval(`ol[aria-label="From the side"] button[aria-label^="${loud} "]`, (pot) =>
      (pot as HTMLElement).click(),
    );
    await page.waitForSelector(`[data-line="${loud}"][aria-current]`);
    await page.close();
  });
});

describe('finding', () => {
  it('by part of a name with the keyboard alone; what was seen comes first next time', async () => {
    const page = await on.open('/benches');
    await page.keyboard.press('/');
    await page.waitForSelector('dialog[open] input');
    await page.type('dialog input', 'gast tow');
    await page.waitForSelector('[role=option]');
    await expectAccessible(page);
    await page.keyboard.press('Enter');
    await page.waitForFunction(() => location.pathname.startsWith('/plants/'));
    await sees(page, /Gasteria ‘Tow Path’/, 'h1');
    await page.keyboard.press('/');
    await sees(page, /Lately seen.*Tow Path/, 'dialog[open]');
    await page.close();
  });
});

describe('benches', () => {
  it('are drawn with their pots, changed, and learn from a table of readings', async () => {
    const page = await on.open('/benches');
    expect((await page.$$('[data-bench] button[data-pot]')).length).toBeGreaterThan(50);
    await press(page, 'Change Covered balcony');
    await page.waitForSelector('dialog[open]');
    await expectAccessible(page);
    await press(page, /^More details/, 'dialog');
    const sun = await labelled(page, 'Hours of sun, as you counted', 'dialog');
    await fill(page, sun, 'many');
    await press(page, 'Save', 'dialog');
    await page.waitForSelector('dialog [role=alert]');
    await fill(page, sun, '3,5');
    await press(page, 'Save', 'dialog');
    await page.waitForFunction(() => !document.querySelector('dialog[open]'));
    await sees(page, /up to 3\.5 h of sun by your count/);
    const csv = join(folder, 'logger.csv');
    writeFileSync(csv, `date,min,max\n${new Date(Date.now() - 86_400_000).toISOString().slice(0, 10)},4,14\n`);
    await press(page, 'Thermometer at Covered balcony');
    await fill(page, await labelled(page, 'Lowest, °C', 'dialog'), 'cold');
    await fill(page, await labelled(page, 'Highest, °C', 'dialog'), '12');
    await press(page, 'Save', 'dialog');
    await page.waitForSelector('dialog [aria-invalid=true]');
    const told = await page.evaluate(() => document.activeElement!.getAttribute('aria-describedby')!);
    expect(await textOf(page, `[id="${told}"]`)).toBe('A number of °C.');
    await ((await page.$('dialog input[type=file]')) as ElementHandle<HTMLInputElement>).uploadFile(csv);
    await sees(page, /1 day written/, 'dialog');
    await expectAccessible(page);
    await page.close();
  });
  it('open their pots under themselves on the walk', async () => {
    const page = await on.open('/walk');
    const [first, second] = (await round()).sites[0]!.places;
    await page.$eval(`[data-testid=walk-${first!.id}] button[aria-expanded]`, (open) => (open as HTMLElement).click());
    await page.waitForSelector(`[data-testid=walk-${first!.id}] ol li`);
    const below = await page.evaluate(
      (a, b) => {
        const top = (id: number, more = '') =>
          document.querySelector(`[data-testid=walk-${id}]${more}`)!.getBoundingClientRect().top;
        return [top(a, ' ol li') - top(a), top(b) - top(a, ' ol li')];
      },
      first!.id,
      second!.id,
    );
    expect(Math.min(...below)).toBeGreaterThan(0);
    await expectAccessible(page);
    await page.close();
  });
  it('are walked in another order by keyboard', async () => {
    const page = await on.open('/walk');
    const before = (await round()).sites[0]!.places.map((place) => place.id);
    await page.focus(`[data-testid=walk-${before[0]}] button`);
    await page.keyboard.press('Space');
    // What is dragged is told to a screen reader: picked up, then moved over its neighbour.
    const sayingOther = async (than: string) => {
      const live = '[id^=DndLiveRegion]';
      await page.waitForFunction((at, old) => document.querySelector(at)?.textContent !== old, {}, live, than);
      return textOf(page, live);
    };
    const pickedUp = await sayingOther('');
    await page.keyboard.press('ArrowDown');
    await sayingOther(pickedUp);
    await page.keyboard.press('Space');
    await page.waitForFunction(
      (id) => document.querySelectorAll('main ol')[0]?.children[1]?.getAttribute('data-testid') === `walk-${id}`,
      {},
      before[0]!,
    );
    await page.waitForNetworkIdle();
    expect((await round()).sites[0]!.places.map((place) => place.id).slice(0, 2)).toEqual([before[1], before[0]]);
    await page.close();
  });
});

describe('the list', () => {
  it('is filtered, sorted, kept as a view, and many are moved with a plan for the sun', async () => {
    const page = await on.open('/benches/list');
    await page.type('input[aria-label="Filter Bench"]', 'cellar');
    await sees(page, /^\d+ of \d+ plants$/, '[role=status]');
    await press(page, 'Wet, %', '[role=table]');
    await page.waitForSelector('[aria-sort=ascending], [aria-sort=descending]');
    await press(page, 'Views');
    await page.type('input[aria-label="Name of this view"]', 'Sleepers');
    await press(page, 'Keep');
    await sees(page, /Sleepers/, 'details ul');
    await press(page, 'Views');
    await page.click('input[aria-label="Choose all that are shown"]');
    await press(page, 'move…');
    await page.waitForSelector('dialog[open]');
    await expectAccessible(page);
    const bench = await labelled(page, 'To', 'dialog');
    const target = (await round()).sites[0]!.places.find((place) => /sill/.test(place.name))!;
    await page.select(bench, String(target.id));
    await press(page, 'Move them', 'dialog');
    await sees(page, /come into more sun: a plan begins with 20 minutes/, 'dialog[open]');
    await press(page, 'Good', 'dialog');
    await page.goto(on.url, { waitUntil: 'networkidle0' });
    await sees(page, /Give it 20 minutes of sun/);
    await page.close();
  });
  it('draws only the rows in sight', async () => {
    const page = await on.open('/benches/list');
    const rows = (await page.$$('[role=row]')).length;
    expect(rows).toBeLessThan(50);
    await page.close();
  });
});

describe('the first script', () => {
  it('is under 250 kB packed, with all that it wants at once', () => {
    const web = join(ROOT, 'build', 'web');
    const wanted = [
      ...readFileSync(join(web, 'index.html'), 'utf8').matchAll(/(?:src|href)="\/(assets\/[^"]+\.js)"/g),
    ].map((match) => match[1]!);
    expect(wanted.length).toBeGreaterThan(0);
    const bytes = wanted.reduce((sum, file) => sum + gzipSync(readFileSync(join(web, file))).length, 0);
    expect(bytes).toBeLessThan(250_000);
  });
  it('and all that was built comes packed to whoever can unpack it, as it is to whoever cannot', async () => {
    const [script] = /assets\/[^"]+\.js/.exec(readFileSync(join(ROOT, 'build', 'web', 'index.html'), 'utf8'))!;
    const encodings = await Promise.all(
      ['br', 'gzip', 'identity'].map(async (accepted) => {
        const answer = await fetch(`${on.url}/${script}`, { headers: { 'Accept-Encoding': accepted } });
        expect((await answer.text()).length).toBeGreaterThan(100);
        return answer.headers.get('content-encoding');
      }),
    );
    expect(encodings).toEqual(['br', 'gzip', null]);
  });
});

describe('units', () => {
  it('are chosen once, and the screens follow', async () => {
    const page = await on.open('/benches');
    await press(page, 'Your name and units');
    await page.click('dialog input[name=temperature][value=F]');
    await press(page, 'Save', 'dialog');
    await sees(page, /\d\d° to \d\d°/);
    await press(page, 'Thermometer at Attic sill, south');
    await sees(page, /Lowest, °F/, 'dialog[open]');
    await page.evaluate(() => localStorage.clear());
    await page.close();
  });
});

describe('the shed', () => {
  it('makes a calendar address, shown once, and closes it', async () => {
    const page = await on.open('/shed/papers-out');
    await page.type('input[aria-label="Who reads it"]', 'Kitchen');
    await press(page, 'Make an address');
    await page.waitForSelector('code');
    const address = await textOf(page, 'code');
    expect((await fetch(address)).status).toBe(200);
    await press(page, 'Close the address of Kitchen');
    await sees(page, /Kitchen, made .*, closed/);
    expect((await fetch(address)).status).toBe(404);
    await page.close();
  });
  it('takes in a garden file as a site of its own', async () => {
    const [site] = (await get<{ sites: { id: number }[] }>('/api/kit')).sites.slice(-1);
    const garden = await get<object>(`/api/export/garden/${site!.id}`);
    const file = join(folder, 'Sister roof.json');
    writeFileSync(file, JSON.stringify(garden));
    const page = await on.open('/shed/papers-in');
    const inputs = await page.$$('input[type=file]');
    await (inputs.at(-1) as ElementHandle<HTMLInputElement>).uploadFile(file);
    await press(page, 'Import it as a site');
    await sees(page, /It is in\./);
    expect((await get<{ sites: { name: string }[] }>('/api/kit')).sites.at(-1)!.name).toBe('Sister roof');
    await page.close();
  });
});
