/** What follows a potting, on the days on which it falls: looks, the end of shade, drinks for roots that grew in wet. */
import type { RoundSite } from '@zinc-pail/contract/api';
import {
  aftercare,
  type AftercareTask,
  type KeptTask,
  COMPONENTS,
  CUT_ROOTS_LOSS,
  dayNumber,
  isCharged,
  mineralShare,
  type MixPart,
  type OutlookView,
  type PlantEvent,
} from '@zinc-pail/core';
import { json } from '../database/json.ts';
import { groupBy } from '../grouping.ts';
import type { Pool, Row } from '../database/pool.ts';
import type { SiteOutlooks } from '../outlook/outlooks.ts';

export interface LatePotting {
  plant_id: number;
  plant: string;
  day: string;
  detail: Partial<Extract<PlantEvent, { type: 'repotting' }>> & { root_loss?: number; divided?: number };
  /** how it was kept before, in the keeper's words */
  used_to: string | null;
  /** share of the old and of the new mix that was alive; null where the old one is not told */
  was: number | null;
  is: number;
  /** the new mix brings food of its own */
  charged: boolean;
  /** the last day on which its growth was looked at since */
  reviewed: string | null;
}

const REMEMBERED_DAYS = 60;

/** @param plantId of one plant only */
export async function latePottings(
  pool: Pool,
  siteId: number,
  today: string,
  plantId: number | null = null,
): Promise<LatePotting[]> {
  const [rows] = await pool.query<
    Row<Omit<LatePotting, 'was' | 'is' | 'charged' | 'detail'> & { detail: unknown; mix_id: number }>[]
  >(
    `SELECT j.plant_id, p.name AS plant, j.day, j.detail, p.used_to, po.mix_id,
       (SELECT MAX(r.day) FROM journal r WHERE r.plant_id = j.plant_id AND r.type = 'review' AND r.voided_at IS NULL
         AND r.day > j.day) AS reviewed
     FROM journal j JOIN plant p ON p.id = j.plant_id JOIN stay s ON s.open_plant_id = p.id
       JOIN place pl ON pl.id = s.place_id JOIN potting po ON po.open_plant_id = p.id
     WHERE pl.site_id = ? AND j.type = 'repotting' AND j.voided_at IS NULL AND j.day = po.from_day
       AND j.day >= ? - INTERVAL ? DAY AND (? IS NULL OR j.plant_id = ?) ORDER BY j.day, j.plant_id`,
    [siteId, today, REMEMBERED_DAYS, plantId, plantId],
  );
  if (rows.length === 0) return [];
  const mixes = await partsOfMixes(pool);
  const organic = (mix: number | null): number | null => {
    const parts = mix === null ? undefined : mixes.get(mix);
    return parts ? 1 - mineralShare(parts, (id) => COMPONENTS.get(id)?.organicShare ?? 0) : null;
  };
  return rows.map(({ detail, mix_id: mixId, ...row }) => {
    const told = json<LatePotting['detail']>(detail);
    const before = told.before?.mix === undefined ? null : Number(told.before.mix);
    return {
      ...row,
      detail: told,
      was: organic(before),
      is: organic(mixId) ?? 0,
      charged: isCharged({ id: String(mixId), parts: mixes.get(mixId) ?? [] }, COMPONENTS),
    };
  });
}

async function partsOfMixes(pool: Pool): Promise<Map<number, MixPart[]>> {
  const [rows] = await pool.query<Row<{ mix_id: number; component: string; parts: number }>[]>(
    'SELECT mix_id, component_ref AS component, parts FROM mix_part',
  );
  const mixes = groupBy(rows, (row) => row.mix_id);
  return new Map(
    [...mixes].map(([id, parts]) => [id, parts.map(({ component, parts: n }) => ({ component, parts: n }))]),
  );
}

/** All that follows a potting, by its own findings and the plant's feeding rule; the first drink is dated by the judge. */
export function followsOf(
  { detail, day, charged }: LatePotting,
  view: Pick<OutlookView, 'traits' | 'hold' | 'last_watered' | 'state'>,
  task: Pick<KeptTask, 'due' | 'rules'> | null,
): AftercareTask[] {
  const pottedOn = dayNumber(day);
  const rule = task?.rules.rules.feed ?? null;
  const drunk = view.last_watered !== null && view.last_watered > day;
  return aftercare({
    pottedOn,
    rootLoss: detail.root_loss ?? (detail.roots_cut ? CUT_ROOTS_LOSS : 0),
    mixWas: detail.mix_was ?? null,
    store: view.traits.store,
    cool: view.hold?.kind === 'cold',
    findings: detail.findings ?? [],
    divided: (detail.divided ?? 0) > 0,
    chargedMonths: charged && rule ? rule.chargeMonths : 0,
  })
    .flatMap((one): AftercareTask[] => {
      if (one.kind !== 'first-drink') return [one];
      if (drunk) return [];
      if (task?.due) return [{ ...one, day: Math.max(one.day, dayNumber(task.due)) }];
      // No drink is in sight: it sleeps, or its place is too cold for one.
      const until = view.hold?.until ? dayNumber(view.hold.until) : one.day;
      return [{ ...one, day: Math.max(one.day, until), because: [view.state === 'resting' ? 'asleep' : 'cool'] }];
    })
    .toSorted((a, b) => a.day - b.day);
}

/** A line that nobody answered goes after so many days. */
const STANDS_DAYS = 4;

export function pottedToday(
  pottings: readonly LatePotting[],
  { views, tasks, today }: Pick<SiteOutlooks, 'views' | 'tasks' | 'today'>,
): RoundSite['also'] {
  const now = dayNumber(today);
  return pottings.flatMap((potting): RoundSite['also'] => {
    const view = views.get(potting.plant_id);
    if (!view) return [];
    const follows = followsOf(potting, view, tasks.get(potting.plant_id) ?? null);
    const falls = follows.filter(({ day }) => day <= now && now - day < STANDS_DAYS);
    const line = { plant_id: potting.plant_id, plant: potting.plant };
    const look = falls.findLast(({ kind }) => kind === 'look');
    const looked = potting.reviewed !== null && look && dayNumber(potting.reviewed) >= look.day;
    return [
      ...(look && !looked ? [{ ...line, kind: 'potted-look' as const, day: potting.day, n: look.n! }] : []),
      ...(falls.some(({ kind }) => kind === 'shade-ends')
        ? [{ ...line, kind: 'shade-ends' as const, day: potting.day }]
        : []),
    ];
  });
}
