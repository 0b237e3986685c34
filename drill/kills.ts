/**
 * The server and its MariaDB are killed outright again and again under four keepers who mark. What was acknowledged must
 * stand once; what was not is sent again under its ids, and must stand once then.
 */
import { ask, type Mark, markOn, plantIds, sleep } from './ask.ts';
import type { Chance } from './chance.ts';
import type { Home, Started } from './home.ts';
import type { Table } from './table.ts';

const KEEPERS = 4;
const LONGEST_MS = 700;

interface Ledger {
  acknowledged: Mark[];
  /** nobody knows */
  open: Mark[];
  /** told that nothing of them was written */
  denied: Mark[];
}

/** Marks until told to stop. */
async function keeper(url: string, ids: readonly number[], chance: Chance, ledger: Ledger, going: { on: boolean }) {
  while (going.on) {
    const mark = markOn(chance.of(ids));
    const { status, body } = await ask(url, '/api/marks', { body: mark.body });
    if (status === 201 || status === 200) ledger.acknowledged.push(mark);
    else if ((body as { written?: string } | null)?.written === 'no') ledger.denied.push(mark);
    else ledger.open.push(mark);
    if (status === 0 || status >= 500) await sleep(50);
  }
}

async function standing(home: Home, marks: readonly Mark[]): Promise<Map<string, number>> {
  if (marks.length === 0) return new Map();
  const rows = await home.rows<{ client_id: string; n: number }>(
    'SELECT client_id, COUNT(*) AS n FROM journal WHERE client_id IN (?) GROUP BY client_id',
    [marks.map(({ clientId }) => clientId)],
  );
  return new Map(rows.map(({ client_id: id, n }) => [id, Number(n)]));
}

/** Waits until the round is answered again. */
async function back(url: string, ms = 30_000): Promise<boolean> {
  const end = Date.now() + ms;
  while (Date.now() < end) {
    if ((await ask(url, '/api/timers')).status === 200) return true;
    await sleep(100);
  }
  return false;
}

/** Sends again what is open. @returns how many were refused */
async function sendAgain(url: string, ledger: Ledger): Promise<number> {
  let refused = 0;
  for (const mark of ledger.open.splice(0)) {
    const { status } = await ask(url, '/api/marks', { body: mark.body });
    if (status === 200 || status === 201) ledger.acknowledged.push(mark);
    else refused++;
  }
  return refused;
}

export async function kills(home: Home, table: Table, times: number, chance: Chance): Promise<void> {
  const ledger: Ledger = { acknowledged: [], open: [], denied: [] };
  let server: Started = await home.start();
  await ask(server.url, '/api/round');
  const ids = await plantIds(server.url);
  let refused = 0;
  let stayed = 0;
  let slowest = 0;
  const killed = { server: 0, database: 0, both: 0 };
  for (let i = 0; i < times; i++) {
    const going = { on: true };
    const { url } = server;
    const marking = Array.from({ length: KEEPERS }, () => keeper(url, ids, chance, ledger, going));
    await sleep(chance.between(30, LONGEST_MS));
    const what = chance.of(['server', 'database', 'both'] as const);
    killed[what]++;
    if (what !== 'server') process.kill(home.databasePid(), 'SIGKILL');
    if (what !== 'database') server.kill('SIGKILL');
    if (what === 'database') {
      await sleep(chance.between(100, 1500));
      going.on = false;
      await Promise.all(marking);
      if (!(await back(url))) stayed++;
    } else {
      await server.ended;
      going.on = false;
      await Promise.all(marking);
      const from = performance.now();
      server = await home.start();
      slowest = Math.max(slowest, performance.now() - from);
    }
    refused += await sendAgain(server.url, ledger);
  }
  const there = await standing(home, ledger.acknowledged);
  const lost = ledger.acknowledged.filter(({ clientId }) => !there.has(clientId)).length;
  const doubled = [...there.values()].filter((n) => n > 1).length;
  const lied = (await standing(home, ledger.denied)).size;
  const all = `${times} kills (${killed.server} of the server, ${killed.database} of MariaDB, ${killed.both} of both)`;
  table.hold(`${all}: nothing acknowledged is lost`, lost === 0, `${lost} of ${ledger.acknowledged.length}`);
  table.hold('nothing stands twice', doubled === 0, `${doubled}`);
  table.hold('what is sent again is never refused', refused === 0, `${refused}`);
  table.hold('“nothing was written” is true', lied === 0, `${lied} of ${ledger.denied.length}`);
  table.hold('MariaDB comes back by itself', stayed === 0, `${killed.database - stayed} of ${killed.database}`);
  table.hold('every start opens', true, `the slowest in ${(slowest / 1000).toFixed(1)} s`);
  await server.stop();
}

