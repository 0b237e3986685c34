/** A place as it is typed, in the keeper's units, and the place that is sent. */
import type { Hazard } from '@zinc-pail/core';
import { PLACE_BOUNDS } from '@zinc-pail/contract/limits';
import type { PlaceFields, PlaceView } from '@zinc-pail/contract/keeping';
import { numberIn } from '@zinc-pail/words/numbers';
import { celsiusOf, mmOfBench, shownBench, shownTemperature } from '../../reader/units.ts';
import { type Read, readOr } from '../../forms/read.ts';

export interface PlaceForm {
  site_id: string;
  name: string;
  kind: string;
  air: string;
  aspect_deg: string;
  obstruction_deg: string;
  light_percent: string;
  direct_sun_h: string;
  floor_c: string;
  vent_c: string;
  lamp_ppfd: string;
  lamp_hours: string;
  /** in the keeper’s measure */
  width: string;
  depth: string;
  hazards: string;
  hazard_kinds: Hazard[];
  rain_mm: string;
  lamp_by_hand: boolean;
  quarantine: boolean;
  within_reach: boolean;
}

const text = (value: number | null | undefined, times = 1) =>
  value == null ? '' : String(Math.round(value * times * 100) / 100);
const length = (mm: number | null | undefined) => (mm == null ? '' : String(Math.round(shownBench(mm) * 10) / 10));
const warmth = (celsius: number | null | undefined) =>
  celsius == null ? '' : String(Math.round(shownTemperature(celsius) * 10) / 10);

export function formOf(place: PlaceView | null, firstSite: number | undefined): PlaceForm {
  return {
    site_id: String(place?.site_id ?? firstSite ?? ''),
    name: place?.name ?? '',
    kind: place?.kind ?? 'windowsill',
    air: place?.air ?? 'still',
    aspect_deg: text(place?.aspect_deg),
    obstruction_deg: text(place?.obstruction_deg),
    light_percent: text(place?.light_fraction, 100),
    direct_sun_h: text(place?.direct_sun_h),
    floor_c: warmth(place?.floor_c),
    vent_c: warmth(place?.vent_c),
    lamp_ppfd: text(place?.lamp?.ppfd_umol_m2_s),
    lamp_hours: text(place?.lamp?.hours),
    width: length(place?.width_mm),
    depth: length(place?.depth_mm),
    hazards: place?.hazards ?? '',
    hazard_kinds: place?.hazard_kinds ?? [],
    rain_mm: text(place?.rain_counts_mm),
    lamp_by_hand: place?.lamp_by_hand ?? false,
    quarantine: place?.quarantine ?? false,
    within_reach: place?.within_reach ?? false,
  };
}

const POINTS = ['n', 'nne', 'ne', 'ene', 'e', 'ese', 'se', 'sse', 's', 'ssw', 'sw', 'wsw', 'w', 'wnw', 'nw', 'nnw'];
const FULL_DEG = 360;

/** A point of the compass as degrees, null where it is none. */
function facingOf(typed: string): number | null {
  const short = typed
    .trim()
    .toLowerCase()
    .replaceAll(/north|south|east|west/g, ([letter]) => letter!)
    .replaceAll(/[\s-]/g, '');
  const at = POINTS.indexOf(short);
  return at < 0 ? null : (at * FULL_DEG) / POINTS.length;
}

interface Bounds {
  min: number;
  max: number;
}
const PERCENT: Bounds = { min: 0, max: 100 };

/** Numbers out of what was typed; what is none gathers in `wrong`, by field. */
class Reader {
  readonly wrong: Record<string, string> = {};

  /** null where nothing was typed */
  number(typed: string, { min, max }: Bounds, field: keyof PlaceForm): number | null {
    if (typed.trim() === '') return null;
    const found = numberIn(typed, min, max);
    if (Number.isNaN(found)) this.wrong[field] = `A number from ${min} to ${max}, or nothing.`;
    return found;
  }

  /** "south", "SSW", "200": the way a place faces */
  facing(typed: string): number | null {
    const point = facingOf(typed);
    if (point !== null) return point;
    const degrees = this.number(typed, PLACE_BOUNDS.aspectDeg, 'aspect_deg');
    if (Number.isNaN(degrees))
      this.wrong.aspect_deg = 'A point of the compass, as south-west, or degrees from 0, north, to 360.';
    return degrees;
  }

  celsius(typed: string, { min, max }: Bounds, field: keyof PlaceForm): number | null {
    const bounds = { min: Math.round(shownTemperature(min)), max: Math.round(shownTemperature(max)) };
    const shown = this.number(typed, bounds, field);
    return shown === null ? null : Math.round(celsiusOf(shown) * 10) / 10;
  }

  /** as it is typed, in cm or inches */
  mm(typed: string, field: keyof PlaceForm): number | null {
    const { min, max } = PLACE_BOUNDS.benchMm;
    const bounds = { min: Math.ceil(shownBench(min)), max: Math.floor(shownBench(max)) };
    const found = this.number(typed, bounds, field);
    return found === null ? null : Math.round(mmOfBench(found));
  }
}

/** What is sent but for its site; or what is wrong, by field of the form. */
export function placeOf(form: PlaceForm): Read<Partial<PlaceFields>> {
  const read = new Reader();
  const ppfd = read.number(form.lamp_ppfd, PLACE_BOUNDS.lampPpfd, 'lamp_ppfd');
  const hours = read.number(form.lamp_hours, PLACE_BOUNDS.hours, 'lamp_hours');
  const light = read.number(form.light_percent, PERCENT, 'light_percent');
  const place: Partial<PlaceFields> = {
    name: form.name.trim(),
    kind: form.kind as PlaceFields['kind'],
    air: form.air as PlaceFields['air'],
    aspect_deg: read.facing(form.aspect_deg),
    obstruction_deg: read.number(form.obstruction_deg, PLACE_BOUNDS.obstructionDeg, 'obstruction_deg'),
    light_fraction: light === null ? null : light / 100,
    direct_sun_h: read.number(form.direct_sun_h, PLACE_BOUNDS.hours, 'direct_sun_h'),
    floor_c: read.celsius(form.floor_c, PLACE_BOUNDS.floorC, 'floor_c'),
    vent_c: read.celsius(form.vent_c, PLACE_BOUNDS.ventC, 'vent_c'),
    lamp: ppfd === null || hours === null ? null : { ppfd_umol_m2_s: ppfd, hours },
    width_mm: read.mm(form.width, 'width'),
    depth_mm: read.mm(form.depth, 'depth'),
    hazards: form.hazards.trim() || null,
    hazard_kinds: form.hazard_kinds,
    rain_counts_mm: read.number(form.rain_mm, PLACE_BOUNDS.rainMm, 'rain_mm'),
    lamp_by_hand: form.lamp_by_hand,
    quarantine: form.quarantine,
    within_reach: form.within_reach,
  };
  if (place.name === '') read.wrong.name = 'A name for the bench, as you call it.';
  if (ppfd === null && hours !== null) read.wrong.lamp_ppfd = 'A lamp needs both its light and its hours.';
  if (ppfd !== null && hours === null) read.wrong.lamp_hours = 'A lamp needs both its light and its hours.';
  if ((place.width_mm === null) !== (place.depth_mm === null))
    read.wrong[place.width_mm === null ? 'width' : 'depth'] = 'Both sides of the bench, or neither.';
  return readOr(read.wrong, place);
}
