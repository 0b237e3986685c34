/**
 * Numbers by the keeper's scheme: `{year}`, `{yy}`, `{month}`, `{genus}` (four letters) stand for themselves, `{n:3}`
 * counts on from the highest number alike but for it.
 */
import { genusByAnyName } from '@zinc-pail/core';

/** To that collation they are all alike, emoji among them. */
const BEYOND_BMP = /[\u{10000}-\u{10FFFF}]/gu;

/** As the database compares numbers (utf8mb4_unicode_ci): letters without case, accents, or spaces at the end. */
export function alike(number: string): string {
  return number.normalize('NFKD').replaceAll(/\p{M}/gu, '').toLowerCase().replaceAll(BEYOND_BMP, '\uFFFD').trimEnd();
}

/** Gives number after number; those that are taken, or that were kept for others, are left out. */
export class Numbering {
  /** the highest count so far, by what stands before and after it */
  private readonly highest = new Map<string, number>();

  /** @param taken numbers that may not be given, each as `alike` makes it */
  constructor(
    private readonly scheme: string,
    private readonly taken: Set<string>,
  ) {}

  isTaken(number: string): boolean {
    return this.taken.has(alike(number));
  }

  take(number: string): void {
    this.taken.add(alike(number));
  }

  /** @param date the day on which it came in */
  next(name: string, date: string): string {
    const { before, digits, after } = filled(this.scheme, name, date);
    const key = `${alike(before)}\n${alike(after)}`;
    let count = this.highest.get(key) ?? this.highestTaken(alike(before), alike(after));
    let number: string;
    do number = `${before}${String(++count).padStart(digits, '0')}${after}`;
    while (this.isTaken(number));
    this.highest.set(key, count);
    this.take(number);
    return number;
  }

  private highestTaken(before: string, after: string): number {
    let highest = 0;
    for (const number of this.taken) {
      if (!number.startsWith(before) || !number.endsWith(after)) continue;
      const middle = number.slice(before.length, number.length - after.length);
      if (/^\d{1,9}$/.test(middle)) highest = Math.max(highest, Number(middle));
    }
    return highest;
  }
}

function filled(scheme: string, name: string, date: string): { before: string; digits: number; after: string } {
  const genus =
    (genusByAnyName(name)?.name ?? name)
      .replaceAll(/[^A-Za-z]/g, '')
      .slice(0, 4)
      .toUpperCase() || 'X';
  const text = scheme
    .replaceAll('{year}', date.slice(0, 4))
    .replaceAll('{yy}', date.slice(2, 4))
    .replaceAll('{month}', date.slice(5, 7))
    .replaceAll('{genus}', genus);
  const counter = /\{n(?::(\d))?\}/.exec(text)!;
  return {
    before: text.slice(0, counter.index),
    digits: Number(counter[1] ?? 1),
    after: text.slice(counter.index + counter[0].length),
  };
}
