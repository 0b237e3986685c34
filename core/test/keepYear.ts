/**
 * A year kept by doing what is asked: every few days the plant is judged, and what the first deed asks for is done and
 * noted. The pot dries by the physics alone, and looks find what is in it, and a sound plant.
 */
import { dayNumber, isoDay } from '../src/calendar/day.ts';
import { GardenForecast, type Outlook } from '../src/forecast/forecast.ts';
import { dryStep } from '../src/drydown/step.ts';
import { careTask } from '../src/care/task.ts';
import type { Garden, PlantEvent } from '../src/garden.ts';
import type { Judgement, LookAt } from '../src/judgement/deeds.ts';
import { answersTo } from '../src/judgement/lookAnswers.ts';
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

export const STEP_DAYS = 7;
/** Kept before the year that counts, so that its beginning has a past. */
const BEFORE_DAYS = 60;
const YEAR_DAYS = 365;

/** What a look finds on a sound plant. */
const SOUND: Record<Exclude<LookAt, 'depth'>, readonly string[]> = {
  weight: ['light'],
  base: ['firm'],
  roots: ['firm'],
  underside: [],
  growth: ['taut', 'firm', 'old leaves plump'],
};

/** The marks that doing a first deed leaves in the book. */
export function marksOf(judgement: Judgement, date: string, m: number): PlantEvent[] {
  const [first] = judgement.deeds;
  switch (first.deed) {
    case 'water':
    case 'sip':
      return [{ type: 'watering', date, method: first.method, amount_ml: first.amount_ml }];
    case 'look': {
      const found = first.what === 'depth' ? [m > 0.6 ? 'wet' : m > 0.15 ? 'damp' : 'dry'] : SOUND[first.what];
      return (
        answersTo(first.what, first.then)
          .find(({ answer }) => found.includes(answer))
          ?.write(date) ?? []
      );
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
    const here = rows.flatMap((row, i) =>
      growersSite(row.place) === site ? [{ row, year: years[i]!, id: String(i) }] : [],
    );
    keepSite(here, mirror ? mirroredSite(site) : site, dayNumber(firstDay));
  }
  return years;
}

function mirroredSite(site: Garden['site']): Garden['site'] {
  return { ...site, latitude_deg: -site.latitude_deg, normals: mirrored(site.normals) };
}

/** What is left in the pot after the last days, by the physics alone: a truth that no look of the engine's moves. */
function dried(before: number, { model, surfaceWetM }: Outlook, today: number): number {
  const { loss, pot } = model;
  let m = before;
  for (let day = today - STEP_DAYS + 1; day <= today; day++) {
    const i = day - loss.firstDay;
    if (loss.rain[i]! > 0) m = Math.min(1, m + loss.rain[i]!);
    m = dryStep(m, loss.surface[i]!, loss.wall[i]!, loss.plant[i]!, surfaceWetM);
  }
  return Math.min(pot.holes ? 1 : 2, m);
}

function keepSite(
  here: readonly { row: Kept; year: KeptYear; id: string }[],
  site: Garden['site'],
  first: number,
): void {
  const start = first - BEFORE_DAYS;
  for (const { year } of here) year.events.push({ type: 'watering', date: isoDay(start), method: 'drench' });
  const truth = here.map(() => 1);
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
    for (const [at, { row, year, id }] of here.entries()) {
      const outlook = forecast.outlook(id);
      truth[at] = dried(truth[at]!, outlook, day);
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
        shelteredOn: null,
        neighbours: [],
        watersAtHand: [{ kind: 'soft', saltsMgL: null }],
        air: place.air,
        organicShare: forecast.blend('mix').organicShare,
      });
      const m = truth[at]!;
      const [deed] = judgement.deeds;
      if (deed.deed === 'water' || deed.deed === 'sip')
        truth[at] = Math.min(1, m + deed.amount_ml / outlook.model.pot.capacity.availableMl);
      if (day >= first)
        year.days.push({ date, month: Number(date.slice(5, 7)) - 1, state: outlook.state, judgement, m });
      year.events.push(...marksOf(judgement, date, m));
    }
  }
}
