/**
 * All that is said, read by the page of words in CONTRIBUTING: every sentence of this folder with the numbers 0, 1 and 2
 * and in both systems of units, and every string of the screens by its source.
 */
import {
  AFTER_CODES,
  type AfterNote,
  FEED_CODES,
  type FeedAdvice,
  HISTORY_CODES,
  LAST_CODES,
  MIX_WARNINGS,
  NEED_CODES,
  type Reason,
  REASON_CODES,
  REMINDER_CODES,
  SIGNS,
} from '@zinc-pail/core';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { afterWords } from './after.ts';
import { evidenceWords } from './clinic.ts';
import { feedWords } from './feed.ts';
import { mixWarningWords } from './mix.ts';
import { type FactsOf, plantFacts } from './plantPage.ts';
import { lastMonthsWords } from './postMortem.ts';
import { needWords } from './potting.ts';
import { reasonWords } from './reasons.ts';
import { reminderWords } from './reminders.ts';
import { signWords } from './signs.ts';
import { SI, type Units } from './units.ts';

const TODAY = '2026-06-04';
const DAY = '2026-06-02';
const IMPERIAL: Units = { temperature: 'F', length: 'in', volume: 'cups', dates: 'day-first' };
const MEASURES = [0, 1, 2].flatMap((k) => [SI, IMPERIAL].map((units) => ({ k, units })));
/** Every number that a sentence asks for is this one. */
const all = (k: number) => new Proxy({}, { get: () => k }) as Readonly<Record<string, number>>;

/** Words of a dialect of our own, and what a native keeper says instead: CONTRIBUTING.md, "Words". */
const BANNED =
  /\b(reckon\w*|bears?|guests?|anew|hangs? on|so many|so often|kept apart|put back|in hand|otherwise|is well|stands in|papers (?:in|out))\b/i;
