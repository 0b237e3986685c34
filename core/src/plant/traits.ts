import type { Form, Plant, Store } from '../garden.ts';
import { type Caution, type Genus, sleepsOf, type Traits } from './genera.ts';
import { speciesOf } from './species.ts';
import { genusByAnyName } from './synonyms.ts';

export type { Traits } from './genera.ts';

/** Where a trait comes from, shown beside it. */
export type TraitSource = 'keeper' | 'species' | 'genus' | 'form' | 'cautious';

export interface SourcedTraits {
  traits: Traits;
  sources: Record<keyof Traits, TraitSource>;
  genus: Genus | undefined;
  cautions: readonly Caution[];
}

/** Where a form keeps its water, if nobody says. */
const STORE_BY_FORM: Record<Form, Store> = {
  globe: 'stem',
  column: 'stem',
  pad: 'stem',
  rosette: 'leaf',
  stemmed: 'leaf',
  trailing: 'leaf',
  caudex: 'stem',
  bulb: 'below',
  stemless: 'leaf',
  'stiff-leaf': 'below',
};

/** How dry each store lets a pot get, where its keeper says that it is another than its kind's (drink by store, not by name). */
const RULE_BY_STORE: Record<Store, Traits['dryRule']> = {
  below: 'dry-and-hold',
  stem: 'dry-through',
  leaf: 'dry-through',
  none: 'dry-top',
};

/** For a plant nobody can name: the dry side of everything, and a warm lowest night. */
const CAUTIOUS: Traits = {
  habit: 'evergreen',
  sleeps: 'never',
  form: 'rosette',
  store: 'leaf',
  dryRule: 'dry-through',
  holdDays: 0,
  minDryC: 5,
  minWetC: 9,
  growMinC: 10,
  dueM: null,
};
/** A rule of "dry and hold" without a count of days holds this long. */
const DEFAULT_HOLD_DAYS = 5;

/** Days that a plant nobody can name stands dry before its drink. */
const UNKNOWN_HOLD_DAYS = 4;

/** What a doubtful name says is taken where it asks for less water and more warmth; what the keeper set stands. */
function toTheDrySide(traits: Traits, sources: SourcedTraits['sources']): void {
  if (sources.dryRule !== 'keeper' && traits.dryRule !== 'dry-and-hold') {
    traits.dryRule = traits.dryRule === 'keep-damp' ? 'dry-through' : 'dry-and-hold';
    sources.dryRule = 'cautious';
  }
  if (sources.holdDays !== 'keeper' && traits.dryRule === 'dry-and-hold') {
    traits.holdDays = Math.max(traits.holdDays, UNKNOWN_HOLD_DAYS);
    sources.holdDays = 'cautious';
  }
  for (const key of ['minDryC', 'minWetC', 'growMinC'] as const) {
    if (sources[key] === 'keeper' || traits[key] >= CAUTIOUS[key]) continue;
    traits[key] = CAUTIOUS[key];
    sources[key] = 'cautious';
  }
}

/** Days longer that one whose name is likely stands dry: half of what a name that nobody knows asks for. */
const LIKELY_HOLD_DAYS = 2;

/** A name that may be another's: no other care, but a little later; what must not dry out is left as it is. */
function aLittleDrier(traits: Traits, sources: SourcedTraits['sources']): void {
  if (sources.dryRule === 'keeper' || sources.holdDays === 'keeper' || traits.dueM !== null) return;
  if (traits.dryRule !== 'dry-through' && traits.dryRule !== 'dry-and-hold') return;
  traits.dryRule = 'dry-and-hold';
  traits.holdDays += LIKELY_HOLD_DAYS;
  sources.holdDays = 'cautious';
}

/** What of a plant its traits hang on. */
export type Told = Pick<Plant, 'name' | 'taxon'> & Partial<Plant>;

/** The plant's own traits, then its species's, its genus's, its form's, and the cautious ones. */
export function traitsOf(plant: Told): SourcedTraits {
  const genus = genusByAnyName(plant.taxon ?? plant.name);
  const species = speciesOf(plant.taxon ?? plant.name);
  const sources = {} as Record<keyof Traits, TraitSource>;
  const choose = <K extends keyof Traits>(
    key: K,
    own: Traits[K] | null | undefined,
    ofGenus: Traits[K] | undefined,
    ofForm?: Traits[K],
  ): Traits[K] => {
    if (own !== null && own !== undefined) {
      sources[key] = 'keeper';
      return own;
    }
    const ofSpecies = species?.[key];
    if (ofSpecies !== undefined) {
      sources[key] = 'species';
      return ofSpecies as Traits[K];
    }
    if (ofGenus !== undefined) {
      sources[key] = 'genus';
      return ofGenus;
    }
    sources[key] = ofForm === undefined ? 'cautious' : 'form';
    return ofForm ?? CAUTIOUS[key];
  };
  const form = choose('form', plant.form, genus?.form);
  const habit = choose('habit', plant.habit, genus?.habit);
  const store = choose(
    'store',
    plant.store,
    genus?.store,
    sources.form === 'cautious' ? undefined : STORE_BY_FORM[form],
  );
  const ofKind = species?.store ?? genus?.store;
  // A keeper who knows where it keeps its water knows more of how dry it may stand than its name does.
  const otherStore = plant.store != null && ofKind !== undefined && plant.store !== ofKind;
  const dryRule =
    otherStore && plant.dry_rule == null
      ? RULE_BY_STORE[plant.store!]
      : choose('dryRule', plant.dry_rule, genus?.dryRule);
  if (otherStore && plant.dry_rule == null) sources.dryRule = 'keeper';
  const traits: Traits = {
    form,
    habit,
    // By what it is, whoever says so: a species or a keeper may have given it another habit than its genus's.
    sleeps: choose(
      'sleeps',
      plant.sleeps,
      genus && sleepsOf(genus.name, habit, form, store),
      sleepsOf('', habit, form, store),
    ),
    store,
    dryRule,
    holdDays: choose(
      'holdDays',
      plant.hold_days,
      (species?.dryRule ?? genus?.dryRule) === dryRule ? (species?.holdDays ?? genus?.holdDays) : undefined,
      dryRule === 'dry-and-hold' ? DEFAULT_HOLD_DAYS : 0,
    ),
    minDryC: choose('minDryC', plant.min_dry_c, genus?.minDryC),
    minWetC: choose('minWetC', plant.min_wet_c, genus?.minWetC),
    growMinC: choose('growMinC', plant.grow_min_c, genus?.growMinC),
    dueM: choose('dueM', plant.due_m, genus?.dueM),
  };
  if (traits.dryRule !== 'dry-and-hold') traits.holdDays = 0;
  if (plant.name_unknown) toTheDrySide(traits, sources);
  else if (plant.name_likely) aLittleDrier(traits, sources);
  return { traits, sources, genus, cautions: species?.cautions ?? genus?.cautions ?? [] };
}
