/** Places as benches are shown: their climate, what they learned, the pots on them. */
import type { PlacePot, PlaceView } from '@zinc-pail/contract/keeping';
import { crowding, genusByAnyName, genusCare, judgedAs, lightVerdict } from '@zinc-pail/core';
import type { App } from '../context.ts';
import { groupBy } from '../grouping.ts';
import { sites } from '../garden/store.ts';
import type { SiteOutlooks } from '../outlook/outlooks.ts';
import type { PlaceToday } from '../outlook/worker.ts';
import { lastReadings, type PlaceRecord, placeRecords, type StandingPot, standingPots } from './store.ts';

const READINGS_SHOWN = 14;

export async function placeViews(app: App): Promise<PlaceView[]> {
  const [records, pots, readings, all] = await Promise.all([
    placeRecords(app.pool),
    standingPots(app.pool),
    lastReadings(app.pool),
    sites(app.pool),
  ]);
  const potsAt = groupBy(pots, (pot) => pot.place_id);
  const readingsAt = groupBy(readings, (reading) => reading.place_id);
  const outlooks = new Map(
    await Promise.all(all.map(async (site) => [site.id, await app.outlooks.ofSite(site)] as const)),
  );
  return records.flatMap((record) => {
    const at = outlooks.get(record.site_id)!;
    const today = at.places.get(record.id);
    if (!today) return [];
    const here = potsAt.get(record.id) ?? [];
    return [
      {
        ...record,
        ...climateOf(record, today),
        crowded: crowdedness(record, here),
        pots: here.flatMap((pot) => placePot(pot, at, today) ?? []),
        last_readings: (readingsAt.get(record.id) ?? [])
          .slice(0, READINGS_SHOWN)
          .map(({ date, tmin_c, tmax_c, rh_pct }) => ({ date, tmin_c, tmax_c, rh_pct })),
      },
    ];
  });
}

function climateOf(record: PlaceRecord, today: PlaceToday): Pick<PlaceView, 'today' | 'learned'> {
  // A keeper who counted the sun knows nothing of its half: noon is taken for its middle.
  const counted = record.direct_sun_h;
  return {
    today: {
      tmin_c: today.tminC,
      tmax_c: today.tmaxC,
      rh_pct: today.rhPct,
      tonight_c: today.tonightC,
      dli_mol: today.dliMol,
      sun_h: counted ?? today.sunH,
      morning_sun_h: counted === null ? today.morningSunH : counted / 2,
    },
    learned: {
      offset_min_c: today.offsetMinC,
      offset_max_c: today.offsetMaxC,
      readings: today.readings,
      factor: today.factor,
    },
  };
}

function crowdedness({ width_mm: width, depth_mm: depth }: PlaceRecord, here: readonly StandingPot[]): number | null {
  if (width === null || depth === null) return null;
  const across = here.map((pot) => Math.max(pot.top_mm, pot.diameter_mm));
  return Math.round(100 * crowding(across, (width * depth) / 1e6)) / 100;
}

function placePot(pot: StandingPot, at: SiteOutlooks, today: PlaceToday): PlacePot | null {
  const outlook = at.views.get(pot.id);
  const task = at.tasks.get(pot.id);
  if (!outlook || !task) return null;
  const { form, habit } = outlook.traits;
  const wants = task.rules.rules.light;
  const { id, number, name, shape, material, quarantine_until } = pot;
  return {
    id,
    number,
    name,
    form,
    shape,
    material,
    wants,
    quarantine_until,
    width_mm: pot.top_mm,
    crown_mm: pot.diameter_mm,
    light: lightVerdict(today.dliMol, wants, outlook.state),
    verdict: judgedAs(task.judgement, at.today),
    poisonous: genusCare(genusByAnyName(name), form, habit).poisonous,
  };
}
