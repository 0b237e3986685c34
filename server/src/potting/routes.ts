/** The potting bench: who is due and what a pot does, recipes, own components, and the stores. */
import { made, removed } from '@zinc-pail/contract/answers';
import { idParam, plantIdParam } from '@zinc-pail/contract/api';
import {
  benchSchema,
  componentBody,
  componentParam,
  componentsSchema,
  newStock,
  plantDrying,
  type PotThatWas,
  potsSchema,
  recipeBody,
  type RecipeFields,
  stockChange,
  stockMoves,
  stockSchema,
} from '@zinc-pail/contract/potting';
import {
  againstBefore,
  blendMix,
  type Component,
  COMPONENTS,
  componentsOf,
  dayNumber,
  daysToDryIn,
  type Drying,
  gapsIn,
  isoDay,
} from '@zinc-pail/core';
import type { App } from '../context.ts';
import { benchPlants } from './benchPlants.ts';
import { type PoolConnection, transaction } from '../database/pool.ts';
import { todayAt } from '../garden/clock.ts';
import { loadComponents, sites } from '../garden/store.ts';
import { badField, notFound, Refused } from '../http/refusals.ts';
import { LONG_S } from '../http/limit.ts';
import { route, type Route } from '../http/route.ts';
import { refuseStale } from '../http/version.ts';
import { collectionId } from '../keeping/store.ts';
import { livingPlant } from '../plants/store.ts';
import { followsOf, latePottings } from '../round/aftercare.ts';
import {
  addMix,
  addStock,
  changeMix,
  changeStock,
  componentRefs,
  moveStock,
  type PottingRow,
  potsOf,
  putComponent,
  removeComponent,
  removeMix,
  removeStock,
  stock,
} from './store.ts';

export function pottingRoutes(app: App): Route[] {
  return [...benchRoutes(app), ...mixRoutes(app), ...stockRoutes(app)];
}

async function theCollection(connection: PoolConnection): Promise<number> {
  const id = await collectionId(connection);
  if (id === null) throw notFound('collection');
  return id;
}

function benchRoutes(app: App): Route[] {
  return [
    route({
      method: 'get',
      path: '/potting/:id',
      patienceS: LONG_S,
      does: 'The potting bench of a site: who wants a new pot and why, who must wait, and which pot fits.',
      params: idParam,
      answer: benchSchema,
      async handle({ params: { id } }) {
        const site = (await sites(app.pool)).find((one) => one.id === id);
        if (!site) throw notFound('site');
        return { today: todayAt(site.time_zone), plants: await benchPlants(app, site) };
      },
    }),
    route({
      method: 'get',
      path: '/plants/:plantId/drying',
      does: 'How a plant’s place and season would empty any pot and mix: what recipes are tried with.',
      params: plantIdParam,
      answer: plantDrying,
      refuses: ['ended'],
      async handle({ params: { plantId } }) {
        const row = await livingPlant(app.pool, plantId);
        const site = (await sites(app.pool)).find(({ id }) => id === row.site_id);
        if (!site) throw notFound('plant');
        const drying = await app.outlooks.dryingOf(site, plantId);
        const view = (await app.outlooks.ofPlants(site, [plantId])).views.get(plantId);
        if (!view) throw notFound('plant');
        return { id: plantId, name: row.name, pot: view.pot, mix_id: row.mix_id, drying };
      },
    }),
    route({
      method: 'get',
      path: '/plants/:plantId/pots',
      does: 'The pots a plant stood in: how each is expected to dry where it stands now, and how it did. And what follows the last potting.',
      params: plantIdParam,
      answer: potsSchema,
      refuses: ['ended'],
      async handle({ params: { plantId } }) {
        const row = await livingPlant(app.pool, plantId);
        const site = (await sites(app.pool)).find(({ id }) => id === row.site_id);
        if (!site) throw notFound('plant');
        const [drying, { pots, drinks }, own, [late], outlooks] = await Promise.all([
          app.outlooks.dryingOf(site, plantId),
          potsOf(app.pool, plantId),
          loadComponents(app.pool, site.collection_id),
          latePottings(app.pool, site.id, todayAt(site.time_zone), plantId),
          app.outlooks.ofPlants(site, [plantId]),
        ]);
        const view = outlooks.views.get(plantId);
        const follows = late && view ? followsOf(late, view, outlooks.tasks.get(plantId) ?? null) : [];
        return {
          pots: potsThatWere(pots, drinks.map(dayNumber), drying, componentsOf(own)),
          follows: follows.map(({ day, ...task }) => ({ ...task, on: isoDay(day) })),
        };
      },
    }),
  ];
}

