/** The garden file, version 1 (docs/formats.md): what is read, and how it is refused. */
import { MOST_FAULTS_TOLD } from './limits.ts';
import {
  AIRS,
  CAUSES,
  componentsOf,
  dayNumber,
  DRY_RULES,
  FORMS,
  FOUND,
  type Garden,
  HABITS,
  METHODS,
  MOST_CROCKS,
  OUTCOMES,
  PLACE_KINDS,
  PLANT_STATES,
  POT_MATERIALS,
  POT_SHAPES,
  readKept,
  REFUSALS,
  ROOT_FINDINGS,
  SIGN_PLACES,
  SIGNS,
  STEPS,
  STORES,
  WATER_KINDS,
} from '@zinc-pail/core';
import Joi from 'joi';
import { check, type Fault, pointerOf, type Checked } from './faults.ts';
import {
  day,
  exactly,
  list,
  named,
  number,
  object,
  oneOf,
  optional,
  text,
  twelve,
  whole,
  within,
  yesNo,
} from './fields.ts';
import { PLACE_BOUNDS } from './limits.ts';
import { ownRulesFields } from './ownRules.ts';

const ID = () => text(200);

const normals = object(
  {
    tmin_c: twelve(-90, 60, '°C'),
    tmax_c: twelve(-90, 60, '°C'),
    rh_pct: twelve(0, 100, '%'),
    sunshine_h: twelve(0, 24, 'hours a day'),
    rain_mm: twelve(0, 3000, 'mm a month'),
    wind_m_s: twelve(0, 40, 'm/s'),
  },
  'an object with tmin_c, tmax_c, rh_pct, sunshine_h, rain_mm and wind_m_s',
);

const site = object(
  {
    latitude_deg: number(-90, 90, 'degrees'),
    longitude_deg: number(-180, 180, 'degrees'),
    elevation_m: number(-450, 9000, 'm'),
    normals,
  },
  'an object with latitude_deg, longitude_deg, elevation_m and normals',
);

const weatherDay = object(
  {
    date: day(),
    tmin_c: number(-90, 60, '°C'),
    tmax_c: number(-90, 60, '°C'),
    rh_pct: number(0, 100, '%'),
    sunshine_h: number(0, 24, 'hours'),
    rain_mm: number(0, 2000, 'mm'),
    wind_m_s: number(0, 80, 'm/s'),
    source: oneOf(['observed', 'forecast']),
    issued: optional(day()),
  },
  'a day of weather',
);

const thermometer = object(
  { date: day(), tmin_c: number(-60, 80, '°C'), tmax_c: number(-60, 80, '°C'), rh_pct: optional(number(0, 100, '%')) },
  'a reading with date, tmin_c and tmax_c',
);

const gardenPlaceFields = {
  kind: oneOf(PLACE_KINDS),
  aspect_deg: optional(within(PLACE_BOUNDS.aspectDeg, 'degrees, 0 north, 90 east')),
  light_fraction: optional(within(PLACE_BOUNDS.lightFraction)),
  floor_c: optional(within(PLACE_BOUNDS.floorC, '°C')),
  vent_c: optional(within(PLACE_BOUNDS.ventC, '°C')),
  indoor_c: optional(twelve(PLACE_BOUNDS.indoorC.min, PLACE_BOUNDS.indoorC.max, '°C')),
  air: oneOf(AIRS),
  lamp: optional(
    object(
      { ppfd_umol_m2_s: within(PLACE_BOUNDS.lampPpfd, 'µmol/m²/s'), hours: within(PLACE_BOUNDS.hours, 'hours') },
      'an object with ppfd_umol_m2_s and hours',
    ),
  ),
};

const place = object(
  {
    id: ID(),
    ...gardenPlaceFields,
    name: optional(text(220)),
    rain_counts_mm: optional(number(0, 2000, 'mm')),
    width_mm: optional(whole(1, 65_535, 'mm')),
    depth_mm: optional(whole(1, 65_535, 'mm')),
    obstruction_deg: optional(number(0, 90, 'degrees')),
    direct_sun_h: optional(number(0, 24, 'hours')),
    thermometer: optional(list(thermometer, 'a list of readings')),
  },
  'a place with id, kind and air',
);

const mixParts = list(
  object({ component: text(100), parts: number(0, 1000, 'parts') }, 'an object with component and parts'),
  'a list of parts',
  50,
)
  .min(1)
  .messages({ 'array.min': 'at least one part' });

const mix = object({ id: ID(), name: optional(text(220)), parts: mixParts }, 'a mix with id and parts');

