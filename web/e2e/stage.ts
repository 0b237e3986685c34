/** The application with the demo collection on a database of its own, and a browser to look at it. */
import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from 'puppeteer-core';
import { expect } from 'vitest';
import { loadDemo } from '../../demo/load.ts';
import { migrate } from '../../server/src/database/migrate.ts';
import { openPool, type Pool, type PoolConnection, type Row } from '../../server/src/database/pool.ts';
import { serve } from '../../server/src/main.ts';
import { databaseUrl, freshDatabase, MIGRATIONS, ROOT } from '../../server/test/harness.ts';
// @ts-expect-error plain JavaScript, shared with the screenshot script
import { openBrowser } from '../../scripts/browser.mjs';

export interface Stage {
  url: string;
  newPage(): Promise<Page>;
  open(path: string, viewport?: { width: number; height: number }): Promise<Page>;
  close(): Promise<void>;
}

/** @param empty without the demo, as a keeper begins */
export async function stage({ empty = false } = {}): Promise<Stage> {
  const database = await freshDatabase();
  await migrate(database.pool, MIGRATIONS);
  if (!empty) await fillWithDemo(database.pool);
  const running = await serve({
    databaseUrl: databaseUrl(database.name),
    port: 51_000 + Math.floor(Math.random() * 9000),
    webFolder: `${ROOT}/build/web`,
    workerFile: `${ROOT}/build/forecast-worker.mjs`,
    migrationsFolder: MIGRATIONS,
    tell: () => {},
    fill: null,
  });
  const url = `http://127.0.0.1:${running.port}`;
  const chromium: { newPage(): Promise<Page>; close(): Promise<void> } = await openBrowser();
  return {
    url,
    newPage: chromium.newPage,
    async open(path, viewport = { width: 1280, height: 800 }) {
      const page = await chromium.newPage();
      await page.setViewport(viewport);
      await page.goto(url + path, { waitUntil: 'networkidle0' });
      return page;
    },
    async close() {
      await chromium.close();
      await running.close();
      await database.drop();
    },
  };
}

/** The demo as it was played once for all the files of a run. */
const TEMPLATE = 'zinc_demo_template';
const LONGEST_PLAYING_S = 600;

/** Fills an empty database with the demo: played once a run, copied from there by every stage. */
async function fillWithDemo(pool: Pool): Promise<void> {
  const connection = await pool.getConnection();
  try {
    await connection.query('SELECT GET_LOCK(?, ?)', [TEMPLATE, LONGEST_PLAYING_S]);
    const [played] = await connection.query<Row<{ n: number }>[]>(
      "SELECT COUNT(*) AS n FROM information_schema.tables WHERE table_schema = ? AND table_name = 'played'",
      [TEMPLATE],
    );
    if (played[0]!.n === 0) await playTemplate(connection);
    const [columns] = await connection.query<Row<{ name: string; columns: string }>[]>(
      `SELECT table_name AS name, GROUP_CONCAT(CONCAT('\`', column_name, '\`') ORDER BY ordinal_position) AS columns
         FROM information_schema.columns
         WHERE table_schema = ? AND table_name NOT IN ('played', 'migration') AND extra NOT LIKE '%GENERATED%'
         GROUP BY table_name`,
      [TEMPLATE],
    );
    await connection.query('SET foreign_key_checks = 0');
    for (const { name, columns: all } of columns)
      await connection.query(`REPLACE INTO ?? (${all}) SELECT ${all} FROM ??.??`, [name, TEMPLATE, name]);
    await connection.query('SET foreign_key_checks = 1');
    await connection.query('SELECT RELEASE_LOCK(?)', [TEMPLATE]);
  } finally {
    connection.release();
  }
}

async function playTemplate(connection: PoolConnection): Promise<void> {
  await connection.query('DROP DATABASE IF EXISTS ??', [TEMPLATE]);
  await connection.query('CREATE DATABASE ?? CHARACTER SET utf8mb4', [TEMPLATE]);
  const template = openPool(databaseUrl(TEMPLATE));
  await migrate(template, MIGRATIONS);
  await loadDemo(template, () => {});
  await template.query('CREATE TABLE played (at DATETIME)');
  await template.end();
}

