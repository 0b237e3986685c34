/** `zinc`: results to standard output, words to standard error; 2 for input that was refused. */
import { readFileSync } from 'node:fs';
import { blendMix, componentsOf, mixReport } from '@zinc-pail/core';
import { mixWarningWords } from '@zinc-pail/words/mix';
import { SI } from '@zinc-pail/words/units';
import { diagnosisFile, forecastFile, judgementFile } from '@zinc-pail/words/files';
import { checkGarden, checkMixFile } from '@zinc-pail/contract/gardenFile';
import { type Checked, type Fault, faultsText } from '@zinc-pail/contract/faults';
import { Command } from 'commander';

const REFUSED = 2;

class Refusal extends Error {}

function readJson(file: string): unknown {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new Refusal(
      `${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'}); give the path of a JSON file, or - for standard input`,
    );
  }
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new Refusal(`${file}: is not JSON (${(error as Error).message}); wanted one JSON object`);
  }
}

function accept<T>(file: string, verdict: Checked<T>): T {
  for (const pointer of verdict.unknown) process.stderr.write(`warning: ${pointer}: no such field; ignored\n`);
  if (verdict.faults.length > 0) {
    throw new Refusal(`${file} is refused:\n${faultsText(verdict.faults, '\n')}`);
  }
  return verdict.value;
}

function print(result: unknown): void {
  process.stdout.write(`${JSON.stringify(result, null, 2)}\n`);
}

const program = new Command('zinc')
  .description(
    'Works out when succulents and cacti need water. Results go to standard output, words to standard error.',
  )
  .exitOverride()
  .configureOutput({ writeErr: (text) => process.stderr.write(text) });

program
  .command('forecast')
  .description('when every plant of a garden file is dry, and when to water it')
  .argument('<file>', 'a garden file, or - for standard input')
  .action((file: string) => print(forecastFile(accept(file, checkGarden(readJson(file))))));

program
  .command('judge')
  .description('what to do today with every plant of a garden file, and why')
  .argument('<file>', 'a garden file, or - for standard input')
  .action((file: string) => print(judgementFile(accept(file, checkGarden(readJson(file))))));

program
  .command('diagnose')
  .description('what the signs of one plant of a garden file mean, the next check, and what to do')
  .argument('<file>', 'a garden file, or - for standard input')
  .requiredOption('--plant <id>', 'which plant')
  .action((file: string, { plant }: { plant: string }) => {
    const garden = accept(file, checkGarden(readJson(file)));
    if (!garden.plants.some(({ id }) => id === plant))
      throw new Refusal(
        `${file}: no plant "${plant}"; ${garden.plants.length === 0 ? 'it has none' : `wanted one of ${garden.plants.map(({ id }) => id).join(', ')}`}`,
      );
    print(diagnosisFile(garden, plant));
  });

program
  .command('mix')
  .description('what a mix holds in a pot, and the litres of each part for a batch')
  .argument('<file>', 'a JSON file with parts and pot, or - for standard input')
  .action((file: string) => {
    const input = accept(file, checkMixFile(readJson(file)));
    const blend = blendMix({ id: 'mix', parts: input.parts }, componentsOf(input.components));
    const report = mixReport(blend, input.pot, input.pots ?? 1, input.crock_mm ?? 0);
    print({ ...report, warnings: report.warnings.map((warning) => mixWarningWords(warning, SI)) });
  });

const SERVER = 'http://127.0.0.1:4780';

/** The key of the server's data folder, for a server of this machine only: it is nobody else's business. */
function credentials(server: string): Record<string, string> {
  const key = process.env.ZINC_COMMAND_KEY;
  const near = ['127.0.0.1', 'localhost', '[::1]'].includes(new URL(server).hostname);
  return key && near ? { Authorization: `Bearer ${key}` } : {};
}

/** Asks a running Zinc Pail; its refusals are told as a file's are. */
async function ask(server: string, path: string, init?: RequestInit): Promise<unknown> {
  let response: Response;
  try {
    response = await fetch(new URL(path, server), { ...init, headers: { ...init?.headers, ...credentials(server) } });
  } catch {
    throw new Refusal(`${server}: nothing answers there; start it with npm start, or name its address with --server`);
  }
  const body = (await response.json().catch(() => null)) as { detail?: string; faults?: Fault[] } | null;
  if (response.ok) return body;
  throw new Refusal(
    [
      `${server} refuses it: ${body?.faults?.length ? '' : (body?.detail ?? response.status)}`.trimEnd(),
      ...(body?.faults?.length ? [faultsText(body.faults, '\n')] : []),
    ].join('\n'),
  );
}

const serverOption = ['--server <url>', 'address of the running Zinc Pail', process.env.ZINC_SERVER ?? SERVER] as const;

program
  .command('import')
  .description('takes a garden file into a running Zinc Pail, as a site of its own')
  .argument('<file>', 'a garden file, or - for standard input')
  .option('--name <name>', 'name of the site')
  .option('--time-zone <zone>', 'its time zone, as Europe/Vienna; else by its longitude')
  .option('--dry-run', 'only look whether it can be taken in')
  .option(...serverOption)
  .action(async (file: string, options: { name?: string; timeZone?: string; dryRun?: boolean; server: string }) => {
    const garden = accept(file, checkGarden(readJson(file)));
    const query = new URLSearchParams({
      ...(options.name ? { name: options.name } : {}),
      ...(options.timeZone ? { time_zone: options.timeZone } : {}),
      ...(options.dryRun ? { dry_run: 'true' } : {}),
    });
    print(
      await ask(options.server, `/api/import/garden?${query}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(garden),
      }),
    );
  });

program
  .command('export')
  .description('a site of a running Zinc Pail as a garden file')
  .option('--site <id or name>', 'which site; the first if there is but one')
  .option(...serverOption)
  .action(async (options: { site?: string; server: string }) => {
    const { sites } = (await ask(options.server, '/api/kit')) as { sites: { id: number; name: string }[] };
    const list = sites.map(({ id, name }) => `${id} ${name}`).join(', ');
    const wanted =
      options.site === undefined
        ? sites.length === 1
          ? sites[0]
          : undefined
        : (sites.find(({ id }) => String(id) === options.site) ?? sites.find(({ name }) => name === options.site));
    if (!wanted)
      throw new Refusal(
        `${options.site === undefined ? 'there are several sites' : `no site "${options.site}"`}; name one with --site: ${list}`,
      );
    print(await ask(options.server, `/api/export/garden/${wanted.id}`));
  });

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof Refusal) {
    process.stderr.write(`${error.message}\n`);
    process.exitCode = REFUSED;
  } else if ((error as { code?: string }).code?.startsWith('commander.')) {
    // commander has already said what was wrong; help and version are no failure
    process.exitCode = (error as { exitCode: number }).exitCode === 0 ? 0 : REFUSED;
  } else {
    process.stderr.write(`zinc failed: ${(error as Error).stack ?? error}\n`);
    process.exitCode = 1;
  }
}
