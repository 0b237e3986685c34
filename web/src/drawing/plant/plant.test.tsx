import { GENERA } from '@zinc-pail/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { LOOKS, lookOf } from './looks.ts';
import { isBare, PlantFromAbove, PlantFromSide } from './Plant.tsx';
import { detailOf, leaf, packed } from './strokes.ts';

const side = (name: string, form = 'globe', width = 60, height = 50) =>
  renderToStaticMarkup(
    <svg>
      <PlantFromSide name={name} form={form} state="growing" width={width} height={height} />
    </svg>,
  );
const above = (name: string, form = 'globe', width = 60) =>
  renderToStaticMarkup(
    <svg>
      <PlantFromAbove name={name} form={form} state="growing" width={width} />
    </svg>,
  );
const shapeOf = (markup: string) => markup.replaceAll(/(fill|stroke)="#?[^"]*"/g, '');

/** One of each look. */
const SPECIMENS: readonly (readonly [name: string, form: string])[] = [
  ['Echinopsis oxygona', 'globe'],
  ['Rebutia minuscula', 'globe'],
  ['Mammillaria plumosa', 'globe'],
  ['Astrophytum ornatum', 'globe'],
  ['Ariocarpus retusus', 'globe'],
  ['Euphorbia obesa', 'globe'],
  ['Cereus jamacaru', 'column'],
  ['Espostoa lanata', 'column'],
  ['Huernia zebrina', 'stemmed'],
  ['Opuntia microdasys', 'pad'],
  ['Epiphyllum anguliger', 'pad'],
  ['Schlumbergera truncata', 'pad'],
  ['Rhipsalis baccifera', 'trailing'],
  ['Aloe vera', 'rosette'],
  ['Haworthia cooperi', 'rosette'],
  ['Haworthiopsis attenuata', 'rosette'],
  ['Gasteria bicolor', 'rosette'],
  ['Echeveria agavoides', 'rosette'],
  ['Aeonium arboreum', 'rosette'],
  ['Agave parryi', 'rosette'],
  ['Sempervivum tectorum', 'rosette'],
  ['Crassula ovata', 'stemmed'],
  ['Crassula perforata', 'stemmed'],
  ['Kalanchoe orgyalis', 'stemmed'],
  ['Euphorbia milii', 'stemmed'],
  ['Senecio ficoides', 'stemmed'],
  ['Curio rowleyanus', 'trailing'],
  ['Sedum morganianum', 'trailing'],
  ['Hoya kerrii', 'trailing'],
  ['Delosperma cooperi', 'trailing'],
  ['Adenium obesum', 'caudex'],
  ['Pachypodium brevicaule', 'caudex'],
  ['Dioscorea elephantipes', 'caudex'],
  ['Lachenalia aloides', 'bulb'],
  ['Albuca spiralis', 'bulb'],
  ['Haemanthus albiflos', 'bulb'],
  ['Lithops lesliei', 'stemless'],
  ['Conophytum bilobum', 'stemless'],
  ['Pleiospilos nelii', 'stemless'],
  ['Titanopsis calcarea', 'stemless'],
  ['Fenestraria aurantiaca', 'stemless'],
  ['Faucaria tigrina', 'rosette'],
  ['Cheiridopsis denticulata', 'stemless'],
  ['Dracaena trifasciata', 'stiff-leaf'],
];

