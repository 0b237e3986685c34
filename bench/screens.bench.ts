/**
 * How screens load, and how the Round stands, on twelve days of a year of the demo: first paint, shift, long tasks, bytes;
 * where the first line and the first pot to water stand, how high the Round is, how many words stand above the fold.
 * Bars of the Round at 1280×800: first line above 420 px where fewer than four places are in danger, the first pot to water
 * within the first screen, at most three screens high, nothing shifts.
 */
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import type { Page } from 'puppeteer-core';
import { loadDemo } from '../demo/load.ts';
import { openPool } from '../server/src/database/pool.ts';
import { type Running, serve } from '../server/src/main.ts';
// @ts-expect-error plain JavaScript, shared with the screenshot script
import { openBrowser } from '../scripts/browser.mjs';

const ROOT = process.env.ZINC_ROOT!;
const BASE = process.env.ZINC_BENCH_DATABASE_URL!;
const YEAR = new Date().getUTCFullYear();
const DAYS = Array.from({ length: 12 }, (_, month) => `${YEAR}-${String(month + 1).padStart(2, '0')}-15`);
const DESK = { width: 1280, height: 800 };
const PHONE = { width: 390, height: 844, isMobile: true, hasTouch: true };
const SCREENS = [
  '/',
  '/plants/1',
  '/benches',
  '/benches/list',
  '/year/weather',
  '/potting',
  '/clinic',
  '/shed',
  '/add',
];

const chromium = (await openBrowser()) as { newPage(): Promise<Page>; close(): Promise<void> };

/** The clock of this process, and so of the server in it, at noon of a day. */
const RealDate = Date;
function turnTo(day: string): void {
  const shift = RealDate.parse(`${day}T11:00:00Z`) - RealDate.now();
  globalThis.Date = class extends RealDate {
    constructor(...given: []) {
      if (given.length === 0) super(RealDate.now() + shift);
      else super(...given);
    }
    static override now = () => RealDate.now() + shift;
  } as DateConstructor;
}

async function withDemo(day: string, use: (url: string) => Promise<void>): Promise<void> {
  turnTo(day);
  const name = `screens_${randomUUID().replaceAll('-', '').slice(0, 12)}`;
  const admin = openPool(BASE);
  await admin.query('CREATE DATABASE ?? CHARACTER SET utf8mb4', [name]);
  const url = new URL(BASE);
  url.pathname = `/${name}`;
  const running: Running = await serve({
    databaseUrl: url.toString(),
    port: 45_000 + Math.floor(Math.random() * 5000),
    webFolder: join(ROOT, 'build', 'web'),
    workerFile: join(ROOT, 'build', 'forecast-worker.mjs'),
    migrationsFolder: join(ROOT, 'server', 'migrations'),
    tell: () => {},
    fill: (pool) => loadDemo(pool, () => {}),
  });
  try {
    const at = `http://127.0.0.1:${running.port}`;
    await fetch(`${at}/api/round`);
    await use(at);
  } finally {
    await running.close();
    await admin.query('DROP DATABASE ??', [name]);
    await admin.end();
    globalThis.Date = RealDate;
  }
}

async function opened(url: string, viewport: typeof DESK): Promise<Page> {
  const page = await chromium.newPage();
  await page.setViewport(viewport);
  await page.evaluateOnNewDocument(() => {
    const seen = { shift: 0, longMs: 0, longest: 0 };
    Object.assign(window, { seen });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as (PerformanceEntry & { value: number; hadRecentInput: boolean })[])
        if (!entry.hadRecentInput) seen.shift += entry.value;
    }).observe({ type: 'layout-shift', buffered: true });
    new PerformanceObserver((list) => {
      for (const { duration } of list.getEntries()) {
        seen.longMs += duration;
        seen.longest = Math.max(seen.longest, duration);
      }
    }).observe({ type: 'longtask', buffered: true });
  });
  await page.goto(url, { waitUntil: 'networkidle0' });
  await page.waitForSelector('h1');
  return page;
}

const loading = (page: Page) =>
  page.evaluate(() => ({
    ...(window as unknown as { seen: { shift: number; longMs: number; longest: number } }).seen,
    paintMs: performance.getEntriesByName('first-contentful-paint')[0]?.startTime ?? NaN,
    kB: performance
      .getEntriesByType('resource')
      .reduce((sum, entry) => sum + (entry as PerformanceResourceTiming).encodedBodySize / 1000, 0),
  }));

/** Where things stand on the Round; words are those of the page that can be read without scrolling. */
const standing = (page: Page) =>
  page.evaluate(() => {
    const words = document.createTreeWalker(document.querySelector('main')!, NodeFilter.SHOW_TEXT);
    let above = 0;
    while (words.nextNode()) {
      const range = document.createRange();
      range.selectNodeContents(words.currentNode);
      const box = range.getBoundingClientRect();
      if (words.currentNode.parentElement!.closest('svg, .sr-only') || box.width < 2) continue;
      if (box.top < innerHeight && box.bottom > 0)
        above += (words.currentNode.textContent!.match(/[\p{L}\p{N}][^\s]*/gu) ?? []).length;
    }
    const lines = [...document.querySelectorAll('[data-line]')];
    const waters = lines.flatMap((line) =>
      [...line.querySelectorAll('button')].filter((one) => one.textContent!.startsWith('Watered')),
    );
    return {
      first: lines[0]?.getBoundingClientRect().top ?? NaN,
      water: waters[0]?.getBoundingClientRect().bottom ?? null,
      screens: document.documentElement.scrollHeight / innerHeight,
      rails: document.querySelectorAll('[id^=before-dusk] li').length,
      lines: lines.length,
      words: above,
    };
  });

const px = (value: number | null) => (value === null ? 'none' : `${Math.round(value)} px`);

try {
  console.log('the Round at 1280×800, and its first line at 390×844');
  for (const day of DAYS)
    await withDemo(day, async (url) => {
      const desk = await opened(url, DESK);
      const { first, water, screens, rails, lines, words } = await standing(desk);
      const { shift } = await loading(desk);
      await desk.close();
      const phone = await opened(url, PHONE);
      const small = await standing(phone);
      await phone.close();
      console.log(
        `${day}: first line ${px(first)} (${rails} rails), first to water ${px(water)}, ${screens.toFixed(1)} screens, ` +
          `${lines} lines, ${words} words above the fold, shift ${shift.toFixed(4)}; phone ${px(small.first)}`,
      );
    });
  console.log('loading');
  await withDemo(new RealDate().toISOString().slice(0, 10), async (url) => {
    for (const path of SCREENS)
      for (const [name, viewport] of [
        ['desk', DESK],
        ['phone', PHONE],
      ] as const) {
        const page = await opened(url + path, viewport);
        const { paintMs, shift, longMs, longest, kB } = await loading(page);
        await page.close();
        console.log(
          `${path} ${name}: first paint ${Math.round(paintMs)} ms, shift ${shift.toFixed(4)}, long tasks ` +
            `${Math.round(longMs)} ms (longest ${Math.round(longest)}), ${Math.round(kB)} kB`,
        );
      }
  });
} finally {
  await chromium.close();
}