const ownComponent = object(
  {
    id: text(100),
    total_porosity: number(0.05, 0.99),
    water_at_10cm: number(0.005, 0.98),
    water_air_dry: number(0, 0.9),
    bulk_density_g_ml: number(0.01, 5, 'g/ml'),
    ph: optional(number(2, 12)),
  },
  'a component with id, total_porosity, water_at_10cm, water_air_dry and bulk_density_g_ml',
);

const potFields = {
  shape: oneOf(POT_SHAPES),
  top_mm: number(10, 3000, 'mm'),
  base_mm: number(1, 3000, 'mm'),
  depth_mm: number(10, 3000, 'mm'),
  material: oneOf(POT_MATERIALS),
  wall_mm: optional(number(0.2, 100, 'mm')),
  holes: yesNo(),
  top_dressing_mm: number(0, 300, 'mm'),
};
const A_POT = 'a pot with shape, top_mm, base_mm, depth_mm, material, holes and top_dressing_mm';
const pot = named('Pot', object(potFields, A_POT));
/** A pot as it is kept: a garden file holds less of it. */
export const keptPot = named(
  'Kept pot',
  object(
    {
      ...potFields,
      dark: optional(yesNo()),
      hole_count: optional(whole(1, 60)),
      hole_mm: optional(whole(1, 120, 'mm')),
      crocks_mm: optional(whole(1, 200, 'mm')),
    },
    A_POT,
  ),
);

const ONE_READING = 'exactly one of finger, surface, meter, weight_g or lift';

/** The fields of each kind of event besides `type` and `date`; the journal's API takes the same. */
export const eventFields: Record<string, Record<string, Joi.Schema>> = {
  watering: {
    method: oneOf(METHODS),
    amount_ml: Joi.when('method', {
      is: 'measured',
      then: number(0.1, 200_000, 'ml (a measured drink needs its amount)'),
      otherwise: optional(number(0, 200_000, 'ml')),
    }),
    water: optional(oneOf(WATER_KINDS)),
  },
  check: {
    finger: oneOf(['wet', 'damp', 'dry']).optional(),
    surface: oneOf(['wet', 'dry']).optional(),
    meter: number(1, 10).optional(),
    weight_g: number(0.1, 1_000_000, 'g').optional(),
    lift: oneOf(['heavy', 'middling', 'light']).optional(),
  },
  weights: { drained_g: number(0.1, 1_000_000, 'g'), dry_g: optional(number(0.1, 1_000_000, 'g')) },
  sign: {
    sign: oneOf(SIGNS),
    strength: whole(1, 3),
    where: optional(oneOf(SIGN_PLACES)),
    when: optional(oneOf(['always', 'midday'])),
  },
  repotting: {
    mix_was: optional(oneOf(['dry', 'damp', 'wet'])),
    roots_cut: optional(yesNo()),
    findings: optional(list(oneOf(ROOT_FINDINGS), 'what its roots were like', ROOT_FINDINGS.length)),
    before: optional(object({ pot: keptPot, mix: ID() }, 'an object with pot and mix')),
  },
  move: { from: optional(ID()), place: optional(ID()) },
  feeding: { dose: optional(number(0, 2)) },
  state: { state: oneOf([...PLANT_STATES, 'unsure']) },
  refused: { reason: oneOf(REFUSALS) },
  changed: { pace: oneOf(['slower', 'faster']) },
  verdict: {
    cause: oneOf(CAUSES),
    hold_until: optional(day()),
    gap: optional(oneOf(['earlier', 'later'])),
  },
  'case-step': { cause: oneOf(CAUSES), step: oneOf(STEPS), found: optional(oneOf(FOUND)) },
  'case-closed': { cause: oneOf(CAUSES), outcome: oneOf(OUTCOMES) },
};

/** A body of one of these types: the type decides which fields are wanted. */
export function eventSchema(
  common: Record<string, Joi.Schema>,
  types: readonly string[] = Object.keys(eventFields),
  further: Record<string, Record<string, Joi.Schema>> = {},
  more: Record<string, Record<string, Joi.Schema>> = {},
): Joi.Schema {
  const bodies = types.map((type) => {
    const body = object(
      { type: Joi.any(), ...common, ...(eventFields[type] ?? further[type]), ...more[type] },
      'an event with type and date',
    );
    return {
      is: type,
      then:
        type === 'check'
          ? body
              .xor('finger', 'surface', 'meter', 'weight_g', 'lift')
              .messages({ 'object.missing': ONE_READING, 'object.xor': ONE_READING })
          : body,
    };
  });
  return Joi.alternatives()
    .conditional('.type', {
      switch: bodies,
      otherwise: object({ type: oneOf(types) }, 'an event with type and date').unknown(true),
    })
    .required();
}

