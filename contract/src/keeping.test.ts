/** Bodies of the API, tried without a server: what is taken, and what is said of what is not. */
import type Joi from 'joi';
import { describe, expect, it } from 'vitest';
import { check } from './faults.ts';
import {
  csvImport,
  endBody,
  feedBody,
  movesBody,
  newPlace,
  newPlant,
  plantChange,
  readingsBody,
  settingsBody,
  siteBody,
  viewBody,
  waterBody,
} from './keeping.ts';
import { newEntry, newMarks, orderBody, voidBody } from './marks.ts';

const UUID = '7f0c2e0a-2f0e-4c4e-9f6e-2b0e5a2d9c11';
const POT = {
  shape: 'round',
  top_mm: 90,
  base_mm: 67,
  depth_mm: 80,
  material: 'plastic',
  holes: true,
  top_dressing_mm: 0,
};
const plant = (over: object = {}) => ({
  client_id: UUID,
  name: 'Aloe vera',
  pot: POT,
  mix_id: 1,
  place_id: 1,
  date: '2026-05-01',
  ...over,
});
const entry = (over: object) => ({ client_id: UUID, date: '2026-05-01', ...over });
const faultsOf = (schema: Joi.Schema, input: unknown) => {
  const { faults, unknown } = check(schema, input);
  return [
    ...faults.map((fault) => `${fault.pointer}: ${fault.accepted}`),
    ...unknown.map((pointer) => `${pointer}: unknown`),
  ];
};

describe('what is taken', () => {
  it.each<[string, Joi.Schema, unknown]>([
    ['a plant with the least', newPlant, plant()],
    [
      'a plant with all of it',
      newPlant,
      plant({
        taxon: null,
        name_sure: 'likely',
        other_names: 'x',
        number: '7',
        provenance: 'x',
        source: 'swap',
        price_minor: 0,
        price_currency: 'EUR',
        mother_id: 3,
        companions: null,
        used_to: 'peat',
        quarantine_until: '2026-06-01',
        habit: 'winter',
        count: 20,
      }),
    ],
    ['a change of one thing', plantChange, { own_words: null }],
    [
      'rules, some set and some put back',
      plantChange,
      {
        rules: {
          trigger: 'plant',
          waters: ['rain', 'hard'],
          feed: null,
          dueAt: 0.4,
          amount: { by: 'share', share: 0.03 },
        },
        reasons: { trigger: '' },
      },
    ],
    [
      'every rhythm of food',
      plantChange,
      {
        rules: {
          feed: {
            rhythm: { mode: 'months', times: 2, months: [4, 7] },
            strength: 0.5,
            chargeMonths: 6,
            lastBeforeRest: true,
            firstOnWaking: false,
            ceiling: null,
          },
        },
      },
    ],
    ['a place', newPlace, { site_id: 1, name: 'Sill', kind: 'windowsill', air: 'still' }],
    [
      'a lamp',
      newPlace,
      { site_id: 1, name: 'Shelf', kind: 'lamp-shelf', air: 'gentle', lamp: { ppfd_umol_m2_s: 200, hours: 12.5 } },
    ],
    ['readings', readingsBody, { readings: [{ date: '2026-01-01', tmin_c: -3.5, tmax_c: 2, rh_pct: null }] }],
    ['moves', movesBody, { plant_ids: [1, 2], place_id: 3, date: '2026-01-01' }],
    ['an order', orderBody, { ids: [3, 1, 2] }],
    ['an end', endBody, { how: 'given', date: '2026-01-01' }],
    [
      'a site',
      siteBody,
      { name: 'Here', latitude_deg: -34.5, longitude_deg: 138, elevation_m: 60, time_zone: 'Australia/Adelaide' },
    ],
    [
      'a view',
      viewBody,
      { name: 'Mine', spec: { columns: ['name'], sort: [], filters: [{ id: 'state', value: 'asleep' }] } },
    ],
    [
      'an import',
      csvImport,
      { name: 'a.csv', csv: 'x', columns: { name: 'x' }, defaults: { place_id: null, mix_id: 2 }, dry_run: true },
    ],
    ['a scheme', settingsBody, { number_scheme: '{yy}-{n:3}' }],
    [
      'marks on two',
      newMarks,
      {
        marks: [
          {
            plant_id: 1,
            seen: 4,
            entries: [entry({ type: 'watering', method: 'drench', way: 'base', wet_leaves: true })],
          },
          { plant_id: 2, entries: [entry({ type: 'skip', reason: 'other', text: 'away' })] },
        ],
      },
    ],
  ])('%s', (_, schema, input) => expect(faultsOf(schema, input)).toEqual([]));
  it.each([
    { type: 'measure', diameter_mm: 40.5, heads: 3 },
    { type: 'flowering', stage: 'buds' },
    { type: 'drain', seconds: 12 },
    { type: 'sun', minutes: 45, scorched: true },
    { type: 'review', answer: 'worse' },
    { type: 'firmed', yes: true },
    {
      type: 'arrival',
      pests: false,
      sleeve_off: true,
      hole: true,
      peat_off: false,
      roots: 'sound',
      name_checked: true,
    },
    { type: 'note', text: 'x' },
    { type: 'feeding', dose: 0.5, with: UUID, feed_id: 2 },
    { type: 'check', surface: 'dry' },
  ])('%j is an entry', (event) => expect(faultsOf(newEntry, entry(event))).toEqual([]));
});

