/** The round as it stands, kept until an outlook, an order or a setting changes. Lines of pots are kept one by one. */
import { RESTING_TYPES } from '@zinc-pail/contract/choices';
import type { ColdPot, RoundPlace, RoundPot, RoundSite, RoundSoFar } from '@zinc-pail/contract/api';
import type { Shelter } from '@zinc-pail/contract/marks';
import {
  dayNumber,
  type Form,
  canLines,
  CROWDED_FROM,
  inspectionDays,
  JUDGED,
  nightItBearsC,
  judgedAs,
  placeDefaults,
  spotsOf,
  spreads,
  stepsAsked,
  WEEKS_AHEAD,
} from '@zinc-pail/core';
import { type LookedOver, lookedOver } from '../clinic/store.ts';
import { groupBy } from '../grouping.ts';
import { crowdedness } from '../places/view.ts';
import type { App } from '../context.ts';
import { type SiteRow, sites } from '../garden/store.ts';
import { KeptAnswer } from '../http/kept.ts';
import { marksOfDay } from '../journal/store.ts';
import type { SiteOutlooks } from '../outlook/outlooks.ts';
import { type PlantCard, plantCards } from '../plants/store.ts';
import { openHardenings } from '../hardening/store.ts';
import { roundPot } from '../plants/pots.ts';
import { latePottings, pottedToday } from './aftercare.ts';
import { movesOf } from './moves.ts';
import { Shared } from '../sharing.ts';
import { WeekendPlans } from './weekend.ts';
import { type BenchRow, type CanKit, kitOf, placeRows, shelteredOn, stoodBefore, waitingLooks } from './store.ts';

interface KeptSite {
  edition: string;
  text: string;
}

type Plan = (cards: readonly PlantCard[]) => Promise<RoundSite['pottings']>;
/** While a site is still being worked out nobody asks for its pots' needs. */
const NOTHING_PLANNED: Plan = () => Promise.resolve([]);

export class RoundBook {
  private readonly kept = new Map<number, KeptSite>();
  private answer: KeptAnswer | null = null;
  private readonly reading = new Shared(() => this.readNow());

  private readonly weekends: WeekendPlans;

  constructor(private readonly app: App) {
    this.weekends = new WeekendPlans(app);
  }

  /** The round as it stands now, for all who ask at once. */
  async read(): Promise<KeptAnswer> {
    return this.app.outlooks.patiently(this.reading.ask());
  }

  private async readNow(): Promise<KeptAnswer> {
    const all = await sites(this.app.pool);
    const kit = all[0] ? await kitOf(this.app.pool, all[0].collection_id) : null;
    const kept = await Promise.all(all.map((site) => this.site(site, kit!)));
    const edition = kept.map((one) => one.edition).join(' ');
    if (this.answer?.edition !== edition || !this.answer) {
      this.answer = new KeptAnswer(
        edition,
        `{"collection":${JSON.stringify(kit?.collection ?? '')},"sites":[${kept.map((one) => one.text).join(',')}]}`,
      );
    }
    return this.answer;
  }

  /**
   * What there is already while a site is reckoned from nothing; waits for nothing, so a site that nobody asked for is
   * not in it.
   */
  async soFar(): Promise<RoundSoFar> {
    const all = await sites(this.app.pool);
    const kit = all[0] ? await kitOf(this.app.pool, all[0].collection_id) : null;
    const coming = all.flatMap(({ id, name }) => {
      const of = this.app.outlooks.comingOf(id);
      return of ? [{ id, name, ...of }] : [];
    });
    const views = await Promise.all(
      coming.flatMap(({ id, soFar }) =>
        soFar
          ? [
              this.view(
                all.find((site) => site.id === id)!,
                kit!,
                soFar,
              ),
            ]
          : [],
      ),
    );
    return {
      collection: kit?.collection ?? '',
      sites: views,
      coming: coming.map(({ id, name, stage, done, of }) => ({ id, name, stage, done, of })),
    };
  }

  private async site(site: SiteRow, kit: CanKit): Promise<KeptSite> {
    const outlooks = await this.app.outlooks.ofSite(site);
    const edition = `${site.id}:${outlooks.today}:${site.revision}:${outlooks.edition}:${site.walks}:${JSON.stringify(kit)}`;
    const before = this.kept.get(site.id);
    if (before?.edition === edition) return before;
    const plan: Plan = (cards) =>
      this.weekends.of(site, cards, { today: outlooks.today, potsAWeekend: kit.potsAWeekend });
    const kept = { edition, text: JSON.stringify(await this.view(site, kit, outlooks, plan)) };
    this.kept.set(site.id, kept);
    return kept;
  }

