import type { JournalEvent } from '@zinc-pail/contract/api';
import { dayNumber, type OutlookView, type PlantState, type Pot } from '@zinc-pail/core';
import { renderToStaticMarkup } from 'react-dom/server';
import { beforeAll, describe, expect, it } from 'vitest';
import { outlookView } from '@zinc-pail/core';
import { garden, judged, plusDays } from '../../../core/test/gardens.ts';
import { BecauseBars } from './BecauseBars.tsx';
import { DryCurve } from './DryCurve.tsx';
import { PotGlyph } from './PotGlyph.tsx';
import { Shelf, shelfScale } from './Shelf.tsx';
import { Stick } from './Stick.tsx';
import { Strip, STRIP_WIDTH, stripX } from './Strip.tsx';

const TODAY = '2026-07-05';
const POT: Pot = {
  shape: 'round',
  top_mm: 100,
  base_mm: 75,
  depth_mm: 90,
  material: 'terracotta',
  holes: true,
  top_dressing_mm: 0,
};
/** Numbers of an attribute, wherever it stands. */
const numbers = (markup: string, attribute: string) =>
  [...markup.matchAll(new RegExp(` ${attribute}="(-?[\\d.]+)"`, 'g'))].map((m) => Number(m[1]));

let fresh: OutlookView;
let dry: OutlookView;
let asleep: OutlookView;
beforeAll(() => {
  const view = (today: string, events: Parameters<typeof garden>[0]) => {
    const { outlook, forecast } = judged({ today, ...events });
    return outlookView(outlook, forecast, dayNumber(today));
  };
  fresh = view(TODAY, {});
  dry = view(plusDays(TODAY, 35), { events: [{ type: 'watering', date: TODAY, method: 'drench' }] });
  asleep = view('2026-01-10', { events: [{ type: 'state', date: '2025-12-01', state: 'resting' }] });
});

describe('the stick', () => {
  it('is dark up to the damp, hatched where we doubt, notched at the rule', () => {
    const markup = renderToStaticMarkup(
      <Stick moisture={{ p10: 0.3, p50: 0.4, p90: 0.5 }} dueM={0.12} height={60} label="damp" />,
    );
    expect(markup).toContain('aria-label="damp"');
    expect(markup).toContain('pattern');
    const [hatched, dark] = [...markup.matchAll(/<rect x="10.5" y="([\d.]+)" width="7" height="([\d.]+)"/g)].map(
      (m) => ({ y: Number(m[1]), height: Number(m[2]) }),
    );
    expect(hatched!.y + hatched!.height).toBeCloseTo(dark!.y, 5);
    expect(dark!.height).toBeGreaterThan(hatched!.height);
  });
  it('of a sure dry pot is bare, point and all', () => {
    const markup = renderToStaticMarkup(
      <Stick moisture={{ p10: 0, p50: 0.01, p90: 0.02 }} dueM={0.12} height={60} label="dry" />,
    );
    const drawn = [...markup.matchAll(/<rect x="10.5" y="[\d.]+" width="7" height="([\d.]+)"/g)].map((m) =>
      Number(m[1]),
    );
    expect(Math.max(...drawn)).toBeLessThan(2);
  });
});

describe('the strip', () => {
  it('puts today two weeks in and the weeks ahead behind it', () => {
    expect(stripX(-14)).toBe(4);
    expect(stripX(28)).toBe(STRIP_WIDTH - 4);
    expect(stripX(0)).toBeCloseTo(4 + (14 / 42) * (STRIP_WIDTH - 8), 6);
  });
  it('pegs the best day inside its bracket', () => {
    const markup = renderToStaticMarkup(<Strip outlook={fresh} today={TODAY} label="strip" />);
    const at = stripX(dayNumber(fresh.water!.ideal) - dayNumber(TODAY));
    expect(markup).toContain(`M${at - 4.5},`);
    expect(markup).not.toMatch(/NaN|Infinity/);
  });
  it('marks the last drink while it is in view', () => {
    const drawn = (today: string) => renderToStaticMarkup(<Strip outlook={dry} today={today} label="strip" />);
    const mark = (today: string) => `M${stripX(dayNumber(TODAY) - dayNumber(today)) - 4},2h8`;
    expect(drawn(plusDays(TODAY, 10))).toContain(mark(plusDays(TODAY, 10)));
    expect(drawn(plusDays(TODAY, 35))).not.toContain(',2h8');
  });
  it('shows rest as a bar and asks for nothing', () => {
    const markup = renderToStaticMarkup(<Strip outlook={asleep} today="2026-01-10" label="strip" />);
    expect(markup).toMatch(/<rect [^>]*fill="var\(--dusk\)"/);
    expect(markup).not.toContain('var(--clay)');
  });
  it('stays inside its frame', () => {
    for (const [outlook, today] of [
      [fresh, TODAY],
      [dry, plusDays(TODAY, 35)],
      [asleep, '2026-01-10'],
    ] as const) {
      const markup = renderToStaticMarkup(<Strip outlook={outlook} today={today} label="strip" />);
      for (const attribute of ['x', 'x1', 'x2'])
        for (const x of numbers(markup, attribute)) expect(x >= 0 && x <= STRIP_WIDTH).toBe(true);
    }
  });
});

