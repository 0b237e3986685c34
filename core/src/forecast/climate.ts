/** Weather and places of a garden over its past, its expected year and its possible futures, each reckoned once. */
import { type DayNumber, dayNumber, dayOfYear } from '../calendar/day.ts';
import type { Garden, WeatherDay } from '../garden.ts';
import { PlaceModel, type PlaceSeries } from '../place/series.ts';
import { type DrawnDay, drawWeather, skillOf } from '../sky/generator.ts';
import { normalDay } from '../sky/normals.ts';
import { dayLengthH } from '../sky/solar.ts';

/** Weather members of an ensemble. */
export const MEMBERS = 64;
/** How far a forecast looks. */
export const HORIZON_DAYS = 400;
/** Most pots are dry sooner; the rest asks for the long look. */
export const NEAR_DAYS = 56;
/** Members start before today, so that walls remember. */
const WARM_UP_DAYS = 8;
const GAP_SEED = 20_011;
const MEMBER_SEED = 9_177;

export class GardenClimate {
  readonly today: DayNumber;
  readonly firstDay: DayNumber;
  readonly south: boolean;
  private readonly places: ReadonlyMap<string, PlaceModel>;
  private readonly known: ReadonlyMap<DayNumber, WeatherDay>;
  private readonly pastWeather: DrawnDay[];
  private readonly expectedWeather: DrawnDay[];
  private readonly expectedSeries = new Map<string, PlaceSeries>();
  private readonly memberWeather = new Map<number, DrawnDay[][]>();
  private readonly memberSeries = new Map<string, PlaceSeries[]>();
  private readonly nights = new Map<string, readonly number[]>();
  private readonly rains = new Map<string, readonly number[]>();
  private readonly readings = new Map<string, ReadonlySet<DayNumber>>();

  constructor(
    private readonly garden: Pick<Garden, 'today' | 'site' | 'weather' | 'places'>,
    firstDay: DayNumber,
  ) {
    this.today = dayNumber(garden.today);
    this.south = garden.site.latitude_deg < 0;
    this.firstDay = Math.min(firstDay, this.today - 30);
    this.known = new Map(garden.weather.map((day) => [dayNumber(day.date), day]));
    const find = (day: DayNumber) => this.known.get(day);
    this.pastWeather = drawWeather(
      garden.site,
      this.firstDay,
      this.today - this.firstDay + 1,
      GAP_SEED,
      find,
      this.today,
    );
    this.expectedWeather = [...this.pastWeather];
    for (let lead = 1; lead <= HORIZON_DAYS; lead++) this.expectedWeather.push(this.expectedDay(this.today + lead));
    this.places = new Map(garden.places.map((place) => [place.id, new PlaceModel(place, garden.site)]));
    for (const place of this.places.values()) place.learnFrom(this.pastWeather, this.firstDay);
  }

  place(id: string): PlaceModel {
    const found = this.places.get(id);
    if (!found) throw new RangeError(`no place "${id}"`);
    return found;
  }

  /** By what a day of the past is known at a place: a thermometer among the plants, the weather outside, or nothing. */
  knownBy(placeId: string, day: DayNumber): 'read' | 'observed' | null {
    let read = this.readings.get(placeId);
    if (!read) {
      read = new Set((this.place(placeId).place.thermometer ?? []).map(({ date }) => dayNumber(date)));
      this.readings.set(placeId, read);
    }
    if (read.has(day)) return 'read';
    return this.known.get(day)?.source === 'observed' ? 'observed' : null;
  }

  /** The past as it was and the year ahead as it is most likely to be, without its chances. */
  expected(placeId: string): PlaceSeries {
    let series = this.expectedSeries.get(placeId);
    if (!series) {
      series = this.place(placeId).series(this.expectedWeather, this.firstDay);
      this.expectedSeries.set(placeId, series);
    }
    return series;
  }

  /**
   * {@link MEMBERS} possible futures of a place, `days` long from tomorrow on. A longer look starts like a shorter one.
   */
  members(placeId: string, days: number): PlaceSeries[] {
    const key = `${days}/${placeId}`;
    let series = this.memberSeries.get(key);
    if (!series) {
      const start = this.today - WARM_UP_DAYS + 1;
      series = this.weatherMembers(days).map((weather) =>
        dropDays(this.place(placeId).series(weather, start), WARM_UP_DAYS),
      );
      this.memberSeries.set(key, series);
    }
    return series;
  }

