/** Fifty clients marking and reading the round of the demo, as fast as they are answered. */
import { ask, markOn, plantIds, quantile } from './ask.ts';
import type { Home } from './home.ts';
import type { Table } from './table.ts';

const CLIENTS = 50;
const MOST_MARK_MS = 150;
const LEAST_A_SECOND = 464;
const MOST_MB = 400;

export async function load(home: Home, table: Table, seconds: number): Promise<void> {
  const server = await home.start();
  const { url } = server;
  await ask(url, '/api/round');
  const ids = await plantIds(url);
  const marks: number[] = [];
  const rounds: number[] = [];
  let bad = 0;
  let most = server.memoryMb();
  const before = most;
  const watch = setInterval(() => (most = Math.max(most, server.memoryMb())), 500);
  const end = performance.now() + seconds * 1000;
  await Promise.all(
    Array.from({ length: CLIENTS }, async (_, client) => {
      for (let i = 0; performance.now() < end; i++) {
        if ((client + i) % 2 === 0) {
          const { status, ms } = await ask(url, '/api/round');
          if (status !== 200) bad++;
          rounds.push(ms);
        } else {
          const { status, ms } = await ask(url, '/api/marks', {
            body: markOn(ids[(client * 7 + i) % ids.length]!).body,
          });
          if (status !== 201) bad++;
          marks.push(ms);
        }
      }
    }),
  );
  clearInterval(watch);
  await server.stop();
  const a = (marks.length + rounds.length) / seconds;
  const ms = (value: number) => `${value.toFixed(0)} ms`;
  table.hold('none of them fails', bad === 0, `${bad} of ${marks.length + rounds.length}`);
  table.hold(`${LEAST_A_SECOND} requests a second`, a >= LEAST_A_SECOND, `${a.toFixed(0)}`);
  table.hold(
    `a mark under ${MOST_MARK_MS} ms at the 99th`,
    quantile(marks, 0.99) <= MOST_MARK_MS,
    `${ms(quantile(marks, 0.5))} in the middle, ${ms(quantile(marks, 0.99))}; the round ${ms(quantile(rounds, 0.5))} and ${ms(quantile(rounds, 0.99))}`,
  );
  table.hold(
    `memory under ${MOST_MB} MB`,
    most <= MOST_MB,
    `${before.toFixed(0)} before, at most ${most.toFixed(0)} MB`,
  );
}
