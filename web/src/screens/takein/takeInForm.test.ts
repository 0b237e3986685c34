import { describe, expect, it } from 'vitest';
import { unknownMixId } from '@zinc-pail/contract/unknownMix';
import { mixesInOrder, mixOf, NOT_KNOWN } from './mixChoice.ts';
import { emptyForm, OWN_POT, plantOf, type TakeInForm, UNKNOWN_POT } from './takeInForm.ts';
import { USUAL_POTS } from './usualPots.ts';
import { SI } from '@zinc-pail/words/units';
import { setUnits } from '../../reader/units.ts';

const kit = {
  mixes: [
    { id: 3, name: 'All grit', parts: [{ component: 'pumice', parts: 1 }], for_what: null },
    { id: 5, name: 'Zonal bag', parts: [{ component: 'cactus-soil', parts: 1 }], for_what: null },
    { id: 6, name: 'Bag', parts: [{ component: 'potting-soil', parts: 1 }], for_what: null },
  ],
};
const places = [{ id: 1 }, { id: 2 }];
const empty = (last = {}) => emptyForm(kit, places, last, '2026-06-04');
const plant = (some: Partial<TakeInForm> = {}, named: object = {}): Record<string, unknown> => {
  const given = plantOf(
    { ...empty(), ...some },
    { name: 'Aloe vera', meant: null, motherId: null, today: '2026-06-04', ...named },
  );
  return given.kind === 'read' ? given.value : given.at;
};

describe('the form', () => {
  it('starts with the last bench, mix and pot, where they are still there', () => {
    expect(empty()).toMatchObject({ mix: '6', place: '1', date: '2026-06-04', count: '1', holes: true });
    expect(empty({ mix: '5', place: '2', pot: OWN_POT })).toMatchObject({ mix: '5', place: '2', pot: OWN_POT });
    expect(empty({ mix: '9', place: 'x', pot: 'a bucket' })).toMatchObject({ mix: '6', place: '1' });
    expect(USUAL_POTS.map(({ id }) => id)).toContain(empty({ pot: 'a bucket' }).pot);
  });
  it('without mixes or benches it starts empty rather than not at all', () => {
    expect(emptyForm({ mixes: [] }, [], {}, '2026-06-04')).toMatchObject({ mix: NOT_KNOWN, place: '' });
  });
});

describe('what is sent', () => {
  it('a plain plant: empty fields are none', () => {
    expect(plant()).toMatchObject({
      name: 'Aloe vera',
      taxon: null,
      place_id: 1,
      count: 1,
      source: null,
      provenance: null,
      price_minor: null,
      price_currency: null,
      last_watered: null,
      mother_id: null,
    });
    expect(plant()).not.toHaveProperty('number');
    expect(plant()).not.toHaveProperty('diameter_mm');
  });
  it('a usual pot by its measures, with or without a hole', () => {
    const [usual] = USUAL_POTS;
    expect(plant({ pot: usual!.id, holes: false })).toMatchObject({ pot: { ...usual!.pot, holes: false } });
  });
  it('lengths in inches, where its keeper thinks in them', () => {
    setUnits({ ...SI, length: 'in' });
    try {
      const own = { pot: OWN_POT, shape: 'round', top: '4', depth: '3.5', material: 'glazed', width: '2' } as const;
      expect(plant(own)).toMatchObject({ pot: { top_mm: 101.6, depth_mm: 88.9 }, diameter_mm: 51 });
      expect(plant({ ...own, top: '900' })).toEqual({ top: 'A length from 0.39 to 118.11 in.' });
    } finally {
      setUnits(SI);
    }
  });
  it('a pot by its own measures', () => {
    expect(plant({ pot: OWN_POT, shape: 'bowl', top: '180', depth: '60', material: 'glazed' })).toMatchObject({
      pot: { shape: 'bowl', top_mm: 180, base_mm: 135, depth_mm: 60, material: 'glazed', holes: true },
    });
  });
  it('a number for one, never for a tray', () => {
    expect(plant({ number: ' A-7 ' })).toMatchObject({ number: 'A-7' });
    expect(plant({ number: 'A-7', count: '20' })).not.toHaveProperty('number');
  });
  it('price, size, mother and what was meant', () => {
    expect(
      plant({ price: '12,5', currency: ' chf ', width: '84', height: '40,4' }, { meant: 'Aloe', motherId: 9 }),
    ).toMatchObject({
      price_minor: 1250,
      price_currency: 'CHF',
      diameter_mm: 84,
      height_mm: 40,
      taxon: 'Aloe',
      mother_id: 9,
    });
  });
  it('everything that is wrong is told at once, each at its field', () => {
    const told = plant(
      {
        count: '2.5',
        pot: OWN_POT,
        top: '5',
        depth: 'deep',
        price: 'dear',
        width: '-3',
        date: '2026-06-05',
        place: '',
      },
      { name: '  ' },
    );
    const fields = ['count', 'date', 'depth', 'diameter_mm', 'name', 'place', 'price', 'top'];
    expect(Object.keys(told).toSorted()).toEqual(fields);
    for (const words of Object.values(told)) expect(words).toMatch(/^[A-Z].*\.$/);
  });
  it('a common name that means but one kind is taken for it; one that fits several must be chosen from', () => {
    expect(plant({}, { name: 'Christmas cactus' })).toMatchObject({ taxon: 'Schlumbergera' });
    expect(plant({}, { name: 'jade plant' })).toHaveProperty('name', expect.stringContaining('say which is meant'));
    expect(plant({}, { name: 'jade plant', meant: 'Crassula' })).toMatchObject({ taxon: 'Crassula' });
  });
  it('a pot that nobody measured is the one most are sold in', () => {
    expect(plant({ pot: UNKNOWN_POT })).toMatchObject({ pot: { shape: 'round', top_mm: 85, material: 'plastic' } });
  });
});

describe('the mixes', () => {
  it('stand with the bagged soils first, and not knowing is the slowest of them', () => {
    expect(mixesInOrder(kit.mixes).map(({ name }) => name)).toEqual(['Bag', 'Zonal bag', 'All grit']);
    expect(unknownMixId(kit.mixes)).toBe(6);
    expect(unknownMixId([])).toBeNull();
  });
  it('one is made on the spot by the names of its parts', () => {
    const made = (name: string, ...parts: [string, string][]) =>
      mixOf(
        name,
        parts.map(([of, n]) => ({ of, parts: n })),
      );
    expect(made('Nursery grit', ['Pumice', '2'], ['potting soil', ''], ['', ''])).toEqual({
      kind: 'read',
      value: {
        name: 'Nursery grit',
        parts: [
          { component: 'pumice', parts: 2 },
          { component: 'potting-soil', parts: 1 },
        ],
      },
    });
    expect(made('', ['sawdust', 'some'])).toMatchObject({
      kind: 'wrong',
      at: { name: expect.any(String), 'of-0': expect.any(String), 'parts-0': expect.any(String) },
    });
    expect(made('Twice', ['pumice', '1'], ['Pumice', '2'])).toMatchObject({
      at: { 'of-0': expect.stringMatching(/twice/) },
    });
    expect(made('None')).toMatchObject({ at: { 'of-0': expect.any(String) } });
  });
});