function potsThatWere(
  pots: readonly PottingRow[],
  drinks: readonly number[],
  drying: Drying,
  components: ReadonlyMap<string, Component>,
): PotThatWas[] {
  const spells = pots.map(({ from_day: from, to_day: to }) => ({
    from: dayNumber(from),
    to: to === null ? null : dayNumber(to),
  }));
  return pots.map(({ from_day: from, to_day: to, mix, root_loss, parts, pot }, i) => {
    const blend = blendMix({ id: mix, parts }, components);
    const { drinks: count, medianDays } = gapsIn(spells[i]!, drinks);
    return {
      from,
      to,
      pot,
      mix,
      root_loss,
      reckoned: {
        now: daysToDryIn(drying, pot, blend, drying.now),
        winter: daysToDryIn(drying, pot, blend, drying.winter),
      },
      drinks: count,
      median_days: medianDays,
      against: i === 0 ? null : againstBefore(spells[i - 1]!, spells[i]!, drinks),
    };
  });
}

/** @throws Refused where a part is no component of the library or of the keeper's own */
async function refuseParts(connection: PoolConnection, collection: number, { parts }: RecipeFields): Promise<void> {
  const own = await componentRefs(connection, collection);
  const i = parts.findIndex(({ component }) => !COMPONENTS.has(component) && !own.has(component));
  if (i >= 0)
    throw badField(
      `/parts/${i}/component`,
      parts[i]!.component,
      `a component: ${[...COMPONENTS.keys(), ...own].join(', ')}`,
    );
}

function mixRoutes(app: App): Route[] {
  return [
    route({
      method: 'post',
      path: '/mixes',
      does: 'A new recipe, in parts by loose volume.',
      body: recipeBody,
      status: 201,
      answer: made,
      async handle({ body }) {
        const id = await transaction(app.pool, async (connection) => {
          const collection = await theCollection(connection);
          await refuseParts(connection, collection, body);
          return addMix(connection, collection, body);
        });
        return { id };
      },
    }),
    route({
      method: 'put',
      path: '/mixes/:id',
      does: 'Sets a recipe right; every pot with that mix is worked out again.',
      params: idParam,
      body: recipeBody,
      answer: made,
      async handle({ params: { id }, body }) {
        await transaction(app.pool, async (connection) => {
          await refuseParts(connection, await theCollection(connection), body);
          if (!(await changeMix(connection, id, body))) throw notFound('mix');
        });
        return { id };
      },
    }),
    route({
      method: 'delete',
      path: '/mixes/:id',
      does: 'Takes a recipe off in which no plant ever stood.',
      params: idParam,
      answer: removed,
      refuses: ['in-use'],
      async handle({ params: { id } }) {
        const outcome = await transaction(app.pool, (connection) => removeMix(connection, id));
        if (outcome === 'none') throw notFound('mix');
        if (outcome === 'in-use')
          throw new Refused('in-use', 'Plants stand in it, or stood in it once: their books tell of it.');
        return { removed: id };
      },
    }),
    route({
      method: 'get',
      path: '/components',
      does: 'The keeper’s own components, with what was measured of them.',
      answer: componentsSchema,
      async handle() {
        const collection = await transaction(app.pool, theCollection);
        const own = await loadComponents(app.pool, collection);
        return { components: own.map((one) => ({ ...one, ph: one.ph ?? null })) };
      },
    }),
    route({
      method: 'put',
      path: '/components',
      does: 'A component of the keeper’s own, or a measured one of the library under its name. Measured values replace those of the table.',
      body: componentBody,
      answer: componentsSchema,
      async handle({ body }) {
        if (!(body.water_air_dry < body.water_at_10cm && body.water_at_10cm < body.total_porosity))
          throw badField('/water_at_10cm', body.water_at_10cm, 'more than water_air_dry and less than total_porosity');
        componentsOf([body]);
        const own = await transaction(app.pool, async (connection) => {
          const collection = await theCollection(connection);
          await putComponent(connection, collection, { ...body });
          return collection;
        });
        const all = await loadComponents(app.pool, own);
        return { components: all.map((one) => ({ ...one, ph: one.ph ?? null })) };
      },
    }),
    route({
      method: 'delete',
      path: '/components/:ref',
      does: 'Takes a measured component back: the tabled values stand again. One of the keeper’s own goes only where no recipe has it.',
      params: componentParam,
      answer: componentsSchema,
      refuses: ['in-use'],
      async handle({ params: { ref } }) {
        const collection = await transaction(app.pool, async (connection) => {
          const own = await theCollection(connection);
          const outcome = await removeComponent(connection, own, { ref, tabled: COMPONENTS.has(ref) });
          if (outcome === 'none') throw notFound('component');
          if (outcome === 'in-use') throw new Refused('in-use', 'Recipes have it: take it out of them first.');
          return own;
        });
        const all = await loadComponents(app.pool, collection);
        return { components: all.map((one) => ({ ...one, ph: one.ph ?? null })) };
      },
    }),
  ];
}

