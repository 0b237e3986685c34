/**
 * A glasshouse's heat balance for a day and a night.
 * Form after Bot (1983) and Seginer & Kantz (1986), static: gain = absorbed sun / (loss through cover + air exchange).
 */
import { saturationVapourKPa } from '../sky/vapour.ts';

const SECONDS_PER_HOUR = 3600;
const W_PER_MW = 1e6;
/** Noon sun over the mean of the lit hours, for a half sine. */
const PEAK_OVER_MEAN = Math.PI / 2;
/** Sun that heats the air rather than evaporating water or warming the ground. */
const SENSIBLE_SHARE = 0.55;
/** Light let in by the cover; what stands in its way later (`light_fraction`) still warms the house. */
const COVER_TRANSMISSION = 0.7;
/** Heat lost per m² of ground and kelvin, closed: single glass on a small house with its leaks. */
const CLOSED_LOSS_W_M2K = 15;
/** Further loss for each kelvin above the airing temperature, as the lights are opened wider. */
const AIRING_W_M2K2 = 3.5;
const AIRING_LIMIT_W_M2K = 60;
/** A clear night lets the outdoor air fall further below the glass than a cloudy one. */
const NIGHT_GAIN_C = 1.2;
const NIGHT_GAIN_SUNNY_C = 1.2;
/** Wet pots and floors fill this share of what the air inside could still take, before glass condenses it again. */
const GLASS_MOISTENING = 0.4;

export interface GlassDay {
  tminC: number;
  tmaxC: number;
  eaKPa: number;
}

/** A closed house on a clear summer day runs 10–20 K over the air outside; an airy one a third of that. */
export function glassDay(
  outside: { tminC: number; tmaxC: number; eaKPa: number; rsMj: number; clearness: number; dayLengthH: number },
  ventC: number,
  floorC: number | null,
): GlassDay {
  const peakW =
    outside.dayLengthH > 0 ? (outside.rsMj * W_PER_MW * PEAK_OVER_MEAN) / (outside.dayLengthH * SECONDS_PER_HOUR) : 0;
  const absorbed = peakW * COVER_TRANSMISSION * SENSIBLE_SHARE;
  const closedMax = outside.tmaxC + absorbed / CLOSED_LOSS_W_M2K;
  let tmaxC = closedMax;
  if (closedMax > ventC) {
    // The lights open with the warmth inside, so gain and loss must be found together: bisection is quick and safe.
    let low = outside.tmaxC;
    let high = closedMax;
    for (let i = 0; i < 18; i++) {
      const middle = (low + high) / 2;
      const airing = Math.min(AIRING_LIMIT_W_M2K, Math.max(0, middle - ventC) * AIRING_W_M2K2);
      if ((middle - outside.tmaxC) * (CLOSED_LOSS_W_M2K + airing) < absorbed) low = middle;
      else high = middle;
    }
    tmaxC = (low + high) / 2;
  }
  let tminC = outside.tminC + NIGHT_GAIN_C + NIGHT_GAIN_SUNNY_C * Math.min(1, outside.clearness / 0.7);
  if (floorC !== null) {
    tminC = Math.max(tminC, floorC);
    tmaxC = Math.max(tmaxC, floorC + 1);
  }
  tmaxC = Math.max(tmaxC, tminC + 0.5);
  const room = Math.max(0, saturationVapourKPa((tminC + tmaxC) / 2) - outside.eaKPa);
  return { tminC, tmaxC, eaKPa: Math.min(outside.eaKPa + GLASS_MOISTENING * room, saturationVapourKPa(tminC + 1)) };
}
