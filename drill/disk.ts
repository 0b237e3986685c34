/** The disk of the data is full: said in words, and all goes on once there is room. Wants the right to mount a tmpfs. */
import { spawnSync } from 'node:child_process';
import { existsSync, rmSync, statfsSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
import { ask, markOn, plantIds, sleep } from './ask.ts';
import type { Home } from './home.ts';
import type { Table } from './table.ts';

const DISK_MB = 420;
const LEFT_MB = 3;
const MB = 1024 * 1024;
const BACK_MS = 30_000;

export async function disk(home: Home, table: Table): Promise<void> {
  const mounted = spawnSync('mount', ['-t', 'tmpfs', '-o', `size=${DISK_MB}m,mode=0700`, 'zinc-drill', home.data]);
  if (mounted.status !== 0) {
    console.log('left out  disk: no tmpfs may be mounted here');
    return;
  }
  try {
    await fullDisk(home, table);
  } finally {
    spawnSync('umount', [home.data]);
  }
}

async function fullDisk(home: Home, table: Table): Promise<void> {
  const server = await home.start();
  const { url } = server;
  await ask(url, '/api/round');
  const ids = await plantIds(url);
  const ballast = join(home.data, 'ballast');
  const free = () => {
    const { bavail, bsize } = statfsSync(home.data);
    return bavail * bsize;
  };
  const picture = await noisy();
  writeFileSync(ballast, Buffer.alloc(Math.max(0, free() - LEFT_MB * MB)));
  const marks = ids.map((id) => markOn(id));
  const acknowledged = new Set<string>();
  const statuses = new Map<string, number>();
  const words = new Set<string>();
  const end = Date.now() + 20_000;
  for (let i = 0; Date.now() < end && i < 400; i++) {
    const sent = await ask(url, `/api/plants/${ids[i % ids.length]}/pictures`, {
      raw: picture,
      headers: { 'Content-Type': 'image/jpeg' },
    });
    const mark = marks[i % marks.length]!;
    const marked = await ask(url, '/api/marks', { body: mark.body });
    if (marked.status < 300) acknowledged.add(mark.ids[0]!);
    for (const { status, body } of [sent, marked]) {
      statuses.set(String(status), (statuses.get(String(status)) ?? 0) + 1);
      if (status >= 500) words.add(String((body as { detail?: string } | null)?.detail));
    }
    if (words.size > 0 && i > 40) break;
  }
  const told = [...statuses].map(([status, n]) => `${status}: ${n}`).join(', ');
  table.hold('a full disk is met', words.size > 0, told);
  table.hold(
    'it is told as 503 and in words, never as another failure',
    [...statuses.keys()].every((status) => Number(status) === 503 || (Number(status) > 0 && Number(status) < 500)) &&
      [...words].some((text) => text.includes('disk of the database is full')),
    `${told}; ${[...words].slice(0, 2).join(' | ')}`,
  );
  if (existsSync(ballast)) rmSync(ballast);
  const from = Date.now();
  let again = false;
  while (!again && Date.now() - from < BACK_MS) {
    const answers = await Promise.all([ask(url, '/api/round'), ask(url, '/api/marks', { body: markOn(ids[0]!).body })]);
    again = answers.every(({ status }) => status === 200 || status === 201);
    if (!again) await sleep(500);
  }
  table.hold('all goes on by itself once there is room', again, `after ${((Date.now() - from) / 1000).toFixed(1)} s`);
  const there = await home.rows<{ client_id: string }>('SELECT client_id FROM journal WHERE client_id IN (?)', [
    [...acknowledged, ''],
  ]);
  table.hold(
    'nothing acknowledged is lost',
    there.length === acknowledged.size,
    `${there.length} of ${acknowledged.size}`,
  );
  await server.stop();
}

/** A picture that does not pack. */
function noisy(): Promise<Buffer> {
  const side = 900;
  const noise = Buffer.from(Array.from({ length: side * side * 3 }, (_, i) => (i * 2_654_435_761) >>> 24));
  return sharp(noise, { raw: { width: side, height: side, channels: 3 } })
    .jpeg({ quality: 95 })
    .toBuffer();
}
