/** Bundles the TypeScript: the server and the command with esbuild, the interface with vite. */
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { ROOT } from './lib.mjs';

export const BUILD = join(ROOT, 'build');

/** What is bundled, from where, and which folders it is made of. */
export const BUNDLES = {
  zinc: { entry: 'cli/src/main.ts', from: ['core/src', 'contract/src', 'words/src', 'cli/src'] },
  server: { entry: 'server/src/main.ts', from: ['core/src', 'contract/src', 'words/src', 'server/src'] },
  'forecast-worker': {
    entry: 'server/src/worker.ts',
    from: ['core/src', 'contract/src', 'words/src', 'server/src'],
  },
  'demo-load': {
    entry: 'demo/load.ts',
    from: ['core/src', 'contract/src', 'words/src', 'server/src', 'standins/src', 'demo'],
  },
  'standin-weather': { entry: 'standins/src/weather/main.ts', from: ['core/src', 'standins/src'] },
};

export function bundlePath(name) {
  return join(BUILD, `${name}.mjs`);
}

function newest(folder) {
  let time = 0;
  for (const entry of readdirSync(folder, { withFileTypes: true, recursive: true })) {
    if (entry.isFile()) time = Math.max(time, statSync(join(entry.parentPath ?? entry.path, entry.name)).mtimeMs);
  }
  return time;
}

export function isStale(name) {
  const file = bundlePath(name);
  if (!existsSync(file)) return true;
  const built = statSync(file).mtimeMs;
  return BUNDLES[name].from.some((folder) => newest(join(ROOT, folder)) > built);
}

export const PACKAGES_OUTSIDE = {
  name: 'packages-outside',
  setup(build) {
    build.onResolve({ filter: /^[^./]/ }, (args) =>
      args.path.startsWith('@zinc-pail/') || args.kind === 'entry-point'
        ? undefined
        : { path: args.path, external: true },
    );
  },
};

/** Writes aside and renames, so that two builds at once never leave half a file. */
export async function bundle(name) {
  const { build } = await import('esbuild');
  mkdirSync(BUILD, { recursive: true });
  const aside = join(BUILD, `.${name}-${process.pid}.mjs`);
  await build({
    entryPoints: [join(ROOT, BUNDLES[name].entry)],
    outfile: aside,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: 'inline',
    logLevel: 'warning',
    absWorkingDir: ROOT,
    // npm packages stay where they are; only the workspaces' TypeScript is taken in.
    plugins: [PACKAGES_OUTSIDE],
  });
  renameSync(aside, bundlePath(name));
}

export async function bundleStale(names) {
  await Promise.all(names.filter(isStale).map(bundle));
}

const WEB = join(BUILD, 'web');
const WEB_STAMP = join(WEB, 'index.html');

export function isWebStale() {
  if (!existsSync(WEB_STAMP)) return true;
  const built = statSync(WEB_STAMP).mtimeMs;
  return ['core/src', 'contract/src', 'words/src', 'web'].some((folder) => newest(join(ROOT, folder)) > built);
}

/** What packing makes smaller: fonts and pictures are packed already. */
const PACKABLE = /\.(js|css|html|svg|webmanifest)$/;

/** Every file that packs well gets its packed twin beside it, made once, here. */
function packBeside(folder) {
  for (const entry of readdirSync(folder, { recursive: true, withFileTypes: true })) {
    if (!entry.isFile() || !PACKABLE.test(entry.name)) continue;
    const file = join(entry.parentPath, entry.name);
    const bytes = readFileSync(file);
    writeFileSync(`${file}.gz`, gzipSync(bytes, { level: 9 }));
    writeFileSync(`${file}.br`, brotliCompressSync(bytes));
  }
}

export async function buildWeb() {
  if (!isWebStale()) return;
  const { build } = await import('vite');
  const aside = join(BUILD, `web-${process.pid}`);
  await build({ root: join(ROOT, 'web'), logLevel: 'warn', build: { outDir: aside, emptyOutDir: true } });
  packBeside(aside);
  const old = join(BUILD, `web-old-${process.pid}`);
  if (existsSync(WEB)) renameSync(WEB, old);
  try {
    renameSync(aside, WEB);
  } catch (error) {
    // Another build was quicker; its result is as good.
    if (!existsSync(WEB_STAMP)) throw error;
    rmSync(aside, { recursive: true, force: true });
  }
  rmSync(old, { recursive: true, force: true });
}