const CARELESS = /undefined|NaN|null|\[object|\$\{| {2}|\.\.|,,| ,| \.|-\d/;
const ONE_OF_MANY =
  /(?<!and )\b1 (times|days|pots|weeks|months|years|nights|drinks|waterings|doses|neighbours|plants)\b/;
const METRIC = /\d ?(°C|cm|mm)\b/;

/** More than that nobody reads at a glance. A number with its unit is one word. */
const MOST_WORDS = 20;

/** Sentences of a text that are longer. */
function long(text: string): string[] {
  return text
    .split(/(?<=[.?!])\s+(?=[A-Z"“])/)
    .filter((one) => (one.match(/[\p{L}\d]+(?:[-’'.,][\p{L}\d]+)*/gu) ?? []).length > MOST_WORDS);
}

function reads(sentence: string, { units }: { units: Units }): void {
  expect(long(sentence)).toEqual([]);
  expect(sentence).not.toMatch(BANNED);
  expect(sentence).not.toMatch(CARELESS);
  expect(sentence).not.toMatch(ONE_OF_MANY);
  // A code, not a word: two parts with a hyphen that stand in a list of codes.
  for (const sign of SIGNS.filter((one) => one.includes('-') && signWords(one) !== one))
    expect(sentence).not.toContain(sign);
  if (units === IMPERIAL) expect(sentence).not.toMatch(METRIC);
}

/** What is never 0 or 1. */
const FACTORS: Readonly<Record<string, Readonly<Record<string, number>>>> = {
  slower: { factor: 0.5 },
  faster: { factor: 2 },
};
const OF: Readonly<Record<string, string>> = {
  likeliest: 'root-rot',
  'in-treatment': 'root-rot',
  lifted: 'heavy',
  due: 'dry-through',
  'not-due': 'dry-through',
  'contradicts-book': 'stranger',
  'changed-pace': 'slower',
  'cut-roots': 'roots-cut',
  'refused-twice': 'asleep',
};

describe.each(MEASURES)('with every number $k, $units.temperature', ({ k, units }) => {
  const speaking = { units, today: TODAY };
  it.each(REASON_CODES)('reason %s', (code) => {
    for (const on of [DAY, TODAY, '2026-08-01']) {
      const reason = { code, source: 'seen', weight: 1, on, of: OF[code] ?? 'limp', n: all(k) } as unknown as Reason;
      reads(reasonWords(reason, speaking), { units });
    }
  });
  it.each(FEED_CODES)('food %s', (code) => {
    const feed = { kind: 'plain', why: { code, n: all(k), of: 'soft-base' }, until: DAY, given: k, ceiling: k };
    reads(feedWords(feed as FeedAdvice, TODAY, SI), { units });
  });
  it.each(['growing', 'resting', 'easing', 'waking'] as const)('facts of a plant that is %s', (state) => {
    const facts: FactsOf = {
      water:
        state === 'resting'
          ? null
          : ({ earliest: TODAY, ideal: TODAY, latest: '2026-06-09', amount_ml: 90 * k } as never),
      rate: { p10: k / 2, p50: k, p90: 2 * k },
      checks: k,
      state,
      state_why: 'short-days',
      state_since: DAY,
      state_since_start: k === 0,
      next_change: k === 0 ? null : { on: '2026-07-01', state: 'easing' },
      thirst: { level: 0, word: 'full', wrinkles_in_days: k, harms_in_days: k },
      wet_feet: { level: 0, word: 'safe', harms_in_days: k },
    };
    for (const [, fact] of plantFacts(facts, 'low', speaking)) reads(fact, { units });
  });
  it.each(HISTORY_CODES)('what the notes tell: %s', (code) =>
    reads(evidenceWords({ kind: 'history', code, n: FACTORS[code] ?? all(k), weight: 1 }, speaking), { units }),
  );
  it.each(LAST_CODES)('of its last months: %s', (code) =>
    reads(
      lastMonthsWords({ code, n: all(k), on: DAY, of: code === 'drunk-moist' ? 'damp' : 'soft-base' }, TODAY, units),
      {
        units,
      },
    ),
  );
  it.each(MIX_WARNINGS)('of a mix: %s', (code) =>
    reads(mixWarningWords({ code, n: all(k), of: ['pumice', 'lava'] }, units), { units }),
  );
  it.each(NEED_CODES)('of a new pot: %s', (code) => reads(needWords({ code, n: all(k) } as never, units), { units }));
  it.each(REMINDER_CODES)('to be done later: %s', (code) => {
    reads(reminderWords(code, k), { units });
    reads(reminderWords(code, null), { units });
  });
  it.each(AFTER_CODES)('after a note: %s', (code) =>
    reads(afterWords({ code, n: all(k) } as AfterNote, units), { units }),
  );
});

const ROOT = join(import.meta.dirname, '..', '..');
function sources(folder: string): string[] {
  return readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((file) => /\.(tsx?|mjs)$/.test(file) && !/\.test\.tsx?$/.test(file) && !file.includes('node_modules'))
    .map((file) => join(folder, file));
}
/** Strings, templates and text between tags; of code only what has a blank in it. */
function stringsOf(code: string): string[] {
  const bare = code.replaceAll(/\/\*[\s\S]*?\*\//g, '').replaceAll(/(^|\s)\/\/.*$/gm, '');
  return [...bare.matchAll(/'((?:[^'\\\n]|\\.)*)'|`((?:[^`\\]|\\.)*)`|>\s*([A-Z][^<>{}=;]*)\s*[<{]/g)]
    .map(([, quoted, template, text]) => quoted ?? template?.replaceAll(/\$\{[^}]*\}/g, '…') ?? text ?? '')
    .filter((text) => /[a-z] [a-z]/i.test(text) && !/[<>]|=>|&&|\.map\(/.test(text));
}

const SQL = /\b(SELECT|INSERT INTO|UPDATE \w+ SET|CREATE TABLE|ON DUPLICATE KEY|JOIN \w+ \w+ ON)\b/;
/** Names of classes, and what stands between two quotation marks by chance. */
const CODE = /\b(?:flex|px-|text-\[)|[;{}]\s*\n|\n\s*--\w/;

describe('every string of the screens', () => {
  it.each(['words/src', 'web/src', 'cli/src', 'contract/src', 'server/src', 'scripts'])(
    '%s has no word of a dialect',
    (folder) => {
      const found = sources(folder).flatMap((file) =>
        stringsOf(readFileSync(join(ROOT, file), 'utf8'))
          .filter((text) => BANNED.test(text) && !SQL.test(text) && !CODE.test(text))
          .map((text) => `${file}: ${text.trim()}`),
      );
      expect(found).toEqual([]);
    },
  );
  it.each(['words/src', 'web/src', 'cli/src', 'contract/src', 'server/src', 'scripts'])(
    '%s has no sentence of more than twenty words',
    (folder) => {
      const found = sources(folder).flatMap((file) =>
        stringsOf(readFileSync(join(ROOT, file), 'utf8'))
          .filter((text) => !SQL.test(text) && !CODE.test(text))
          .flatMap((text) => long(text).map((one) => `${file}: ${one.trim()}`)),
      );
      expect(found).toEqual([]);
    },
  );
});
