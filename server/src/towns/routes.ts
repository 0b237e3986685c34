/** Towns of the world with where they lie and their time zone: a list that ships, asked without a line to anywhere. */
import { townsSchema, townsQuery, type Town } from '@zinc-pail/contract/towns';
import { cityMapping } from 'city-timezones';
import { badField } from '../http/refusals.ts';
import { route, type Route } from '../http/route.ts';

const MOST = 8;

interface Listed {
  town: Town;
  sought: string;
  people: number;
}

let towns: Listed[] | null = null;

/** Small letters without marks: "Sao Paulo" finds São Paulo. */
function plain(text: string): string {
  return text.normalize('NFD').replaceAll(/\p{M}/gu, '').toLowerCase().trim();
}

/** The largest first; entries without a time zone are none that a garden could lie in. */
function listed(): Listed[] {
  towns ??= cityMapping
    .filter(({ timezone }) => Boolean(timezone))
    .map(({ city, city_ascii, country, province, lat, lng, timezone, pop }) => ({
      town: {
        name: city,
        country,
        province: province || null,
        latitude_deg: Math.round(lat * 100) / 100,
        longitude_deg: Math.round(lng * 100) / 100,
        time_zone: timezone,
      },
      sought: `${plain(city)} ${plain(city_ascii)} ${plain(province ?? '')} ${plain(country)}`,
      people: pop,
    }))
    .toSorted((a, b) => b.people - a.people);
  return towns;
}

/** Towns whose name begins so before those that hold it elsewhere; all words must be found. */
export function townsNamed(typed: string): Town[] {
  const words = plain(typed)
    .split(/[\s,]+/)
    .filter(Boolean);
  if (words.length === 0) return [];
  const found = listed().filter(({ sought }) => words.every((word) => ` ${sought}`.includes(` ${word}`)));
  const first = (one: Listed) => (one.sought.startsWith(words[0]!) ? 0 : 1);
  return found
    .toSorted((a, b) => first(a) - first(b) || b.people - a.people)
    .slice(0, MOST)
    .map(({ town }) => town);
}

const RADIANS = Math.PI / 180;

/** The towns nearest to a place on the globe. */
export function townsNear(latitudeDeg: number, longitudeDeg: number): Town[] {
  const away = ({ latitude_deg: lat, longitude_deg: lon }: Town) => {
    const a = Math.sin(((lat - latitudeDeg) * RADIANS) / 2) ** 2;
    const b = Math.sin(((lon - longitudeDeg) * RADIANS) / 2) ** 2;
    return a + Math.cos(lat * RADIANS) * Math.cos(latitudeDeg * RADIANS) * b;
  };
  return listed()
    .map(({ town }) => ({ town, away: away(town) }))
    .toSorted((a, b) => a.away - b.away)
    .slice(0, MOST)
    .map(({ town }) => town);
}

export function townRoutes(): Route[] {
  return [
    route({
      method: 'get',
      path: '/towns',
      does: 'Towns by name (`q`), or the nearest to a place (`lat` and `lon`), with their time zones. The list ships.',
      query: townsQuery,
      answer: townsSchema,
      handle: async ({ query: { q, lat, lon } }) => {
        if (lat != null && lon != null) return { towns: townsNear(Number(lat), Number(lon)) };
        if (q == null) throw badField('/q', '', 'part of a town’s name, or lat and lon');
        return { towns: townsNamed(q) };
      },
    }),
  ];
}