describe('the pot', () => {
  const glyph = (pot: Partial<Pot>, form = 'globe', state: PlantState = 'growing') =>
    renderToStaticMarkup(
      <PotGlyph
        pot={{ ...POT, ...pot }}
        name={form === 'bulb' ? 'Lachenalia' : 'Mammillaria'}
        form={form}
        state={state}
        diameterMm={80}
        heightMm={60}
        size={64}
        pxPerMm={0.36}
        label="a pot"
      />,
    );
  it('is drawn to scale: a wider pot is wider', () => {
    const rim = (markup: string) => Math.max(...numbers(markup, 'width').filter((w) => w !== 64));
    expect(rim(glyph({ top_mm: 120 }))).toBeGreaterThan(rim(glyph({ top_mm: 80 })));
  });
  it('fits its box however large it is', () => {
    const markup = glyph({ top_mm: 900, depth_mm: 1200 });
    for (const y of numbers(markup, 'y')) expect(y).toBeGreaterThanOrEqual(-2);
    expect(markup).not.toMatch(/NaN|Infinity/);
  });
  it('shows its material, its dressing, and that it has no hole', () => {
    expect(glyph({ material: 'plastic' })).not.toBe(glyph({ material: 'terracotta' }));
    expect(glyph({ top_dressing_mm: 8 })).toContain('var(--grit)');
    expect(glyph({ holes: false })).toContain('var(--rust)');
    expect(glyph({ holes: true })).not.toContain('var(--rust)');
  });
  it('a sleeping bulb stands without leaves', () => {
    expect(glyph({}, 'bulb', 'resting').length).toBeLessThan(glyph({}, 'bulb', 'growing').length);
  });
});

describe('why', () => {
  it('bars go left for sooner and right for later', () => {
    const markup = renderToStaticMarkup(
      <BecauseBars
        reasons={[
          { factor: 'place', days: -4, n: { surface_mm: 4 } },
          { factor: 'mix', days: 2, n: { held_share: 0.4 } },
        ]}
      />,
    );
    const bars = [...markup.matchAll(/<rect x="([\d.]+)" y="2" width="([\d.]+)"/g)].map((m) => [
      Number(m[1]),
      Number(m[2]),
    ]);
    expect(bars).toEqual([
      [0, 50],
      [50, 25],
    ]);
    expect(markup).toContain('−4.0 d');
    expect(markup).toContain('+2.0 d');
    expect(markup).toContain('4.0 mm a day from a wet surface: sooner');
  });
});

