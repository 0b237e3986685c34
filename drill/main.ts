/** `npm run drill`: breaks a server of its own in every way it knows, and tells what held. */
import { parseArgs } from 'node:util';
import { Chance } from './chance.ts';
import { clocks } from './clocks.ts';
import { disk } from './disk.ts';
import { FAULTS, putIn } from './faults.ts';
import { Home } from './home.ts';
import { hangs, kills, two } from './kills.ts';
import { holdUp } from './holdUp.ts';
import { load } from './load.ts';
import { migrations } from './migrations.ts';
import { requests } from './requests.ts';
import { soak } from './soak.ts';
import { type Finding, Table } from './table.ts';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    seed: { type: 'string', default: '1' },
    kills: { type: 'string', default: '60' },
    requests: { type: 'string', default: '5000' },
    starts: { type: 'string', default: '100' },
    seconds: { type: 'string', default: '60' },
    minutes: { type: 'string', default: '2' },
    prove: { type: 'boolean', default: false },
  },
});

interface Sizes {
  kills: number;
  requests: number;
  starts: number;
  seconds: number;
  minutes: number;
  /** of the largest requests: so many of them */
  heavy?: number;
}

type Part = (home: Home, table: Table, sizes: Sizes) => Promise<void>;
const chance = () => new Chance(Number(values.seed));
const PARTS: Record<string, Part> = {
  kills: (home, table, sizes) => kills(home, table, sizes.kills, chance()),
  requests: (home, table, sizes) => requests(home, table, sizes.requests, chance()),
  migrations: (home, table, sizes) => migrations(home, table, sizes.starts, chance()),
  hangs,
  two,
  clocks,
  disk,
  'hold-up': (home, table, sizes) => holdUp(home, table, sizes.heavy),
  load: (home, table, sizes) => load(home, table, sizes.seconds),
  soak: (home, table, sizes) => soak(home, table, sizes.minutes, chance()),
};
/** Enough for a check to fail in. */
const SMALL: Sizes = { kills: 4, requests: 150, starts: 2, seconds: 10, minutes: 0.3, heavy: 2 };

const unknown = positionals.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(`No part is called ${unknown.join(', ')}; there are ${Object.keys(PARTS).join(', ')}.`);
  process.exit(2);
}

type Told = Finding & { part: string };

async function run(name: string, sizes: Sizes): Promise<readonly Told[]> {
  const table = new Table(name);
  const home = new Home();
  const from = performance.now();
  try {
    await PARTS[name]!(home, table, sizes);
  } catch (error) {
    table.hold('the part runs to its end', false, error instanceof Error ? error.message : String(error));
  } finally {
    await home.clear();
  }
  console.log(`        ${name} took ${((performance.now() - from) / 1000).toFixed(0)} s`);
  return table.findings;
}

const wanted = Object.keys(PARTS).filter((name) => positionals.length === 0 || positionals.includes(name));

/** Runs each part under its faults: a check that holds under all of them can perhaps not fail. */
async function prove(): Promise<boolean> {
  const failed = new Map<string, string>();
  const checks = new Set<string>();
  for (const fault of FAULTS) {
    if (!wanted.includes(fault.part)) continue;
    console.log(`\nput in: ${fault.name}`);
    putIn(fault);
    for (const { part, promise, held } of await run(fault.part, SMALL)) {
      const check = `${part}: ${promise}`;
      checks.add(check);
      if (!held && !failed.has(check)) failed.set(check, fault.name);
    }
  }
  putIn(null);
  console.log('\ncheck, and the fault under which it failed');
  for (const check of checks) console.log(`${check}: ${failed.get(check) ?? 'NEVER FAILED'}`);
  console.log(`\n${failed.size} of ${checks.size} checks were seen failing`);
  return failed.size === checks.size;
}

async function drill(): Promise<boolean> {
  const findings: Told[] = [];
  const sizes: Sizes = {
    kills: Number(values.kills),
    requests: Number(values.requests),
    starts: Number(values.starts),
    seconds: Number(values.seconds),
    minutes: Number(values.minutes),
  };
  for (const name of wanted) findings.push(...(await run(name, sizes)));
  const broken = findings.filter(({ held }) => !held);
  console.log('\npart      held  promise');
  for (const { part, promise, found, held } of findings)
    console.log(`${part.padEnd(10)}${held ? 'yes ' : 'NO  '}  ${promise}: ${found}`);
  console.log(`\n${findings.length - broken.length} held, ${broken.length} broken`);
  return broken.length === 0;
}

process.exitCode = (await (values.prove ? prove() : drill())) ? 0 : 1;
