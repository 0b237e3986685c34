/** Brings what a bare checkout lacks: npm packages by the lock file, programs from Debian's packages. */
import { createHash } from 'node:crypto';
import { existsSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { onPath, ROOT, run, say, Stop, withLock } from './lib.mjs';

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 19)) {
    throw new Stop(`Node ${process.versions.node} is too old: 20.19 or newer is wanted.`);
  }
}

/** `npm ci`, unless what is there already fits the lock file. */
export async function npmPackages() {
  const stamp = join(ROOT, 'node_modules', '.zinc-installed');
  const wanted = createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex');
  const there = () => existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted;
  if (there()) return;
  await withLock('install', 'installing npm packages', async () => {
    if (there()) return;
    say('installing npm packages by the lock file (a minute or two)');
    await run('npm', ['ci', '--no-audit', '--no-fund'], { env: { ...process.env, NODE_ENV: 'development' } });
    writeFileSync(stamp, wanted);
  });
}

/** A program from a Debian package: its path, installing it where that is allowed. */
export async function debianProgram(programs, packageName) {
  const find = () => programs.map(onPath).find(Boolean) ?? null;
  const found = find();
  if (found) return found;
  await withLock('install', `installing ${packageName}`, async () => {
    if (find()) return;
    const asRoot = process.getuid?.() === 0;
    const sudo =
      !asRoot &&
      onPath('sudo') &&
      (await run('sudo', ['-n', 'true']).then(
        () => true,
        () => false,
      ));
    const byHand = `apt-get install -y --no-install-recommends ${packageName}`;
    if (!onPath('apt-get'))
      throw new Stop(
        `${packageName} is missing, and there is no apt-get here: install ${programs[0]} and start again.`,
      );
    if (!asRoot && !sudo)
      throw new Stop(`${packageName} is missing. Run this once, then start again:\n\n    sudo ${byHand}\n`);
    say(`installing ${packageName} from Debian's packages`);
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };
    const apt = (...args) => {
      const full = ['apt-get', '-o', 'DPkg::Lock::Timeout=600', ...args];
      return asRoot
        ? run(full[0], full.slice(1), { env })
        : run('sudo', ['-n', 'DEBIAN_FRONTEND=noninteractive', ...full], { env });
    };
    try {
      await apt('update');
      await apt('install', '-y', '--no-install-recommends', packageName);
    } catch (error) {
      throw new Stop(
        `${error.message}\n\nInstalling ${packageName} failed. Try it by hand, then start again:\n\n    ${asRoot ? '' : 'sudo '}${byHand}\n`,
      );
    }
  });
  const now = find();
  if (!now) throw new Stop(`${packageName} is installed, but ${programs.join(' or ')} is not on the path.`);
  return now;
}

export function mariadbd() {
  return debianProgram(['mariadbd', 'mysqld'], 'mariadb-server');
}

export function chromium() {
  return debianProgram(['chromium', 'chromium-browser'], 'chromium');
}
