import { spawn } from 'node:child_process';
import {
  cpSync,
  existsSync,
  mkdirSync,
  mkdtempSync,
  readFileSync,
  rmSync,
  statSync,
  symlinkSync,
  utimesSync,
  writeFileSync,
} from 'node:fs';
import { connect, createServer, type Server } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { openPool } from '../../server/src/database/pool.ts';
import { afterAll, afterEach, describe, expect, it } from 'vitest';
// @ts-expect-error plain JavaScript, so that it runs on a bare checkout
import * as lib from '../lib.mjs';
// @ts-expect-error as above
import { ownDatabase, sweepThrowAways } from '../database.mjs';
// @ts-expect-error as above
import { bundlePath, isStale } from '../build.mjs';

const {
  COMMAND_KEY_FILE,
  commandKey,
  commandOf,
  DOT_ZINC,
  freePort,
  isAlive,
  onPath,
  ROOT,
  run,
  selfMark,
  sleep,
  withLock,
} = lib;

/** A process that has ended, and its pid. */
async function deadPid(): Promise<number> {
  const child = spawn(process.execPath, ['-e', '']);
  await new Promise((resolve) => child.on('close', resolve));
  return child.pid!;
}

describe('the key of the command line', () => {
  it('is made once, long, and for us alone', () => {
    const key = commandKey();
    expect(key).toMatch(/^[0-9a-f]{64}$/);
    expect(commandKey()).toBe(key);
    expect(statSync(COMMAND_KEY_FILE).mode & 0o777).toBe(0o600);
  });
});

describe('processes', () => {
  it('are alive or not, and a pid used again is not the same process', async () => {
    expect(isAlive(selfMark())).toBe(true);
    expect(isAlive({ pid: await deadPid(), start: '1' })).toBe(false);
    expect(isAlive({ ...selfMark(), start: '1' })).toBe(false);
    // Where starts of processes can be read, one that could not be is nobody's.
    expect(isAlive({ ...selfMark(), start: '?' })).toBe(false);
    expect(isAlive(null)).toBe(false);
    expect(commandOf(process.pid)).toContain('node');
    expect(commandOf(await deadPid())).toBeNull();
  });
  it('say their last words when they fail', async () => {
    await expect(run('sh', ['-c', 'echo broken >&2; exit 3'])).rejects.toThrow(/ended with 3:\nbroken/);
    await expect(run('no-such-program-here', [])).rejects.toThrow('could not be started');
    expect(await run('echo', ['fine'])).toBe('fine\n');
    expect(onPath('sh')).toContain('/sh');
    expect(onPath('no-such-program-here')).toBeNull();
  });
  it.each(['SIGINT', 'SIGTERM'] as const)('take all they started with them when %s ends them', async (signal) => {
    // A program that starts another and listens to nothing, as a test runner's workers do.
    const deaf = "process.on('SIGINT',()=>{});process.on('SIGTERM',()=>{});setInterval(()=>{},1e6);";
    const inner = `require('child_process').spawn(process.execPath,['-e',${JSON.stringify(deaf)}],{stdio:'inherit'});console.log(process.pid);${deaf}`;
    const script = spawn(process.execPath, [
      '-e',
      `import(${JSON.stringify(join(ROOT, 'scripts', 'lib.mjs'))}).then((it) => it.runTied(process.execPath, ['-e', ${JSON.stringify(inner)}]))`,
    ]);
    const pid = await new Promise<number>((resolve) =>
      script.stdout.on('data', (text: Buffer) => resolve(Number(text))),
    );
    const group = () =>
      lib.processes().filter((one: number) => {
        try {
          return Number(readFileSync(`/proc/${one}/stat`, 'utf8').split(') ')[1]!.split(' ')[2]) === pid;
        } catch {
          return false;
        }
      }).length;
    for (let i = 0; i < 200 && group() < 2; i++) await sleep(50);
    expect(group()).toBe(2);
    script.kill(signal);
    for (let i = 0; i < 300 && group() > 0; i++) await sleep(100);
    expect(group()).toBe(0);
  });
  it('find a port that is free', async () => {
    const port = await freePort();
    expect(port).toBeGreaterThan(1023);
    await expect(
      new Promise((resolve, reject) => connect(port, '127.0.0.1', () => resolve('taken')).on('error', reject)),
    ).rejects.toThrow('ECONNREFUSED');
  });
});

