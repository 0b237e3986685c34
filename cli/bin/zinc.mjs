#!/usr/bin/env node
/** Runs the command, bundling it first where its sources are newer than the bundle. */
import { existsSync } from 'node:fs';
import { pathToFileURL } from 'node:url';
import { bundle, bundlePath, isStale } from '../../scripts/build.mjs';

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
await import(pathToFileURL(bundlePath('zinc')).href);