/** axe-core, injected: it must find nothing. What is drawn inside an SVG is no text of the page. */
export async function expectAccessible(page: Page, rules: 'all' | 'contrast' = 'all'): Promise<void> {
  if (!(await page.evaluate('"axe" in window'))) await page.evaluate(AXE);
  const run = rules === 'all' ? {} : { runOnly: ['color-contrast'] };
  const found = (await page.evaluate(
    `axe.run({ exclude: [['svg *']] }, ${JSON.stringify({ resultTypes: ['violations'], preload: false, ...run })})`,
  )) as { violations: { id: string; nodes: { html: string; failureSummary: string }[] }[] };
  expect(found.violations.map((v) => `${v.id}: ${v.nodes[0]!.html} ${v.nodes[0]!.failureSummary}`)).toEqual([]);
}
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

export const textOf = (page: Page, selector: string) => page.$eval(selector, (element) => element.textContent ?? '');

/** What the bar at the foot says of the last mark, once it says this. */
export async function told(page: Page, wanted: RegExp): Promise<string> {
  await page.waitForFunction(
    (source) => new RegExp(source).test(document.querySelector('[data-testid=told]')?.textContent ?? ''),
    {},
    wanted.source,
  );
  return textOf(page, '[data-testid=told]');
}

/** Presses the button, link or summary of this text or label. */
export async function press(page: Page, words: string | RegExp, within = 'body'): Promise<void> {
  const source = typeof words === 'string' ? `^${words.replaceAll(/[.*+?^${}()|[\]\\]/g, '\\$&')}$` : words.source;
  await page.waitForFunction(
    (pattern, root) => {
      const found = [...document.querySelectorAll(`${root} button, ${root} a, ${root} summary, ${root} label`)].find(
        (one) => new RegExp(pattern).test((one.getAttribute('aria-label') ?? one.textContent ?? '').trim()),
      );
      if (!found || (found as HTMLButtonElement).disabled) return false;
      (found as HTMLElement).click();
      return true;
    },
    {},
    source,
    within,
  );
}

export const sees = (page: Page, words: RegExp, within = 'body') =>
  page.waitForFunction(
    (source, root) => new RegExp(source).test(document.querySelector(root)?.textContent ?? ''),
    {},
    words.source,
    within,
  );

interface JudgedPot {
  task: { judgement: { deeds: { deed: string }[] } };
}

/** Whether a pot is asked to be watered now. */
export function isDue({ task }: JudgedPot): boolean {
  return ['water', 'sip'].includes(task.judgement.deeds[0]!.deed);
}

/** A keeper who feels every pot of a bench dry, over some days: whatever the season, some are due then. */
export async function feelDry(url: string, bench: RegExp): Promise<void> {
  const get = async <T>(path: string): Promise<T> => {
    const answer = await fetch(url + path);
    // As screens do it: a slow machine works longer than one request waits.
    return answer.status === 503 ? get(path) : ((await answer.json()) as T);
  };
  const { sites } = await get<{ sites: { today: string; places: { id: number; name: string }[] }[] }>('/api/round');
  const [site] = sites;
  const place = site!.places.find(({ name }) => bench.test(name))!;
  const { pots } = await get<{ pots: { id: number }[] }>(`/api/places/${place.id}/pots`);
  const day = (back: number) => new Date(Date.parse(site!.today) - back * 86_400_000).toISOString().slice(0, 10);
  const marks = pots.map(({ id }) => ({
    plant_id: id,
    entries: [8, 4, 0].map((back) => ({
      client_id: crypto.randomUUID(),
      date: day(back),
      type: 'check',
      finger: 'dry',
    })),
  }));
  const written = await fetch(`${url}/api/marks`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json', Origin: url },
    body: JSON.stringify({ marks }),
  });
  expect(written.status).toBe(201);
}

/** The selector of the control that a label names. */
export const labelled = (page: Page, label: string, within = 'body'): Promise<string> =>
  page.evaluate(
    (wanted, root) => {
      const found = [...document.querySelectorAll(`${root} label`)].find((one) => one.textContent?.trim() === wanted);
      return `[id="${found?.getAttribute('for')}"]`;
    },
    label,
    within,
  );

/** Types into the box of a label, in place of what stood there. */
export async function typeInto(page: Page, label: string, text: string, within = 'body'): Promise<void> {
  const selector = await labelled(page, label, within);
  await page.waitForSelector(selector);
  await page.$eval(selector, (input) => (input as HTMLInputElement).select());
  await page.keyboard.press('Backspace');
  await page.type(selector, text);
}
