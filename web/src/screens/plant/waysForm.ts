/** How a plant lives, in words; and as it is typed: empty is as its genus, its form or caution has it. */
import type { PlantView } from '@zinc-pail/contract/api';
import type { PlantChange } from '@zinc-pail/contract/keeping';
import { PLANT_FIELDS } from '@zinc-pail/contract/plantFields';
import type { Traits } from '@zinc-pail/core';
import { countWords } from '@zinc-pail/words/units';
import { numberIn } from '@zinc-pail/words/numbers';
import { celsiusOf, shownTemperature } from '../../reader/units.ts';

export const HABITS: Record<Traits['habit'], string> = {
  summer: 'grows in summer, rests in winter',
  winter: 'grows in winter, rests in summer',
  'spring-autumn': 'grows in spring and autumn, rests in heat and cold',
  evergreen: 'slows, never rests',
  opportunist: 'grows whenever it is warm and watered',
};
export const STORES: Record<Traits['store'], string> = {
  leaf: 'in its leaves',
  stem: 'in its stem',
  below: 'below ground',
  none: 'hardly anywhere',
};
export function ruleWords({ dryRule, holdDays }: Pick<Traits, 'dryRule' | 'holdDays'>): string {
  switch (dryRule) {
    case 'keep-damp':
      return 'never quite dry';
    case 'dry-top':
      return 'when the top third is dry';
    case 'dry-through':
      return 'when dry to the bottom';
    case 'dry-and-hold':
      return `dry to the bottom, then ${countWords(holdDays, 'day')} more`;
  }
}

export interface WaysForm {
  habit: string;
  form: string;
  store: string;
  dry_rule: string;
  hold_days: string;
  min_dry_c: string;
  min_wet_c: string;
  grow_min_c: string;
  leafless: string;
}

export function formOf({ outlook: { traits, trait_sources: sources } }: Pick<PlantView, 'outlook'>): WaysForm {
  const own = (trait: keyof Traits, shown: string) => (sources[trait] === 'keeper' ? shown : '');
  const warmth = (celsius: number) => String(Math.round(shownTemperature(celsius) * 10) / 10);
  return {
    habit: own('habit', traits.habit),
    form: own('form', traits.form),
    store: own('store', traits.store),
    dry_rule: own('dryRule', traits.dryRule),
    hold_days: own('holdDays', String(traits.holdDays)),
    min_dry_c: own('minDryC', warmth(traits.minDryC)),
    min_wet_c: own('minWetC', warmth(traits.minWetC)),
    grow_min_c: own('growMinC', warmth(traits.growMinC)),
    leafless: '',
  };
}

/** What is sent, or what is wrong in words. */
export function waysOf(form: WaysForm): PlantChange | string {
  const numbers = {
    hold_days: numberOf(form.hold_days, PLANT_FIELDS.hold_days),
    min_dry_c: celsius(form.min_dry_c, PLANT_FIELDS.min_dry_c),
    min_wet_c: celsius(form.min_wet_c, PLANT_FIELDS.min_wet_c),
    grow_min_c: celsius(form.grow_min_c, PLANT_FIELDS.grow_min_c),
  };
  for (const [field, value] of Object.entries(numbers))
    if (Number.isNaN(value)) return wrongWords(field as keyof typeof numbers);
  return {
    ...numbers,
    habit: (form.habit || null) as Traits['habit'] | null,
    form: (form.form || null) as Traits['form'] | null,
    store: (form.store || null) as Traits['store'] | null,
    dry_rule: (form.dry_rule || null) as Traits['dryRule'] | null,
    ...(form.leafless === '' ? {} : { leafless: form.leafless === 'auto' ? null : form.leafless === 'yes' }),
  };
}

interface Bounds {
  min: number;
  max: number;
}

function numberOf(typed: string, { min, max }: Bounds): number | null {
  return typed.trim() === '' ? null : numberIn(typed, min, max);
}

/** Typed in the keeper's degrees, kept in Celsius to a tenth. */
function celsius(typed: string, { min, max }: Bounds): number | null {
  const shown = numberOf(typed, { min: shownTemperature(min), max: shownTemperature(max) });
  return shown === null ? null : Math.round(celsiusOf(shown) * 10) / 10;
}

function wrongWords(field: 'hold_days' | 'min_dry_c' | 'min_wet_c' | 'grow_min_c'): string {
  const { label, min, max } = PLANT_FIELDS[field];
  const [low, high] = field === 'hold_days' ? [min, max] : [shownTemperature(min), shownTemperature(max)];
  return `${label}: a number from ${Math.round(low)} to ${Math.round(high)} is wanted.`;
}
