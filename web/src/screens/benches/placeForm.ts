/** A place as it is typed, in the keeper's units, and the place that is sent. */
import type { Hazard } from '@zinc-pail/core';
import { PLACE_BOUNDS } from '@zinc-pail/contract/limits';
import type { PlaceFields, PlaceView } from '@zinc-pail/contract/keeping';
import { numberIn } from '../../words/numbers.ts';
import { celsiusOf, shownTemperature } from '../../words/units.ts';

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
  width_cm: string;
  depth_cm: string;
  hazards: string;
  hazard_kinds: Hazard[];
  rain_mm: string;
  lamp_by_hand: boolean;
  quarantine: boolean;
  within_reach: boolean;
}

const text = (value: number | null | undefined, times = 1) =>
  value == null ? '' : String(Math.round(value * times * 100) / 100);
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
    width_cm: text(place?.width_mm, 0.1),
    depth_cm: text(place?.depth_mm, 0.1),
    hazards: place?.hazards ?? '',
    hazard_kinds: place?.hazard_kinds ?? [],
    rain_mm: text(place?.rain_counts_mm),
    lamp_by_hand: place?.lamp_by_hand ?? false,
    quarantine: place?.quarantine ?? false,
    within_reach: place?.within_reach ?? false,
  };
}

interface Bounds {
  min: number;
  max: number;
}
const PERCENT: Bounds = { min: 0, max: 100 };

/** Numbers out of what was typed; what is none gathers in `wrong`. */
class Reader {
  readonly wrong: string[] = [];

  /** null where nothing was typed */
  number(typed: string, { min, max }: Bounds, what: string): number | null {
    if (typed.trim() === '') return null;
    const found = numberIn(typed, min, max);
    if (Number.isNaN(found)) this.wrong.push(`${what}: a number from ${min} to ${max}`);
    return found;
  }

  celsius(typed: string, { min, max }: Bounds, what: string): number | null {
    const bounds = { min: Math.round(shownTemperature(min)), max: Math.round(shownTemperature(max)) };
    const shown = this.number(typed, bounds, what);
    return shown === null ? null : Math.round(celsiusOf(shown) * 10) / 10;
  }

  mm(cm: string, what: string): number | null {
    const { min, max } = PLACE_BOUNDS.benchMm;
    const found = this.number(cm, { min: min / 10, max: max / 10 }, what);
    return found === null ? null : Math.round(found * 10);
  }
}

/** What is sent but for its site; or what is wrong, in words. */
export function placeOf(form: PlaceForm): Partial<PlaceFields> | string {
  const read = new Reader();
  const ppfd = read.number(form.lamp_ppfd, PLACE_BOUNDS.lampPpfd, 'Lamp');
  const hours = read.number(form.lamp_hours, PLACE_BOUNDS.hours, 'Lamp hours');
  const light = read.number(form.light_percent, PERCENT, 'Light');
  const place: Partial<PlaceFields> = {
    name: form.name.trim(),
    kind: form.kind as PlaceFields['kind'],
    air: form.air as PlaceFields['air'],
    aspect_deg: read.number(form.aspect_deg, PLACE_BOUNDS.aspectDeg, 'Faces'),
    obstruction_deg: read.number(form.obstruction_deg, PLACE_BOUNDS.obstructionDeg, 'Hidden up to'),
    light_fraction: light === null ? null : light / 100,
    direct_sun_h: read.number(form.direct_sun_h, PLACE_BOUNDS.hours, 'Hours of sun'),
    floor_c: read.celsius(form.floor_c, PLACE_BOUNDS.floorC, 'Heated to'),
    vent_c: read.celsius(form.vent_c, PLACE_BOUNDS.ventC, 'Aired from'),
    lamp: ppfd === null || hours === null ? null : { ppfd_umol_m2_s: ppfd, hours },
    width_mm: read.mm(form.width_cm, 'Width'),
    depth_mm: read.mm(form.depth_cm, 'Depth'),
    hazards: form.hazards.trim() || null,
    hazard_kinds: form.hazard_kinds,
    rain_counts_mm: read.number(form.rain_mm, PLACE_BOUNDS.rainMm, 'Rain'),
    lamp_by_hand: form.lamp_by_hand,
    quarantine: form.quarantine,
    within_reach: form.within_reach,
  };
  if (place.name === '') read.wrong.push('A name for the bench');
  if ((ppfd === null) !== (hours === null)) read.wrong.push('A lamp wants both its light and its hours');
  return read.wrong.length > 0 ? `${read.wrong.join('; ')}.` : place;
}