function stockRoutes(app: App): Route[] {
  const all = async () => ({ stock: await stock(app.pool) });
  const sameName = (error: unknown): never => {
    if ((error as { code?: string }).code === 'ER_DUP_ENTRY')
      throw new Refused('name-taken', 'Another thing of that name is in the stores; choose a name of its own.', [
        { pointer: '/name', got: undefined, accepted: 'a name of its own' },
      ]);
    throw error;
  };
  return [
    route({
      method: 'get',
      path: '/stock',
      does: 'What lies in the stores: components and bags, pots, feeds, labels.',
      answer: stockSchema,
      handle: all,
    }),
    route({
      method: 'post',
      path: '/stock',
      does: 'Something new in the stores.',
      body: newStock,
      status: 201,
      answer: made,
      refuses: ['name-taken'],
      async handle({ body }) {
        if ((body.kind === 'component') !== (body.component_ref != null))
          throw badField('/component_ref', body.component_ref, 'what it is, for a component; for nothing else');
        if ((body.kind === 'pot') !== (body.pot != null))
          throw badField('/pot', body.pot, 'its measures, for a pot; for nothing else');
        const id = await transaction(app.pool, async (connection) => {
          const collection = await theCollection(connection);
          const { component_ref: ref } = body;
          if (ref != null && !COMPONENTS.has(ref) && !(await componentRefs(connection, collection)).has(ref))
            throw badField('/component_ref', ref, 'a component of mixes that is known here');
          return addStock(connection, collection, body);
        }).catch(sameName);
        return { id };
      },
    }),
    route({
      method: 'patch',
      path: '/stock/:id',
      does: 'Changes name, price or low mark of a thing in the stores; amounts move by /stock/moves.',
      params: idParam,
      body: stockChange,
      ifMatch: true,
      answer: stockSchema,
      refuses: ['nothing-to-change', 'name-taken'],
      async handle({ params: { id }, version, body }) {
        if (Object.keys(body).length === 0) throw new Refused('nothing-to-change', 'Send a name, low or price_minor.');
        const outcome = await transaction(app.pool, (connection) =>
          changeStock(connection, id, version, { ...body }),
        ).catch(sameName);
        if (outcome === 'none') throw notFound('thing in the stores');
        if (outcome !== 'done') refuseStale({ ...body }, outcome);
        return all();
      },
    }),
    route({
      method: 'delete',
      path: '/stock/:id',
      does: 'Takes a thing out of the stores for good.',
      params: idParam,
      answer: stockSchema,
      async handle({ params: { id } }) {
        const outcome = await transaction(app.pool, (connection) => removeStock(connection, id));
        if (outcome === 'none') throw notFound('thing in the stores');
        return all();
      },
    }),
    route({
      method: 'post',
      path: '/stock/moves',
      does: 'What was bought, counted, or used by a batch or a potting: all lines or none, nothing twice. More than is there is refused unless `anyway`.',
      body: stockMoves,
      answer: stockSchema,
      refuses: ['not-so-much'],
      async handle({ body, by }) {
        const twice = body.lines.findIndex(({ stock_id: id }, i) =>
          body.lines.some((one, at) => at < i && one.stock_id === id),
        );
        if (twice >= 0)
          throw badField(`/lines/${twice}/stock_id`, body.lines[twice]!.stock_id, 'a thing that no line above names');
        const below = body.why === 'bought' ? body.lines.findIndex(({ amount }) => amount < 0) : -1;
        if (below >= 0)
          throw badField(`/lines/${below}/amount`, body.lines[below]!.amount, 'an amount from 0 on: it was bought');
        const [site] = await sites(app.pool);
        const day = todayAt(site?.time_zone ?? 'UTC');
        const { short, unknown } = await transaction(app.pool, (connection) =>
          moveStock(connection, body, { day, by }),
        );
        if (unknown.length > 0) throw badField('/lines', unknown, 'things that are in the stores');
        if (short.length > 0)
          throw new Refused(
            'not-so-much',
            `${short.map(({ name, there, wanted }) => `${name}: ${round(wanted)} wanted, ${round(there)} there`).join('; ')}. ` +
              'Count again, or send it with anyway.',
            short.map(({ name, there }, i) => ({
              pointer: `/lines/${i}/amount`,
              got: name,
              accepted: `at most ${round(there)}`,
            })),
          );
        return all();
      },
    }),
  ];
}

function round(value: number): number {
  return Math.round(value * 100) / 100;
}
