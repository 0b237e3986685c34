/** The clinic in a browser: what is seen is pointed at, the next look answered, the verdict taken, and every screen follows. */
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { expectAccessible, press, sees, type Stage, stage, told } from './stage.ts';

let on: Stage;
beforeAll(async () => {
  on = await stage();
});
afterAll(() => on?.close());

const idOf = async (name: string): Promise<number> => {
  const { plants } = (await (await fetch(`${on.url}/api/find?q=${encodeURIComponent(name)}`)).json()) as {
    plants: { id: number }[];
  };
  return plants[0]!.id;
};
const back = (days: number) => new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10);
async function write(plant: number, ...entries: object[]): Promise<void> {
  const answer = await fetch(`${on.url}/api/marks`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', origin: on.url },
    body: JSON.stringify({
      marks: [{ plant_id: plant, entries: entries.map((entry) => ({ client_id: crypto.randomUUID(), ...entry })) }],
      anyway: true,
    }),
  });
  expect(answer.status).toBeLessThan(300);
}

describe('limp with a wet pot', () => {
  it('press the base, soft: no water on any screen, and the unpotting stands on the Round', async () => {
    const id = await idOf('Echeveria ‘Morning Barge’');
    await write(
      id,
      { type: 'watering', method: 'drench', date: back(4) },
      { type: 'check', finger: 'wet', date: back(0) },
    );
    const page = await on.open(`/clinic/${id}`);
    await sees(page, /What do you see/);
    await press(page, /All over/, 'ol');
    await press(page, 'Limp');
    await told(page, /seen: limp/);
    await sees(page, /Press the base with your thumb/);
    await expectAccessible(page);
    await press(page, /^Soft/);
    await told(page, /soft/);
    await sees(page, /Unpot it today, no water/, '[data-testid=judged]');
    await press(page, 'It is this: open a case');
    await sees(page, /No water until/, 'article');
    await sees(page, /Cut to clean tissue/, 'article');
    await expectAccessible(page);
    await page.goto(`${on.url}/`, { waitUntil: 'networkidle0' });
    await sees(page, /Unpot it today.*For .*rot/, `#pot-${id}`);
    await page.goto(`${on.url}/plants/${id}`, { waitUntil: 'networkidle0' });
    await sees(page, /Unpot it today, no water/, 'h2#now');
    await page.close();
  });
  it('a step done on the Round is done on the sheet, and can be taken back', async () => {
    const id = await idOf('Echeveria ‘Morning Barge’');
    const page = await on.open('/');
    const unpotted = () => press(page, /Morning Barge.*, Unpot it, done/, `#pot-${id}`);
    await unpotted();
    await told(page, /Morning Barge.*: done/);
    await press(page, 'Undo');
    await told(page, /taken back/);
    // Taken back, it is asked for again.
    await unpotted();
    await told(page, /Morning Barge.*: done/);
    await page.goto(`${on.url}/clinic/${id}`, { waitUntil: 'networkidle0' });
    await page.waitForFunction(
      () =>
        !document.querySelector('article button[aria-label="Unpot it: done"]') &&
        Boolean(document.querySelector('article button[aria-label="Cut to clean tissue: done"]')),
    );
    await page.close();
  });
});

describe('limp with a dry pot', () => {
  it('water today, on the sheet and on the Round', async () => {
    const id = await idOf('Pachyphytum oviferum');
    await write(
      id,
      { type: 'state', state: 'growing', date: back(20) },
      { type: 'check', finger: 'dry', date: back(12) },
      { type: 'check', finger: 'dry', date: back(3) },
      { type: 'check', finger: 'dry', date: back(0) },
    );
    const page = await on.open(`/clinic/${id}`);
    await press(page, /All over/, 'ol');
    await press(page, 'Limp');
    await told(page, /seen: limp/);
    await press(page, /The base/, 'ol');
    await press(page, 'A firm base');
    await sees(page, /Thirst/, 'section[aria-labelledby=means]');
    await sees(page, /^(Drench|Measure out|Water)/, '[data-testid=judged]');
    const { task } = (await (await fetch(`${on.url}/api/plants/${id}`)).json()) as {
      task: { judgement: { deeds: { deed: string }[] } };
    };
    expect(['water', 'sip']).toContain(task.judgement.deeds[0]!.deed);
    await page.close();
  });
});

describe('the clinic', () => {
  it('names open cases by bench, the outbreak, what helped; a plant is found by name and opened; nothing spills on a phone', async () => {
    const page = await on.open('/clinic');
    await sees(page, /Open cases/);
    await sees(page, /Mealybugs on Heated bench/);
    await sees(page, /What helped here/);
    await expectAccessible(page);
    await page.type('#amiss', 'Hoya kerrii');
    await press(page, /Hoya kerrii/, 'ul[aria-label="Plants found"]');
    await sees(page, /Its last two months/);
    await page.setViewport({ width: 390, height: 844 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
    await page.close();
  });
  it('begins with what is seen: pointed at on a plant of its build, then the plant, where it stands ready', async () => {
    const page = await on.open('/clinic');
    await press(page, 'or begin with what you see');
    await press(page, 'pads');
    await press(page, /^\d, Ribs and wool$/);
    await press(page, 'White wool');
    await sees(page, /On which plant do you see it: white wool/);
    await expectAccessible(page);
    await page.type('#amiss', 'Opuntia microdasys');
    await press(page, /Opuntia microdasys/, 'ul[aria-label="Plants found"]');
    await page.waitForSelector('button[data-ready=true]');
    await page.click('button[data-ready=true]');
    await told(page, /seen: white wool/);
    await sees(page, /Mealybugs/, 'section[aria-labelledby=means]');
    await page.close();
  });
  it('“normal, leave it” closes as it opens', async () => {
    const id = await idOf('Crassula ‘Lantern’');
    const page = await on.open(`/clinic/${id}`);
    await press(page, 'Normal, nothing to do');
    await told(page, /normal, left alone/);
    await sees(page, /Nothing was wrong/, 'article');
    await page.close();
  });
  it('the two months are walked by key', async () => {
    const page = await on.open(`/clinic/${await idOf('Huernia zebrina')}`);
    await page.$eval('svg[role=slider]', (one) => (one as SVGElement).focus());
    await page.keyboard.press('ArrowLeft');
    await sees(page, /% left;/, 'figcaption');
    await page.close();
  });
});
