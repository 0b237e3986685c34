import { describe, expect, it } from 'vitest';
import { GENERA, genusOf } from './genera.ts';
import { genusCare, LIGHT_BANDS } from './library.ts';
import { COMMON_NAMES, commonGenus, genusByAnyName, namesOfGenus, suggestGenera, unclearName } from './synonyms.ts';
import { SPECIES_NAMES, speciesOf } from './species.ts';
import { traitsOf } from './traits.ts';
import { garden } from '../../test/gardens.ts';

describe('the library', () => {
  it('holds at least 180 genera, each with sound bands and whole care', () => {
    expect(GENERA.size).toBeGreaterThanOrEqual(180);
    for (const genus of GENERA.values()) {
      const care = genusCare(genus, genus.form, genus.habit);
      expect(genus.minDryC, genus.name).toBeLessThanOrEqual(genus.minWetC);
      expect(genus.minWetC, genus.name).toBeLessThanOrEqual(genus.growMinC);
      expect(care.idealFromC, genus.name).toBeLessThan(care.idealToC);
      expect(care.idealToC, genus.name).toBeLessThan(care.ceilingC);
      expect(care.repotYears, genus.name).toBeGreaterThanOrEqual(1);
    }
  });
  it('light bands rise', () => {
    const bands = Object.values(LIGHT_BANDS);
    for (const [i, band] of bands.entries()) {
      expect(band.getsBy).toBeLessThan(band.wellFrom);
      if (i > 0) expect(band.wellFrom).toBeGreaterThan(bands[i - 1]!.wellFrom);
    }
  });
  it('knows who must not eat it', () => {
    expect(genusCare(genusOf('Euphorbia'), 'column', 'summer').poisonous).toEqual({ people: true, pets: true });
    expect(genusCare(genusOf('Aloe'), 'rosette', 'summer').poisonous).toEqual({ people: false, pets: true });
    expect(genusCare(undefined, 'globe', 'summer').poisonous).toEqual({ people: true, pets: true });
  });
});

describe('names', () => {
  it('an old name and a new one are the same plant', () => {
    const base = garden().plants[0]!;
    const of = (name: string) =>
      traitsOf({ ...base, name, taxon: null, habit: null, form: null, store: null, dry_rule: null }).traits;
    expect(of('Sansevieria cylindrica')).toEqual(of('Dracaena angolensis'));
    expect(of('Lobivia ferox')).toEqual(of('Echinopsis ferox'));
    expect(genusByAnyName('×Graptoveria ‘Tin Lid’')!.name).toBe('Echeveria');
    expect(genusByAnyName('nothing at all')).toBeUndefined();
  });
  it('every other name and every common name leads to a row', () => {
    for (const { genera } of COMMON_NAMES)
      for (const genus of genera) expect(GENERA.has(genus.toLowerCase()), genus).toBe(true);
    for (const genus of GENERA.values())
      for (const name of namesOfGenus(genus.name)) expect(genusByAnyName(name)!.name, name).toBe(genus.name);
  });
  it('asks which is meant where a name fits several', () => {
    expect(unclearName('bird’s nest')).toEqual(['Dracaena', 'Asplenium']);
    expect(unclearName('Hens and chicks')).toContain('Sempervivum');
    expect(unclearName('Golden barrel cactus')).toBeNull();
    expect(commonGenus('golden barrel cactus')).toBe('Echinocactus');
    expect(commonGenus('Christmas Cactus, pink')).toBe('Schlumbergera');
    expect(commonGenus('jade plant')).toBeNull();
    expect(commonGenus('Aloe vera')).toBeNull();
    expect(commonGenus('something green')).toBeNull();
    expect(unclearName('Aloe vera')).toBeNull();
  });
  it('suggests by what is typed so far', () => {
    expect(suggestGenera('echin').map((s) => s.genus)).toEqual([
      'Echinocactus',
      'Echinocereus',
      'Echinopsis',
      'Stenocactus',
    ]);
    expect(suggestGenera('lobi')[0]).toEqual({ genus: 'Echinopsis', by: 'Lobivia' });
    expect(suggestGenera('bird').map((s) => s.genus)).toEqual(['Dracaena', 'Asplenium']);
    expect(suggestGenera('')).toEqual([]);
  });
});

describe('species', () => {
  const base = garden().plants[0]!;
  const of = (name: string, over: object = {}) =>
    traitsOf({
      ...base,
      name,
      taxon: null,
      habit: null,
      form: null,
      store: null,
      dry_rule: null,
      hold_days: null,
      min_dry_c: null,
      min_wet_c: null,
      grow_min_c: null,
      ...over,
    });
  it('may override their genus, and the keeper overrides both', () => {
    expect(of('Sedum morganianum').traits).toMatchObject({ habit: 'evergreen', minWetC: 7 });
    expect(of('Sedum morganianum').sources).toMatchObject({ minWetC: 'species', form: 'genus' });
    expect(of('Sedum nussbaumerianum').sources.minWetC).toBe('genus');
    expect(of('Sedum morganianum', { min_wet_c: 9 }).traits.minWetC).toBe(9);
    expect(of('Mammillaria plumosa').traits).toMatchObject({ dryRule: 'dry-and-hold', holdDays: 3 });
    expect(of('Opuntia microdasys').cautions).toEqual(['glochids']);
  });
  it('under an old or a new genus name, in doubt, with a cultivar', () => {
    expect(of('Curio rowleyanus').traits).toEqual(of('Senecio rowleyanus').traits);
    expect(of('Chamaecereus cf. chamaecereus ‘Tin’').traits.form).toBe('trailing');
    expect(of('Aloe cf. variegata').sources.habit).toBe('species');
    expect(of('Aloe aff. variegata').sources.habit).toBe('genus');
    expect(speciesOf('Aloe ‘variegata’')).toBeUndefined();
    expect(speciesOf('Nothing here')).toBeUndefined();
    expect(speciesOf('')).toBeUndefined();
  });
  it('each stands in a genus that the library knows, and keeps its bands in order', () => {
    for (const name of SPECIES_NAMES) {
      expect(genusByAnyName(name), name).toBeDefined();
      const { traits } = of(name[0]!.toUpperCase() + name.slice(1));
      expect(traits.minDryC, name).toBeLessThanOrEqual(traits.minWetC);
      expect(traits.minWetC, name).toBeLessThanOrEqual(traits.growMinC);
    }
  });
});
