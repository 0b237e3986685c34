/** Towns on the wire. */
import Joi from 'joi';
import { list, named, number, object, optional, text } from './fields.ts';

export interface Town {
  name: string;
  country: string;
  province: string | null;
  latitude_deg: number;
  longitude_deg: number;
  time_zone: string;
}

const degrees = (most: number) => Joi.number().min(-most).max(most).optional();
export const townsQuery = object<{ q?: string | null; lat?: number | null; lon?: number | null }>(
  { q: optional(text(100)), lat: degrees(90), lon: degrees(180) },
  'a name, or a place on the globe',
);
export const townsSchema = named(
  'Towns',
  object<{ towns: Town[] }>(
    {
      towns: list(
        object<Town>(
          {
            name: text(200),
            country: text(200),
            province: optional(text(200)),
            latitude_deg: number(-90, 90),
            longitude_deg: number(-180, 180),
            time_zone: text(64),
          },
          'a town',
        ),
        'towns',
      ),
    },
    'towns',
  ),
);