describe('a start that cannot be', () => {
  const said = (env: NodeJS.ProcessEnv, root = ROOT) =>
    new Promise<string>((resolve) => {
      const child = spawn(process.execPath, [join(root, 'scripts', 'start.mjs')], { env: { ...process.env, ...env } });
      let words = '';
      child.stderr.on('data', (chunk: Buffer) => (words += chunk));
      child.on('close', (code) => resolve(`${code} ${words}`));
    });
  it('for an address of a database that is none says what one looks like', async () => {
    for (const url of ['nonsense', 'http://127.0.0.1/zinc'])
      expect(await said({ ZINC_DATABASE_URL: url })).toMatch(
        /^1 .*wanted mysql:\/\/user:password@host:port\/database\n$/,
      );
  });
  it('for what stands in its way on the disk says what, and no trace', async () => {
    const root = mkdtempSync(join(tmpdir(), 'zinc-'));
    cpSync(join(ROOT, 'scripts'), join(root, 'scripts'), { recursive: true });
    writeFileSync(join(root, '.zinc'), 'a file');
    cpSync(join(ROOT, 'package.json'), join(root, 'package.json'));
    cpSync(join(ROOT, 'package-lock.json'), join(root, 'package-lock.json'));
    const words = await said({}, root);
    expect(words).toMatch(/^1 .*\.zinc is there and is no folder; move it away \(EEXIST\)\.\n$/);
    rmSync(root, { recursive: true });
  });
});

describe('a lock', () => {
  const name = `testlock-${process.pid}`;
  const file = join(DOT_ZINC, `${name}.lock`);
  afterEach(() => rmSync(file, { force: true }));

  it('lets one in at a time and is gone afterwards, after a failure too', async () => {
    let inside = 0;
    let most = 0;
    const work = () =>
      withLock(name, 'testing', async () => {
        most = Math.max(most, ++inside);
        await sleep(60);
        inside--;
      });
    await Promise.all([work(), work(), work()]);
    expect(most).toBe(1);
    await expect(withLock(name, 'testing', async () => Promise.reject(new Error('no')))).rejects.toThrow('no');
    expect(existsSync(file)).toBe(false);
  });
  it('of a dead holder is taken over, and a torn one too', async () => {
    mkdirSync(DOT_ZINC, { recursive: true });
    writeFileSync(file, JSON.stringify({ pid: await deadPid(), start: '1' }));
    expect(await withLock(name, 'testing', async () => 'mine')).toBe('mine');
    writeFileSync(file, '');
    expect(await withLock(name, 'testing', async () => 'mine')).toBe('mine');
  });
});

/** A server on a port, as soon as it is free. */
async function taking(port: number): Promise<Server> {
  for (;;) {
    const thief = createServer();
    const took = await new Promise<boolean>((resolve) =>
      thief
        .once('error', () => resolve(false))
        .once('listening', () => resolve(true))
        .listen(port, '127.0.0.1'),
    );
    if (took) return thief;
    await sleep(2);
  }
}

/** Whether a server answers there. */
const greets = (port: number) =>
  new Promise<boolean>((resolve) => {
    const socket = connect(port, '127.0.0.1');
    socket.on('data', () => socket.destroy() && resolve(true)).on('error', () => resolve(false));
  });

