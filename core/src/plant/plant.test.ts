import { describe, expect, it } from 'vitest';
import type { Plant } from '../garden.ts';
import { genusOf } from './genera.ts';
import { nameParts } from './name.ts';
import { traitsOf } from './traits.ts';

const set = (written: string) =>
  nameParts(written)
    .map((part) => (part.style === 'italic' ? `*${part.text}*` : part.text))
    .join(' ');

describe('names by the rules', () => {
  it.each([
    ['Lithops karasmontana', '*Lithops karasmontana*'],
    ['Gymnocalycium cf. horstii', '*Gymnocalycium* cf. *horstii*'],
    ["Aloe 'Tin Roof'", '*Aloe* ‘Tin Roof’'],
    ['Conophytum x marnierianum', '*Conophytum* × *marnierianum*'],
    ['Haworthia cooperi var. truncata', '*Haworthia cooperi* var. *truncata*'],
    ['× Graptoveria ‘Quay’', '× *Graptoveria* ‘Quay’'],
    ['Stapelia sp., lock-side form', '*Stapelia* sp., lock-side form'],
    ['Crassula ovata subsp. tecta f. alba', '*Crassula ovata* subsp. *tecta* f. *alba*'],
  ])('%s', (written, wanted) => {
    expect(set(written)).toBe(wanted);
  });
});

describe('the genus library', () => {
  it('finds the genus in what keepers write', () => {
    expect(genusOf('Echeveria cf. agavoides')?.name).toBe('Echeveria');
    expect(genusOf('× Gasteria')?.name).toBe('Gasteria');
    expect(genusOf('something green')).toBeUndefined();
  });
});

describe('traits', () => {
  it.each([
    ['below', 'dry-and-hold'],
    ['stem', 'dry-through'],
    ['none', 'dry-top'],
  ] as const)('where its keeper says that its water is kept otherwise (%s) the rule is %s', (store, dryRule) => {
    expect(traitsOf({ name: 'Haworthia cooperi', store }).traits).toMatchObject({ store, dryRule });
    // What they set of the rule itself stands.
    expect(traitsOf({ name: 'Haworthia cooperi', store, dry_rule: 'keep-damp' }).traits.dryRule).toBe('keep-damp');
  });
  it('a name that is likely stands dry a little longer, less than one that nobody knows; a rule of the keeper’s stands', () => {
    const hold = (more: object) => {
      const { dryRule, holdDays } = traitsOf({ name: 'Echeveria elegans', ...more }).traits;
      return dryRule === 'dry-and-hold' ? holdDays : 0;
    };
    const [sure, likely, unknown] = [hold({}), hold({ name_likely: true }), hold({ name_unknown: true })];
    expect(likely).toBe(sure + 2);
    expect(unknown).toBeGreaterThan(likely);
    expect(hold({ name_likely: true, dry_rule: 'dry-through' })).toBe(0);
    expect(traitsOf({ name: 'Rhipsalis baccifera', name_likely: true }).traits).toEqual(
      traitsOf({ name: 'Rhipsalis baccifera' }).traits,
    );
  });
  it('the store that its kind has anyway changes nothing', () => {
    const { traits } = traitsOf({ name: 'Haworthia cooperi' });
    expect(traitsOf({ name: 'Haworthia cooperi', store: traits.store }).traits).toEqual(traits);
  });
  const bare = {
    id: 'p',
    diameter_mm: 50,
    height_mm: 50,
    place: 'x',
    mix: 'x',
    pot: {} as Plant['pot'],
    events: [],
  } satisfies Plant;
  it('come from the keeper, then the genus', () => {
    const { traits, sources } = traitsOf({ ...bare, taxon: 'Lithops lesliei', min_dry_c: 4 });
    expect(traits).toMatchObject({
      habit: 'summer',
      form: 'stemless',
      dryRule: 'dry-and-hold',
      holdDays: 7,
      minDryC: 4,
    });
    expect(sources).toMatchObject({ habit: 'genus', minDryC: 'keeper' });
  });
  it('keep to the dry side where the name is unknown', () => {
    const { traits, sources } = traitsOf({ ...bare, form: 'globe' });
    expect(traits).toMatchObject({ dryRule: 'dry-through', store: 'stem', habit: 'evergreen' });
    expect(sources.dryRule).toBe('cautious');
  });
});
