import { SI } from '@zinc-pail/words/units';
/** Pieces of the plant's page, drawn to markup: what is said, and what is drawn for those who cannot see it. */
import type { JournalEntry, JournalEvent, PlantView } from '@zinc-pail/contract/api';
import { dayNumber } from '@zinc-pail/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { renderToStaticMarkup } from 'react-dom/server';
import { MemoryRouter } from 'react-router';
import { describe, expect, it } from 'vitest';
import { readingOf } from '../../drawing/DryCurve.tsx';
import { cautionLines } from './Cautions.tsx';
import { eventWords } from '@zinc-pail/words/events';
import { Family } from './Family.tsx';
import { Flowering, Growth } from './Growth.tsx';
import { Hardening } from './Hardening.tsx';
import { Rules } from './Rules.tsx';
import { Ways } from './Ways.tsx';

const draw = (element: ReactNode) =>
  renderToStaticMarkup(
    <QueryClientProvider client={new QueryClient()}>
      <MemoryRouter>{element}</MemoryRouter>
    </QueryClientProvider>,
  );
const text = (markup: string) => markup.replaceAll(/<[^>]+>/g, ' ').replaceAll(/\s+/g, ' ');

const journal = (...events: object[]) =>
  events.map((event, i) => ({
    client_id: String(i),
    plant_id: 1,
    written_at: '',
    written_by: 'keeper',
    voided: false,
    event: event as JournalEvent,
  }));
const plant = (over: object = {}): PlantView =>
  ({
    id: 1,
    name: 'Aloe variegata',
    number: '7',
    version: 1,
    site: { id: 1, name: 'Here', today: '2026-06-20', latitude_deg: 47 },
    journal: [],
    outlook: {
      steps: [],
      unstepped: { due_m: 0.12, hold_days: 3 },
      traits: {
        habit: 'summer',
        form: 'rosette',
        store: 'leaf',
        dryRule: 'dry-and-hold',
        holdDays: 3,
        minDryC: 3,
        minWetC: 7,
        growMinC: 10,
        dueM: null,
      },
      trait_sources: {
        habit: 'genus',
        form: 'genus',
        store: 'form',
        dryRule: 'keeper',
        holdDays: 'keeper',
        minDryC: 'genus',
        minWetC: 'species',
        growMinC: 'cautious',
      },
    },
    care: {
      rules: {
        trigger: 'calendar',
        dueAt: null,
        everyDays: [null, null, 14, 12, 10, 10, 10, 10, 12, 14, null, null],
        ways: ['base', 'bottom'],
        amount: { by: 'share', share: 0.05 },
        waters: ['rain', 'soft'],
        salts: 'sensitive',
        stand: 'saucer',
        saucerMinutes: 15,
        soakMinutes: 20,
        feed: {
          rhythm: { mode: 'nth', n: 4, sipsCount: false },
          strength: 0.25,
          chargeMonths: 6,
          lastBeforeRest: false,
          firstOnWaking: false,
          ceiling: 4,
        },
        feedId: null,
        light: 'bright',
        sunCeilingHours: 3,
        repotYears: 2,
        hardToReplace: false,
        firstDrink: 'staged',
        noFoodUntil: null,
        stepsTakenBack: [],
      },
      sources: {
        trigger: 'keeper',
        dueAt: 'usual',
        everyDays: 'keeper',
        ways: 'genus',
        amount: 'keeper',
        waters: 'genus',
        salts: 'genus',
        stand: 'place',
        saucerMinutes: 'usual',
        soakMinutes: 'usual',
        feed: 'genus',
        feedId: 'usual',
        light: 'genus',
        sunCeilingHours: 'genus',
        repotYears: 'genus',
        hardToReplace: 'usual',
        firstDrink: 'usual',
      },
      reasons: { trigger: 'the sitter wants a list' },
    },
    record: {
      mother: null,
      offspring: [],
      acquired_on: null,
      source: null,
      price_minor: null,
      price_currency: null,
      used_to: null,
      companions: null,
      clashes: [],
      hardening: null,
      doubt: null,
    },
    ...over,
  }) as unknown as PlantView;

