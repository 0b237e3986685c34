/** Small pieces that every script shares. Plain Node, so that they run on a bare checkout. */
import { spawn, spawnSync } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)));
export const DOT_ZINC = join(ROOT, '.zinc');

export function say(text) {
  process.stderr.write(`zinc-pail: ${text}\n`);
}

/** What a disk refuses, in words that say what would help. */
function ofTheDisk({ code, path = 'a file of this checkout' }) {
  const words = {
    EACCES: 'may not be written or read by this user; give it the right, or take another checkout',
    EPERM: 'may not be written or read by this user; give it the right, or take another checkout',
    EROFS: 'lies on a disk that is read-only; take another checkout',
    ENOSPC: 'finds no room on its disk; make some, then start again',
    ENOTDIR: 'lies below what is no folder; move that away',
    EEXIST: 'is there and is no folder; move it away',
    EISDIR: 'is a folder where a file is wanted; move it away',
  }[code];
  return words ? `${path} ${words} (${code}).` : null;
}

/** Says what failed, and ends with a non-zero code. */
export class Stop extends Error {}

export function sleep(ms) {
  return new Promise((resolve) => setTimeout(resolve, ms));
}

/** Runs a program to its end; rejects with its last words when it fails. */
export function run(program, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, { cwd: ROOT, stdio: ['ignore', 'pipe', 'pipe'], ...options });
    let output = '';
    const keep = (chunk) => {
      output = (output + chunk).slice(-20_000);
    };
    child.stdout?.on('data', keep);
    child.stderr?.on('data', keep);
    child.on('error', (error) => reject(new Stop(`${program} could not be started: ${error.message}`)));
    child.on('close', (code) => {
      if (code === 0) resolve(output);
      else
        reject(
          new Stop(`${program} ${args.join(' ')} ended with ${code}:\n${output.split('\n').slice(-25).join('\n')}`),
        );
    });
  });
}

/**
 * Runs a program to its end, in a group of its own with all that it starts: whatever ends us ends the group.
 * @returns {Promise<number | null>} its code; null where a signal ended it
 */
export function runTied(program, args, options = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(program, args, { cwd: ROOT, stdio: 'inherit', ...options, detached: true });
    const end = (signal) => {
      try {
        process.kill(-child.pid, signal);
      } catch {
        // Gone already.
      }
    };
    const atExit = () => end('SIGKILL');
    const passedOn = ['SIGINT', 'SIGTERM', 'SIGHUP'].map((signal) => {
      const pass = () => {
        end(signal);
        // One that does not listen has its time; workers of one that has ended do not outlive it.
        setTimeout(() => end('SIGKILL'), TIED_MS).unref();
      };
      process.on(signal, pass);
      return () => process.off(signal, pass);
    });
    process.on('exit', atExit);
    const free = () => {
      atExit();
      process.off('exit', atExit);
      for (const off of passedOn) off();
    };
    child.on('error', (error) => {
      free();
      reject(new Stop(`${program} could not be started: ${error.message}`));
    });
    child.on('close', (code) => {
      free();
      resolve(code);
    });
  });
}
const TIED_MS = 5000;

export function onPath(program) {
  const found = spawnSync('sh', ['-c', `PATH="$PATH:/usr/sbin:/usr/local/sbin:/sbin" command -v ${program}`], {
    encoding: 'utf8',
  });
  return found.status === 0 ? found.stdout.trim() : null;
}

/** The command line of a process, or null where it is gone. /proc is there on Debian; elsewhere a live pid must do. */
export function commandOf(pid) {
  try {
    process.kill(pid, 0);
  } catch (error) {
    if (error.code !== 'EPERM') return null;
  }
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    // A zombie has ended, whatever its pid says.
    if (stat.slice(stat.lastIndexOf(')') + 2).startsWith('Z')) return null;
    return readFileSync(`/proc/${pid}/cmdline`, 'utf8').replaceAll('\0', ' ').trim();
  } catch {
    return existsSync('/proc/self') ? null : '?';
  }
}

/** The pids of all processes; none where there is no /proc. */
export function processes() {
  try {
    return readdirSync('/proc')
      .map(Number)
      .filter((pid) => pid > 0);
  } catch {
    return [];
  }
}

/** When a process began, to tell it from a later one with the same pid. */
function startOf(pid) {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
    return stat.slice(stat.lastIndexOf(')') + 2).split(' ')[19];
  } catch {
    return '?';
  }
}

/** Our parent and its parent: npm runs a script through a shell. */
export function ancestry() {
  const parentOf = (pid) => {
    try {
      const stat = readFileSync(`/proc/${pid}/stat`, 'utf8');
      return Number(stat.slice(stat.lastIndexOf(')') + 2).split(' ')[1]);
    } catch {
      return 0;
    }
  };
  return [process.ppid, parentOf(process.ppid)];
}

export function selfMark() {
  return { pid: process.pid, start: startOf(process.pid) };
}

export function isAlive(mark) {
  return Boolean(mark) && commandOf(mark.pid) !== null && startOf(mark.pid) === mark.start;
}

/** Does one thing at a time across processes. A lock whose holder died is taken over. */
export async function withLock(name, what, action) {
  mkdirSync(DOT_ZINC, { recursive: true });
  const file = join(DOT_ZINC, `${name}.lock`);
  let told = false;
  for (;;) {
    try {
      writeFileSync(file, JSON.stringify(selfMark()), { flag: 'wx' });
      break;
    } catch (error) {
      if (error.code !== 'EEXIST') throw error;
      const holder = readJson(file);
      // An empty file is one that its holder is just about to fill, unless it stays so.
      if (holder ? !isAlive(holder) : await staysEmpty(file)) {
        rmSync(file, { force: true });
        continue;
      }
      if (!told) say(`waiting: another start is ${what}`);
      told = true;
      await sleep(250);
    }
  }
  try {
    return await action();
  } finally {
    rmSync(file, { force: true });
  }
}

async function staysEmpty(file) {
  await sleep(1000);
  return existsSync(file) && readJson(file) === null;
}

export function readJson(file) {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
}

/** A port on loopback that is free now. */
export function freePort() {
  return new Promise((resolve, reject) => {
    const server = createServer();
    server.on('error', reject);
    server.listen(0, '127.0.0.1', () => {
      const { port } = server.address();
      server.close(() => resolve(port));
    });
  });
}

/** Runs a script's body; what went wrong is said in words, and a bug with its trace. */
export async function main(body) {
  try {
    await body();
  } catch (error) {
    say(error instanceof Stop ? error.message : (ofTheDisk(error) ?? error.stack ?? String(error)));
    process.exitCode = 1;
  }
}

export const COMMAND_KEY_FILE = join(DOT_ZINC, 'command.key');

/** What the command line shows the server, so that no page in a browser can pass for it: in the data folder, for us alone. */
export function commandKey() {
  mkdirSync(DOT_ZINC, { recursive: true });
  try {
    writeFileSync(COMMAND_KEY_FILE, randomBytes(32).toString('hex'), { flag: 'wx', mode: 0o600 });
  } catch (error) {
    if (error.code !== 'EEXIST') throw error;
  }
  const key = readFileSync(COMMAND_KEY_FILE, 'utf8').trim();
  if (key) return key;
  rmSync(COMMAND_KEY_FILE);
  return commandKey();
}
