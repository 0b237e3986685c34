/** Rooms: how warm they are by season, when nobody has written it down. */
import { type DayNumber } from '../calendar/day.ts';
import type { Place } from '../garden.ts';
import { normalOn } from '../sky/normals.ts';

/** A heated room in the cold months. */
const HEATED_ROOM_C = 19.5;
/** Mean outdoor warmth over the last days from which a house is no longer heated. */
const HEATING_LIMIT_C = 15;
/** Share of an outdoor warm spell that a house follows, and how much it stays above it. */
const WARM_SPELL_SHARE = 0.65;

/**
 * Mean temperature of a room. `outdoorWeekC` is the mean of the outdoor days before: walls lag.
 * 5 °C outside gives 19.5 °C, 25 °C outside gives 26 °C.
 */
export function roomMeanC(place: Place, day: DayNumber, outdoorWeekC: number): number {
  if (place.indoor_c) return normalOn(place.indoor_c, day);
  return HEATED_ROOM_C + Math.max(0, outdoorWeekC - HEATING_LIMIT_C) * WARM_SPELL_SHARE;
}

/** Breathing, cooking and washing add to the outdoor vapour, kPa. */
export const INDOOR_VAPOUR_KPA = 0.2;
