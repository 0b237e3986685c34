/** A garden file, from its bytes into the tables: in a route where it is small, in a thread of its own where it is not. */
import type { GardenTaken } from '@zinc-pail/contract/answers';
import { faultsText } from '@zinc-pail/contract/faults';
import { checkGarden } from '@zinc-pail/contract/gardenFile';
import { type Pool, transaction } from '../database/pool.ts';
import { acceptZone } from '../garden/clock.ts';
import { Refused } from '../http/refusals.ts';
import { importGarden, stampGarden, zoneOf } from './gardenStore.ts';

export interface GardenOrder {
  /** of the site it becomes */
  name: string;
  /** null: what its longitude suggests */
  timeZone: string | null;
  by: string;
  /** only counted */
  dryRun: boolean;
}

const MOST_FAULTS_SAID = 3;

/**
 * @param file as {@link parsedGarden} reads it
 * @throws Refused where it is no sound garden: nothing of it was taken in then
 */
export async function takeGarden(pool: Pool, file: unknown, order: GardenOrder): Promise<GardenTaken> {
  const { value, faults, unknown } = checkGarden(file);
  if (faults.length > 0) throw new Refused('unsound-garden', faultsText(faults.slice(0, MOST_FAULTS_SAID)), faults);
  const timeZone = order.timeZone ?? zoneOf(value.site.longitude_deg);
  acceptZone(timeZone);
  const taken: GardenTaken = {
    site_id: null,
    places: value.places.length,
    mixes: value.mixes.length,
    plants: value.plants.length,
    events: value.plants.reduce((sum, plant) => sum + plant.events.length, 0),
    ignored: unknown,
  };
  if (order.dryRun) return taken;
  const { siteId } = await transaction(pool, (connection) =>
    importGarden(connection, value, { name: order.name || 'Imported garden', timeZone, by: order.by }),
  );
  await stampGarden(pool, siteId, value.today);
  return { ...taken, site_id: siteId };
}

/** @throws Refused where it is no JSON, or more than can be read at once */
export function parsedGarden(bytes: Uint8Array): unknown {
  if (likelyMb(bytes) > MOST_MB)
    throw new Refused(
      'too-large',
      `The file holds more values than are read at once (some ${MOST_MB} MB of them); take it in in parts.`,
    );
  try {
    return JSON.parse(Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength).toString('utf8'));
  } catch {
    throw new Refused('not-json', 'The body is not JSON; send one JSON object.');
  }
}

/** A sound file of the largest size comes to 120. */
const MOST_MB = 160;
const BYTES_A_MB = 1024 * 1024;
const COMMA = 0x2c;
const BRACE = 0x7b;
const BRACKET = 0x5b;

/**
 * About what the values of a text take once they are read, MB: eight bytes for one in a list, twice while the list grows;
 * 56 for an object, 32 for a list (V8's headers and its room for four fields). Looked at before they are read: what is too
 * much then cannot be stopped.
 */
function likelyMb(bytes: Uint8Array): number {
  let sum = 0;
  // By index: an iterator takes twenty times as long.
  for (let i = 0; i < bytes.length; i++) {
    const byte = bytes[i];
    if (byte === COMMA) sum += 16;
    else if (byte === BRACE) sum += 56;
    else if (byte === BRACKET) sum += 32;
  }
  return sum / BYTES_A_MB;
}
