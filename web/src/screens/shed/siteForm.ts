/** A site as it is typed, and the site that is sent. */
import type { NewSite } from '@zinc-pail/contract/keeping';
import type { Kit } from '../../api/kit.ts';
import { type Read, readOr } from '../../forms/read.ts';
import { coordinatesOf } from '@zinc-pail/words/coordinates';
import { numberIn } from '@zinc-pail/words/numbers';

export interface SiteForm {
  name: string;
  /** latitude and longitude as people write them */
  where: string;
  /** m; empty: guessed from the towns around */
  height: string;
  zone: string;
}

export type Site = Kit['sites'][number];

/** "47.28° N, 13.07° E". */
export function whereWords({
  latitude_deg: lat,
  longitude_deg: lon,
}: Pick<Site, 'latitude_deg' | 'longitude_deg'>): string {
  const part = (value: number, ahead: string, back: string) =>
    `${Math.round(Math.abs(value) * 100) / 100}° ${value < 0 ? back : ahead}`;
  return `${part(lat, 'N', 'S')}, ${part(lon, 'E', 'W')}`;
}

export function siteFormOf(site: Site | null, zone: string): SiteForm {
  return site
    ? { name: site.name, where: whereWords(site), height: String(site.elevation_m), zone: site.time_zone }
    : { name: '', where: '', height: '', zone };
}

/** The site, or what is wrong by field. A whereabouts that was not touched is kept to its last digit. */
export function siteOf(form: SiteForm, before: Site | null): Read<NewSite> {
  const wrong: Record<string, string> = {};
  const untouched = before !== null && form.where === whereWords(before);
  const at = untouched
    ? { latitudeDeg: before.latitude_deg, longitudeDeg: before.longitude_deg }
    : coordinatesOf(form.where);
  const height = form.height.trim() === '' ? null : numberIn(form.height, -450, 9000);
  if (form.name.trim() === '') wrong.name = 'A name for the site, as you call it.';
  if (!at) wrong.where = 'Take a town from the list, or write coordinates: 51.5° N, 0° 7′ W.';
  if (Number.isNaN(height)) wrong.elevation_m = 'Metres above the sea, from -450 to 9000; empty if you do not know.';
  if (form.zone.trim() === '') wrong.time_zone = 'A time zone, as Europe/Vienna.';
  return readOr(wrong, {
    name: form.name.trim(),
    latitude_deg: at?.latitudeDeg ?? NaN,
    longitude_deg: at?.longitudeDeg ?? NaN,
    elevation_m: height === null ? null : Math.round(height),
    time_zone: form.zone.trim(),
  });
}