const plant = object(
  {
    id: ID(),
    name: optional(text(200)),
    taxon: optional(text(200)),
    habit: optional(oneOf(HABITS)),
    form: optional(oneOf(FORMS)),
    diameter_mm: number(0, 10_000, 'mm'),
    height_mm: number(0, 20_000, 'mm'),
    dry_rule: optional(oneOf(DRY_RULES)),
    hold_days: optional(number(0, 120, 'days')),
    place: ID(),
    mix: ID(),
    store: optional(oneOf(STORES)),
    min_dry_c: optional(number(-50, 40, '°C')),
    min_wet_c: optional(number(-50, 40, '°C')),
    grow_min_c: optional(number(-20, 40, '°C')),
    pot: keptPot,
    leafless: optional(yesNo()),
    root_loss: optional(number(0, 1)),
    name_sure: optional(oneOf(['sure', 'likely', 'unknown'])),
    used_to: optional(text(300)),
    acquired_on: optional(day()),
    care: optional(object(ownRulesFields, 'rules of care')),
    events: list(eventSchema({ date: day() }), 'a list of events, oldest first'),
  },
  'a plant with id, diameter_mm, height_mm, place, mix, pot and events',
);

const garden = object(
  {
    format: exactly('zinc-pail/garden'),
    version: exactly(1),
    today: day(),
    site,
    weather: list(weatherDay, 'a list of days'),
    places: list(place, 'a list of places', 10_000),
    mixes: list(mix, 'a list of mixes', 10_000),
    components: optional(list(ownComponent, 'a list of components', 1000)),
    plants: list(plant, 'a list of plants', 100_000),
  },
  'a garden file: an object with format, version, today, site, weather, places, mixes and plants',
);

/** Reads a garden: sound shape first, then whether its parts fit each other. */
export function checkGarden(input: unknown): Checked<Garden> {
  const verdict = check<Garden>(garden, input);
  if (verdict.faults.length === 0) verdict.faults.push(...misfits(verdict.value));
  if (verdict.faults.length > 0) return verdict;
  return { ...verdict, value: { ...verdict.value, plants: verdict.value.plants.map(readKept) } };
}

