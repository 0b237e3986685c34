/** The weather stand-in as a process of its own: says its address on standard output, ends with its parent or on a signal. */
import { Command, Option } from 'commander';
import { OUTAGE_PLANS, type OutagePlan } from './outages.ts';
import { serveWeather } from './service.ts';

const program = new Command('weather')
  .description('A weather service that makes its weather up, on loopback.')
  .addOption(new Option('--port <n>', 'port; 0 takes a free one').argParser(Number).default(0))
  .addOption(
    new Option('--outages <plan>', 'when it does not serve').choices(OUTAGE_PLANS as string[]).default('usual'),
  )
  .parse();
const { port, outages } = program.opts<{ port: number; outages: OutagePlan }>();
const service = await serveWeather({ port, outages });
console.log(service.url);
const end = () => void service.close().then(() => process.exit(0));
process.once('SIGINT', end);
process.once('SIGTERM', end);
// Started by another program: when that goes, its end of the channel closes.
process.once('disconnect', end);
// It may have gone while this was still coming up.
if (process.connected === false) end();
