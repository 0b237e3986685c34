/**
 * The server and its MariaDB are killed outright again and again under four keepers who mark. What was acknowledged must
 * stand once; what was not is sent again under its ids, and must stand once then.
 */
import { ask, DRILLED, type Mark, markOn, plantIds, sleep, writingOn } from './ask.ts';
import type { Chance } from './chance.ts';
import type { Home, Started } from './home.ts';
import type { Table } from './table.ts';

const KEEPERS = 4;
const LONGEST_MS = 700;
const KILLED = ['server', 'database', 'both'] as const;

interface Ledger {
  acknowledged: Mark[];
  /** nobody knows */
  open: Mark[];
  /** told that nothing of them was written */
  denied: Mark[];
}

/** What keepers write with. */
export interface Desk {
  plantIds: readonly number[];
  placeIds: readonly number[];
  mixId: number;
  stockId: number;
}

export async function deskOf(url: string): Promise<Desk> {
  const plants = await plantIds(url);
  const { mixes } = (await ask(url, '/api/kit')).body as { mixes: { id: number }[] };
  const { places } = (await ask(url, '/api/places')).body as { places: { id: number }[] };
  const thing = { kind: 'label', name: 'Labels of the drill', amount: 0 };
  const { id } = (
    await ask(url, '/api/stock', { body: { ...thing, component_ref: null, pot: null, low: null, price_minor: null } })
  ).body as { id: number };
  return { plantIds: plants, placeIds: places.map((place) => place.id), mixId: mixes[0]!.id, stockId: id };
}

const KEPT = 12;

/** The desk of a small collection: a server that was killed has it again in no time. */
async function fewer(url: string, desk: Desk): Promise<Desk> {
  const [kept, given] = [desk.plantIds.slice(0, KEPT), desk.plantIds.slice(KEPT)];
  const { status } = await ask(url, '/api/plants/end', {
    body: { plant_ids: given, how: 'given', date: new Date().toISOString().slice(0, 10) },
  });
  if (status !== 200) throw new Error(`/api/plants/end answered ${status}`);
  return { ...desk, plantIds: kept };
}

/** Writes until told to stop. */
async function keeper(url: string, desk: Desk, chance: Chance, ledger: Ledger, going: { on: boolean }) {
  while (going.on) {
    const mark = writingOn(chance.of(desk.plantIds), desk, chance);
    const { status, body } = await ask(url, mark.path, { body: mark.body });
    if (status === 201 || status === 200) ledger.acknowledged.push(mark);
    else if ((body as { written?: string } | null)?.written === 'no') ledger.denied.push(mark);
    else ledger.open.push(mark);
    if (status === 0 || status >= 500) await sleep(50);
  }
}

const ID_COLUMN = { journal: 'client_id', plant: 'ref', stock_move: 'client_id' } as const;

