/** The clock of the machine goes wrong, and right again. */
import { writeFileSync } from 'node:fs';
import { ask, markOn, plantIds, sleep } from './ask.ts';
import type { Home } from './home.ts';
import type { Table } from './table.ts';

const DAY_MS = 86_400_000;
const JUMPS: [string, number][] = [
  ['a day on', DAY_MS],
  ['a year and a day on', 366 * DAY_MS],
  ['ten years on', 3653 * DAY_MS],
  ['right again', 0],
  ['a day back', -DAY_MS],
  ['two years back', -730 * DAY_MS],
  ['twenty years back', -7305 * DAY_MS],
  ['right again after all', 0],
];

export async function clocks(home: Home, table: Table): Promise<void> {
  const clockFile = home.file('0');
  const server = await home.start({ clockFile });
  const { url } = server;
  await ask(url, '/api/round');
  const ids = await plantIds(url);
  for (const [name, ms] of JUMPS) {
    writeFileSync(clockFile, String(ms));
    await sleep(300);
    const today = new Date(Date.now() + ms).toISOString().slice(0, 10);
    const round = await ask(url, '/api/round');
    const days = round.status === 200 ? (round.body.sites as { today: string }[]).map((site) => site.today) : [];
    const near = days.every((day) => Math.abs(Date.parse(day) - Date.parse(today)) <= DAY_MS);
    const mark = markOn(ids[3]!, days[0] ?? today);
    const marked = await ask(url, '/api/marks', { body: mark.body });
    const others = await Promise.all(
      ['/api/plants', '/api/places', `/api/plants/${ids[3]}`].map((path) => ask(url, path)),
    );
    const statuses = [round, marked, ...others].map(({ status }) => status);
    table.hold(
      `${name}: everything answers, and today is that day`,
      near && statuses.every((status) => status === 200 || status === 201),
      `${days[0] ?? 'no day'}; ${statuses.join(', ')}`,
    );
    await ask(url, '/api/marks/void', { body: { client_ids: [mark.ids[0]!] } });
  }
  await server.stop();
}