describe('the shelf', () => {
  const of = (id: number, outlook: OutlookView, deeds: object[], over: object = {}) =>
    ({
      id,
      number: `00${id}`,
      name: 'Rebutia minuscula',
      form: 'globe',
      diameter_mm: 60,
      height_mm: 50,
      revision: 1,
      quarantine_until: null,
      picture_id: null,
      outlook,
      task: { judgement: { ...judged({ today: TODAY }).judgement, deeds }, amount_ml: 120, water: 'rain', food: null },
      ...over,
    }) as unknown as Parameters<typeof Shelf>[0]['pots'][number];
  const WATER = {
    deed: 'water',
    way: 'drench',
    method: 'drench',
    amount_ml: 120,
    water: 'rain',
    food: null,
    flush: false,
  };
  const draw = (...pots: Parameters<typeof Shelf>[0]['pots'][number][]) =>
    renderToStaticMarkup(<Shelf pots={pots} today={TODAY} onPot={() => {}} />);
  it('draws the stick out of a pot to water, half where it is to be felt, none of one pressed or left alone', () => {
    const sticks = (deeds: object[]) =>
      [
        ...draw(of(1, dry, deeds)).matchAll(
          /<path d="M[\d.]+,([\d.]+)L[\d.]+,(-?[\d.]+)h3L[^"]*" fill="var\(--stick-dry\)"/g,
        ),
      ].map(([, soil, tip]) => Number(soil) - Number(tip));
    const [full] = sticks([WATER]);
    const [half] = sticks([{ deed: 'look', what: 'depth', then: {} }]);
    expect(full!).toBeGreaterThan(half!);
    for (const deeds of [[{ deed: 'wait', until: null }], [{ deed: 'look', what: 'base', then: {} }]])
      expect(sticks(deeds)).toEqual([]);
  });
  it('a sleeper stands on a blue sill, a pot to act on on a red one, and says so', () => {
    expect(draw(of(1, asleep, [{ deed: 'sleep', next_look: null }]))).toContain('var(--dusk)');
    const act = draw(of(1, asleep, [{ deed: 'act', what: 'out-of-frost' }]));
    expect(act).toContain('var(--rust)');
    expect(act).toContain('Bring it in tonight');
  });
  it('one scale for the bench: twice as wide is drawn twice as wide, and the largest still fits', () => {
    const small = of(1, fresh, [WATER]);
    const large = of(2, fresh, [WATER], { diameter_mm: 900, height_mm: 1200 });
    expect(shelfScale([small])).toBeGreaterThan(shelfScale([small, large]));
    expect(shelfScale([small, large])).toBeGreaterThanOrEqual(0.28);
    expect(draw(small, large)).toContain('Drench, 120 ml');
  });
  it.each([
    ['2099-01-01', true],
    [TODAY, true],
    [plusDays(TODAY, -1), false],
    [null, false],
  ])('one kept apart until %s says so: %s', (quarantine_until, apart) =>
    expect(draw(of(1, fresh, [WATER], { quarantine_until })).includes(', apart')).toBe(apart),
  );
});

describe('the dry-down', () => {
  const marks = (...events: object[]) =>
    events.map((event, i) => ({
      client_id: String(i),
      plant_id: 1,
      written_at: '',
      written_by: 'keeper',
      voided: 'voided' in event,
      event: { date: plusDays(TODAY, 30), ...event } as unknown as JournalEvent,
    }));
  const curve = (outlook: OutlookView, journal: ReturnType<typeof marks> = []) =>
    renderToStaticMarkup(<DryCurve outlook={outlook} journal={journal} today={plusDays(TODAY, 35)} />);
  /** What its legend tells. */
  const legend = (markup: string) => [...markup.matchAll(/<\/svg> ([\w ]+)<\/span>/g)].map(([, words]) => words);
  it('tells the marks that stand on it, and no others', () => {
    expect(legend(curve(dry))).toEqual([]);
    const markup = curve(
      dry,
      marks({ type: 'watering', method: 'drench' }, { type: 'check', meter: 3 }, { type: 'check', weight_g: 410 }),
    );
    expect(legend(markup)).toEqual(['watered', 'probe', 'weighed']);
    expect(markup).toContain(`<title>${plusDays(TODAY, 30)}: probe 3</title>`);
    expect(legend(curve(dry, marks({ type: 'check', finger: 'damp' }, { type: 'note', text: 'x' })))).toEqual(['felt']);
  });
  it('what was struck out stands on it no longer', () =>
    expect(legend(curve(dry, marks({ type: 'check', meter: 3, voided: true })))).toEqual([]));
  it('shows the cold nights of a winter, and says what they are', () => {
    const cold = { ...asleep, cold_nights: ['2026-01-12', '2026-01-13'] };
    const markup = renderToStaticMarkup(<DryCurve outlook={cold} journal={[]} today="2026-01-10" />);
    expect(legend(markup)).toEqual(['too cold for a wet pot']);
    expect(markup.split('h6l-3,7z').length - 1).toBe(2);
  });
  it('is read as one sentence by those who cannot see it', () => {
    const label = /aria-valuetext="([^"]+)"/.exec(curve(dry))![1]!;
    expect(label).toMatch(/^Moisture of the pot: now (dry|drying|damp|wet); dry [\d-]+, between/);
    expect(curve(dry)).not.toMatch(/NaN|Infinity/);
  });
});
