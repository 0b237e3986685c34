/** Waters and feeds as they are typed, and what is sent of them. */
import type { FEED_KINDS } from '@zinc-pail/contract/choices';
import { HARDNESS_DH, type WaterKind } from '@zinc-pail/core';
import type { Kit } from '../../api/kit.ts';
import { type Read, readOr } from '../../forms/read.ts';
import { numberIn } from '@zinc-pail/words/numbers';

export type Water = Kit['waters'][number];
export type Feed = Kit['feeds'][number];

/** From this hardness on, °dH, a water is told as hard: plants that mind salts are not for it. */
const HARD_DH = 14;

export const WATER_WORDS: Record<WaterKind, string> = {
  rain: 'rain, as it falls',
  filtered: 'tap, through a filter jug',
  distilled: 'distilled, or from reverse osmosis',
  soft: 'tap, soft: no lime, soap lathers at once',
  hard: 'tap, hard: the kettle furs up',
  softened: 'tap, through a softener: salt is put into it',
};

export interface WaterForm {
  name: string;
  kind: WaterKind;
  hardness: string;
  salts: string;
}

export function waterFormOf(water: Water | null): WaterForm {
  return {
    name: water?.name ?? '',
    kind: (water?.kind as WaterKind | undefined) ?? 'hard',
    hardness: water?.hardness_dh == null ? '' : String(water.hardness_dh),
    salts: water?.salts_mg_l == null ? '' : String(water.salts_mg_l),
  };
}

/** Rain and distilled water carry next to nothing: a hardness that says otherwise was typed for the tap. */
const MOST_OF_PURE_DH = 3;

export function waterOf({ name, kind, hardness, salts }: WaterForm): Read<Omit<Water, 'id'>> {
  const wrong: Record<string, string> = {};
  const hard = hardness.trim() === '' ? null : numberIn(hardness, 0, 100);
  const salt = salts.trim() === '' ? null : numberIn(salts, 0, 5000);
  if (name.trim() === '') wrong.name = 'A name, as you call it: the butt, the kitchen tap.';
  if (Number.isNaN(hard)) wrong.hardness_dh = 'Hardness from 0 to 100 °dH, or empty.';
  else if (hard !== null && hard > MOST_OF_PURE_DH && (kind === 'rain' || kind === 'distilled'))
    wrong.hardness_dh = `${hard} °dH is no ${kind === 'rain' ? 'rain' : 'distilled water'}: choose its kind, or leave this empty.`;
  if (Number.isNaN(salt)) wrong.salts_mg_l = 'Salts from 0 to 5000 mg/l, or empty.';
  return readOr(wrong, {
    name: name.trim(),
    kind,
    hardness_dh: hard,
    salts_mg_l: salt === null ? null : Math.round(salt),
  });
}

/** What a water is, and whom it suits. */
export function waterWords({ kind, hardness_dh: hardness, salts_mg_l: salts }: Omit<Water, 'id'>): string {
  const hard = hardness ?? HARDNESS_DH[kind as WaterKind];
  const warning =
    kind === 'softened'
      ? 'sodium in the place of lime: only for plants that tolerate salts'
      : hard > HARD_DH
        ? 'hard: not for plants that mind salts, and flush now and then'
        : kind === 'rain'
          ? 'best fresh; beware of stale butts and sooty town roofs'
          : '';
  return [`${kind}, ${hard} °dH`, salts !== null && `${salts} mg/l of salts`, warning].filter(Boolean).join('; ');
}

export interface FeedForm {
  name: string;
  kind: (typeof FEED_KINDS)[number];
  n: string;
  p: string;
  k: string;
  unit: 'ml' | 'g';
  rate: string;
}

export function feedFormOf(feed: Feed | null): FeedForm {
  const text = (value: number | undefined) => (value === undefined ? '' : String(value));
  return {
    name: feed?.name ?? '',
    kind: (feed?.kind as FeedForm['kind'] | undefined) ?? 'liquid',
    n: text(feed?.n_pct),
    p: text(feed?.p_pct),
    k: text(feed?.k_pct),
    unit: feed?.unit ?? 'ml',
    rate: text(feed?.per_litre),
  };
}

export function feedOf(form: FeedForm): Read<Omit<Feed, 'id'>> {
  const wrong: Record<string, string> = {};
  const share = (typed: string, field: string, letter: string) => {
    const found = numberIn(typed, 0, 60);
    if (Number.isNaN(found))
      wrong[field] =
        typed.trim() === ''
          ? `${letter} is missing: 0 to 60 %, 0 where the label names none.`
          : `${letter} from 0 to 60 %, as on the label.`;
    return found;
  };
  const body = {
    name: form.name.trim(),
    kind: form.kind,
    n_pct: share(form.n, 'n_pct', 'N'),
    p_pct: share(form.p, 'p_pct', 'P'),
    k_pct: share(form.k, 'k_pct', 'K'),
    unit: form.unit,
    per_litre: numberIn(form.rate, 0.01, 200),
  };
  if (body.name === '') wrong.name = 'A name, as on its bottle or bag.';
  if (Number.isNaN(body.per_litre)) wrong.per_litre = `The label’s dose in ${form.unit} a litre, from 0.01 to 200.`;
  return readOr(wrong, body);
}
