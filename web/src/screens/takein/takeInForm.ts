/** A plant as it is typed when it comes, and the plant that is sent. */
import { MOST_COPIES } from '@zinc-pail/contract/limits';
import { PLANT_FIELDS } from '@zinc-pail/contract/plantFields';
import type { Kit } from '@zinc-pail/contract/keeping';
import { numberIn } from '../../words/numbers.ts';
import { USUAL_POTS } from './usualPots.ts';

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

/** A pot that is none of the usual ones. */
export const OWN_POT = 'own';
const FIRST_POT = 'square-70-plastic';
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
  const kept = (all: readonly { id: number }[], id: string | undefined) =>
    all.some((one) => String(one.id) === id) ? id! : String(all[0]?.id ?? '');
  const isPot = last.pot === OWN_POT || USUAL_POTS.some(({ id }) => id === last.pot);
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
    mix: kept(mixes, last.mix),
    place: kept(places, last.place),
    date: today,
  };
}

export interface Named {
  name: string;
  /** the genus or species that was meant, where the name fits several */
  meant: string | null;
  motherId: number | null;
}

/** What is sent but for its id; or what is wrong, in words. */
export function plantOf(form: TakeInForm, { name, meant, motherId }: Named): Record<string, unknown> | string {
  const wrong: string[] = [];
  const number = (text: string, min: number, max: number, what: string) => {
    const found = numberIn(text, min, max);
    if (Number.isNaN(found)) wrong.push(`${what}: a number from ${min} to ${max}`);
    return found;
  };
  const size = (text: string, field: 'diameter_mm' | 'height_mm') => {
    const { min, max, label } = PLANT_FIELDS[field];
    return text.trim() === '' ? {} : { [field]: Math.round(number(text, min, max, label)) };
  };
  if (name.trim() === '') wrong.push('A name, even if it is only “unknown globe”');
  const count = number(form.count, 1, MOST_COPIES, 'How many');
  const price =
    form.price.trim() === ''
      ? null
      : Math.round(number(form.price, 0, PLANT_FIELDS.price_minor.max / COIN, 'Price') * COIN);
  const body = {
    name: name.trim(),
    taxon: meant,
    name_sure: form.name_sure,
    pot: potOf(form, number),
    mix_id: Number(form.mix),
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
  return wrong.length > 0 ? `${wrong.join('; ')}.` : body;
}

function potOf(form: TakeInForm, number: (text: string, min: number, max: number, what: string) => number): object {
  const usual = USUAL_POTS.find(({ id }) => id === form.pot);
  if (usual) return { ...usual.pot, holes: form.holes };
  const top = number(form.top, POT_MM.least, POT_MM.most, 'Pot width, mm');
  return {
    shape: form.shape,
    top_mm: top,
    base_mm: Math.round(top * BASE_SHARE),
    depth_mm: number(form.depth, POT_MM.least, POT_MM.most, 'Depth of mix, mm'),
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
