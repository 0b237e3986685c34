/**
 * Who the potting bench has given to the coming weekend: planned once a day for each site, since it asks for every pot's
 * need; who was potted meanwhile is left out.
 */
import type { RoundSite } from '@zinc-pail/contract/api';
import { dayNumber, isoDay, weekendsOf } from '@zinc-pail/core';
import type { App } from '../context.ts';
import type { SiteRow } from '../garden/store.ts';
import { benchPlants } from '../potting/benchPlants.ts';

type Planned = RoundSite['pottings'];

const WEEK = 7;
/** A site of more takes seconds to plan: its round does not wait for that. */
const MOST_PLANNED = 300;

export class WeekendPlans {
  private readonly kept = new Map<number, { key: string; plan: Promise<Planned> }>();

  constructor(private readonly app: App) {}

  /** @param plants how many stand there */
  of(
    site: SiteRow,
    { today, plants, potsAWeekend }: { today: string; plants: number; potsAWeekend: number },
  ): Promise<Planned> {
    if (plants > MOST_PLANNED) return Promise.resolve([]);
    const key = `${today} ${potsAWeekend}`;
    const before = this.kept.get(site.id);
    if (before?.key === key) return before.plan;
    const plan = this.plan(site, today, potsAWeekend);
    this.kept.set(site.id, { key, plan });
    plan.catch(() => this.kept.delete(site.id));
    return plan;
  }

  private async plan(site: SiteRow, today: string, potsAWeekend: number): Promise<Planned> {
    const plants = await benchPlants(this.app, site);
    const weekends = weekendsOf(
      plants.map(({ id, need, suits, blocks }) => ({
        id,
        need,
        suits: suits && { from: dayNumber(suits.from), to: dayNumber(suits.to) },
        blocks: blocks.map(({ until }) => ({ until: until === null ? null : dayNumber(until) })),
      })),
      dayNumber(today),
      potsAWeekend,
    );
    const until = dayNumber(today) + WEEK;
    return plants.flatMap(({ id, need }) => {
      const on = weekends.get(id);
      return need.verdict === 'due' && on !== undefined && on < until
        ? [{ plant_id: id, on: isoDay(on), reason: need.reasons[0]! }]
        : [];
    });
  }
}
