/** Weather as it crosses the wire: what each site's sky and each place have been and will be, and where it is known from. */
import { DAY_SOURCES, type DaySource, type PlaceOutlook, type StandsWhen } from '@zinc-pail/core';
import Joi from 'joi';
import { day, id, list, named, number, object, oneOf, optional, text, twelve, whole, yesNo } from './fields.ts';
import { LONGEST_CSV, LONGEST_NAME } from './limits.ts';

export const WEATHER_ORIGINS = ['file', 'service', 'table'] as const;

export interface SkyDay {
  date: string;
  tmin_c: number;
  tmax_c: number;
  rain_mm: number;
  sunshine_h: number;
  source: DaySource;
}

/** A plant's nights at the place where it stands, or could stand. */
export interface PlantNights {
  id: number;
  name: string;
  /** lowest night that it bears with a dry and with a moist root ball */
  min_dry_c: number;
  min_wet_c: number;
  /** the one of both that counts today, as dry or moist as it is */
  /** of each week to come the lowest night it takes */
  weekly_limit_c: number[];
  limit_c: number;
  ceiling_c: number;
  /** when it may stand here */
  stands: StandsWhen;
}

export interface PlaceWeather extends PlaceOutlook {
  id: number;
  name: string;
  kind: string;
  learned: { offset_min_c: number; offset_max_c: number; readings: number };
  /** those that live here, most tender first */
  plants: PlantNights[];
}

export interface SiteWeather {
  id: number;
  name: string;
  version: number;
  latitude_deg: number;
  today: string;
  time_zone: string;
  /** the service, as far as one is asked */
  service: {
    name: string;
    answered_at: string | null;
    made_at: string | null;
    failed_since: string | null;
    failure: string | null;
  } | null;
  /** last measured day of the record, and the last day that a forecast tells of */
  observed_until: string | null;
  forecast_until: string | null;
  outside: SkyDay[];
  normals: Normals;
  /** the town from which the usual weather is guessed; null: a keeper or a file gave it */
  usual_from: { name: string; km: number } | null;
  places: PlaceWeather[];
}

interface Normals {
  tmin_c: readonly number[];
  tmax_c: readonly number[];
  rh_pct: readonly number[];
  sunshine_h: readonly number[];
  rain_mm: readonly number[];
  wind_m_s: readonly number[];
}

const degrees = number(-90, 90, '°C');
const spread = object({ p10: degrees, p50: degrees, p90: degrees }, 'a spread');
const source = oneOf(DAY_SOURCES);
const instant = Joi.string().isoDate().allow(null).required();

/** The town from which usual weather is guessed, and how far off it lies. */
export const usualFrom = optional(
  object<{ name: string; km: number }>({ name: text(100), km: whole(0, 20_100) }, 'a town, or null'),
);

export const normalsFields = {
  tmin_c: twelve(-60, 45, '°C'),
  tmax_c: twelve(-50, 55, '°C'),
  rh_pct: twelve(5, 100, '%'),
  sunshine_h: twelve(0, 24, 'hours a day'),
  rain_mm: twelve(0, 1500, 'mm a month'),
  wind_m_s: twelve(0, 20, 'm/s'),
};
/** Normals typed by hand; `sure`: what looks odd is meant. */
export const normalsBody = object<{ normals: Normals; sure?: boolean }>(
  {
    normals: object<Normals>(normalsFields, 'an object with tmin_c, tmax_c, rh_pct, sunshine_h, rain_mm and wind_m_s'),
    sure: yesNo().optional(),
  },
  'an object with normals',
);
export const weatherCsvBody = object<{ csv: string }>(
  {
    csv: Joi.string()
      .min(1)
      .max(LONGEST_CSV)
      .required()
      .messages({ '*': `the text of a CSV file, up to ${LONGEST_CSV} characters` }),
  },
  'an object with csv',
);

/** What a table of daily records brought, and what of each day was taken from the usual weather since it has no column. */
export interface WeatherTaken {
  written: number;
  usual_for: string[];
}
export const weatherTaken = object<WeatherTaken>(
  { written: whole(0, 1e6), usual_for: list(text(20), 'fields') },
  'what was written',
);

const stands = Joi.object({
  when: oneOf(['never', 'always', 'from-to']),
  out: day().optional(),
  in: day().optional(),
  now: yesNo().optional(),
});

export const weatherSchema = named(
  'Weather',
  object<{ sites: SiteWeather[] }>(
    {
      sites: list(
        object<SiteWeather>(
          {
            id: id(),
            name: text(LONGEST_NAME),
            version: id(),
            latitude_deg: number(-90, 90),
            today: day(),
            time_zone: text(64),
            service: optional(
              object<NonNullable<SiteWeather['service']>>(
                {
                  name: text(80),
                  answered_at: instant,
                  made_at: instant,
                  failed_since: instant,
                  failure: optional(text(300)),
                },
                'the service',
              ),
            ),
            observed_until: optional(day()),
            forecast_until: optional(day()),
            outside: list(
              object<SkyDay>(
                {
                  date: day(),
                  tmin_c: degrees,
                  tmax_c: degrees,
                  rain_mm: number(0, 2000),
                  sunshine_h: number(0, 24),
                  source,
                },
                'a day',
              ),
              'days',
            ),
            normals: object<Normals>(normalsFields, 'the usual weather'),
            usual_from: usualFrom,
            places: list(
              object<PlaceWeather>(
                {
                  id: id(),
                  name: text(LONGEST_NAME),
                  kind: text(20),
                  learned: object<PlaceWeather['learned']>(
                    { offset_min_c: degrees, offset_max_c: degrees, readings: whole(0, 1e6) },
                    'what a thermometer taught',
                  ),
                  past: list(
                    object<PlaceOutlook['past'][number]>(
                      { date: day(), tmin_c: degrees, tmax_c: degrees, rh_pct: number(0, 100), source },
                      'a day',
                    ),
                    'days',
                  ),
                  ahead: list(
                    object<PlaceOutlook['ahead'][number]>(
                      { date: day(), low_c: spread, high_c: spread, source },
                      'a day ahead',
                    ),
                    'days',
                  ),
                  year: list(
                    object<PlaceOutlook['year'][number]>(
                      { date: day(), dli_mol: number(0, 100), sun_h: number(0, 24), rh_pct: number(0, 100) },
                      'a week',
                    ),
                    'weeks',
                  ),
                  sun_by_aspect: optional(
                    list(
                      object<{ aspect_deg: number; hours: number[] }>(
                        { aspect_deg: number(0, 360), hours: list(number(0, 24), 'hours') },
                        'an aspect',
                      ),
                      'aspects',
                    ),
                  ),
                  coldest_c: list(degrees, 'nights'),
                  plants: list(
                    object<PlantNights>(
                      {
                        id: id(),
                        name: text(200),
                        min_dry_c: degrees,
                        min_wet_c: degrees,
                        weekly_limit_c: list(degrees, 'limits by week'),
                        limit_c: degrees,
                        ceiling_c: degrees,
                        stands,
                      },
                      'a plant',
                    ),
                    'plants',
                  ),
                },
                'a place',
              ),
              'places',
            ),
          },
          'a site',
        ),
        'sites',
      ),
    },
    'the weather',
  ),
);