describe('what a plant looks like', () => {
  it('every look has a specimen, and every specimen a look of its own', () => {
    const looks = SPECIMENS.map(([name, form]) => lookOf(name, form).look);
    expect(looks.toSorted()).toEqual([...LOOKS].toSorted());
  });
  it.each([60, 12])('drawn distinctly at %i px, from the side and from above', (px) => {
    for (const draw of [
      (name: string, form: string) => shapeOf(side(name, form, px, px)),
      (name: string, form: string) => shapeOf(above(name, form, px)),
    ]) {
      const drawn = new Map(SPECIMENS.map(([name, form]) => [draw(name, form), name]));
      // At 12 px kinds whose detail is gone may share an outline, but most are told apart.
      expect(drawn.size).toBeGreaterThanOrEqual(px > 20 ? SPECIMENS.length : SPECIMENS.length * 0.75);
    }
  });
  it.each(SPECIMENS)('%s: sound at every size, more of it when larger', (name, form) => {
    const sizes = [12, 60, 400].map((px) => [side(name, form, px, px * 0.8), above(name, form, px)] as const);
    for (const views of sizes) for (const markup of views) expect(markup).not.toMatch(/NaN|Infinity|undefined/);
    expect(sizes[2]![0].length + sizes[2]![1].length).toBeGreaterThan(sizes[0]![0].length + sizes[0]![1].length);
  });
  it.each(SPECIMENS)('%s stays about where it was measured', (name, form) => {
    const far = [...above(name, form, 100).matchAll(/(?:M|L)(-?[\d.]+),(-?[\d.]+)/g)].map(([, x, y]) =>
      Math.hypot(Number(x), Number(y)),
    );
    expect(Math.max(0, ...far)).toBeLessThan(62);
  });
  it('every genus of the library has a drawing', () => {
    for (const genus of GENERA.values()) expect(side(genus.name, 'rosette')).toContain('<');
  });
});

describe('by name', () => {
  it.each([
    ['Agave americana variegata', 'rosette', true],
    ['Crassula ovata ‘Variegata’', 'stemmed', true],
    ['Gymnocalycium mihanovichii f. variegata', 'globe', true],
    // A species of that name is banded, not pale.
    ['Aloe variegata', 'rosette', false],
    ['Agave americana', 'rosette', false],
  ])('%s: partly without green %s', (name, form, variegated) => expect(lookOf(name, form).variegated).toBe(variegated));
  it('variegation shows', () =>
    expect(side('Agave americana variegata', 'rosette')).not.toBe(side('Agave americana', 'rosette')));
  it.each([
    ['Mammillaria elongata cristata', true],
    ['Cereus jamacaru ‘Monstrose’', true],
    ['Mammillaria elongata', false],
    ['Sedum cristatum', false],
  ])('%s: crested %s', (name, crested) => {
    expect(lookOf(name, 'globe').crested).toBe(crested);
    expect(lookOf(name, 'globe').crested).toBe(shapeOf(side(name)) === shapeOf(side('x y crest')));
  });
  it('a name that nobody knows looks as its form', () => {
    expect(lookOf('unknown globe', 'globe').look).toBe('ribs');
    expect(lookOf('', 'bulb').look).toBe('strap-bulb');
    expect(lookOf('Senecio rowleyanus', 'trailing').look).toBe('bead-trail');
    expect(lookOf('cf. Lithops aucampiae', 'stemless').look).toBe('cleft-pair');
  });
  it('sleepers of bulbs and caudices stand without leaves', () => {
    expect(isBare('bulb', 'resting')).toBe(true);
    expect(isBare('globe', 'resting')).toBe(false);
    const bare = renderToStaticMarkup(
      <svg>
        <PlantFromAbove name="Lachenalia" form="bulb" state="resting" bare width={40} />
      </svg>,
    );
    expect(bare.length).toBeLessThan(above('Lachenalia', 'bulb', 40).length);
  });
});

describe('strokes', () => {
  it('detail grows with the size on the screen', () => expect([12, 40, 400].map(detailOf)).toEqual([0, 1, 2]));
  it('a leaf reaches its length', () => expect(leaf(0, 0, Math.PI / 2, 10, 2, 'point')).toContain('10.00,0'));
  it('packed points lie within their circle, none twice', () => {
    const points = packed(40, 5);
    for (const { x, y } of points) expect(Math.hypot(x, y)).toBeLessThanOrEqual(5);
    expect(new Set(points.map(({ x, y }) => `${x},${y}`)).size).toBe(40);
  });
});