  /** The lowest of the coming night at a place, in each of the possible futures, °C. */
  tonight(placeId: string): readonly number[] {
    let lows = this.nights.get(placeId);
    if (!lows) {
      lows = this.members(placeId, NEAR_DAYS).map(({ tminC }) => tminC[0]!);
      this.nights.set(placeId, lows);
    }
    return lows;
  }

  /** Rain that counts at a place over the next two days, in each of the possible futures, mm. */
  rainSoon(placeId: string): readonly number[] {
    let falls = this.rains.get(placeId);
    if (!falls) {
      falls = this.members(placeId, NEAR_DAYS).map(({ rainMm }) => rainMm[0]! + rainMm[1]!);
      this.rains.set(placeId, falls);
    }
    return falls;
  }

  /** The lowest of each night ahead at a place, in each of the possible futures, °C; nothing of it is kept. */
  nightsAhead(placeId: string, days: number): Float64Array[] {
    const start = this.today - WARM_UP_DAYS + 1;
    const model = this.place(placeId);
    return this.drawMembers(days).map((weather) => model.nights(weather, start).subarray(WARM_UP_DAYS));
  }

  /** Outdoor weather of a day as known or expected. */
  outdoors(day: DayNumber): DrawnDay {
    return this.expectedWeather[day - this.firstDay]!;
  }

  private weatherMembers(days: number): DrawnDay[][] {
    let members = this.memberWeather.get(days);
    if (!members) {
      members = this.drawMembers(days);
      this.memberWeather.set(days, members);
    }
    return members;
  }

  private drawMembers(days: number): DrawnDay[][] {
    const start = this.today - WARM_UP_DAYS + 1;
    const find = (day: DayNumber) => this.known.get(day);
    return Array.from({ length: MEMBERS }, (_, member) =>
      drawWeather(this.garden.site, start, days + WARM_UP_DAYS, MEMBER_SEED + member, find, this.today),
    );
  }

  private expectedDay(day: DayNumber): DrawnDay {
    const normal = normalDay(this.garden.site.normals, day);
    const usual: DrawnDay = {
      tminC: normal.tminC,
      tmaxC: normal.tmaxC,
      rhPct: normal.rhPct,
      sunshineH: Math.min(normal.sunshineH, dayLengthH(this.garden.site.latitude_deg, dayOfYear(day))),
      rainMm: normal.wetChance * normal.wetDayRainMm,
      windMS: normal.windMS,
    };
    const told = this.known.get(day);
    if (!told) return usual;
    const skill = skillOf(told, day, this.today);
    const mix = (a: number, b: number) => skill * a + (1 - skill) * b;
    return {
      tminC: mix(told.tmin_c, usual.tminC),
      tmaxC: mix(told.tmax_c, usual.tmaxC),
      rhPct: mix(told.rh_pct, usual.rhPct),
      sunshineH: mix(told.sunshine_h, usual.sunshineH),
      rainMm: mix(told.rain_mm, usual.rainMm),
      windMS: mix(told.wind_m_s, usual.windMS),
    };
  }
}

function dropDays(series: PlaceSeries, drop: number): PlaceSeries {
  const out = {
    firstDay: series.firstDay + drop,
    days: series.days - drop,
    latitudeDeg: series.latitudeDeg,
  } as PlaceSeries;
  for (const key of COLUMNS) out[key] = series[key].subarray(drop);
  return out;
}

const COLUMNS = [
  'surfaceMm',
  'wallMm',
  'earlyShare',
  'rainMm',
  'tminC',
  'tmaxC',
  'tmeanC',
  'eaKPa',
  'dliMol',
  'dayLengthH',
  'vpdDayKPa',
] as const;

/** The climate that a plant has lived in: its places one after the other. */
export function joinStays(stays: readonly { from: DayNumber; series: PlaceSeries }[]): PlaceSeries {
  const [first] = stays;
  if (!first) throw new RangeError('a plant stands somewhere');
  if (stays.length === 1) return first.series;
  const { firstDay, days, latitudeDeg } = first.series;
  const out = { firstDay, days, latitudeDeg } as PlaceSeries;
  for (const key of COLUMNS) {
    const column = first.series[key].slice();
    for (const stay of stays.slice(1)) {
      const from = Math.max(0, stay.from - firstDay);
      column.set(stay.series[key].subarray(from), from);
    }
    out[key] = column;
  }
  return out;
}
