/**
 * Who the potting bench has given to the coming weekend. Every pot's need is asked for once a day, since that takes as long
 * as judging them all; after that only of those that changed.
 */
import type { RoundSite } from '@zinc-pail/contract/api';
import type { BenchPlant } from '@zinc-pail/contract/potting';
import { weekendsOfBench } from '@zinc-pail/contract/weekends';
import { dayNumber, isoDay } from '@zinc-pail/core';
import type { App } from '../context.ts';
import type { SiteRow } from '../garden/store.ts';
import type { PlantCard } from '../plants/store.ts';
import { benchPlants } from '../potting/benchPlants.ts';

type Planned = RoundSite['pottings'];

const WEEK = 7;
/** A site of more takes seconds to plan: its round does not wait for that. */
const MOST_PLANNED = 300;

interface Kept {
  today: string;
  needs: Map<number, { revision: number; plant: BenchPlant | null }>;
}

export class WeekendPlans {
  private readonly kept = new Map<number, Kept>();

  constructor(private readonly app: App) {}

  async of(
    site: SiteRow,
    cards: readonly Pick<PlantCard, 'id' | 'revision'>[],
    { today, potsAWeekend }: { today: string; potsAWeekend: number },
  ): Promise<Planned> {
    if (cards.length > MOST_PLANNED) return [];
    const { needs } = this.todays(site.id, today);
    const changed = cards.filter(({ id, revision }) => needs.get(id)?.revision !== revision);
    if (changed.length > 0) {
      const asked = new Set(changed.map(({ id }) => id));
      const plants = new Map((await benchPlants(this.app, site, asked)).map((plant) => [plant.id, plant]));
      for (const { id, revision } of changed) needs.set(id, { revision, plant: plants.get(id) ?? null });
    }
    const here = cards.flatMap(({ id }) => needs.get(id)?.plant ?? []).sort((a, b) => b.need.score - a.need.score);
    return comingUp(here, today, potsAWeekend);
  }

  private todays(siteId: number, today: string): Kept {
    const before = this.kept.get(siteId);
    if (before?.today === today) return before;
    const fresh: Kept = { today, needs: new Map() };
    this.kept.set(siteId, fresh);
    return fresh;
  }
}

/** Those whose Saturday is within the week, by the same plan as the queue. */
function comingUp(plants: readonly BenchPlant[], today: string, potsAWeekend: number): Planned {
  const weekends = weekendsOfBench(plants, today, potsAWeekend);
  const until = dayNumber(today) + WEEK;
  return plants.flatMap(({ id, need }) => {
    const on = weekends.get(id);
    return need.verdict === 'due' && on !== undefined && on < until
      ? [{ plant_id: id, on: isoDay(on), reason: need.reasons[0]! }]
      : [];
  });
}
