#!/usr/bin/env node
/** Runs the command, bundling it first where its sources are newer than the bundle. */
import { existsSync, readFileSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { bundle, bundlePath, isStale } from '../../scripts/build.mjs';
import { COMMAND_KEY_FILE } from '../../scripts/lib.mjs';

if (isStale('zinc')) {
  try {
    await bundle('zinc');
  } catch (error) {
    if (!existsSync(bundlePath('zinc'))) {
      process.stderr.write(
        `zinc cannot be built (${error.message}); run npm start or npm test once, which install what it needs\n`,
      );
      process.exit(1);
    }
    process.stderr.write('warning: an older build is used, since a new one could not be made\n');
  }
}
// A server started from this checkout lets in who shows its key.
if (existsSync(COMMAND_KEY_FILE)) process.env.ZINC_COMMAND_KEY ??= readFileSync(COMMAND_KEY_FILE, 'utf8').trim();
await import(pathToFileURL(bundlePath('zinc')).href);
