/**
 * A checkout beside the real one: its scripts and its data are its own, all else is linked. `npm start` runs in it whole,
 * MariaDB and all, and may be killed, starved and stopped without harm to anybody's plants.
 */
import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import mysql from 'mysql2/promise';
import { cpuSeen, databasesSeen, memorySeen, rowsSeen, startSeen } from './faults.ts';

const ROOT = process.env.ZINC_ROOT!;
const { workspaces, scripts } = JSON.parse(readFileSync(join(ROOT, 'package.json'), 'utf8')) as {
  workspaces: string[];
  scripts: { start: string };
};
/** What a start reads and does not write. */
const LINKED = [...workspaces, 'demo', 'build', 'node_modules', 'package.json', 'package-lock.json'];
const START_S = 120;
const FIRST_PORT = 41_000;
const PORTS = 20_000;

export interface Started {
  url: string;
  /** of the process that `npm start` runs: it holds the server */
  pid: number;
  /** what it said on its errors' line */
  said(): string;
  /** settles when it has ended */
  ended: Promise<void>;
  kill(signal: NodeJS.Signals): void;
  /** ends it as Ctrl-C does */
  stop(): Promise<void>;
  memoryMb(): number;
}

export class Home {
  readonly folder = mkdtempSync(join(tmpdir(), 'zinc-drill-'));
  readonly data = join(this.folder, '.zinc');
  private readonly running = new Set<Started>();

  constructor() {
    cpSync(join(ROOT, 'scripts'), join(this.folder, 'scripts'), { recursive: true });
    for (const name of LINKED) symlinkSync(join(ROOT, name), join(this.folder, name));
    mkdirSync(this.data);
  }

  /** @param clockFile moves the clock of the process by the milliseconds that stand in it */
  async start(options: { empty?: boolean; clockFile?: string } = {}): Promise<Started> {
    await startSeen();
    const started = await this.opened(this.launch(options));
    this.running.add(started);
    void started.ended.then(() => this.running.delete(started));
    return started;
  }

  /** A start that nobody waits for. */
  launch({ empty = false, clockFile }: { empty?: boolean; clockFile?: string } = {}): ChildProcess {
    const port = FIRST_PORT + Math.floor(Math.random() * PORTS);
    const { npm_lifecycle_event: _, ZINC_DATABASE_URL: __, ...env } = process.env;
    // As `npm start` does it; the shell and env give way to it, so that its pid is the child's.
    return spawn(
      'sh',
      ['-c', `exec ${scripts.start} "$@"`, 'start', '--port', String(port), ...(empty ? ['--empty'] : [])],
      {
        cwd: this.folder,
        stdio: ['ignore', 'pipe', 'pipe'],
        env: {
          ...env,
          ZINC_LOG: 'error',
          // Weather that comes while a drill runs would move what is compared.
          ZINC_WEATHER_URL: 'none',
          ...(clockFile
            ? { ZINC_DRILL_CLOCK: clockFile, NODE_OPTIONS: `--import ${join(ROOT, 'drill', 'clock.mjs')}` }
            : {}),
        },
      },
    );
  }

  /** The servers that run on this data folder, by their pids. */
  databases(): number[] {
    const wanted = `--datadir=${join(this.data, 'database', 'data')}`;
    const pids = readdirSync('/proc')
      .map(Number)
      .filter((pid) => {
        try {
          return pid > 0 && readFileSync(`/proc/${pid}/cmdline`, 'utf8').split('\0').includes(wanted);
        } catch {
          return false;
        }
      });
    return databasesSeen(pids);
  }

  /** Ends whatever runs on the data folder, as after a fault of the machine. */
  async endDatabases(signal: 'SIGTERM' | 'SIGKILL'): Promise<void> {
    for (const pid of this.databases()) process.kill(pid, signal);
    while (this.databases().length > 0) await new Promise((resolve) => setTimeout(resolve, 50));
  }

  private async opened(child: ChildProcess): Promise<Started> {
    let said = '';
    const ended = new Promise<void>((resolve) => child.once('exit', () => resolve()));
    const url = await new Promise<string>((resolve, reject) => {
      const hear = (chunk: Buffer) => {
        said = (said + String(chunk)).slice(-100_000);
        const address = /http:\/\/127\.0\.0\.1:\d+/.exec(said)?.[0];
        if (address) resolve(address);
      };
      child.stdout!.on('data', hear);
      child.stderr!.on('data', hear);
      const timer = setTimeout(() => reject(new Error(`did not open in ${START_S} s: ${said}`)), START_S * 1000);
      void ended.then(() => {
        clearTimeout(timer);
        reject(new Error(`ended before it opened: ${said}`));
      });
    });
    return {
      url,
      pid: child.pid!,
      said: () => said,
      ended,
      kill: (signal) => child.kill(signal),
      async stop() {
        child.kill('SIGINT');
        await ended;
      },
      memoryMb: () => memoryOf(child.pid!),
    };
  }

  databasePid(): number {
    return (JSON.parse(readFileSync(join(this.data, 'database', 'server.json'), 'utf8')) as { pid: number }).pid;
  }

  /** Asks the database itself, past the server. */
  async rows<T>(sql: string, values: unknown[] = [], { database = true } = {}): Promise<T[]> {
    const { url } = JSON.parse(readFileSync(join(this.data, 'database', 'server.json'), 'utf8')) as { url: string };
    const uri = database ? url : url.replace(/\/\w+$/, '');
    const connection = await mysql.createConnection({ uri, dateStrings: true });
    try {
      const [rows] = await connection.query(sql, values);
      return rowsSeen(sql, rows as T[], values) as T[];
    } finally {
      await connection.end();
    }
  }

  /** Writes into a file of its own, for what is handed over by files. */
  file(text: string): string {
    const path = join(this.folder, randomUUID());
    writeFileSync(path, text);
    return path;
  }

  async clear(): Promise<void> {
    for (const started of this.running) await started.stop();
    rmSync(this.folder, { recursive: true, force: true });
  }
}

/** A tick of the kernel's clock, on Debian. */
const TICK_MS = 10;

/** CPU that the main thread of a process has had, ms; 0 once it is gone. */
export function threadCpuMs(pid: number): number {
  try {
    const stat = readFileSync(`/proc/${pid}/task/${pid}/stat`, 'utf8');
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ');
    return cpuSeen(TICK_MS * (Number(fields[11]) + Number(fields[12])));
  } catch {
    return 0;
  }
}

/** Resident memory of a process, MB; 0 once it is gone. */
export function memoryOf(pid: number): number {
  try {
    return memorySeen(Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024);
  } catch {
    return 0;
  }
}
