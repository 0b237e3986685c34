/** What a keeper notes, as it is typed, and the entries that come of it. */
import { SKIP_WORDS } from '@zinc-pail/words/skips';
import type { JournalEvent, RoundPot } from '@zinc-pail/contract/api';
import { drinkOf, METHOD_TABLE, WAY_TABLE, type Way } from '@zinc-pail/core';
import { NotSent, notSent } from '../api/client.ts';
import { litres } from '../reader/amounts.ts';
import { numberIn } from '@zinc-pail/words/numbers';
import { mlOf, mmOf, typed } from '../reader/units.ts';
import type { Marked } from './Marks.tsx';
import { WAY_WORDS } from '@zinc-pail/words/ways';

export type NoteKind =
  | 'watering'
  | 'finger'
  | 'lift'
  | 'meter'
  | 'weight'
  | 'weights'
  | 'state'
  | 'skip'
  | 'sign'
  | 'measure'
  | 'flowering'
  | 'drain'
  | 'note';

const VOLUME_WORDS: Record<string, string> = { ml: 'millilitres', cups: 'cups' };
export const MEASURES = [
  ['diameter_mm', 'Width', 10_000],
  ['height_mm', 'Height', 20_000],
  ['caudex_mm', 'Caudex', 5000],
  ['internode_low_mm', 'Between leaves, foot', 1000],
  ['internode_tip_mm', 'Between leaves, tip', 1000],
  ['heads', 'Heads', 10_000],
  ['weight_g', 'Weight, g', 1_000_000],
] as const;
const MOST_ML = 200_000;
const MOST_G = 1_000_000;
const MOST_SECONDS = 3600;
/** Where no rule names a strength. */
const USUAL_DOSE = 0.5;

export interface NoteDraft {
  way: Way;
  amount: string;
  water: string;
  fed: boolean;
  wetLeaves: boolean;
  finger: string;
  lift: string;
  state: string;
  drained: string;
  dry: string;
  number: string;
  reason: keyof typeof SKIP_WORDS;
  sign: string;
  strength: string;
  stage: string;
  measures: Record<string, string>;
  words: string;
}

export function draftFor({ outlook, task }: Pick<RoundPot, 'outlook' | 'task'>): NoteDraft {
  return {
    way: outlook.pot.holes ? task.way : 'measured',
    amount: '',
    water: task.water,
    fed: task.food !== null && drinkOf(task.judgement) !== null,
    wetLeaves: false,
    finger: '',
    lift: '',
    state: '',
    drained: '',
    dry: '',
    number: '',
    reason: 'still-wet',
    sign: 'wrinkled',
    strength: '1',
    stage: 'open',
    measures: {},
    words: '',
  };
}

/** Entries for a pot, and what they say. */
export interface Note {
  events(pot: Marked): JournalEvent[];
  said: string;
}

/** The same entry for every pot. */
const same = (event: JournalEvent, said: string): Note => ({ events: () => [event], said });

/** What a draft comes to, or what is missing of it. */
export function noteOf(kind: NoteKind, draft: NoteDraft, date: string): Note | string {
  return READERS[kind](draft, date);
}

/** The one field that is wanted of each kind; measures are told by their labels. */
const WANTED: Partial<Record<NoteKind, keyof NoteDraft>> = {
  watering: 'amount',
  finger: 'finger',
  meter: 'number',
  weight: 'number',
  drain: 'number',
  lift: 'lift',
  weights: 'drained',
  state: 'state',
  note: 'words',
};

/** What is missing of a draft, at its field. */
export function faultOf(kind: NoteKind, words: string): NotSent {
  const field = WANTED[kind];
  return field === undefined ? new NotSent(words) : notSent({ [field]: words });
}

