/** How long one large request holds up another, on the demo: the worst of each, of all that is taken here at its largest. */
import { holdUps } from '../drill/holdUp.ts';
import { Home } from '../drill/home.ts';
import { ask } from '../drill/ask.ts';

const home = new Home();
try {
  const server = await home.start();
  await ask(server.url, '/api/round');
  let worst = 0;
  await holdUps(server.url, server.pid, ({ name, status, ms, worstMs, worstCpuMs, mb }) => {
    worst = Math.max(worst, worstCpuMs);
    console.log(
      `${name}: ${status} in ${ms.toFixed(0)} ms; another waited ${worstCpuMs.toFixed(0)} ms of its work, ${worstMs.toFixed(0)} ms by the clock; ${mb.toFixed(0)} MB`,
    );
  });
  console.log(`the worst: ${worst.toFixed(0)} ms (200 wanted at most)`);
} finally {
  await home.clear();
}
