/**
 * Scrolling the list of 5,000 plants at the desk, by a trace of the browser: how long its main thread was held at once, and
 * how many frames came late. 60 frames a second leave 16.7 ms each; none over 20 ms is wanted.
 */
// @ts-expect-error plain JavaScript, shared with the screenshot script
import { openBrowser } from '../scripts/browser.mjs';
import type { Browser, HTTPRequest } from 'puppeteer-core';
import { ask } from '../drill/ask.ts';
import { Home } from '../drill/home.ts';

const PLANTS = 5000;
const LATE_MS = 20;

interface Table {
  fields: string[];
  rows: unknown[][];
}

/** As many rows as a large collection has, of the demo's own. */
function grown({ fields, rows }: Table): Table {
  const id = fields.indexOf('id');
  const many = Array.from({ length: PLANTS }, (_, i) => rows[i % rows.length]!.with(id, i + 1));
  return { fields, rows: many };
}

interface TraceEvent {
  name: string;
  ph: string;
  dur?: number;
  tid: number;
  pid: number;
  args?: { name?: string };
}

const home = new Home();
const chromium = (await openBrowser()) as { browser: Browser; close(): Promise<void> };
try {
  const server = await home.start();
  await ask(server.url, '/api/round');
  const table = grown((await (await fetch(`${server.url}/api/plants`)).json()) as Table);
  const page = await chromium.browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.setRequestInterception(true);
  page.on('request', (request: HTTPRequest) => {
    if (request.url().endsWith('/api/plants'))
      void request.respond({ contentType: 'application/json', body: JSON.stringify(table) });
    else void request.continue();
  });
  await page.goto(`${server.url}/benches/list`, { waitUntil: 'networkidle0' });
  await page.waitForFunction((wanted) => document.body.textContent?.includes(`${wanted} plants`), {}, PLANTS);
  await page.tracing.start({
    categories: ['toplevel', 'disabled-by-default-devtools.timeline', 'devtools.timeline', '__metadata'],
  });
  // A hand that flings the list: four seconds at 7,000 pixels a second.
  const frames = await page.evaluate(async () => {
    const body = document.querySelector('[role=table]')!.parentElement!;
    const gaps: number[] = [];
    let before = performance.now();
    const until = before + 4000;
    while (before < until) {
      await new Promise(requestAnimationFrame);
      const now = performance.now();
      gaps.push(now - before);
      before = now;
      body.scrollTop += 120;
    }
    return { gaps, top: body.scrollTop };
  });
  const trace = JSON.parse(Buffer.from((await page.tracing.stop())!).toString()) as { traceEvents: TraceEvent[] };
  // The page's own main thread: of several renderers the one that worked.
  const mains = trace.traceEvents.filter(({ name, args }) => name === 'thread_name' && args?.name === 'CrRendererMain');
  const [tasks] = mains
    .map((main) =>
      trace.traceEvents
        .filter(({ name, ph, tid, pid }) => /RunTask/.test(name) && ph === 'X' && tid === main.tid && pid === main.pid)
        .map(({ dur = 0 }) => dur / 1000),
    )
    .toSorted((one, other) => other.reduce((sum, ms) => sum + ms, 0) - one.reduce((sum, ms) => sum + ms, 0)) as [
    number[],
  ];
  const gaps = frames.gaps.slice(1).toSorted((a, b) => a - b);
  const late = gaps.filter((gap) => gap > LATE_MS).length;
  console.log(
    `${PLANTS} plants, ${Math.round(frames.top / 44)} rows passed: ${gaps.length} frames in 4 s, the middle one ` +
      `${gaps[Math.floor(gaps.length / 2)]!.toFixed(1)} ms, the worst ${gaps.at(-1)!.toFixed(1)} ms, ${late} over ` +
      `${LATE_MS} ms`,
  );
  console.log(
    `main thread: ${tasks.length} tasks, the longest ${Math.max(0, ...tasks).toFixed(1)} ms (${LATE_MS} wanted at ` +
      `most), ${tasks.filter((ms) => ms > LATE_MS).length} over`,
  );
} finally {
  await chromium.close();
  await home.clear();
}
