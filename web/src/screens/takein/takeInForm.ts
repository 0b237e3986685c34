/** A plant as it is typed when it comes, and the plant that is sent. */
import { MOST_COPIES } from '@zinc-pail/contract/limits';
import { PLANT_FIELDS } from '@zinc-pail/contract/plantFields';
import type { Kit } from '@zinc-pail/contract/keeping';
import { commonGenus, isIsoDay, unclearName } from '@zinc-pail/core';
import { type Read, readOr } from '../../forms/read.ts';
import { numberIn } from '@zinc-pail/words/numbers';
import { mixesInOrder, NOT_KNOWN } from './mixChoice.ts';
import { FIRST_POT, USUAL_POTS } from './usualPots.ts';
import { lengthBounds, mmText } from '../../reader/units.ts';

export interface TakeInForm {
  name_sure: string;
  pot: string;
  shape: string;
  top: string;
  depth: string;
  material: string;
  holes: boolean;
  mix: string;
  place: string;
  date: string;
  number: string;
  count: string;
  source: string;
  provenance: string;
  price: string;
  currency: string;
  other_names: string;
  used_to: string;
  habit: string;
  form: string;
  store: string;
  width: string;
  height: string;
  last_watered: string;
}

/** A pot that is none of the usual ones, and one that nobody has measured. */
export const OWN_POT = 'own';
export const UNKNOWN_POT = 'unknown';
/** What belongs to one plant alone, and is emptied for the next. */
export const OF_ONE_PLANT = [
  'last_watered',
  'number',
  'price',
  'other_names',
  'width',
  'height',
  'habit',
  'form',
  'store',
] as const satisfies (keyof TakeInForm)[];

const POT_MM = { least: 10, most: 3000 };
const BASE_SHARE = 0.75;
const COIN = 100;

/** Choices that a tray and the next purchase share. */
export type Last = Partial<Pick<TakeInForm, 'pot' | 'mix' | 'place'>>;

/** The form before anything is typed: as the last one was, where that is still there. */
export function emptyForm(
  { mixes }: Pick<Kit, 'mixes'>,
  places: readonly { id: number }[],
  last: Last,
  today: string,
): TakeInForm {
  const [first] = mixesInOrder(mixes);
  const kept = (all: readonly { id: number }[], id: string | undefined) =>
    all.some((one) => String(one.id) === id) ? id! : String(all[0]?.id ?? '');
  const isPot = last.pot === OWN_POT || last.pot === UNKNOWN_POT || USUAL_POTS.some(({ id }) => id === last.pot);
  const texts = { source: '', provenance: '', used_to: '', currency: 'EUR', name_sure: 'sure', count: '1' };
  return {
    ...texts,
    ...(Object.fromEntries(OF_ONE_PLANT.map((field) => [field, ''])) as Record<(typeof OF_ONE_PLANT)[number], string>),
    pot: isPot ? last.pot! : FIRST_POT,
    shape: 'round',
    top: '90',
    depth: '80',
    material: 'terracotta',
    holes: true,
    mix: last.mix === NOT_KNOWN || !first ? NOT_KNOWN : kept([first, ...mixes], last.mix),
    place: kept(places, last.place),
    date: today,
  };
}

export interface Named {
  name: string;
  /** the genus or species that was meant, where the name fits several */
  meant: string | null;
  motherId: number | null;
  /** the site's day */
  today: string;
}

/** What is sent but for its id and its mix; or what is wrong, by field. */
export function plantOf(form: TakeInForm, { name, meant, motherId, today }: Named): Read<Record<string, unknown>> {
  const wrong: Record<string, string> = {};
  const number = (text: string, min: number, max: number, field: keyof TakeInForm) => {
    const found = numberIn(text, min, max);
    if (Number.isNaN(found)) wrong[field] = `A number from ${min} to ${max}.`;
    return found;
  };
  const length = (text: string, min: number, max: number, field: 'top' | 'depth' | 'diameter_mm' | 'height_mm') => {
    const found = numberIn(mmText(text), min, max);
    if (Number.isNaN(found)) wrong[field] = `A length ${lengthBounds(min, max)}.`;
    return found;
  };
  const size = (text: string, field: 'diameter_mm' | 'height_mm') => {
    const { min, max } = PLANT_FIELDS[field];
    return text.trim() === '' ? {} : { [field]: Math.round(length(text, min, max, field)) };
  };
  if (name.trim() === '') wrong.name = 'A name, even if it is only “unknown globe”.';
  else if (meant === null && unclearName(name)) wrong.name = 'That name fits several: say which is meant, below it.';
  if (!isIsoDay(form.date) || form.date > today) wrong.date = 'The day it came: today, or one before.';
  if (form.last_watered && (!isIsoDay(form.last_watered) || form.last_watered > today))
    wrong.last_watered = 'A day up to today, or nothing.';
  const count = number(form.count, 1, MOST_COPIES, 'count');
  if (!Number.isNaN(count) && !Number.isInteger(count)) wrong.count = 'A whole number.';
  if (form.place === '') wrong.place = 'A bench to stand on.';
  const price =
    form.price.trim() === ''
      ? null
      : Math.round(number(form.price, 0, PLANT_FIELDS.price_minor.max / COIN, 'price') * COIN);
  if (price !== null && !/^[a-z]{3}$/i.test(form.currency.trim())) wrong.currency = 'Three letters, as EUR.';
  const body = {
    name: name.trim(),
    // A common name that means but one kind is taken for it.
    taxon: meant ?? commonGenus(name),
    name_sure: form.name_sure,
    pot: potOf(form, length),
    place_id: Number(form.place),
    date: form.date,
    count,
    ...(form.number.trim() && count === 1 ? { number: form.number.trim() } : {}),
    ...textsOf(form, ['source', 'provenance', 'other_names', 'used_to', 'habit', 'form', 'store', 'last_watered']),
    price_minor: price,
    price_currency: price === null ? null : form.currency.trim().toUpperCase(),
    mother_id: motherId,
    ...size(form.width, 'diameter_mm'),
    ...size(form.height, 'height_mm'),
  };
  return readOr(wrong, body);
}

function potOf(
  form: TakeInForm,
  length: (text: string, min: number, max: number, field: 'top' | 'depth') => number,
): object {
  const id = form.pot === UNKNOWN_POT ? FIRST_POT : form.pot;
  const usual = USUAL_POTS.find((pot) => pot.id === id);
  if (usual) return { ...usual.pot, holes: form.holes };
  const top = length(form.top, POT_MM.least, POT_MM.most, 'top');
  return {
    shape: form.shape,
    top_mm: top,
    base_mm: Math.round(top * BASE_SHARE),
    depth_mm: length(form.depth, POT_MM.least, POT_MM.most, 'depth'),
    material: form.material,
    holes: form.holes,
    top_dressing_mm: 0,
  };
}

function textsOf<F extends keyof TakeInForm>(form: TakeInForm, fields: readonly F[]): Record<F, string | null> {
  return Object.fromEntries(fields.map((field) => [field, String(form[field]).trim() || null])) as Record<
    F,
    string | null
  >;
}
