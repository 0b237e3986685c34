import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { setUnits } from '../reader/units.ts';
import type { Marked } from './Marks.tsx';
import { draftFor, type NoteDraft, type NoteKind, noteOf } from './noteDraft.ts';

const DAY = '2026-06-04';
const pot = (task: object = {}, outlook: object = {}) =>
  ({
    plantId: 1,
    name: 'Aloe',
    today: DAY,
    seen: 1,
    before: {
      outlook: { pot: { holes: true }, ...outlook },
      task: {
        judgement: { deeds: [{ deed: 'water' }] },
        way: 'base',
        amount_ml: 120,
        water: 'rain',
        food: null,
        feed: { kind: 'plain' },
        feed_id: 4,
        ...task,
      },
    },
  }) as unknown as Marked;
const draft = (some: Partial<NoteDraft> = {}, of = pot()): NoteDraft => ({ ...draftFor(of.before), ...some });

/** What is written on a pot, or what is asked for. */
function events(kind: NoteKind, some: Partial<NoteDraft> = {}, of = pot()) {
  const note = noteOf(kind, draft(some, of), DAY);
  return typeof note === 'string' ? note : note.events(of);
}
const said = (kind: NoteKind, some: Partial<NoteDraft> = {}) => {
  const note = noteOf(kind, draft(some), DAY);
  return typeof note === 'string' ? `? ${note}` : note.said;
};

beforeAll(() => vi.stubGlobal('localStorage', { getItem: () => null, setItem: () => {} }));

describe('a draft', () => {
  it('starts as is advised: way, water, food with a drink that is due', () => {
    expect(draft()).toMatchObject({ way: 'base', water: 'rain', fed: false });
    expect(draft({}, pot({ food: 0.5 })).fed).toBe(true);
    expect(draft({}, pot({ food: 0.5, judgement: { deeds: [{ deed: 'wait', until: null }] } })).fed).toBe(false);
  });
  it('a pot without a hole starts with a measure', () => {
    expect(draft({}, pot({}, { pot: { holes: false } })).way).toBe('measured');
  });
});

describe('water', () => {
  afterEach(() => setUnits({ temperature: 'C', length: 'cm', volume: 'l', dates: 'day-first' }));
  it('is written with its way; the amount only if it was told', () => {
    expect(events('watering')).toEqual([{ type: 'watering', date: DAY, method: 'drench', way: 'base', water: 'rain' }]);
    expect(events('watering', { way: 'mist', amount: '7,25', wetLeaves: true })).toEqual([
      { type: 'watering', date: DAY, method: 'mist', way: 'mist', water: 'rain', amount_ml: 7.3, wet_leaves: true },
    ]);
  });
  it('a measure without a number is the one that was advised, a millilitre at least', () => {
    expect(events('watering', { way: 'measured' })).toMatchObject([{ amount_ml: 120 }]);
    expect(events('watering', { way: 'measured' }, pot({ amount_ml: 0 }))).toMatchObject([{ amount_ml: 1 }]);
  });
  it('with food: the strength that is due, half where none is', () => {
    const fed = { fed: true };
    expect(events('watering', fed, pot({ feed: { kind: 'feed', strength: 0.25 } }))).toMatchObject([
      { type: 'watering' },
      { type: 'feeding', date: DAY, dose: 0.25, feed_id: 4 },
    ]);
    expect(events('watering', fed)).toMatchObject([{ type: 'watering' }, { dose: 0.5 }]);
  });
  it('asks for a number in the keeper’s own unit', () => {
    expect(events('watering', { amount: 'some' })).toContain('millilitres');
    setUnits({ temperature: 'C', length: 'cm', volume: 'cups', dates: 'day-first' });
    expect(events('watering', { amount: '-1' })).toContain('cups');
    expect(events('watering', { amount: '1' })).toMatchObject([{ amount_ml: expect.closeTo(240, -1) }]);
  });
  it('says what was done', () => {
    expect(said('watering', { amount: '40', way: 'measured', fed: true })).toBe('watered, 40 ml, fed');
    expect(said('watering', { way: 'bottom' })).toBe('stood in water');
  });
});

describe('looks', () => {
  it.each<[NoteKind, Partial<NoteDraft>, object]>([
    ['finger', { finger: 'damp' }, { type: 'check', finger: 'damp' }],
    ['finger', { finger: 'top-dry' }, { type: 'check', surface: 'dry' }],
    ['lift', { lift: 'light' }, { type: 'check', lift: 'light' }],
    ['meter', { number: '4' }, { type: 'check', meter: 4 }],
    ['weight', { number: '512,5' }, { type: 'check', weight_g: 512.5 }],
    ['weights', { drained: '600' }, { type: 'weights', drained_g: 600 }],
    ['weights', { drained: '600', dry: '480' }, { type: 'weights', drained_g: 600, dry_g: 480 }],
    ['state', { state: 'unsure' }, { type: 'state', state: 'unsure' }],
    ['drain', { number: '12' }, { type: 'drain', seconds: 12 }],
    ['skip', { words: ' rain comes ' }, { type: 'skip', reason: 'still-wet', text: 'rain comes' }],
    ['skip', { words: ' ' }, { type: 'skip', reason: 'still-wet' }],
    ['sign', { sign: 'limp', strength: '3' }, { type: 'sign', sign: 'limp', strength: 3 }],
    ['flowering', { stage: 'buds' }, { type: 'flowering', stage: 'buds' }],
    ['note', { words: ' first bud ' }, { type: 'note', text: 'first bud' }],
  ])('%s %o', (kind, some, event) => expect(events(kind, some)).toEqual([{ date: DAY, ...event }]));

  it.each<[NoteKind, Partial<NoteDraft>, RegExp]>([
    ['finger', {}, /wet, damp or dry/],
    ['lift', {}, /heavy, middling or light/],
    ['meter', { number: '11' }, /1, dry, to 10, wet/],
    ['weight', { number: '' }, /grams/],
    ['weights', { drained: 'full' }, /grams/],
    ['weights', { drained: '480', dry: '600' }, /which is which/],
    ['state', {}, /Not sure is an answer/],
    ['drain', { number: '4000' }, /3600/],
    ['note', { words: '  ' }, /Nothing is written/],
  ])('%s %o asks', (kind, some, asked) => expect(events(kind, some)).toMatch(asked));
});

describe('measures', () => {
  afterEach(() => setUnits({ temperature: 'C', length: 'cm', volume: 'l', dates: 'day-first' }));
  it('are millimetres whatever they were typed in, heads whole', () => {
    expect(events('measure', { measures: { diameter_mm: '84', heads: '3' } })).toEqual([
      { type: 'measure', date: DAY, diameter_mm: 84, heads: 3 },
    ]);
    setUnits({ temperature: 'C', length: 'in', volume: 'l', dates: 'day-first' });
    expect(events('measure', { measures: { diameter_mm: '2' } })).toMatchObject([{ diameter_mm: 50.8 }]);
  });
  it.each([
    [{}, /At least one/],
    [{ heads: '1,5' }, /^Heads: a number up to 10,000/],
    [{ caudex_mm: 'fat' }, /^Caudex/],
  ])('%o asks', (measures, asked) => expect(events('measure', { measures })).toMatch(asked));
});
