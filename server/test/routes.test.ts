/** What the routes declare, what the docs say of them, and what the database says of choices and fields: all one. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import Joi from 'joi';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { DEVICE_KINDS, DOUBTS } from '@zinc-pail/contract/devices';
import { STOCK_KINDS, STOCK_WHYS } from '@zinc-pail/contract/potting';
import { WEATHER_ORIGINS } from '@zinc-pail/contract/weather';
import { ENDINGS, FEED_KINDS, FEED_UNITS, NAME_SURE, SOURCES, TIMER_KINDS } from '@zinc-pail/contract/choices';
import { MARKED_TYPES } from '@zinc-pail/contract/marks';
import { type FieldSpec, PLANT_FIELD_NAMES, PLANT_FIELDS } from '@zinc-pail/contract/plantFields';
import {
  AIRS,
  DRY_RULES,
  FORMS,
  HABITS,
  METHODS,
  PLACE_KINDS,
  POT_MATERIALS,
  POT_SHAPES,
  REMINDER_CODES,
  STORES,
  WATER_KINDS,
} from '@zinc-pail/core';
import { apiPage } from '../../docs/apiPage.ts';
import { allRoutes } from '../src/app.ts';
import type { App } from '../src/context.ts';
import { migrate } from '../src/database/migrate.ts';
import { REFUSALS } from '../src/http/refusals.ts';
import { held, isMedia, route } from '../src/http/route.ts';
import { freshDatabase, MIGRATIONS, ROOT } from './harness.ts';

const routes = allRoutes({} as App);

describe('routes', () => {
  it('stand once each, and say in a sentence what they do', () => {
    const names = routes.map(({ method, path }) => `${method} ${path}`);
    expect(new Set(names).size).toBe(names.length);
    for (const { does } of routes) expect(does).toMatch(/^[A-Z].{5,}[.]$/s);
  });
  it('declare every variable of their path, and a schema for all that they take', () => {
    for (const { path, params, method, body, file, document } of routes) {
      const variables = [...path.matchAll(/:(\w+)/g)].map(([, name]) => name!);
      expect(Object.keys((params?.describe().keys as object | undefined) ?? {}).toSorted()).toEqual(
        variables.toSorted(),
      );
      if (method === 'get' || method === 'delete') expect(body ?? file ?? document).toBeUndefined();
      if (method === 'patch') expect(body).toBeDefined();
    }
  });
  it('tell the version wherever one kept thing is changed in its place', () => {
    const changes = routes.filter(({ method, params }) => method === 'patch' && params);
    expect(changes.length).toBeGreaterThan(1);
    for (const { ifMatch } of changes) expect(ifMatch).toBe(true);
  });
  it('an answer that breaks its word is caught', () => {
    const told = route({
      method: 'get',
      path: '/x',
      does: 'Nothing but to be held.',
      answer: Joi.object({ n: Joi.number().required() }),
      handle: async () => ({ n: 1 }),
    });
    expect(isMedia(told.answer)).toBe(false);
    expect(() => held(told, { n: 1 })).not.toThrow();
    expect(() => held(told, { n: 'one' })).toThrow(/does not declare/);
    expect(() => held(told, { n: 1, more: 2 })).toThrow(/more/);
  });
});

describe('docs/api.md', () => {
  const page = readFileSync(join(ROOT, 'docs', 'api.md'), 'utf8');
  it('is as the routes are: npm run api writes it anew', () => {
    expect(page).toBe(apiPage());
  });
  it('lists every refusal with its status, and no route names one that is not there', () => {
    for (const [name, { status, means }] of Object.entries(REFUSALS))
      expect(page).toContain(`| \`urn:zinc-pail:problem:${name}\` | ${status} | ${means} |`);
    for (const { refuses = [] } of routes) for (const name of refuses) expect(REFUSALS).toHaveProperty(name);
  });
});

describe('the database', () => {
  let database: Awaited<ReturnType<typeof freshDatabase>>;
  const columns = new Map<string, { type: string; nullable: boolean }>();
  beforeAll(async () => {
    database = await freshDatabase();
    await migrate(database.pool, MIGRATIONS);
    const [rows] = await database.pool.query<any[]>(
      `SELECT TABLE_NAME AS of_table, COLUMN_NAME AS name, COLUMN_TYPE AS type, IS_NULLABLE AS nullable
         FROM information_schema.COLUMNS WHERE TABLE_SCHEMA = DATABASE()`,
    );
    for (const row of rows)
      columns.set(`${row.of_table}.${row.name}`, { type: row.type, nullable: row.nullable === 'YES' });
  });
  afterAll(() => database.drop());

  const LISTS: Record<string, readonly string[]> = {
    'place.kind': PLACE_KINDS,
    'place.air': AIRS,
    'plant.habit': HABITS,
    'plant.form': FORMS,
    'plant.dry_rule': DRY_RULES,
    'plant.store': STORES,
    'plant.name_sure': NAME_SURE,
    'plant.source': SOURCES,
    'plant.ended': ENDINGS,
    'potting.shape': POT_SHAPES,
    'potting.material': POT_MATERIALS,
    'water_source.kind': WATER_KINDS,
    'feed_product.kind': FEED_KINDS,
    'feed_product.unit': FEED_UNITS,
    'timer.kind': TIMER_KINDS,
    'timer.code': REMINDER_CODES,
    'weather_day.source': ['observed', 'forecast'],
    'weather_day.origin': WEATHER_ORIGINS,
    'device.kind': DEVICE_KINDS,
    'device_reading.doubt': DOUBTS,
    'stock.kind': STOCK_KINDS,
    'stock_move.why': STOCK_WHYS,
  };
  it.each(Object.entries(LISTS))('%s takes what the list has, and nothing else', (column, list) => {
    expect(enumOf(columns.get(column)!.type)).toEqual(list.toSorted());
  });
  it('has no ENUM that no list is held against', () => {
    const enums = [...columns].filter(([, { type }]) => type.startsWith('enum(')).map(([name]) => name);
    expect(enums.toSorted()).toEqual([...Object.keys(LISTS), 'journal.type'].toSorted());
  });
  it('checks a drink for the methods that the catalogue has', async () => {
    const [[check]] = await database.pool.query<any[]>(
      `SELECT CHECK_CLAUSE AS clause FROM information_schema.CHECK_CONSTRAINTS
       WHERE CONSTRAINT_SCHEMA = DATABASE() AND CONSTRAINT_NAME = 'journal_watering'`,
    );
    const told = /in \(([^)]*)\)/i.exec(check.clause)![1]!;
    expect(enumOf(told)).toEqual(METHODS.toSorted());
  });
  it('keeps every kind of entry that may be marked', () => {
    for (const type of MARKED_TYPES) expect(enumOf(columns.get('journal.type')!.type)).toContain(type);
  });
  it.each(PLANT_FIELD_NAMES)('has a column for %s that holds what the field may be', (name) => {
    const spec: FieldSpec = PLANT_FIELDS[name];
    const column = columns.get(`plant.${name}`)!;
    expect(column).toBeDefined();
    if (!spec.must) expect(column.nullable).toBe(true);
    if (spec.kind === 'text') expect(Number(/varchar\((\d+)\)/.exec(column.type)![1])).toBeGreaterThanOrEqual(spec.max);
    if (spec.kind === 'choice') expect(enumOf(column.type)).toEqual(spec.of.toSorted());
    if (spec.kind === 'day') expect(column.type).toBe('date');
    if (spec.kind === 'yes-no') expect(column.type).toBe('tinyint(1)');
    if (spec.kind === 'whole') expect(column.type).toMatch(/int|double/);
    if (spec.kind === 'number') expect(column.type).toMatch(/decimal|double/);
  });
});

function enumOf(type: string): string[] {
  return [...type.matchAll(/'([^']*)'/g)].map(([, value]) => value!).toSorted();
}
