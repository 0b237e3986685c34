/** What else stands in the demo's books: measurements, flowers, and pictures painted rather than taken. */
import { dayNumber, isoDay, type Plant, seededRandom, seedFrom } from '@zinc-pail/core';
import sharp from 'sharp';
import type { DemoPlant } from './collection.ts';

export interface BookLine {
  day: string;
  type: string;
  detail: object;
}

const MEASURED_EVERY_DAYS = 90;
const YEARLY_GROWTH = 0.08;
const FLOWERING: Partial<Record<string, readonly [monthDay: string, flowers: number]>> = {
  Rebutia: ['05-02', 14],
  Mammillaria: ['04-12', 22],
  Gymnocalycium: ['06-18', 4],
  Lithops: ['09-24', 1],
  Echinopsis: ['06-28', 2],
  Lachenalia: ['02-20', 3],
  Schlumbergera: ['11-30', 18],
  Conophytum: ['09-30', 5],
  Astrophytum: ['07-08', 2],
  Sulcorebutia: ['05-10', 9],
  Adenium: ['07-20', 6],
  Echinocereus: ['05-22', 2],
};

/** Every third plant is measured each season; kinds that flower in the demo do so on their days. */
export function bookOf(demo: DemoPlant, plant: Plant, firstDay: string, today: string, position: number): BookLine[] {
  const random = seededRandom(seedFrom(`book ${plant.id}`));
  const lines: BookLine[] = [];
  const last = dayNumber(today);
  if (position % 3 === 0) {
    for (let day = dayNumber(firstDay) + 20; day < last; day += MEASURED_EVERY_DAYS) {
      const share = 1 - (YEARLY_GROWTH * (last - day)) / 365;
      const wobble = () => 1 + 0.01 * (random() - 0.5);
      lines.push({
        day: isoDay(day),
        type: 'measure',
        detail: {
          diameter_mm: Math.round(plant.diameter_mm * share * wobble()),
          height_mm: Math.round(plant.height_mm * share * wobble()),
        },
      });
    }
  }
  const flowering = FLOWERING[demo.name.split(' ')[0]!];
  if (flowering) {
    const [monthDay, flowers] = flowering;
    for (let year = Number(firstDay.slice(0, 4)); year <= Number(today.slice(0, 4)); year++) {
      const open = dayNumber(`${year}-${monthDay}`) + Math.floor(6 * random());
      if (open < dayNumber(firstDay) || open + 9 > last) continue;
      lines.push(
        { day: isoDay(open - 12), type: 'flowering', detail: { stage: 'buds' } },
        {
          day: isoDay(open),
          type: 'flowering',
          detail: { stage: 'open', flowers: Math.max(1, Math.round(flowers * (0.7 + 0.6 * random()))) },
        },
        { day: isoDay(open + 9), type: 'flowering', detail: { stage: 'over' } },
      );
    }
  }
  return lines.filter((line) => line.day >= firstDay);
}

export interface PaintedPicture {
  plant: string;
  day: string;
  caption: string;
  widthPx: number;
  heightPx: number;
  large: Buffer;
  small: Buffer;
}

const PAINTED: readonly (readonly [plant: string, daysAgo: number, caption: string, size: number, flowers: number])[] =
  [
    ['Mammillaria hahniana', 610, 'First spring on the lock', 0.72, 0],
    ['Mammillaria hahniana', 230, 'Crown of buds', 0.86, 9],
    ['Mammillaria hahniana', 20, 'After the summer', 0.95, 0],
    ['Ferocactus glaucescens', 540, 'From the old bridge house', 0.8, 0],
    ['Ferocactus glaucescens', 60, 'New spines', 0.96, 3],
  ];
const WIDTH = 960;
const HEIGHT = 720;

export async function paintedPictures(today: string): Promise<PaintedPicture[]> {
  return Promise.all(
    PAINTED.map(async ([plant, daysAgo, caption, size, flowers]) => {
      const large = await sharp(Buffer.from(painting(plant, size, flowers)))
        .jpeg({ quality: 82 })
        .toBuffer();
      return {
        plant,
        day: isoDay(dayNumber(today) - daysAgo),
        caption,
        widthPx: WIDTH,
        heightPx: HEIGHT,
        large,
        small: await sharp(large).resize({ width: 320 }).jpeg({ quality: 76 }).toBuffer(),
      };
    }),
  );
}

/** A ribbed globe in a clay pot on a zinc bench, in flat colours. */
function painting(plant: string, size: number, flowers: number): string {
  const random = seededRandom(seedFrom(plant + size));
  const r = 190 * size;
  const top = 470;
  const ribs = Array.from({ length: 13 }, (_, i) => {
    const x = (i - 6) / 6.5;
    return (
      `<ellipse cx="${480 + x * r * 0.98}" cy="${top - r * 0.72}" rx="${10 + 16 * Math.sqrt(1 - x * x * 0.98)}" ` +
      `ry="${r * Math.sqrt(1.02 - x * x)}" fill="none" stroke="#3f5230" stroke-width="5" opacity="0.55"/>`
    );
  }).join('');
  const dots = Array.from({ length: 220 }, () => {
    const a = 2 * Math.PI * random();
    const d = Math.sqrt(random());
    return `<circle cx="${480 + Math.cos(a) * d * r * 0.95}" cy="${top - r * 0.72 + Math.sin(a) * d * r * 0.92}" r="3.4" fill="#efe9d8"/>`;
  }).join('');
  const crown = Array.from({ length: flowers }, (_, i) => {
    const a = (2 * Math.PI * i) / flowers;
    return (
      `<circle cx="${480 + Math.cos(a) * r * 0.42}" cy="${top - r * 1.42 + Math.sin(a) * r * 0.14}" r="${17 * size}" ` +
      `fill="#b5456a"/><circle cx="${480 + Math.cos(a) * r * 0.42}" cy="${top - r * 1.42 + Math.sin(a) * r * 0.14}" ` +
      'r="6" fill="#e9c46a"/>'
    );
  }).join('');
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH}" height="${HEIGHT}"><rect width="960" height="720" fill="#cfd8d6"/><rect y="560" width="960" height="160" fill="#9aa6a4"/>
    <ellipse cx="480" cy="${top - r * 0.72}" rx="${r}" ry="${r * 0.96}" fill="#6f8650"/>${ribs}${dots}${crown}
    <path d="M270 450h420l-44 190H314z" fill="#b4653f"/><path d="M258 430h444v44H258z" fill="#c27449"/></svg>`;
}
