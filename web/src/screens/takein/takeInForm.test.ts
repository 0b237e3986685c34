import { describe, expect, it } from 'vitest';
import { emptyForm, OWN_POT, plantOf, type TakeInForm } from './takeInForm.ts';
import { USUAL_POTS } from './usualPots.ts';

const kit = {
  mixes: [
    { id: 3, name: 'Grit', parts: [], for_what: null },
    { id: 5, name: 'Bark', parts: [], for_what: null },
  ],
};
const places = [{ id: 1 }, { id: 2 }];
const empty = (last = {}) => emptyForm(kit, places, last, '2026-06-04');
const plant = (some: Partial<TakeInForm> = {}, named: object = {}) =>
  plantOf({ ...empty(), ...some }, { name: 'Aloe vera', meant: null, motherId: null, ...named });

describe('the form', () => {
  it('starts with the last bench, mix and pot, where they are still there', () => {
    expect(empty()).toMatchObject({ mix: '3', place: '1', date: '2026-06-04', count: '1', holes: true });
    expect(empty({ mix: '5', place: '2', pot: OWN_POT })).toMatchObject({ mix: '5', place: '2', pot: OWN_POT });
    expect(empty({ mix: '9', place: 'x', pot: 'a bucket' })).toMatchObject({ mix: '3', place: '1' });
    expect(USUAL_POTS.map(({ id }) => id)).toContain(empty({ pot: 'a bucket' }).pot);
  });
  it('without mixes or benches it starts empty rather than not at all', () => {
    expect(emptyForm({ mixes: [] }, [], {}, '2026-06-04')).toMatchObject({ mix: '', place: '' });
  });
});

describe('what is sent', () => {
  it('a plain plant: empty fields are none', () => {
    expect(plant()).toMatchObject({
      name: 'Aloe vera',
      taxon: null,
      mix_id: 3,
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
  it('everything that is wrong is told at once', () => {
    const told = plant(
      { count: '0', pot: OWN_POT, top: '5', depth: 'deep', price: 'dear', width: '-3' },
      { name: '  ' },
    );
    for (const what of ['A name', 'How many', 'Pot width', 'Depth of mix', 'Price', 'Width'])
      expect(told).toContain(what);
  });
});