describe('rules', () => {
  const markup = draw(<Rules plant={plant()} />);
  it('each with its source, the keeper’s own with their reason and a way back', () => {
    expect(text(markup)).toMatch(/by the calendar: Mar 14, Apr 12, May 10.*because the sitter wants a list/);
    expect(text(markup)).toMatch(/drench at the base, stand in water genus/);
    expect(text(markup)).toMatch(/5 % of the mix yours/);
    expect(text(markup)).toMatch(/a saucer, emptied after 15 min place/);
    expect(text(markup)).toMatch(/every 4th drink, a quarter the dose, at most 4 a season/);
    expect(text(markup)).toMatch(/bright, some sun, at most 3 h of direct sun/);
  });
  it('only what the keeper set can be put back', () => {
    expect(markup).toContain('aria-label="Reset: Calls"');
    expect(markup).not.toContain('aria-label="Reset: Water"');
  });
});

describe('ways', () => {
  it('tell species, genus, form and caution apart', () => {
    const markup = draw(<Ways plant={plant()} />);
    expect(text(markup)).toMatch(/dry to the bottom, then 3 days more yours reset/);
    expect(text(markup)).toMatch(/down to 3° dry, 7° moist species/);
    expect(text(markup)).toMatch(/from 10° on average name unknown, dry side/);
  });
});

describe('growth', () => {
  it('draws what was measured and says the pace', () => {
    const markup = draw(
      <Growth
        plant={plant({
          journal: journal(
            { type: 'measure', date: '2026-06-01', diameter_mm: 60 },
            { type: 'measure', date: '2025-06-01', diameter_mm: 50 },
          ),
        })}
      />,
    );
    expect(markup).toContain('aria-label="width from 50 mm on Sun, 1 Jun 2025 to 60 mm on Mon, 1 Jun 2026"');
    expect(text(markup)).toMatch(/width: 60 mm now, up 10 mm a year\./);
  });
  it('leaves out what was struck, and asks where nothing was measured', () => {
    const [struck] = journal({ type: 'measure', date: '2026-06-01', diameter_mm: 60 });
    expect(text(draw(<Growth plant={plant({ journal: [{ ...struck, voided: true }] })} />))).toMatch(
      /Not measured yet/,
    );
  });
  it('offers what else was measured', () => {
    const markup = draw(
      <Growth
        plant={plant({ journal: journal({ type: 'measure', date: '2026-06-01', diameter_mm: 60, heads: 3 }) })}
      />,
    );
    expect(text(markup)).toMatch(/width heads/);
  });
});

describe('flowers', () => {
  it('stand year under year', () => {
    const markup = draw(
      <Flowering
        plant={plant({
          journal: journal(
            { type: 'flowering', date: '2026-05-02', stage: 'open', flowers: 4 },
            { type: 'flowering', date: '2025-04-20', stage: 'buds' },
            { type: 'flowering', date: '2025-05-01', stage: 'open' },
          ),
        })}
      />,
    );
    expect(markup).toContain('buds Sun, 20 Apr 2025, open Thu, 1 May 2025, open Sat, 2 May 2026');
    expect(text(markup)).toMatch(/2025 .*2026 .*4/);
  });
});

describe('where it comes from', () => {
  it('is told, with its mother above and its offspring below', () => {
    const markup = draw(
      <Family
        plant={plant({
          record: {
            ...plant().record,
            acquired_on: '2024-03-01',
            source: 'swap',
            price_minor: 750,
            price_currency: 'EUR',
            used_to: 'peat',
            companions: 'Sedum acre',
            clashes: ['Sedum acre wants to be drier than this one.'],
            mother: { id: 2, name: 'Aloe vera', number: '2' },
            offspring: [{ id: 3, name: 'Aloe vera', number: '3', ended: 'died' }],
          },
        })}
      />,
    );
    expect(text(markup)).toMatch(
      /Here since Fri, 1 Mar 2024, by a swap, 7\.50 EUR\. Used to peat\. In its pot too: Sedum acre\./,
    );
    expect(text(markup)).toMatch(/wants to be drier/);
    expect(markup.indexOf('/plants/2')).toBeLessThan(markup.indexOf('/plants/3'));
    expect(text(markup)).toMatch(/3, died/);
  });
});