/** What no single field shows: references, order, pairs of numbers. */
function misfits(file: Garden): Fault[] {
  const faults: Fault[] = [];
  const fault = (path: (string | number)[], got: unknown, accepted: string) => {
    if (faults.length <= MOST_FAULTS_TOLD) faults.push({ pointer: pointerOf(path), got, accepted });
  };
  const today = dayNumber(file.today);

  const unique = (name: string, items: readonly { id: string }[]) => {
    const seen = new Set<string>();
    for (const [i, { id }] of items.entries()) {
      if (seen.has(id)) fault([name, i, 'id'], id, 'an id of its own: this one stands above');
      seen.add(id);
    }
    return seen;
  };
  const lowToHigh = (path: (string | number)[], pair: { tmin_c: number; tmax_c: number }) => {
    if (pair.tmin_c > pair.tmax_c)
      fault([...path, 'tmin_c'], pair.tmin_c, `a number no higher than tmax_c (${pair.tmax_c})`);
  };
  const placeIds = unique('places', file.places);
  const mixIds = unique('mixes', file.mixes);
  unique('components', file.components ?? []);
  unique('plants', file.plants);

  for (const [month, low] of file.site.normals.tmin_c.entries()) {
    const high = file.site.normals.tmax_c[month]!;
    if (low > high) fault(['site', 'normals', 'tmin_c', month], low, `a number no higher than tmax_c (${high})`);
  }
  const dates = new Set<string>();
  for (const [i, entry] of file.weather.entries()) {
    lowToHigh(['weather', i], entry);
    if (dates.has(entry.date)) fault(['weather', i, 'date'], entry.date, 'each day once');
    dates.add(entry.date);
    if (entry.source === 'observed' && dayNumber(entry.date) > today)
      fault(['weather', i, 'source'], entry.source, `"forecast" for a day after today (${file.today})`);
  }
  for (const [i, entry] of file.places.entries()) {
    for (const [j, reading] of (entry.thermometer ?? []).entries()) {
      lowToHigh(['places', i, 'thermometer', j], reading);
      if (dayNumber(reading.date) > today)
        fault(['places', i, 'thermometer', j, 'date'], reading.date, `a date up to today (${file.today})`);
    }
  }
  for (const [i, own] of (file.components ?? []).entries()) {
    if (own.water_at_10cm >= own.total_porosity)
      fault(['components', i, 'water_at_10cm'], own.water_at_10cm, `less than total_porosity (${own.total_porosity})`);
    if (own.water_air_dry >= own.water_at_10cm)
      fault(['components', i, 'water_air_dry'], own.water_air_dry, `less than water_at_10cm (${own.water_at_10cm})`);
  }
  const components = componentsOf(file.components);
  const somePlaces = someOf(placeIds);
  const someMixes = someOf(mixIds);
  for (const [i, entry] of file.mixes.entries()) mixMisfits(['mixes', i], entry.parts, components, fault);
  for (const [i, entry] of file.plants.entries()) {
    const at = (...path: (string | number)[]) => ['plants', i, ...path];
    if (!placeIds.has(entry.place)) fault(at('place'), entry.place, `the id of a place of this file: ${somePlaces}`);
    if (!mixIds.has(entry.mix)) fault(at('mix'), entry.mix, `the id of a mix of this file: ${someMixes}`);
    if ((entry.pot.crocks_mm ?? 0) > MOST_CROCKS * entry.pot.depth_mm)
      fault(
        at('pot', 'crocks_mm'),
        entry.pot.crocks_mm,
        `at most half of depth_mm (${MOST_CROCKS * entry.pot.depth_mm})`,
      );
    let before = '';
    for (const [j, event] of entry.events.entries()) {
      if (dayNumber(event.date) > today)
        fault(at('events', j, 'date'), event.date, `a date up to today (${file.today})`);
      if (event.date < before)
        fault(at('events', j, 'date'), event.date, `a date from ${before} on, since events run oldest first`);
      before = event.date;
      if (event.type === 'weights' && event.dry_g != null && event.dry_g >= event.drained_g) {
        fault(at('events', j, 'dry_g'), event.dry_g, `less than drained_g (${event.drained_g})`);
      }
      if (event.type === 'repotting' && event.before && !mixIds.has(event.before.mix)) {
        fault(at('events', j, 'before', 'mix'), event.before.mix, `the id of a mix of this file: ${someMixes}`);
      }
    }
  }
  return faults;
}

function mixMisfits(
  path: (string | number)[],
  parts: readonly { component: string; parts: number }[],
  components: ReadonlyMap<string, unknown>,
  fault: (path: (string | number)[], got: unknown, accepted: string) => void,
): void {
  if (!parts.some((part) => part.parts > 0))
    fault(
      [...path, 'parts'],
      parts.map((part) => part.parts),
      'parts that sum to more than 0',
    );
  for (const [j, part] of parts.entries()) {
    if (!components.has(part.component))
      fault([...path, 'parts', j, 'component'], part.component, `a component: ${someOf(components.keys(), 30)}`);
  }
}

function someOf(ids: Iterable<string>, most = 8): string {
  const all = [...ids];
  const shown = all
    .slice(0, most)
    .map((id) => `"${id}"`)
    .join(', ');
  return all.length === 0 ? 'there is none yet' : all.length > most ? `${shown} and ${all.length - most} more` : shown;
}

/** What `zinc mix` reads. */
export interface MixFile {
  parts: { component: string; parts: number }[];
  pot: Garden['plants'][number]['pot'];
  pots?: number | null;
  crock_mm?: number | null;
  components?: Garden['components'];
}

const mixFile = object(
  {
    parts: mixParts,
    pot,
    pots: optional(whole(1, 10_000, 'pots')),
    crock_mm: optional(number(0, 3000, 'mm')),
    components: optional(list(ownComponent, 'a list of components', 1000)),
    format: Joi.any(),
    version: Joi.any(),
  },
  'an object with parts and pot',
);

export function checkMixFile(input: unknown): Checked<MixFile> {
  const verdict = check<MixFile>(mixFile, input);
  if (verdict.faults.length > 0) return verdict;
  const { value, faults } = verdict;
  const fault = (path: (string | number)[], got: unknown, accepted: string) =>
    faults.push({ pointer: pointerOf(path), got, accepted });
  mixMisfits([], value.parts, componentsOf(value.components), fault);
  if ((value.crock_mm ?? 0) >= value.pot.depth_mm)
    fault(['crock_mm'], value.crock_mm, `less than the pot's depth_mm (${value.pot.depth_mm})`);
  return verdict;
}
