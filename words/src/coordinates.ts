/** Places on the globe as people write them: 51.5°N, 0°7'W · 47,3 13,1 · 34.9 S 138.6 E · 51° 30' 26" N 0° 7' 39" W. */

export interface Coordinates {
  latitudeDeg: number;
  longitudeDeg: number;
}

const NUMBER = String.raw`[-−+]?\d+(?:[.,]\d+)?`;
const PART = new RegExp(
  String.raw`([NSEWO])?\s*(${NUMBER})\s*°?\s*(?:(\d+(?:[.,]\d+)?)\s*['′’]\s*)?(?:(\d+(?:[.,]\d+)?)\s*(?:["″”]|'')\s*)?([NSEWO])?`,
  'giu',
);

/** Null where it is no place on the globe. West and south are minus; "O" is read as east, as German and French write it. */
export function coordinatesOf(written: string): Coordinates | null {
  const text = written.trim();
  // A comma between two numbers with blanks or points parts them; within a number it is a decimal one.
  const parted = text.includes('.') || /,\s/.test(text) ? text.replaceAll(/,(?=\s|[-−+]?\d+\.)/g, ' ; ') : text;
  const parts = [...parted.matchAll(PART)].map(([, before, degrees, minutes, seconds, after]) => ({
    letter: (before ?? after ?? '').toUpperCase(),
    value: figure(degrees!, minutes, seconds),
  }));
  if (parts.length !== 2 || parts.some(({ value }) => Number.isNaN(value))) return null;
  const rest = parted.replaceAll(PART, '').replaceAll(/[\s;,/]/g, '');
  if (rest !== '') return null;
  const lon =
    parts.find(({ letter }) => 'EWO'.includes(letter) && letter !== '') ??
    parts.find(({ letter }) => letter === '' && parts[0]!.letter !== '') ??
    parts[1]!;
  const lat = parts.find((part) => part !== lon)!;
  if ('EWO'.includes(lat.letter) && lat.letter !== '') return null;
  const latitudeDeg = signed(lat, 'S');
  const longitudeDeg = signed(lon, 'W');
  return Math.abs(latitudeDeg) <= 90 && Math.abs(longitudeDeg) <= 180 ? { latitudeDeg, longitudeDeg } : null;
}

function figure(degrees: string, minutes = '0', seconds = '0'): number {
  const whole = Number(degrees.replace(',', '.').replace('−', '-'));
  const more = Number(minutes.replace(',', '.')) / 60 + Number(seconds.replace(',', '.')) / 3600;
  return Math.sign(whole) < 0 || Object.is(whole, -0) ? whole - more : whole + more;
}

function signed({ letter, value }: { letter: string; value: number }, below: string): number {
  return letter === below ? -Math.abs(value) : value;
}
