/** What an instrument brought: kept, sorted, and made into days of a thermometer or looks into a pot. */
import type { PushedReading, PushTaken } from '@zinc-pail/contract/devices';
import { dayNumber, isoDay } from '@zinc-pail/core';
import { createHash } from 'node:crypto';
import type { App } from '../context.ts';
import { type PoolConnection, type Row, transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { badField, Refused } from '../http/refusals.ts';
import { entriesByClientIds } from '../journal/store.ts';
import { asKept, writeMarks } from '../marks/marks.ts';
import { dayOf, lookOf, type RawReading, sortOut } from './sorting.ts';
import { addReadings, type Device, lastReadings, momentsThere, putDeviceDay, readingsBetween } from './store.ts';

const VALUE = { thermometer: 'temp_c', probe: 'meter', scale: 'weight_g' } as const;
const REMEMBERED = 30;
const HOUR_MS = 3_600_000;
/** The morning's look is taken once the morning is over. */
const LOOK_FROM_HOUR = 11;

export async function takePush(app: App, device: Device, pushed: readonly PushedReading[]): Promise<PushTaken> {
  const raw = pushed.map((reading, i): RawReading => {
    const value = reading[VALUE[device.kind]];
    if (value === undefined)
      throw badField(`/readings/${i}/${VALUE[device.kind]}`, undefined, `what a ${device.kind} reads, as a number`);
    return { atMs: Date.parse(reading.at), value, rhPct: reading.rh_pct ?? null };
  });
  // One moment is one reading, however often it is sent.
  const once = [...new Map(raw.map((reading) => [reading.atMs, reading])).values()];
  const { fresh, days } = await transaction(app.pool, async (connection) => {
    const [held] = await connection.query<Row<{ id: number }>[]>('SELECT id FROM device WHERE id = ? FOR UPDATE', [
      device.id,
    ]);
    if (held.length === 0) throw new Refused('no-token', 'That instrument was taken away meanwhile.');
    const moments = once.map(({ atMs }) => new Date(atMs));
    const there = await momentsThere(connection, device.id, moments);
    const news = once.filter(({ atMs }) => !there.has(atMs));
    const first = new Date(Math.min(...once.map(({ atMs }) => atMs)));
    const before = await lastReadings(connection, device.id, first, REMEMBERED);
    const sorted = sortOut(device.kind, news, before, Date.now());
    await addReadings(connection, device.id, sorted);
    const touched = new Set(sorted.flatMap(({ atMs, doubt }) => (doubt === 'clock' ? [] : [dayAt(device, atMs)])));
    if (device.kind === 'thermometer') await writeDays(connection, device, touched);
    return { fresh: sorted, days: touched };
  });
  if (device.kind !== 'thermometer') await writeLooks(app, device, days);
  return {
    taken: fresh.length,
    repeated: pushed.length - fresh.length,
    doubted: fresh.flatMap(({ atMs, doubt }) => (doubt === null ? [] : [{ at: new Date(atMs).toISOString(), doubt }])),
  };
}

const dayAt = (device: Device, atMs: number) => todayAt(device.time_zone, new Date(atMs));

/** Days that are over, as far as the readings cover them. */
async function writeDays(connection: PoolConnection, device: Device, days: ReadonlySet<string>): Promise<void> {
  const today = todayAt(device.time_zone);
  let changed = false;
  for (const day of days) {
    if (day >= today) continue;
    const [from, to] = boundsOf(device.time_zone, day);
    const found = dayOf(await readingsBetween(connection, device.id, new Date(from), new Date(to)), from, to);
    if (found && (await putDeviceDay(connection, device, day, found))) changed = true;
  }
  if (changed) await connection.query('UPDATE site SET revision = revision + 1 WHERE id = ?', [device.site_id]);
}

/** One look a day and pot, in the instrument's name; one that stands stays. */
async function writeLooks(app: App, device: Device, days: ReadonlySet<string>): Promise<void> {
  const today = todayAt(device.time_zone);
  for (const date of days) {
    const [from, to] = boundsOf(device.time_zone, date);
    if (date > today || (date === today && Date.now() < from + LOOK_FROM_HOUR * HOUR_MS)) continue;
    const clientId = idOf(device, date);
    const look = await transaction(app.pool, async (connection) => {
      const [there] = await entriesByClientIds(connection, [clientId]);
      return there
        ? null
        : lookOf(await readingsBetween(connection, device.id, new Date(from), new Date(to)), from, to);
    });
    if (!look) continue;
    const value = Math.round(look.value * 10) / 10;
    const seen = device.kind === 'probe' ? { meter: value } : { weight_g: value };
    const mark = {
      plant_id: device.plant_id!,
      entries: [{ client_id: clientId, type: 'check' as const, date, ...seen }],
    };
    const [outcome] = await writeMarks(app, [asKept({ marks: [mark], by: device.name, anyway: true })]);
    // Another push of the same morning was first: its look stands, as one of an earlier push would.
    if (outcome instanceof Refused && outcome.kind === 'already-used') continue;
    if (outcome instanceof Error) throw outcome;
  }
}

/** The same for the same instrument and day, so that a look is written once. */
function idOf(device: Device, day: string): string {
  const hash = createHash('sha256').update(`device ${device.id} ${day}`).digest('hex');
  return `${hash.slice(0, 8)}-${hash.slice(8, 12)}-4${hash.slice(13, 16)}-a${hash.slice(17, 20)}-${hash.slice(20, 32)}`;
}

/**
 * First moment of a day at a site, and of the next. Found by trying, since a day has 23 to 25 hours and a zone may skip
 * one at the date line.
 */
export function boundsOf(timeZone: string, day: string): [fromMs: number, toMs: number] {
  return [startOf(timeZone, day), startOf(timeZone, isoDay(dayNumber(day) + 1))];
}

const QUARTER_MS = 15 * 60_000;
const FARTHEST_ZONE_MS = 14 * HOUR_MS;

function startOf(timeZone: string, day: string): number {
  const middle = Date.parse(`${day}T00:00:00Z`);
  let low = middle - FARTHEST_ZONE_MS;
  let high = middle + FARTHEST_ZONE_MS;
  while (high - low > QUARTER_MS) {
    const at = low + Math.floor((high - low) / (2 * QUARTER_MS)) * QUARTER_MS;
    if (todayAt(timeZone, new Date(at)) < day) low = at;
    else high = at;
  }
  return high;
}