/** How many rows of each stand: of one that is written, as many as it has ids. */
async function standing(home: Home, marks: readonly Mark[]): Promise<Map<Mark, number>> {
  const there = new Map<string, number>();
  for (const table of ['journal', 'plant', 'stock_move'] as const) {
    const ids = marks.flatMap((mark) => (mark.table === table ? mark.ids : []));
    if (ids.length === 0) continue;
    const rows = await home.rows<{ id: string; n: number }>(
      `SELECT ${ID_COLUMN[table]} AS id, COUNT(*) AS n FROM ${table} WHERE ${ID_COLUMN[table]} IN (?) GROUP BY ${ID_COLUMN[table]}`,
      [ids],
    );
    for (const { id, n } of rows) there.set(String(id).toLowerCase(), Number(n));
  }
  return new Map(marks.map((mark) => [mark, mark.ids.reduce((sum, id) => sum + (there.get(id) ?? 0), 0)]));
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

const AGAIN_MS = 60_000;

/** Sends again what is open; a server that says that it is busy is asked once more. @returns how many were refused */
async function sendAgain(url: string, ledger: Ledger): Promise<number> {
  let refused = 0;
  for (const mark of ledger.open.splice(0)) {
    const until = Date.now() + AGAIN_MS;
    let { status } = await ask(url, mark.path, { body: mark.body });
    while ((status === 503 || status === 0) && Date.now() < until) {
      await sleep(250);
      ({ status } = await ask(url, mark.path, { body: mark.body }));
    }
    if (status === 200 || status === 201) ledger.acknowledged.push(mark);
    else refused++;
  }
  return refused;
}

export async function kills(home: Home, table: Table, times: number, chance: Chance): Promise<void> {
  const ledger: Ledger = { acknowledged: [], open: [], denied: [] };
  let server: Started = await home.start();
  await ask(server.url, '/api/round');
  const desk = await fewer(server.url, await deskOf(server.url));
  let refused = 0;
  let opened = 0;
  let starts = 0;
  let stayed = 0;
  let slowest = 0;
  const killed = { server: 0, database: 0, both: 0 };
  for (let i = 0; i < times; i++) {
    const going = { on: true };
    const { url } = server;
    const marking = Array.from({ length: KEEPERS }, () => keeper(url, desk, chance, ledger, going));
    await sleep(chance.between(30, LONGEST_MS));
    const what = KILLED[i % KILLED.length]!;
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
      starts++;
      // One that does not open is counted, and tried once more: the rest can still be looked at.
      server = await home.start().catch((error: unknown) => {
        console.log(`        a start did not open: ${String(error).slice(0, 500)}`);
        opened--;
        return home.start();
      });
      opened++;
      slowest = Math.max(slowest, performance.now() - from);
    }
    refused += await sendAgain(server.url, ledger);
  }
  const there = await standing(home, ledger.acknowledged);
  const written = (mark: Mark) => there.get(mark)!;
  const lost = ledger.acknowledged.filter((mark) => written(mark) === 0).length;
  const broken = ledger.acknowledged.filter((mark) => written(mark) > 0 && written(mark) !== mark.ids.length).length;
  const denied = await standing(home, ledger.denied);
  const lied = [...denied.values()].filter((n) => n > 0).length;
  const sentOf = (table: Mark['table']) => ledger.acknowledged.filter((mark) => mark.table === table).length;
  const [bought] = await home.rows<{ amount: number }>('SELECT amount FROM stock WHERE id = ?', [desk.stockId]);
  const [come] = await home.rows<{ n: number }>('SELECT COUNT(*) AS n FROM plant WHERE name = ?', [DRILLED]);
  const all = `${times} kills (${killed.server} of the server, ${killed.database} of MariaDB, ${killed.both} of both)`;
  table.hold(`${all}: nothing acknowledged is lost`, lost === 0, `${lost} of ${ledger.acknowledged.length}`);
  table.hold('what is written is written whole, and once', broken === 0, `${broken}`);
  table.hold(
    'the stores hold what was bought, to the piece',
    Number(bought!.amount) === sentOf('stock_move'),
    `${Number(bought!.amount)} of ${sentOf('stock_move')}`,
  );
  table.hold(
    'as many plants stand as were taken in',
    Number(come!.n) === sentOf('plant'),
    `${Number(come!.n)} of ${sentOf('plant')}`,
  );
  table.hold('what is sent again is never refused', refused === 0, `${refused}`);
  table.hold('“nothing was written” is true', lied === 0, `${lied} of ${ledger.denied.length}`);
  table.hold('MariaDB comes back by itself', stayed === 0, `${killed.database - stayed} of ${killed.database}`);
  table.hold(
    'every start opens',
    opened === starts,
    `${opened} of ${starts}, the slowest in ${(slowest / 1000).toFixed(1)} s`,
  );
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
    ...marks.map((mark) => ask(url, mark.path, { body: mark.body })),
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
  const lied = [...(await standing(home, ledger.denied)).values()].filter((n) => n > 0).length;
  table.hold('“nothing was written” is true', lied === 0, `${lied} of ${ledger.denied.length}`);
  ledger.open.push(...ledger.denied.splice(0));
  const refused = await sendAgain(url, ledger);
  const there = await standing(home, marks);
  table.hold(
    'sent again under their ids, all stand once',
    refused === 0 && marks.every((mark) => there.get(mark) === 1),
    `${[...there.values()].filter((n) => n === 1).length} of ${marks.length}`,
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
    const answers = await Promise.all([first, second].map(({ url }) => ask(url, mark.path, { body: mark.body })));
    const rows = await standing(home, [mark]);
    if (rows.get(mark) === 1 && answers.every(({ status }) => status === 200 || status === 201)) once++;
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