/** MariaDB stops answering without dying, as on a disk that hangs. */
export async function hangs(home: Home, table: Table): Promise<void> {
  const server = await home.start();
  const { url } = server;
  await ask(url, '/api/round');
  const ids = await plantIds(url);
  const ledger: Ledger = { acknowledged: [], open: [], denied: [] };
  const pid = home.databasePid();
  process.kill(pid, 'SIGSTOP');
  const marks = ids.slice(0, 27).map((id) => markOn(id));
  const from = performance.now();
  const answers = await Promise.all([
    ...marks.map((mark) => ask(url, '/api/marks', { body: mark.body })),
    ask(url, '/api/round'),
    ask(url, '/api/plants'),
    ask(url, '/api/timers'),
  ]);
  const longest = (performance.now() - from) / 1000;
  process.kill(pid, 'SIGCONT');
  for (const [i, mark] of marks.entries()) {
    const { status, body } = answers[i]!;
    if (status < 300) ledger.acknowledged.push(mark);
    else if ((body as { written?: string } | null)?.written === 'no') ledger.denied.push(mark);
    else ledger.open.push(mark);
  }
  const told = answers.filter(({ status, retryAfter }) => status === 503 && retryAfter !== undefined).length;
  table.hold(
    'a database that hangs is told with 503 and Retry-After, within 30 s',
    told === answers.length && longest < 30,
    `${told} of ${answers.length}, the last after ${longest.toFixed(1)} s`,
  );
  table.hold('it answers again once it goes on', await back(url), 'asked every tenth of a second');
  const lied = (await standing(home, ledger.denied)).size;
  table.hold('“nothing was written” is true', lied === 0, `${lied} of ${ledger.denied.length}`);
  ledger.open.push(...ledger.denied.splice(0));
  const refused = await sendAgain(url, ledger);
  const there = await standing(home, marks);
  table.hold(
    'sent again under their ids, all stand once',
    refused === 0 && marks.every(({ clientId }) => there.get(clientId) === 1),
    `${there.size} of ${marks.length}`,
  );
  await server.stop();
}

/** Two servers on one database. */
export async function two(home: Home, table: Table): Promise<void> {
  const first = await home.start();
  const second = await home.start();
  await Promise.all([first, second].map(({ url }) => ask(url, '/api/round')));
  const ids = await plantIds(first.url);
  let agreed = 0;
  let once = 0;
  const ROUNDS = 20;
  for (let i = 0; i < ROUNDS; i++) {
    const mark = markOn(ids[i]!);
    const answers = await Promise.all([first, second].map(({ url }) => ask(url, '/api/marks', { body: mark.body })));
    const rows = await standing(home, [mark]);
    if (rows.get(mark.clientId) === 1 && answers.every(({ status }) => status === 200 || status === 201)) once++;
    const [a, b] = await Promise.all([first, second].map(({ url }) => ask(url, `/api/plants/${ids[i]}`)));
    const shown = (answer: typeof a) => JSON.stringify([answer!.body.outlook.moisture, answer!.body.revision]);
    if (shown(a) === shown(b)) agreed++;
  }
  table.hold('one mark sent to both at once stands once', once === ROUNDS, `${once} of ${ROUNDS}`);
  table.hold('both say the same of it at once', agreed === ROUNDS, `${agreed} of ${ROUNDS}`);
  const place = (await ask(first.url, '/api/places')).body.places[0] as { id: number };
  const pots = async (url: string) =>
    ((await ask(url, `/api/places/${place.id}/pots`)).body.pots as { id: number }[]).map(({ id }) => id);
  const order = (await pots(first.url)).toReversed();
  await ask(first.url, `/api/places/${place.id}/order`, { body: { ids: order } });
  await sleep(2000);
  const seen = (await ask(second.url, '/api/round')).body.sites
    .flatMap((site: any) => site.places)
    .find(({ id }: { id: number }) => id === place.id)
    .pots.map(({ id }: { id: number }) => id) as number[];
  table.hold(
    'an order set on one shows on the other within 2 s',
    JSON.stringify(seen) === JSON.stringify(order.filter((id) => seen.includes(id))),
    `${seen.length} pots`,
  );
  first.kill('SIGKILL');
  await first.ended;
  const after = await ask(second.url, '/api/timers');
  table.hold('the second goes on when the first is killed', after.status === 200, `${after.status}`);
  await second.stop();
}
