import { describe, expect, it } from 'vitest';
import { genusByAnyName } from '../plant/synonyms.ts';
import { genusCare } from '../plant/library.ts';
import { type PlacedPlant, placeAdvice, type PlaceFacts } from './placement.ts';

const SILL: PlaceFacts = {
  id: 1,
  rhPct: 45,
  warmthC: 20,
  sunH: 8,
  morningSunH: 4,
  highC: 24,
  hazards: [],
};
const plant = (id: number, over: Partial<PlacedPlant> = {}): PlacedPlant => ({
  id,
  air: { fromPct: 15, toPct: 65 },
  scorches: false,
  minWetC: 5,
  marksEasily: false,
  ...over,
});
const forest = plant(2, { air: { fromPct: 50, toPct: 90 }, scorches: true, minWetC: 12 });
const codes = (here: Partial<PlaceFacts>, plants = [plant(1), forest], places: PlaceFacts[] = []) =>
  placeAdvice({ ...SILL, ...here }, plants, places).map((one) => ('hazard' in one ? one.hazard : one.code));

describe('what a place does to its plants', () => {
  it('air too dry is told of the forest kind alone', () => {
    const [advice] = placeAdvice({ ...SILL, rhPct: 35 }, [plant(1), forest], []);
    expect(advice).toEqual({ code: 'air-dry', plants: [2], rhPct: 35, band: { fromPct: 50, toPct: 90 } });
    expect(codes({ rhPct: 55 })).toEqual([]);
  });
  it('wet air harms in the cool, not in the warm', () => {
    expect(codes({ rhPct: 85, warmthC: 8 })).toEqual(['air-wet']);
    expect(codes({ rhPct: 85, warmthC: 24 })).toEqual([]);
  });
  it('long hot afternoons: those that scorch, and where the sun leaves at noon', () => {
    const east: PlaceFacts = { ...SILL, id: 9, sunH: 5, morningSunH: 5 };
    const hot = { ...SILL, highC: 33, rhPct: 60 };
    expect(placeAdvice(hot, [plant(1), forest], [hot, east])).toEqual([
      { code: 'morning-sun', plants: [2], afternoonH: 4, to: 9 },
    ]);
    expect(placeAdvice(hot, [forest], [hot])).toMatchObject([{ to: null }]);
    expect(codes({ highC: 24, rhPct: 60 })).toEqual([]);
    expect(codes({ highC: 33, rhPct: 60, morningSunH: 7 })).toEqual([]);
  });
  it('draughts, panes and splashes: only those that cannot take them', () => {
    const powdery = plant(3, { marksEasily: true });
    const harmed = (hazard: 'draught' | 'splashes') =>
      placeAdvice({ ...SILL, rhPct: 60, hazards: [hazard] }, [plant(1), forest, powdery], []).flatMap(
        (one) => one.plants,
      );
    expect(harmed('draught')).toEqual([2]);
    expect(harmed('splashes')).toEqual([3]);
  });
});

describe('what the library says of it', () => {
  const care = (name: string) => {
    const genus = genusByAnyName(name)!;
    return genusCare(genus, genus.form, genus.habit);
  };
  it.each([
    ['Rhipsalis baccifera', 50, false],
    ['Hoya carnosa', 50, false],
    ['Echeveria agavoides', 20, false],
    ['Lithops lesliei', 15, false],
    ['Sempervivum arachnoideum', 20, true],
    ['Mammillaria hahniana', 15, false],
  ])('%s likes air from %d %%, and fails indoors: %s', (name, fromPct, fails) => {
    expect(care(name).air.fromPct).toBe(fromPct);
    expect(care(name).failsIndoors).toBe(fails);
  });
});