  private async view(
    site: SiteRow,
    kit: CanKit,
    outlooks: SiteOutlooks,
    plan: Plan = NOTHING_PLANNED,
  ): Promise<RoundSite> {
    const [places, cards, hardenings, looks, sheltered, stoodAt, pottings, looked, marks] = await Promise.all([
      placeRows(this.app.pool, site.id),
      plantCards(this.app.pool, site.id),
      openHardenings(this.app.pool, site.id),
      waitingLooks(this.app.pool, site.id, outlooks.today),
      shelteredOn(this.app.pool, site.id, outlooks.today),
      stoodBefore(this.app.pool, site.id, outlooks.today),
      latePottings(this.app.pool, site.id, outlooks.today),
      lookedOver(this.app.pool, site.id),
      marksOfDay(this.app.pool, site.id, outlooks.today, RESTING_TYPES),
    ]);
    const rests = groupBy(marks, ({ plant_id: id }) => id);
    const pots = cards.flatMap((card) => {
      const pot = roundPot(card, outlooks);
      return pot ? [{ pot, placeId: card.place_id }] : [];
    });
    const at = groupBy(pots, ({ placeId }) => placeId);
    const all = pots.map(({ pot }) => pot);
    const judged = (pot: RoundPot) => judgedAs(pot.task.judgement, outlooks.today);
    const of = (kind: string) => all.filter((pot) => judged(pot) === kind).length;
    const clinic = clinicToday(pots, places, outlooks);
    const also = alsoToday(hardenings, pottedToday(pottings, outlooks), looks, outlooks);
    const potted = new Set(pottings.flatMap(({ plant_id: id, day }) => (day === outlooks.today ? [id] : [])));
    const toPot = (await plan(cards)).filter(({ plant_id: id }) => !potted.has(id));
    // Whoever has a step, a look or a potting of its own stands among those that call, whatever is judged of its water.
    const asked = new Set([...clinic.steps, ...also, ...toPot].map(({ plant_id: id }) => id));
    return {
      id: site.id,
      name: site.name,
      today: outlooks.today,
      latitude_deg: site.latitude_deg,
      nights_c: outlooks.nightsC,
      counts: {
        ...(Object.fromEntries(JUDGED.map((kind) => [kind, of(kind)])) as Record<(typeof JUDGED)[number], number>),
        asleep: all.filter((pot) => pot.outlook.state === 'resting').length,
        watered: all.filter((pot) => pot.outlook.last_watered === outlooks.today).length,
      },
      can_ml: kit.canMl,
      can: canLines(all, kit),
      feeds: kit.feeds,
      places: places.flatMap((place): RoundPlace[] => {
        const climate = outlooks.places.get(place.id);
        // Made since its weather was reckoned: it stands in the next round.
        if (!climate) return [];
        const here = (at.get(place.id) ?? []).map(({ pot }) => pot);
        const cold = here.flatMap((pot) => coldTonight(pot, sheltered.get(pot.id) ?? null) ?? []);
        const calling = here.filter(
          (pot) =>
            judged(pot) !== 'leave' || rests.has(pot.id) || asked.has(pot.id) || cold.some(({ id }) => id === pot.id),
        );
        return [
          {
            id: place.id,
            name: place.name,
            kind: place.kind,
            quarantine: Boolean(place.quarantine),
            version: place.version,
            today: { tmin_c: climate.tminC, tmax_c: climate.tmaxC, rh_pct: climate.rhPct },
            tonight_c: climate.tonightC,
            night_band_c: climate.nightBandC,
            pots: calling,
            left: here.length - calling.length,
            asleep: here.filter((pot) => pot.outlook.state === 'resting').length,
            cold: cold.sort(byUrgency),
            done: here.flatMap(({ id }) =>
              (rests.get(id) ?? []).map(({ plant_id, client_id, event }) => ({ plant_id, client_id, event })),
            ),
          },
        ];
      }),
      load: weeklyLoad(outlooks, all),
      moves: movesOf(this.app.outlooks.climatesSoFar(site.id), { places, pots, outlooks, stoodAt }),
      clinic: { ...clinic, inspect: benchToLookOver(pots, places, outlooks, looked) },
      also,
      pottings: toPot,
    };
  }
}

/** What today asks besides water: minutes of sun, looks after moves and pottings, what was left open on arrival. */
function alsoToday(
  hardenings: Awaited<ReturnType<typeof openHardenings>>,
  afterPotting: RoundSite['also'],
  looks: Awaited<ReturnType<typeof waitingLooks>>,
  { today, views }: SiteOutlooks,
): RoundSite['also'] {
  return [
    ...hardenings.flatMap(({ plant_id, plant, steps }) => {
      const step = steps.find(({ date }) => date === today);
      return step ? [{ plant_id, plant, kind: 'sun' as const, day: step.date, minutes: step.minutes }] : [];
    }),
    ...afterPotting,
    // A sleeper shows no new growth to judge a move by.
    ...looks.filter(({ plant_id, kind }) => kind !== 'review' || views.get(plant_id)?.state !== 'resting'),
  ];
}

