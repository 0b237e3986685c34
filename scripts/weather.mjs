/** The weather service that the application asks: the simulated one as a process of its own, or another's address. */
import { spawn } from 'node:child_process';
import { bundlePath } from './build.mjs';
import { ROOT, say, Stop } from './lib.mjs';

const PATIENCE_MS = 15_000;

/**
 * @param address of another service; `none` for no service at all; undefined starts the simulated one
 * @returns its address, or null, and what ends it
 */
export async function weatherStandIn(address, args = []) {
  if (address === 'none') return { url: null, end() {} };
  if (address !== undefined) {
    if (!/^https?:$/.test(URL.canParse(address) ? new URL(address).protocol : ''))
      throw new Stop('ZINC_WEATHER_URL is no address of a weather service; wanted http://host:port, or none');
    return { url: address.replace(/\/+$/, ''), end() {} };
  }
  const child = spawn(process.execPath, [bundlePath('standin-weather'), ...args], {
    cwd: ROOT,
    // It ends when this channel does: nothing stays behind, whatever becomes of this process.
    stdio: ['ignore', 'pipe', 'inherit', 'ipc'],
  });
  child.on('error', () => {});
  const url = await new Promise((resolve) => {
    const late = setTimeout(() => resolve(null), PATIENCE_MS);
    child.stdout.once('data', (line) => {
      clearTimeout(late);
      resolve(String(line).trim());
    });
    child.once('exit', () => resolve(null));
  });
  if (url === null) say('the simulated weather service does not come up; going on without');
  return { url, end: () => child.kill() };
}
