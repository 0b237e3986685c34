/**
 * Fifty clients marking and reading the round of the demo, as fast as they are answered: held against what one of them gets
 * alone on this machine, so that only its own figures hang on how fast that is.
 */
import { ask, markOn, plantIds, quantile } from './ask.ts';
import type { Home, Started } from './home.ts';
import type { Table } from './table.ts';

const CLIENTS = 50;
const ALONE_S = 10;
/** A crowd is served no slower than one after the other: what it shares (a walk, an answer) pays for what it costs. */
const LEAST_OF_ALONE = 1;
/** Of what a client waits when all wait for each other in turn; nobody is left behind. */
const MOST_OF_A_TURN = 4;
const MOST_MB = 400;

interface Served {
  marks: number[];
  rounds: number[];
  bad: number;
  aSecond: number;
}

async function served(server: Started, ids: readonly number[], clients: number, seconds: number): Promise<Served> {
  const { url } = server;
  const marks: number[] = [];
  const rounds: number[] = [];
  let bad = 0;
  const end = performance.now() + seconds * 1000;
  await Promise.all(
    Array.from({ length: clients }, async (_, client) => {
      for (let i = 0; performance.now() < end; i++) {
        const marking = (client + i) % 2 === 1;
        const { status, ms } = marking
          ? await ask(url, '/api/marks', { body: markOn(ids[(client * 7 + i) % ids.length]!).body })
          : await ask(url, '/api/round');
        if (status !== (marking ? 201 : 200)) bad++;
        (marking ? marks : rounds).push(ms);
      }
    }),
  );
  return { marks, rounds, bad, aSecond: (marks.length + rounds.length) / seconds };
}

export async function load(home: Home, table: Table, seconds: number): Promise<void> {
  const server = await home.start();
  await ask(server.url, '/api/round');
  const ids = await plantIds(server.url);
  let most = server.memoryMb();
  const before = most;
  const watch = setInterval(() => (most = Math.max(most, server.memoryMb())), 500);
  const alone = await served(server, ids, 1, ALONE_S);
  const crowd = await served(server, ids, CLIENTS, seconds);
  clearInterval(watch);
  await server.stop();
  const ms = (value: number) => `${value.toFixed(0)} ms`;
  table.hold(
    'none of them fails',
    alone.bad + crowd.bad === 0,
    `${alone.bad + crowd.bad} of ${crowd.marks.length + crowd.rounds.length}`,
  );
  table.hold(
    `${CLIENTS} clients are served no slower than one after the other`,
    crowd.aSecond >= LEAST_OF_ALONE * alone.aSecond,
    `${crowd.aSecond.toFixed(0)} requests a second, ${alone.aSecond.toFixed(0)} of one alone`,
  );
  const turn = (1000 * CLIENTS) / crowd.aSecond;
  table.hold(
    `no mark waits longer than ${MOST_OF_A_TURN} turns of all`,
    quantile(crowd.marks, 0.99) <= MOST_OF_A_TURN * turn,
    `${ms(quantile(crowd.marks, 0.5))} in the middle, ${ms(quantile(crowd.marks, 0.99))} at the 99th, a turn ${ms(turn)}; alone ${ms(quantile(alone.marks, 0.5))}; the round ${ms(quantile(crowd.rounds, 0.5))} and ${ms(quantile(crowd.rounds, 0.99))}`,
  );
  table.hold(
    `memory under ${MOST_MB} MB`,
    most <= MOST_MB,
    `${before.toFixed(0)} before, at most ${most.toFixed(0)} MB`,
  );
}