/** Steps of open cases that have come due, and hands that the record raised. */
function clinicToday(
  pots: readonly { pot: RoundPot; placeId: number }[],
  places: readonly { id: number; name: string }[],
  { tasks, today }: SiteOutlooks,
): Omit<RoundSite['clinic'], 'inspect'> {
  const names = new Map(places.map(({ id, name }) => [id, name]));
  const lines = pots.flatMap(({ pot, placeId }) => {
    const clinic = tasks.get(pot.id)?.clinic;
    return clinic ? [{ clinic, at: { plant_id: pot.id, plant: pot.name, place: names.get(placeId) ?? '' } }] : [];
  });
  return {
    steps: lines.flatMap(({ clinic, at }) =>
      clinic.cases.flatMap((one) =>
        stepsAsked(one, today).flatMap(({ step, due, optional, time }) =>
          optional ? [] : [{ ...at, cause: one.cause, step, due: due!, time }],
        ),
      ),
    ),
    // A case in hand answers what the record complains of.
    raised: lines.flatMap(({ clinic, at }) =>
      clinic.cases.length > 0 ? [] : clinic.raised.map(({ code, n }) => ({ ...at, code, n })),
    ),
  };
}

/** A bench is asked for once half of its plants are due a look. */
const DUE_SHARE = 0.5;
const FRESH_DAYS = 60;

/** One bench a day at most: the one whose plants have waited longest, against how often each should be looked over. */
function benchToLookOver(
  pots: readonly { pot: RoundPot; placeId: number }[],
  places: readonly BenchRow[],
  { tasks, views, today }: SiteOutlooks,
  looked: ReadonlyMap<number, LookedOver>,
): RoundSite['clinic']['inspect'] {
  const now = dayNumber(today);
  let most = 0;
  let found: RoundSite['clinic']['inspect'] = null;
  for (const [placeId, some] of groupBy(pots, (one) => one.placeId)) {
    const place = places.find(({ id }) => id === placeId);
    if (!place) continue;
    const taken = crowdedness(
      place,
      some.map(({ pot }) => ({ top_mm: pot.outlook.pot.top_mm, diameter_mm: pot.diameter_mm })),
    );
    const close = place.air === 'still' && taken !== null && taken > CROWDED_FROM;
    const sick = some.some(({ pot }) => tasks.get(pot.id)?.clinic?.cases.some(({ cause }) => spreads(cause)));
    let waited = 0;
    let due = 0;
    let last: string | null = null;
    for (const { pot } of some) {
      const known = looked.get(pot.id);
      const since = known?.day ?? known?.from ?? today;
      const every = inspectionDays({
        genus: views.get(pot.id)?.genus ?? null,
        form: pot.form as Form,
        indoors: placeDefaults(place.kind).indoors,
        blooming: tasks.get(pot.id)?.clinic?.signs.some(({ sign }) => sign === 'buds') ?? false,
        outbreak: sick,
        fresh: known?.from != null && now - dayNumber(known.from) <= FRESH_DAYS,
        close,
      });
      const over = (now - dayNumber(since)) / every;
      waited += over;
      if (over >= 1) due++;
      if (known?.day && (last === null || known.day < last)) last = known.day;
    }
    if (due / some.length < DUE_SHARE || waited / some.length <= most) continue;
    most = waited / some.length;
    const forms = some.map(({ pot }) => views.get(pot.id)?.traits.form ?? (pot.form as Form));
    found = {
      place_id: placeId,
      place: place.name,
      plants: some.length,
      last,
      spots: spotsOf(forms).slice(0, 3),
      close,
    };
  }
  return found;
}

/** A pot that is judged to stand too cold tonight, or nearly, with the limit that says so; or that was seen to today. */
function coldTonight(pot: RoundPot, done: Shelter | null): ColdPot | null {
  const reason = pot.task.judgement.because.find(({ code }) => code === 'below-limit' || code === 'near-limit');
  if (!reason && done === null) return null;
  return {
    id: pot.id,
    name: pot.name,
    limit_c: reason?.n!.limit ?? nightItBearsC(pot.outlook.traits, pot.outlook.moisture.p50),
    near: reason?.code === 'near-limit',
    chance: reason?.n!.chance ?? 0,
    done,
  };
}

/** What is still to be done first, below the limit before near it, the most tender first. */
function byUrgency(a: ColdPot, b: ColdPot): number {
  return Number(a.done !== null) - Number(b.done !== null) || Number(a.near) - Number(b.near) || b.limit_c - a.limit_c;
}

/** Waterings to be expected of all these pots together in each of the coming weeks. */
function weeklyLoad({ weeks }: SiteOutlooks, pots: readonly RoundPot[]): number[] {
  return Array.from({ length: WEEKS_AHEAD }, (_, week) =>
    Math.round(pots.reduce((sum, { id }) => sum + (weeks.get(id)?.[week] ?? 0), 0)),
  );
}