describe('a MariaDB of our own', () => {
  const name = `test-own-${process.pid}`;
  const folder = join(DOT_ZINC, name);
  afterAll(() => rmSync(folder, { recursive: true, force: true }));
  const server = () => JSON.parse(readFileSync(join(folder, 'server.json'), 'utf8')) as { pid: number; port: number };

  it('starts, is shared, survives being killed, and goes with the last who leaves', async () => {
    const first = await ownDatabase(name);
    expect(first.url).toMatch(/^mysql:\/\/zinc:[0-9a-f]{48}@127\.0\.0\.1:\d+\/zinc$/);
    const { pid } = server();
    const second = await ownDatabase(name);
    expect(second.url).toBe(first.url);
    expect(server().pid).toBe(pid);

    process.kill(pid, 'SIGKILL');
    for (let i = 0; i < 50 && commandOf(pid) !== null; i++) await sleep(100);
    const third = await ownDatabase(name);
    expect(server().pid).not.toBe(pid);
    // Port and password stay, so what was told to others still works.
    expect(third.url).toBe(first.url);
    const last = server().pid;
    await third.leave();
    for (let i = 0; i < 100 && commandOf(last) !== null; i++) await sleep(100);
    expect(commandOf(last)).toBeNull();
  });
  it('that dies is started again where it was, until its user leaves', async () => {
    const own = await ownDatabase(name);
    own.keepUp();
    for (let round = 0; round < 2; round++) {
      const { pid } = server();
      process.kill(pid, 'SIGKILL');
      for (let i = 0; i < 300 && (server().pid === pid || !(await greets(server().port))); i++) await sleep(100);
      expect(server().pid).not.toBe(pid);
      expect(own.url).toContain(`:${server().port}/`);
    }
    const { pid } = server();
    await own.leave();
    expect(commandOf(pid)).toBeNull();
    await sleep(1200);
    expect(existsSync(join(folder, 'server.json'))).toBe(false);
  });
  it('is found again after a start that was cut off while it came up', async () => {
    const cut = spawn(process.execPath, [
      '-e',
      `import(${JSON.stringify(join(ROOT, 'scripts', 'database.mjs'))}).then((it) => it.ownDatabase(${JSON.stringify(name)}))`,
    ]);
    await new Promise<void>((resolve) =>
      cut.stderr.on('data', (words: Buffer) => words.includes('starting MariaDB') && resolve()),
    );
    for (let i = 0; i < 100 && !existsSync(join(folder, 'server.json')); i++) await sleep(5);
    cut.kill('SIGKILL');
    const { pid } = server();
    const own = await ownDatabase(name);
    expect(server().pid).toBe(pid);
    await own.leave();
    expect(commandOf(pid)).toBeNull();
  });
  it('is found by its own pid file, or among the processes, where nobody wrote it down', async () => {
    const own = await ownDatabase(name);
    const { pid, port } = server();
    for (const forgotten of [['server.json'], ['server.json', 'mariadb.pid']]) {
      for (const file of forgotten) rmSync(join(folder, file), { force: true });
      const again = await ownDatabase(name);
      expect(server()).toMatchObject({ pid, port });
      expect(again.url).toBe(own.url);
    }
    await own.leave();
    expect(commandOf(pid)).toBeNull();
  });
  it('comes back on another port where its own was taken meanwhile, and its users follow', async () => {
    const own = await ownDatabase(name);
    const pool = openPool(own.url, { folder });
    own.keepUp();
    const before = server();
    process.kill(before.pid, 'SIGKILL');
    // Whoever takes the port before MariaDB is back has it.
    const thief = await taking(before.port);
    while (server().pid === before.pid || !(await greets(server().port))) await sleep(100);
    if (server().port === before.port) throw new Error('the port was not taken after all');
    expect((await pool.query('SELECT 1 AS one'))[0]).toEqual([{ one: 1 }]);
    await pool.end();
    thief.close();
    await own.leave();
  });
  it('names what holds its data', async () => {
    const own = await ownDatabase(name);
    const { pid } = server();
    // As seen from another checkout: a folder beside it whose data are the same.
    const twin = `${name}-twin`;
    mkdirSync(join(DOT_ZINC, twin));
    symlinkSync(join(folder, 'data'), join(DOT_ZINC, twin, 'data'));
    await expect(ownDatabase(twin)).rejects.toThrow(new RegExp(`The process ${pid} .*holds .*ibdata1; end it`));
    rmSync(join(DOT_ZINC, twin), { recursive: true });
    await own.leave();
  });
  it('lives in a path with blanks in it', async () => {
    const root = mkdtempSync(join(tmpdir(), 'zinc a b ü🌵 '));
    cpSync(join(ROOT, 'scripts'), join(root, 'scripts'), { recursive: true });
    const there = await import(join(root, 'scripts', 'database.mjs'));
    try {
      const own = await there.ownDatabase('database');
      expect(await greets(Number(new URL(own.url).port))).toBe(true);
      await own.leave();
    } finally {
      rmSync(root, { recursive: true });
    }
  });
  it('shows the log’s last lines when it does not come up', async () => {
    const { appendFileSync, renameSync } = await import('node:fs');
    // A data folder whose system table space is no table space.
    renameSync(join(folder, 'data', 'ibdata1'), join(folder, 'data', 'ibdata1.kept'));
    appendFileSync(join(folder, 'data', 'ibdata1'), 'not a table space');
    await expect(ownDatabase(name)).rejects.toThrow(/did not come up[\s\S]*InnoDB/);
  });
  it('sweeps away what a killed test run left', async () => {
    const left = join(DOT_ZINC, `test-${await deadPid()}`);
    mkdirSync(join(left, 'users'), { recursive: true });
    await sweepThrowAways();
    expect(existsSync(left)).toBe(false);
  });
});

describe('bundles', () => {
  it('are made anew only when their sources are newer', () => {
    expect(existsSync(bundlePath('zinc'))).toBe(true);
    expect(isStale('zinc')).toBe(false);
    const file = join(ROOT, 'cli', 'src', 'main.ts');
    const { atime, mtime } = statSync(file);
    try {
      utimesSync(file, atime, new Date(Date.now() + 60_000));
      expect(isStale('zinc')).toBe(true);
    } finally {
      utimesSync(file, atime, mtime);
    }
  });
});