describe('what is not, and why', () => {
  it.each<[string, Joi.Schema, unknown, string]>([
    ['a plant without a pot', newPlant, { ...plant(), pot: undefined }, '/pot: a pot with shape'],
    ['a day that is none', newPlant, plant({ date: '2026-02-31' }), '/date: a calendar date'],
    ['a number as text', newPlant, plant({ mix_id: '1' }), '/mix_id: a whole number'],
    ['a field nobody knows', newPlant, plant({ colour: 'blue' }), '/colour: unknown'],
    [
      'a currency in words',
      newPlant,
      plant({ price_minor: 1, price_currency: 'euros' }),
      '/price_currency: three capitals',
    ],
    ['the same water twice', plantChange, { rules: { waters: ['rain', 'rain'] } }, '/rules/waters'],
    [
      'months that are none',
      plantChange,
      {
        rules: {
          feed: {
            rhythm: { mode: 'months', times: 1, months: [13] },
            strength: 1,
            chargeMonths: 0,
            lastBeforeRest: false,
            firstOnWaking: false,
          },
        },
      },
      '/rules/feed/rhythm/months',
    ],
    [
      'a rhythm nobody knows',
      plantChange,
      {
        rules: {
          feed: {
            rhythm: { mode: 'always' },
            strength: 1,
            chargeMonths: 0,
            lastBeforeRest: false,
            firstOnWaking: false,
          },
        },
      },
      '/rules/feed/rhythm/mode: one of "never"',
    ],
    ['eleven months', plantChange, { rules: { everyDays: Array(11).fill(7) } }, '/rules/everyDays: 12 numbers'],
    [
      'a soak of a day',
      plantChange,
      { rules: { soakMinutes: 1440 } },
      '/rules/soakMinutes: a whole number from 1 to 120 minutes',
    ],
    [
      'half a lamp',
      newPlace,
      { site_id: 1, name: 'x', kind: 'room', air: 'still', lamp: { hours: 12 } },
      '/lamp/ppfd_umol_m2_s',
    ],
    [
      'a wall that faces nowhere',
      newPlace,
      { site_id: 1, name: 'x', kind: 'room', air: 'still', aspect_deg: 361 },
      '/aspect_deg: a number from 0 to 360 degrees',
    ],
    ['no readings', readingsBody, { readings: [] }, '/readings: at least one reading'],
    ['nobody to move', movesBody, { plant_ids: [], place_id: 1, date: '2026-01-01' }, '/plant_ids: at least one plant'],
    [
      'a feed without a dose',
      feedBody,
      { name: 'x', kind: 'liquid', n_pct: 1, p_pct: 1, k_pct: 1, unit: 'ml' },
      '/per_litre: a number from 0.01 to 200',
    ],
    ['a water nobody knows', waterBody, { name: 'x', kind: 'holy' }, '/kind: one of "rain"'],
    [
      'a scheme that does not count',
      settingsBody,
      { number_scheme: '{year}' },
      '/number_scheme: a text of up to 40 characters with {n}',
    ],
    [
      'a column that is no field',
      csvImport,
      { name: 'x', csv: 'x', columns: { soul: 'x' }, defaults: {}, dry_run: true },
      '/columns',
    ],
    ['no marks', newMarks, { marks: [] }, '/marks: at least one mark'],
    ['nothing to take back', voidBody, { client_ids: [] }, '/client_ids: at least one id'],
    ['an id that is none', voidBody, { client_ids: ['7'] }, '/client_ids/0: a UUID made by the client'],
    [
      'a latitude beyond the pole',
      siteBody,
      { name: 'x', latitude_deg: 91, longitude_deg: 0, elevation_m: 0, time_zone: 'UTC' },
      '/latitude_deg: a number from -90 to 90 degrees',
    ],
  ])('%s', (_, schema, input, fault) =>
    expect(
      faultsOf(schema, input).some((one) => one.startsWith(fault)),
      faultsOf(schema, input).join(' | '),
    ).toBe(true),
  );
  it.each(['repotting', 'move', 'picture', 'ended'])('a %s is no mark: it has its own way', (type) =>
    expect(faultsOf(newEntry, entry({ type }))[0]).toMatch(/^\/type: one of/),
  );
});
