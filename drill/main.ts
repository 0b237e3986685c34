/** `npm run drill`: breaks a server of its own in every way it knows, and tells what held. */
import { parseArgs } from 'node:util';
import { Chance } from './chance.ts';
import { clocks } from './clocks.ts';
import { disk } from './disk.ts';
import { Home } from './home.ts';
import { hangs, kills, two } from './kills.ts';
import { holdUp } from './holdUp.ts';
import { load } from './load.ts';
import { migrations } from './migrations.ts';
import { requests } from './requests.ts';
import { type Finding, Table } from './table.ts';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    seed: { type: 'string', default: '1' },
    kills: { type: 'string', default: '100' },
    requests: { type: 'string', default: '10000' },
    starts: { type: 'string', default: '100' },
    seconds: { type: 'string', default: '60' },
  },
});

type Part = (home: Home, table: Table) => Promise<void>;
const PARTS: Record<string, Part> = {
  kills: (home, table) => kills(home, table, Number(values.kills), new Chance(Number(values.seed))),
  requests: (home, table) => requests(home, table, Number(values.requests), new Chance(Number(values.seed))),
  migrations: (home, table) => migrations(home, table, Number(values.starts), new Chance(Number(values.seed))),
  hangs,
  two,
  clocks,
  disk,
  'hold-up': holdUp,
  load: (home, table) => load(home, table, Number(values.seconds)),
};

const unknown = positionals.filter((name) => !(name in PARTS));
if (unknown.length > 0) {
  console.error(`No part is called ${unknown.join(', ')}; there are ${Object.keys(PARTS).join(', ')}.`);
  process.exit(2);
}

const findings: (Finding & { part: string })[] = [];
for (const [name, part] of Object.entries(PARTS)) {
  if (positionals.length > 0 && !positionals.includes(name)) continue;
  const table = new Table(name);
  const home = new Home();
  const from = performance.now();
  try {
    await part(home, table);
  } catch (error) {
    table.hold('the part runs to its end', false, error instanceof Error ? error.message : String(error));
  } finally {
    await home.clear();
  }
  console.log(`        ${name} took ${((performance.now() - from) / 1000).toFixed(0)} s`);
  findings.push(...table.findings);
}

const broken = findings.filter(({ held }) => !held);
console.log('\npart      held  promise');
for (const { part, promise, found, held } of findings)
  console.log(`${part.padEnd(10)}${held ? 'yes ' : 'NO  '}  ${promise}: ${found}`);
console.log(`\n${findings.length - broken.length} held, ${broken.length} broken`);
process.exitCode = broken.length > 0 ? 1 : 0;