const READERS: Record<NoteKind, (draft: NoteDraft, date: string) => Note | string> = {
  watering: watered,
  finger({ finger }, date) {
    if (finger === '') return 'How did it feel: wet, damp or dry?';
    if (!finger.startsWith('top-')) return same({ type: 'check', date, finger: finger as 'wet' }, `felt ${finger}`);
    const surface = finger.slice('top-'.length) as 'dry';
    return same({ type: 'check', date, surface }, `top felt ${surface}`);
  },
  meter({ number }, date) {
    const meter = numberIn(number, 1, 10);
    if (Number.isNaN(meter)) return 'The probe shows a number from 1, dry, to 10, wet.';
    return same({ type: 'check', date, meter }, `probe at ${meter}`);
  },
  weight({ number }, date) {
    const grams = numberIn(number, 0.1, MOST_G);
    if (Number.isNaN(grams)) return 'Weight in grams, pot and all.';
    return same({ type: 'check', date, weight_g: grams }, `weighed, ${grams} g`);
  },
  lift({ lift }, date) {
    if (lift === '') return 'How heavy was it in the hand: heavy, middling or light?';
    return same({ type: 'check', date, lift: lift as 'heavy' }, `${lift} in the hand`);
  },
  weights({ drained, dry }, date) {
    const full = numberIn(drained, 0.1, MOST_G);
    const empty = dry.trim() === '' ? null : numberIn(dry, 0.1, MOST_G);
    if (Number.isNaN(full) || Number.isNaN(empty)) return 'Weights in grams, pot and all, up to 1,000,000.';
    if (empty !== null && empty >= full) return 'The dry weight is less than the full one: which is which?';
    return same(
      { type: 'weights', date, drained_g: full, ...(empty === null ? {} : { dry_g: empty }) },
      `full weight ${full} g${empty === null ? '' : `, dry ${empty} g`}`,
    );
  },
  state({ state }, date) {
    if (state === '') return 'Which? Not sure is an answer too.';
    const said = state === 'unsure' ? 'not sure of its season' : `seen to be ${state}`;
    return same({ type: 'state', date, state: state as 'growing' }, said);
  },
  drain({ number }, date) {
    const seconds = numberIn(number, 0, MOST_SECONDS);
    if (Number.isNaN(seconds))
      return `Seconds from the first pour to the first drop at the hole, up to ${MOST_SECONDS}.`;
    return same({ type: 'drain', date, seconds }, `drained in ${seconds} s`);
  },
  skip: ({ reason, words }, date) =>
    same({ type: 'skip', date, reason, ...texts(words) }, `skipped, ${SKIP_WORDS[reason]}`),
  sign: ({ sign, strength }, date) =>
    same(
      { type: 'sign', date, sign: sign as 'limp', strength: Number(strength) },
      `seen: ${sign.replaceAll('-', ' ')}`,
    ),
  flowering: ({ stage, words }, date) =>
    same({ type: 'flowering', date, stage: stage as 'open', ...texts(words) }, `flower: ${stage}`),
  measure: measured,
  note({ words }, date) {
    const text = words.trim();
    return text === '' ? 'Nothing is written yet.' : same({ type: 'note', date, text }, 'noted');
  },
};

function texts(words: string): { text?: string } {
  const text = words.trim();
  return text === '' ? {} : { text };
}

function watered(draft: NoteDraft, date: string): Note | string {
  const { way, water, fed, wetLeaves } = draft;
  const amount = draft.amount.trim() === '' ? null : tenth(mlOf(numberIn(draft.amount, 0.01, MOST_ML)));
  if (Number.isNaN(amount)) return `How much? A number of ${VOLUME_WORDS[typed.volume()]}, up to 200,000.`;
  return {
    said: `${amount ? `${WAY_WORDS[way].said(litres(amount))}${METHOD_TABLE[WAY_TABLE[way].method].measured ? '' : `, ${litres(amount)}`}` : WAY_WORDS[way].said('a measure')}${fed ? ', fed' : ''}`,
    events: ({ before: { task } }) => {
      // A measure without a number is the one that was advised.
      const poured = way === 'measured' ? (amount ?? Math.max(1, task.amount_ml)) : amount;
      const drink = {
        type: 'watering',
        date,
        method: WAY_TABLE[way].method,
        way,
        water,
        ...(poured === null ? {} : { amount_ml: poured }),
        ...(wetLeaves ? { wet_leaves: true } : {}),
      } as JournalEvent;
      if (!fed) return [drink];
      const dose = task.feed.kind === 'feed' ? task.feed.strength : USUAL_DOSE;
      return [drink, { type: 'feeding', date, dose, feed_id: task.feed_id } as JournalEvent];
    },
  };
}

function measured({ measures }: NoteDraft, date: string): Note | string {
  const found: Record<string, number> = {};
  for (const [key, label, max] of MEASURES) {
    const text = measures[key]?.trim() ?? '';
    if (text === '') continue;
    const value = numberIn(text, 0, max);
    if (Number.isNaN(value) || (key === 'heads' && !Number.isInteger(value)))
      return `${label}: a number up to ${max.toLocaleString('en')} is wanted.`;
    found[key] = key.endsWith('_mm') ? tenth(mmOf(value)) : value;
  }
  if (Object.keys(found).length === 0) return 'At least one measure.';
  return same({ type: 'measure', date, ...found }, 'measured');
}

function tenth(value: number): number {
  return Math.round(value * 10) / 10;
}