describe('out into the sun', () => {
  const steps = [
    { date: '2026-06-19', minutes: 20 },
    { date: '2026-06-20', minutes: 45 },
    { date: '2026-06-21', minutes: 70 },
  ];
  it('says today’s minutes, and nothing where there is no plan', () => {
    expect(text(draw(<Hardening plant={plant({ record: { ...plant().record, hardening: steps } })} />))).toMatch(
      /Today 45 minutes of direct sun, then back to shade\./,
    );
    expect(draw(<Hardening plant={plant()} />)).toBe('');
    expect(
      text(draw(<Hardening plant={plant({ record: { ...plant().record, hardening: steps.slice(0, 1) } })} />)),
    ).toMatch(/The plan is done/);
  });
});

describe('cautions', () => {
  const outlook = (over: object) =>
    ({
      cautions: [],
      pot: { holes: true, top_mm: 90, material: 'plastic' },
      ...over,
    }) as unknown as PlantView['outlook'];
  it('come from the kind, the pot, and who lives there', () => {
    const harmless = { people: false, pets: false };
    expect(cautionLines(outlook({}), harmless)).toEqual([]);
    expect(cautionLines(outlook({ cautions: ['glochids'] }), harmless)[0]).toMatch(/Barbed hairs/);
    expect(cautionLines(outlook({}), { people: false, pets: true })[0]).toMatch(/dogs and cats.*vet/);
    expect(
      cautionLines(outlook({ pot: { holes: false, top_mm: 300, material: 'glazed' } }), harmless).join(' '),
    ).toMatch(/Heavy.*no hole/);
  });
});

describe('the book', () => {
  it.each<[object, RegExp]>([
    [{ type: 'skip', date: '', reason: 'too-cold', text: 'frost' }, /^Skipped: too cold\. frost$/],
    [{ type: 'measure', date: '', diameter_mm: 40, heads: 2 }, /^Measured: 40 mm wide, 2 heads$/],
    [{ type: 'flowering', date: '', stage: 'open', flowers: 3 }, /^Flower: open, 3$/],
    [{ type: 'drain', date: '', seconds: 12 }, /^Drained in 12 s$/],
    [{ type: 'sun', date: '', minutes: 45, scorched: true }, /^45 minutes of direct sun, scorched$/],
    [{ type: 'review', date: '', answer: 'worse' }, /^Checked again: worse$/],
    [{ type: 'firmed', date: '', yes: false }, /^Did not firm up$/],
    [
      { type: 'arrival', date: '', pests: true, hole: false, roots: 'not-seen' },
      /pests found, roots not seen, no hole/,
    ],
    [{ type: 'ended', date: '', how: 'given', cause: 'a neighbour' }, /^Given away: a neighbour$/],
    [{ type: 'watering', date: '', method: 'drench', way: 'base', water: 'rain' }, /^Watered at the base, rain water$/],
    [{ type: 'feeding', date: '', dose: 0.5, with: 'x' }, /with that drink$/],
    [{ type: 'picture', date: '', picture: 1 }, /^Picture taken$/],
  ])('%j in words', (event, words) => expect(eventWords(event as JournalEvent, SI)).toMatch(words));
});

describe('the curve read day by day', () => {
  const point = (day: number, middle: number) => ({ day, low: middle - 0.1, middle, high: middle + 0.1 });
  const entry = (date: string, event: object) =>
    ({ voided: false, event: { date, ...event } }) as unknown as JournalEntry;
  it('says how damp, within which doubt, and what happened', () => {
    const day = dayNumber('2026-06-04');
    const seen = [
      entry('2026-06-04', { type: 'check', finger: 'damp' }),
      entry('2026-06-05', { type: 'note', text: 'x' }),
    ];
    expect(readingOf(day, [point(day, 0.4)], seen)).toBe('Thursday 4 June: damp, 40 % (30 to 50). Felt damp.');
    expect(readingOf(day + 9, [point(day, 0.4)], seen)).toContain('not known');
    // Where behind meets ahead, what is ahead of today counts.
    expect(readingOf(day, [point(day, 0.9), point(day, 0.2)], [])).toContain('20 %');
  });
});
