/** The climate of a place as columns, one row a day: what every pot on the bench shares, reckoned once. */
import { type DayNumber, dayNumber, dayOfYear } from '../calendar/day.ts';
import type { Place, Site } from '../garden.ts';
import type { DrawnDay } from '../sky/generator.ts';
import { type SkyFrame, skyDay, skyFrame } from '../sky/skyDay.ts';
import { beamRatios } from '../sky/sunPath.ts';
import { meanSaturationVapourKPa, psychrometricKPaPerK } from '../sky/vapour.ts';
import { drive } from './evaporation.ts';
import { type Correction, needsAspect, NO_CORRECTION, placeDay } from './placeDay.ts';
import { correctionOn, type Lesson } from './thermometer.ts';

export interface PlaceSeries {
  firstDay: DayNumber;
  days: number;
  /** of the site */
  latitudeDeg: number;
  surfaceMm: Float64Array;
  wallMm: Float64Array;
  earlyShare: Float64Array;
  rainMm: Float64Array;
  tminC: Float64Array;
  tmaxC: Float64Array;
  tmeanC: Float64Array;
  eaKPa: Float64Array;
  dliMol: Float64Array;
  dayLengthH: Float64Array;
  vpdDayKPa: Float64Array;
}

/** Days of memory in a house's walls. */
const WALL_MEMORY_DAYS = 7;

/** Everything about a place that does not hang on the weather's chances: geometry and what thermometers taught. */
export class PlaceModel {
  private readonly frames = new Map<DayNumber, SkyFrame>();
  private readonly beams = new Map<number, readonly [number, number]>();
  private readonly corrections = new Map<DayNumber, Correction>();
  private lessons: readonly Lesson[] = [];
  private readonly readings: Map<DayNumber, { tminC: number; tmaxC: number; rhPct: number | null }>;
  private readonly gamma: number;

  constructor(
    readonly place: Place,
    readonly site: Site,
  ) {
    this.gamma = psychrometricKPaPerK(site.elevation_m);
    this.readings = new Map(
      (place.thermometer ?? []).map((r) => [
        dayNumber(r.date),
        { tminC: r.tmin_c, tmaxC: r.tmax_c, rhPct: r.rh_pct ?? null },
      ]),
    );
  }

  /** Compares the thermometer with what the weather of those days would have led one to expect. */
  learnFrom(weather: readonly DrawnDay[], firstDay: DayNumber): void {
    const lessons: Lesson[] = [];
    this.eachDay(weather, firstDay, (day, sky, weekC) => {
      const reading = this.readings.get(day);
      if (!reading) return;
      const estimate = placeDay(this.place, sky, weekC, this.beamsOn(day));
      lessons.push({
        day,
        tminC: reading.tminC - estimate.tminC,
        tmaxC: reading.tmaxC - estimate.tmaxC,
        vapour:
          reading.rhPct === null
            ? null
            : Math.max(
                0.1,
                ((reading.rhPct / 100) * meanSaturationVapourKPa(reading.tmaxC, reading.tminC)) / estimate.eaKPa,
              ),
      });
    });
    this.lessons = lessons;
    this.corrections.clear();
  }

  /** What the thermometer has taught for a day, for showing. */
  correctionFor(day: DayNumber): Correction {
    if (this.lessons.length === 0) return NO_CORRECTION;
    let found = this.corrections.get(day);
    if (!found) {
      found = correctionOn(day, this.lessons);
      this.corrections.set(day, found);
    }
    return found;
  }

  get lessonCount(): number {
    return this.lessons.length;
  }

  /** The lowest of each day alone, °C, as {@link series} has it. */
  nights(weather: readonly DrawnDay[], firstDay: DayNumber): Float64Array {
    const out = new Float64Array(weather.length);
    this.eachDay(weather, firstDay, (day, sky, weekC, i) => {
      out[i] =
        this.readings.get(day)?.tminC ??
        placeDay(this.place, sky, weekC, this.beamsOn(day), this.correctionFor(day)).tminC;
    });
    return out;
  }

  series(weather: readonly DrawnDay[], firstDay: DayNumber): PlaceSeries {
    const days = weather.length;
    const column = () => new Float64Array(days);
    const out: PlaceSeries = {
      firstDay,
      days,
      latitudeDeg: this.site.latitude_deg,
      surfaceMm: column(),
      wallMm: column(),
      earlyShare: column(),
      rainMm: column(),
      tminC: column(),
      tmaxC: column(),
      tmeanC: column(),
      eaKPa: column(),
      dliMol: column(),
      dayLengthH: column(),
      vpdDayKPa: column(),
    };
    this.eachDay(weather, firstDay, (day, sky, weekC, i) => {
      const at = placeDay(this.place, sky, weekC, this.beamsOn(day), this.correctionFor(day));
      const reading = this.readings.get(day);
      if (reading) {
        at.tminC = reading.tminC;
        at.tmaxC = reading.tmaxC;
        if (reading.rhPct !== null)
          at.eaKPa = (reading.rhPct / 100) * meanSaturationVapourKPa(reading.tmaxC, reading.tminC);
      }
      const force = drive(at, this.gamma);
      out.surfaceMm[i] = force.surfaceMm;
      out.wallMm[i] = force.wallMm;
      out.earlyShare[i] = force.earlyShare;
      out.rainMm[i] = at.rainMm;
      out.tminC[i] = at.tminC;
      out.tmaxC[i] = at.tmaxC;
      out.tmeanC[i] = (at.tminC + at.tmaxC) / 2;
      out.eaKPa[i] = at.eaKPa;
      out.dliMol[i] = at.dliMol;
      out.dayLengthH[i] = at.dayLengthH;
      out.vpdDayKPa[i] = force.vpdDayKPa;
    });
    return out;
  }

  private eachDay(
    weather: readonly DrawnDay[],
    firstDay: DayNumber,
    visit: (day: DayNumber, sky: ReturnType<typeof skyDay>, weekC: number, index: number) => void,
  ): void {
    let weekC = 0;
    for (const [i, drawn] of weather.entries()) {
      const day = firstDay + i;
      const meanC = (drawn.tminC + drawn.tmaxC) / 2;
      weekC = i === 0 ? meanC : weekC + (meanC - weekC) / WALL_MEMORY_DAYS;
      visit(day, skyDay(day, this.frameOn(day), drawn), weekC, i);
    }
  }

  private frameOn(day: DayNumber): SkyFrame {
    let frame = this.frames.get(day);
    if (!frame) {
      frame = skyFrame(this.site, day);
      this.frames.set(day, frame);
    }
    return frame;
  }

  private beamsOn(day: DayNumber): readonly [number, number] | null {
    if (!needsAspect(this.place)) return null;
    // The sun's path moves little in five days.
    const key = Math.round(dayOfYear(day) / 5) * 5;
    let found = this.beams.get(key);
    if (!found) {
      found = beamRatios(this.site.latitude_deg, key, this.place.aspect_deg);
      this.beams.set(key, found);
    }
    return found;
  }
}
