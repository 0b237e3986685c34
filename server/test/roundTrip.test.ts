/** The demo collection as files, and back: what moves a forecast or a judgement is in them, to the last digit. */
import { loadDemo } from '../../demo/load.ts';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Served, served, today } from './harness.ts';
import { daysAgo, keeper } from './keeper.ts';

let here: Served;
beforeAll(async () => {
  here = await served((pool) => loadDemo(pool, () => {}));
});
afterAll(() => here.drop());
const { send } = keeper(() => here);

interface Told {
  id: number;
  name: string;
  outlook: Record<string, unknown>;
  task: { judgement: { deeds: object[]; because: object[] } };
}

/** All that is told of a plant, without what are numbers of rows. */
const told = ({ outlook, task }: Told) => {
  const { rate, moisture, water, hold, dry_on, state, next_change, thirst, wet_feet, traits, weekly_limit_c } = outlook;
  const { deeds, because, ...judgement } = task.judgement;
  return JSON.parse(
    JSON.stringify({
      outlook: { rate, moisture, water, hold, dry_on, state, next_change, thirst, wet_feet, traits, weekly_limit_c },
      deeds: deeds.map(({ to: _bench, ...deed }: any) => deed),
      because,
      judgement,
    }),
  );
};
async function potsOf(siteId: number): Promise<Told[]> {
  const { sites } = (await here.ask('/api/round')).body;
  const site = sites.find(({ id }: { id: number }) => id === siteId);
  const benches = await Promise.all(
    site.places.map(async ({ id }: { id: number }) => (await here.ask(`/api/places/${id}/pots`)).body.pots),
  );
  return benches.flat();
}

describe('a site as a file, taken in again', () => {
  it.each([1, 2])('says the same of each plant: site %i', async (siteId) => {
    const before = await potsOf(siteId);
    // What a record may say besides: rules of its own, another pot, a name nobody knows, roots found at a potting.
    const [first, second, third] = before;
    const change = async (id: number, body: object) => {
      const { version } = (await here.ask(`/api/plants/${id}`)).body;
      expect((await send(`/api/plants/${id}`, body, { 'If-Match': `"${version}"` }, 'PATCH')).status).toBe(200);
    };
    await change(first!.id, { rules: { dueAt: 0.3, ceilingC: 33, everyDays: Array(12).fill(9), trigger: 'calendar' } });
    await change(second!.id, { name_sure: 'unknown', used_to: 'moist peat in the shade', acquired_on: daysAgo(40) });
    const { body: plant } = await here.ask(`/api/plants/${third!.id}`);
    const pot = { ...plant.outlook.pot, dark: true, hole_count: 1, hole_mm: 4, crocks_mm: 15 };
    const potting = {
      client_id: crypto.randomUUID(),
      kind: 'repotted',
      date: today(),
      pot,
      mix_id: plant.mix.id,
      findings: ['circling'],
      root_loss: 0.2,
    };
    expect(
      (await send(`/api/plants/${third!.id}/pottings`, potting, { 'If-Match': `"${plant.version}"` })).status,
    ).toBe(201);

    const { body: file } = await here.ask(`/api/export/garden/${siteId}`);
    const { sites } = (await here.ask('/api/kit')).body;
    const { time_zone: zone } = sites.find(({ id }: { id: number }) => id === siteId);
    const taken = await send(`/api/import/garden?name=Again&time_zone=${encodeURIComponent(zone)}`, file);
    expect(taken.status, JSON.stringify(taken.body).slice(0, 500)).toBe(201);
    // Both reckoned from nothing: what a bench had taught before its last change is no longer kept.
    await here.restart();
    const [was, is] = [await potsOf(siteId), await potsOf(taken.body.site_id)];
    expect(is).toHaveLength(was.length);
    const differing = was.filter((one, i) => JSON.stringify(told(one)) !== JSON.stringify(told(is[i]!)));
    const [shown] = differing;
    expect(shown && told(is[was.indexOf(shown)]!)).toEqual(shown && told(shown));
    expect(differing.map(({ name }) => name)).toEqual([]);
  });
});
