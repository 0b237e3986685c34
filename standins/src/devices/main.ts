/**
 * An instrument as a process of its own: pushes readings to a server under its token, and keeps those that it could not
 * bring for the next time.
 *
 *   npx tsx standins/src/devices/main.ts --server http://127.0.0.1:4780 --token … --kind thermometer
 */
import { Command, Option } from 'commander';
import { INSTRUMENT_KINDS, type InstrumentKind, type Pushed, readingsOf } from './instruments.ts';

const MOST_KEPT = 500;
const MS = 1000;

const options = new Command('instrument')
  .description('A simulated thermometer, probe or scale that pushes its readings.')
  .requiredOption('--server <url>', 'address of Zinc Pail')
  .requiredOption('--token <token>', 'the instrument’s token, as told when it was added')
  .addOption(new Option('--kind <kind>').choices(INSTRUMENT_KINDS).makeOptionMandatory())
  .option('--every <seconds>', 'seconds between readings', Number, 600)
  .option('--days <n>', 'first sends so many past days at once', Number, 0)
  .option('--seed <text>', 'another seed is another instrument', 'one')
  .parse()
  .opts<{ server: string; token: string; kind: InstrumentKind; every: number; days: number; seed: string }>();

const everyMs = options.every * MS;
const fromMs = Date.now() - options.days * 86_400 * MS;
const kept: Pushed[] = [];

async function send(): Promise<void> {
  while (kept.length > 0) {
    const readings = kept.slice(0, 200);
    const response = await fetch(`${options.server}/devices/readings`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json', Authorization: `Bearer ${options.token}` },
      body: JSON.stringify({ readings }),
      signal: AbortSignal.timeout(10_000),
    });
    if (response.status === 401) throw new Error('the token opens nothing any more');
    if (!response.ok) return void console.error(`not taken: ${response.status} ${await response.text()}`);
    kept.splice(0, readings.length);
    console.log(JSON.stringify(await response.json()));
  }
}

let atMs = fromMs;
for (const reading of readingsOf(options.kind, options.seed, { fromMs, everyMs })) {
  if (reading) kept.push(reading);
  if (kept.length > MOST_KEPT) kept.shift();
  atMs += everyMs;
  const behind = atMs < Date.now();
  if (behind && kept.length < 200) continue;
  try {
    await send();
  } catch (error) {
    console.error((error as Error).message);
    if (/token/.test((error as Error).message)) process.exit(1);
  }
  if (!behind) await new Promise((resolve) => setTimeout(resolve, everyMs));
}
