/**
 * A year kept by doing what is asked: every few days the plant is judged, and what the first deed asks for is done and
 * noted. Looks find what the engine holds likeliest, and a sound plant.
 */
import { dayNumber, isoDay } from '../src/calendar/day.ts';
import { GardenForecast } from '../src/forecast/forecast.ts';
import { careTask } from '../src/care/task.ts';
import type { Garden, PlantEvent } from '../src/garden.ts';
import type { Judgement } from '../src/judgement/deeds.ts';
import { GRITTY, mirrored, roundPot } from './gardens.ts';
import { GROWERS_PLACES, growersSite, type GrowersPlace } from './growersYear.ts';

export interface KeptDay {
  date: string;
  /** 0 to 11 */
  month: number;
  state: string;
  judgement: Judgement;
  m: number;
}

export interface KeptYear {
  days: KeptDay[];
  events: PlantEvent[];
}

const STEP_DAYS = 5;
/** Kept before the year that counts, so that its beginning has a past. */
const BEFORE_DAYS = 60;
const YEAR_DAYS = 365;

/** The marks that doing a first deed leaves in the book. */
export function marksOf(judgement: Judgement, date: string, m: number): PlantEvent[] {
  const [first] = judgement.deeds;
  switch (first.deed) {
    case 'water':
    case 'sip':
      return [{ type: 'watering', date, method: first.method, amount_ml: first.amount_ml }];
    case 'look':
      switch (first.what) {
        case 'depth':
          return [{ type: 'check', date, finger: m > 0.6 ? 'wet' : m > 0.15 ? 'damp' : 'dry' }];
        case 'base':
          return [{ type: 'sign', date, sign: 'firm-base', strength: 2 }];
        case 'roots':
          return [{ type: 'sign', date, sign: 'roots-firm', strength: 2 }];
        case 'growth':
          return [{ type: 'sign', date, sign: 'taut', strength: 2 }];
        default:
          return [];
      }
    default:
      return [];
  }
}

export interface Kept {
  kind: string;
  place: GrowersPlace;
}

/**
 * All of them beside one another, so that each place's weather is drawn once a day for all who stand there.
 *
 * @param firstDay ISO, the first day of the year that counts
 */
export function keepYears(
  rows: readonly Kept[],
  { firstDay = '2026-01-01', mirror = false }: { firstDay?: string; mirror?: boolean } = {},
): KeptYear[] {
  const years = rows.map((): KeptYear => ({ days: [], events: [] }));
  const sites = [...new Set(rows.map(({ place }) => growersSite(place)))];
  for (const site of sites) {
    const here = rows.flatMap((row, i) => (growersSite(row.place) === site ? [{ row, year: years[i]!, id: String(i) }] : []));
    keepSite(here, mirror ? mirroredSite(site) : site, dayNumber(firstDay));
  }
  return years;
}

function mirroredSite(site: Garden['site']): Garden['site'] {
  return { ...site, latitude_deg: -site.latitude_deg, normals: mirrored(site.normals) };
}

function keepSite(
  here: readonly { row: Kept; year: KeptYear; id: string }[],
  site: Garden['site'],
  first: number,
): void {
  const start = first - BEFORE_DAYS;
  for (const { year } of here) year.events.push({ type: 'watering', date: isoDay(start), method: 'drench' });
  for (let day = start + STEP_DAYS; day < first + YEAR_DAYS; day += STEP_DAYS) {
    const date = isoDay(day);
    const forecast = new GardenForecast({
      today: date,
      site,
      weather: [],
      places: [...new Set(here.map(({ row }) => row.place))].map((place) => GROWERS_PLACES[place]),
      mixes: [GRITTY],
      plants: here.map(({ row, year, id }) => ({
        id,
        name: row.kind,
        taxon: row.kind,
        diameter_mm: 80,
        height_mm: 80,
        place: row.place,
        mix: 'mix',
        pot: roundPot(100, 90, 'plastic'),
        events: year.events,
      })),
    });
    for (const { row, year, id } of here) {
      const outlook = forecast.outlook(id);
      const place = forecast.climate.place(row.place).place;
      const { judgement } = careTask({
        name: row.kind,
        taxon: row.kind,
        nameUnknown: false,
        own: {},
        outlook,
        today: day,
        placeKind: place.kind,
        lit: place.lamp != null,
        south: site.latitude_deg < 0,
        mixIsCharged: false,
        arrivedOn: null,
        watersAtHand: [{ kind: 'soft', saltsMgL: null }],
        air: place.air,
        organicShare: forecast.blend('mix').organicShare,
      });
      const m = outlook.moisture.p50;
      if (day >= first)
        year.days.push({ date, month: Number(date.slice(5, 7)) - 1, state: outlook.state, judgement, m });
      year.events.push(...marksOf(judgement, date, m));
    }
  }
}
