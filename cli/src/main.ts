/** `zinc`: results to standard output, words to standard error; 2 for input that was refused. */
import { readFileSync } from 'node:fs';
import { blendMix, componentsOf, forecastFile, mixReport } from '@zinc-pail/core';
import { checkGarden, checkMixFile } from '@zinc-pail/contract/gardenFile';
import { faultText, type Verdict } from '@zinc-pail/contract/faults';
import { Command } from 'commander';

const REFUSED = 2;
/** A file with one wrong column has it wrong in every row: the first few say enough. */
const MOST_FAULTS = 20;

class Refusal extends Error {}

function readJson(file: string): unknown {
  let text: string;
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8');
  } catch (error) {
    throw new Refusal(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'}); give the path of a JSON file, or - for standard input`);
  }
  try {
    return JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    throw new Refusal(`${file}: is not JSON (${(error as Error).message}); wanted one JSON object`);
  }
}

function accept<T>(file: string, verdict: Verdict<T>): T {
  for (const pointer of verdict.unknown) process.stderr.write(`warning: ${pointer}: no such field; ignored\n`);
  if (verdict.faults.length > 0) {
    const shown = verdict.faults.slice(0, MOST_FAULTS).map(faultText);
    const rest = verdict.faults.length - shown.length;
    throw new Refusal([`${file} is refused:`, ...shown, ...(rest > 0 ? [`and ${rest} more`] : [])].join('\n'));
  }
  return verdict.value;
}

function print(result: unknown): void {
  process.stdout.write(`${JSON.stringify(result, null, 2)}\n`);
}

const program = new Command('zinc')
  .description('Reckons when succulents and cacti want water. Results go to standard output, words to standard error.')
  .exitOverride()
  .configureOutput({ writeErr: (text) => process.stderr.write(text) });

program
  .command('forecast')
  .description('when every plant of a garden file is dry, and when to water it')
  .argument('<file>', 'a garden file, or - for standard input')
  .action((file: string) => print(forecastFile(accept(file, checkGarden(readJson(file))))));

program
  .command('mix')
  .description('what a mix holds in a pot, and the litres of each part for a batch')
  .argument('<file>', 'a JSON file with parts and pot, or - for standard input')
  .action((file: string) => {
    const input = accept(file, checkMixFile(readJson(file)));
    const blend = blendMix({ id: 'mix', parts: input.parts }, componentsOf(input.components));
    print(mixReport(blend, input.pot, input.pots ?? 1, input.crock_mm ?? 0));
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
