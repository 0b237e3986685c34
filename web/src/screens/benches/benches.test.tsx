/** A bench from above and its light, drawn to markup: each pot by its measure, its material and what it asks for. */
import type { PlacePot, PlaceView } from '@zinc-pail/contract/keeping';
import type { Judged } from '@zinc-pail/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import { MATERIALS } from '../../drawing/materials.ts';
import { VERDICT_COLOURS } from '../../drawing/VerdictGlyph.tsx';
import { COMPASS, compassWord } from '@zinc-pail/words/places';
import { benchOf, BenchPlan } from './BenchPlan.tsx';
import { LightDrawing } from './LightDrawing.tsx';
import { SettingBar } from './SettingBar.tsx';

const TODAY = '2026-06-20';
const nothing = () => {};
const text = (markup: string) =>
  markup
    .replaceAll(/<[^>]+>/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();
const pot = (id: number, over: Partial<PlacePot> = {}): PlacePot => ({
  id,
  number: `A${id}`,
  name: 'Aloe juvenna',
  form: 'rosette',
  width_mm: 100,
  crown_mm: 80,
  shape: 'round',
  material: 'terracotta',
  light: 'well',
  wants: 'bright',
  verdict: 'leave',
  state: 'growing',
  height_mm: 90,
  x_mm: null,
  y_mm: null,
  wants_mol: { from: 8, to: 25 },
  poisonous: { people: false, pets: false },
  quarantine_until: null,
  ...over,
});
const place = (pots: PlacePot[], over: Partial<PlaceView> = {}) =>
  ({
    id: 1,
    site_id: 1,
    name: 'Attic sill',
    width_mm: 1000,
    depth_mm: 300,
    pots,
    today: { dli_mol: 10 },
    ...over,
  }) as PlaceView;
const plan = (view: PlaceView, { setting = false, inHand = [] as number[] } = {}) =>
  renderToStaticMarkup(
    <MemoryRouter>
      <BenchPlan
        place={view}
        today={TODAY}
        meant={null}
        setting={setting}
        inHand={new Set(inHand)}
        onHand={nothing}
        onNudge={nothing}
      />
    </MemoryRouter>,
  );
/** The drawing of one pot. */
const drawn = (markup: string, id: number) =>
  markup.split('<button').find((one) => one.includes(`data-pot="${id}"`)) ?? '';

describe('a bench from above', () => {
  it('has every pot to scale, with its number, its name and what it asks for', () => {
    const markup = plan(place([pot(1), pot(2, { width_mm: 200, verdict: 'water' })]));
    expect(markup).toContain('aria-label="Attic sill from above: 2 pots to scale"');
    expect(drawn(markup, 1)).toContain('aria-label="A1, Aloe juvenna: leave alone"');
    expect(drawn(markup, 2)).toContain('aria-label="A2, Aloe juvenna: to water"');
    expect(drawn(markup, 1)).toMatch(/width:10%/);
    expect(drawn(markup, 2)).toMatch(/width:20%/);
  });
  it.each<[Judged, boolean]>([
    ['act', true],
    ['water', true],
    ['look', true],
    ['soon', false],
    ['leave', false],
  ])('one to %s: a ring in its colour, and a mark besides where it is for today', (verdict, marked) => {
    const markup = drawn(plan(place([pot(1, { verdict })])), 1);
    const rings = markup.split(`stroke="${VERDICT_COLOURS[verdict]}"`).length - 1;
    expect(rings).toBe(verdict === 'leave' ? 0 : marked ? 2 : 1);
    expect(/<circle r="8"/.test(markup)).toBe(marked);
  });
  it('each material has its own colour, a square pot its corners', () => {
    for (const material of ['glazed', 'plastic', 'metal'] as const)
      expect(drawn(plan(place([pot(1, { material })])), 1)).toContain(`fill="${MATERIALS[material].fill}"`);
    expect(drawn(plan(place([pot(1, { shape: 'square' })])), 1)).toContain('<rect x="-50" y="-50" width="100"');
  });
  it.each([
    [null, false],
    ['2026-06-19', false],
    [TODAY, true],
    ['2026-07-10', true],
  ])('apart until %s: a broken ring %s', (quarantine_until, apart) =>
    expect(drawn(plan(place([pot(1, { quarantine_until })])), 1).includes('stroke-dasharray')).toBe(apart),
  );
  it('a pot opens its plant; set out it is taken in hand', () => {
    const pots = [pot(1), pot(2)];
    expect(plan(place(pots))).not.toContain('aria-pressed');
    const setting = plan(place(pots), { setting: true, inHand: [2] });
    expect(drawn(setting, 1)).toContain('aria-pressed="false"');
    expect(drawn(setting, 2)).toContain('aria-pressed="true"');
  });
  it('two in one place are ringed as too tight', () => {
    const tight = plan(place([pot(1, { x_mm: 200, y_mm: 100 }), pot(2, { x_mm: 240, y_mm: 100 })]));
    const free = plan(place([pot(1, { x_mm: 200, y_mm: 100 }), pot(2, { x_mm: 400, y_mm: 100 })]));
    const rust = (markup: string) => drawn(markup, 1).split('var(--rust)').length - 1;
    expect(rust(tight)).toBe(rust(free) + 1);
  });
  it('an empty bench says so, and lies open for pots that are set', () => {
    expect(text(plan(place([])))).toBe('No pots here.');
    expect(plan(place([]), { setting: true })).toContain('0 pots to scale');
  });
  it('a bench too small for its pots shows where it ends; one that nobody measured has no end', () => {
    const many = Array.from({ length: 60 }, (_, i) => pot(i + 1));
    const small = place(many);
    expect(benchOf(small).depthMm).toBeGreaterThan(300);
    expect(plan(small)).toContain('border-t-4 border-[var(--rust)]');
    expect(plan(place(many, { width_mm: null, depth_mm: null }))).not.toContain('border-t-4 border-[var(--rust)]');
  });
});

describe('the light of a bench', () => {
  const light = (pots: PlacePot[]) =>
    renderToStaticMarkup(
      <MemoryRouter>
        <LightDrawing place={place(pots)} />
      </MemoryRouter>,
    );
  it('names those that get too little, and each opens its plant', () => {
    const markup = light([
      pot(1, { light: 'too-dim', name: 'Lithops lesliei', wants_mol: { from: 20, to: 40 } }),
      pot(2),
      pot(3, { light: 'gets-by', name: 'Gasteria', wants_mol: { from: 12, to: 30 } }),
    ]);
    expect(text(markup)).toMatch(
      /Light, 10 mol a day.* 1 pot too little : Lithops lesliei 1 pot just enough : Gasteria 1 pot enough : Aloe juvenna/,
    );
    expect(markup).toContain('href="/plants/1"');
  });
  it('what comes stands at one place on every line, what is wanted where it is wanted', () => {
    const markup = light([pot(1, { light: 'too-dim', wants_mol: { from: 20, to: 40 } }), pot(2)]);
    const strokes = [...markup.matchAll(/<rect x="([\d.]+)" width="1" height="14"/g)].map(([, x]) => x);
    expect(strokes).toHaveLength(2);
    expect(new Set(strokes).size).toBe(1);
    const bars = [...markup.matchAll(/<rect x="([\d.]+)" y="3" width="([\d.]+)"/g)].map(([, x]) => Number(x));
    expect(bars[0]!).toBeGreaterThan(bars[1]!);
    expect(bars[0]!).toBeGreaterThan(Number(strokes[0]));
  });
  it('of an empty bench nothing is said', () => expect(light([])).toBe(''));
});

describe('while pots are set out', () => {
  const bar = (inHand: number[], told: Parameters<typeof SettingBar>[0]['told'] = null) =>
    text(
      renderToStaticMarkup(
        <SettingBar places={[place([])]} inHand={new Set(inHand)} told={told} onMove={nothing} onDone={nothing} />,
      ),
    );
  it('it says how, then what is in hand and where that may go', () => {
    expect(bar([])).toBe('Drag a pot, or tap it and use the arrows. Tap several to move them together. Done');
    expect(bar([1, 2])).toBe('Selected: 2 pots. to another bench choose… Attic sill Done');
  });
  it('what was done is told, with a way back where there is one', () => {
    expect(bar([], { words: '2 pots moved to Cellar.', back: async () => {} })).toMatch(/moved to Cellar\. undo Done/);
    expect(bar([], { words: 'Back on Attic sill.', back: null })).not.toContain('undo');
  });
});

describe('the compass', () => {
  it.each([
    [0, 'north'],
    [22, 'north'],
    [23, 'north-east'],
    [180, 'south'],
    [337, 'north-west'],
    [338, 'north'],
    [360, 'north'],
  ])('%s° is %s', (deg, wanted) => expect(compassWord(deg)).toBe(wanted));
  it('has each point once', () => {
    expect(new Set(COMPASS.map(({ label }) => label)).size).toBe(8);
    for (const { label, deg } of COMPASS) expect(compassWord(deg)).toBe(label);
  });
});
