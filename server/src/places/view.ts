/** Places as benches are shown: their climate, what they learned, the pots on them. */
import type { PlacePot, PlaceView } from '@zinc-pail/contract/keeping';
import {
  crowding,
  genusCare,
  genusOf,
  judgedAs,
  lightVerdict,
  nameTellsColour,
  type PlaceAdvice,
  placeAdvice,
  wantedLight,
  type PlacedPlant,
  type PlaceFacts,
} from '@zinc-pail/core';
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
        advice: adviceFor(record, here, at, (id) => factsOf(id, records, outlooks)),
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

/** Share of the bench that pots and crowns take; null where nobody measured it. */
export function crowdedness(
  { width_mm: width, depth_mm: depth }: Pick<PlaceRecord, 'width_mm' | 'depth_mm'>,
  here: readonly Pick<StandingPot, 'top_mm' | 'diameter_mm'>[],
): number | null {
  if (width === null || depth === null) return null;
  const across = here.map((pot) => Math.max(pot.top_mm, pot.diameter_mm));
  return Math.round(100 * crowding(across, (width * depth) / 1e6)) / 100;
}

type FactsOf = (placeId: number) => PlaceFacts | null;

function factsOf(
  placeId: number,
  records: readonly PlaceRecord[],
  outlooks: ReadonlyMap<number, SiteOutlooks>,
): PlaceFacts | null {
  const record = records.find(({ id }) => id === placeId);
  const today = record && outlooks.get(record.site_id)?.places.get(placeId);
  if (!record || !today) return null;
  const { sun_h, morning_sun_h } = climateOf(record, today).today;
  return {
    id: placeId,
    rhPct: today.rhPct,
    warmthC: (today.tminC + today.tmaxC) / 2,
    sunH: sun_h,
    morningSunH: morning_sun_h,
    highC: today.tmaxC,
    hazards: record.hazard_kinds,
  };
}

function adviceFor(
  record: PlaceRecord,
  here: readonly StandingPot[],
  { views, tasks, places }: SiteOutlooks,
  facts: FactsOf,
): PlaceAdvice[] {
  const own = facts(record.id);
  if (!own) return [];
  const plants = here.flatMap(({ id, name }): PlacedPlant[] => {
    const view = views.get(id);
    const task = tasks.get(id);
    if (!view || !task) return [];
    const { cautions } = view;
    const { form, habit, minWetC } = view.traits;
    const { light } = task.rules.rules;
    return [
      {
        id,
        air: genusCare(genusOf(view.genus), form, habit).air,
        scorches: light === 'filtered' || light === 'shade' || nameTellsColour(name),
        minWetC,
        marksEasily: cautions.includes('powdery') || cautions.includes('dry-heart') || form === 'rosette',
      },
    ];
  });
  const others = [...places.keys()].flatMap((id) => (id === record.id ? [] : (facts(id) ?? [])));
  return placeAdvice(own, plants, others);
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
    state: outlook.state,
    height_mm: pot.height_mm,
    x_mm: pot.x_mm,
    y_mm: pot.y_mm,
    wants_mol: wantedLight(wants, outlook.state),
    poisonous: genusCare(genusOf(outlook.genus), form, habit).poisonous,
  };
}
