import { execFile } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { garden } from '../../core/test/gardens.ts';

const ZINC = join(import.meta.dirname, '..', 'bin', 'zinc.mjs');
let folder: string;
beforeAll(() => {
  folder = mkdtempSync(join(tmpdir(), 'zinc-cli-'));
});
afterAll(() => rmSync(folder, { recursive: true }));

function zinc(...args: string[]): Promise<{ code: number; out: string; err: string }> {
  return new Promise((resolve) => {
    execFile(process.execPath, [ZINC, ...args], { maxBuffer: 64e6 }, (error, out, err) =>
      resolve({ code: error ? Number(error.code) : 0, out, err }),
    );
  });
}

function file(content: unknown): string {
  const path = join(folder, `${Math.random()}.json`);
  writeFileSync(path, typeof content === 'string' ? content : JSON.stringify(content));
  return path;
}

const sound = () => ({ format: 'zinc-pail/garden', version: 1, ...structuredClone(garden()) }) as any;

describe('zinc forecast', () => {
  it('prints the forecast of the format', async () => {
    const { code, out, err } = await zinc('forecast', file(sound()));
    expect(code, err).toBe(0);
    const forecast = JSON.parse(out);
    expect(forecast).toMatchObject({ format: 'zinc-pail/forecast', version: 1, today: '2026-07-05' });
    expect(forecast.plants[0]).toMatchObject({ id: 'plant', state: 'growing', water: { method: 'drench' } });
    expect(err).toBe('');
  });
  it('warns of a field nobody knows and goes on', async () => {
    const { code, err } = await zinc('forecast', file({ ...sound(), mood: 'sunny' }));
    expect(code).toBe(0);
    expect(err).toContain('/mood');
  });
  it('refuses a wrong value: its pointer, what stood there, what would do; code 2, nothing printed', async () => {
    const bad = sound();
    bad.plants[0].pot.material = 'paper';
    const { code, out, err } = await zinc('forecast', file(bad));
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err).toContain('/plants/0/pot/material');
    expect(err).toContain('"paper"');
    expect(err).toContain('"terracotta"');
  });
  it.each([
    ['no JSON', '{"format":'],
    ['an empty file', ''],
    ['a list', '[]'],
  ])('refuses %s', async (_name, content) => {
    const { code, out, err } = await zinc('forecast', file(content));
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err).not.toBe('');
  });
  it('refuses a file that is not there, and a call without one', async () => {
    expect((await zinc('forecast', join(folder, 'none.json'))).code).toBe(2);
    expect((await zinc('forecast')).code).toBe(2);
  });
});

describe('zinc mix', () => {
  it('prints what a mix holds and the litres for a batch', async () => {
    const { code, out } = await zinc(
      'mix',
      file({
        parts: [
          { component: 'pumice', parts: 2 },
          { component: 'loam', parts: 1 },
        ],
        pot: sound().plants[0].pot,
        pots: 12,
      }),
    );
    expect(code).toBe(0);
    const mix = JSON.parse(out);
    expect(mix.format).toBe('zinc-pail/mix');
    expect(mix.total_porosity).toBeCloseTo(mix.container_capacity + mix.air_filled_porosity, 3);
    expect(mix.batch).toHaveLength(2);
  });
});

describe('zinc --help', () => {
  it.each([['--help'], ['forecast', '--help'], ['mix', '--help']])('%s %s says how', async (...args) => {
    const { code, out } = await zinc(...args);
    expect(code).toBe(0);
    expect(out).toContain('Usage');
  });
});

describe('zinc diagnose', () => {
  const limp = () => {
    const told = sound();
    told.plants[0].events = [
      { type: 'watering', date: '2026-06-30', method: 'drench' },
      { type: 'check', date: '2026-07-05', finger: 'wet' },
      { type: 'sign', date: '2026-07-05', sign: 'limp', strength: 2 },
    ];
    return told;
  };
  it('prints the diagnosis of the format', async () => {
    const { code, out, err } = await zinc('diagnose', file(limp()), '--plant', 'plant');
    expect(code, err).toBe(0);
    const told = JSON.parse(out);
    expect(told).toMatchObject({ format: 'zinc-pail/diagnosis', version: 1, today: '2026-07-05', plant: 'plant' });
    expect(['root-rot', 'stem-rot', 'overwatering']).toContain(told.causes[0].cause);
    expect(['after-check', 'hold']).toContain(told.water);
    expect(told.next_check.answers).toEqual(['firm-base', 'soft-base']);
    expect(err).toBe('');
  });
  it('and the judgement of the same file gives that plant no water', async () => {
    const { out } = await zinc('judge', file(limp()));
    expect(JSON.parse(out).plants[0].deeds[0]).toMatchObject({ deed: 'look', what: 'base' });
    const { out: forecast } = await zinc('forecast', file(limp()));
    expect(JSON.parse(forecast).plants[0].water?.ideal ?? '9999').not.toBe('2026-07-05');
  });
  it('a plant that is not there is refused by name, and nothing is printed', async () => {
    const { code, out, err } = await zinc('diagnose', file(limp()), '--plant', 'nobody');
    expect(code).toBe(2);
    expect(out).toBe('');
    expect(err).toMatch(/no plant "nobody".*plant/);
  });
  it('without a plant it says which option lacks', async () => {
    const { code, err } = await zinc('diagnose', file(limp()));
    expect(code).toBe(2);
    expect(err).toMatch(/--plant/);
  });
  it('cases of the journal stand in a file too: a verdict holds the water', async () => {
    const told = limp();
    told.plants[0].events.push({
      type: 'verdict',
      date: '2026-07-05',
      cause: 'overwatering',
      hold_until: '2026-07-20',
      gap: 'later',
    });
    const { code, out, err } = await zinc('judge', file(told));
    expect(code, err).toBe(0);
    expect(JSON.parse(out).plants[0].deeds[0]).toMatchObject({ deed: 'wait', until: '2026-07-20' });
  });
  it('a wrong cause is refused with what would be right', async () => {
    const told = limp();
    told.plants[0].events.push({ type: 'verdict', date: '2026-07-05', cause: 'bad-luck' });
    const { code, err } = await zinc('diagnose', file(told), '--plant', 'plant');
    expect(code).toBe(2);
    expect(err).toMatch(/\/plants\/0\/events\/3\/cause/);
    expect(err).toMatch(/root-rot/);
  });
});
