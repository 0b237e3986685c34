/**
 * Outlooks of all plants, kept until something they depend on changes.
 *
 * A site's climate hangs on its revision and on the day; a plant's outlook on the plant's revision besides. Both counts
 * stand in the database, so several servers on one database see each other's changes. A changed plant is reckoned anew
 * at once; its bench, whose shared rate may have moved a little, after the answer has gone out.
 */
import { availableParallelism } from 'node:os';
import { MessageChannel, type MessagePort, Worker } from 'node:worker_threads';
import type { KeptTask, Drying, OutlookView, PlaceOutlook, PlantEvent, PottingView, WeatherDay } from '@zinc-pail/core';
import type { Pool } from '../database/pool.ts';
import { errandNow, onNobodysErrand, onSharedErrand } from '../errand.ts';
import { todayAt } from '../garden/clock.ts';
import {
  changedSince,
  type KeptPlant,
  loadFrame,
  mixIds,
  loadPlants,
  obstructions,
  plantRevisions,
  plantsInParts,
  Rims,
  type SiteRow,
  watersAtHand,
  weatherInParts,
} from '../garden/store.ts';
import { Refused } from '../http/refusals.ts';
import { LoadHelper } from './loadHelper.ts';
import type {
  Answer,
  BenchNews,
  ClinicWhole,
  LoadNews,
  PlaceToday,
  PlantToday,
  PottingBook,
  Task,
  WatersAtHand,
} from './worker.ts';

export interface SiteOutlooks {
  today: string;
  nightsC: number[];
  places: ReadonlyMap<number, PlaceToday>;
  views: ReadonlyMap<number, OutlookView>;
  tasks: ReadonlyMap<number, KeptTask>;
  /** waterings to be expected in each of the coming weeks */
  weeks: ReadonlyMap<number, readonly number[]>;
  revisions: ReadonlyMap<number, number>;
  /** moves with every change: what answers made from these outlooks are kept by */
  edition: number;
}

interface Kept extends SiteOutlooks {
  key: string;
  pulse: number;
  /** mixes that the worker knows */
  mixes: ReadonlySet<string>;
  places: Map<number, PlaceToday>;
  views: Map<number, OutlookView>;
  tasks: Map<number, KeptTask>;
  weeks: Map<number, readonly number[]>;
  revisions: Map<number, number>;
  /** revisions that the worker was asked for: it may not have answered yet */
  asked: Map<number, number>;
  climates?: Promise<ReadonlyMap<number, PlaceOutlook>>;
  climatesThere?: ReadonlyMap<number, PlaceOutlook>;
}

/** A site that is being reckoned from nothing: how far, and what there is of it already. */
export interface Coming {
  /** its journals are read first, then its plants are reckoned one by one */
  stage: 'reading' | 'reckoning';
  done: number;
  of: number;
  /** null until the places are known */
  soFar: SiteOutlooks | null;
}

/** How high the sky is hidden at places that say so. */
type Hidden = [placeId: string, deg: number][];

/** How far each of the threads is that load a site. */
type Parts = Map<number, { stage: Coming['stage']; done: number }>;

/** A look at what changed on a site, for all who wait for it. */
interface Turn {
  /** the newest row that any of them read */
  site: SiteRow;
  /** whether somebody wants all plants: a turn takes some of them, so that others come in between */
  all: boolean;
  /** plants that somebody waits for */
  first: Set<number>;
  done: Promise<Kept> | null;
}

/** A tenth of a second or two: so long a mark waits behind a list that came in. */
const PLANTS_A_TURN = 40;
const MOST_BOOKS = 200;
/** From so many plants on two threads load a site together, where there are two cores for them. */
const TOGETHER_FROM_PLANTS = 400;
const NOTHING: Promise<void> = Promise.resolve();
const nothing = (): void => {};
/** What is left of a request's time to say that it was not enough. */
const TO_ANSWER_MS = 1000;

function stillReckoning(coming: readonly Coming[]): Refused {
  const far = coming.map(({ done, of, stage }) => ` ${done} of ${of} plants are ${STAGES[stage]}.`);
  return new Refused('still-reckoning', `The collection is still being worked out.${far.join('')}`);
}

const STAGES = { reading: 'read', reckoning: 'worked out' } as const;

export class Outlooks {
  /** null until somebody asks, and again once it died */
  private worker: Worker | null = null;
  private readonly kept = new Map<number, Kept>();
  private readonly coming = new Map<number, Coming & { kept: Kept; parts: Parts }>();
  /** threads that help to load a large site, and end with it */
  private readonly helpers = new Set<LoadHelper>();
  /** the last turn of each site: until it has read, until it is done */
  private readonly turns = new Map<number, { read: Promise<void>; done: Promise<void> }>();
  /** turns that have not begun, by site */
  private readonly next = new Map<number, Turn>();
  private readonly waiting = new Map<number, { resolve(answer: Answer): void; reject(error: Error): void }>();
  /** books of the plants that were reckoned last, for who asks of them next */
  private readonly books = new Map<number, readonly PlantEvent[]>();
  /** never counts anew, whatever became of the worker */
  private editions = 0;
  private sent = 0;
  private closing = false;

  constructor(
    private readonly pool: Pool,
    private readonly workerFile: string,
    private readonly onBackgroundError: (error: unknown) => void,
    private readonly together: { fromPlants: number; helperFile: string } = {
      fromPlants: TOGETHER_FROM_PLANTS,
      helperFile: workerFile,
    },
  ) {}

  private start(): Worker {
    const worker = new Worker(this.workerFile);
    worker.on(
      'message',
      (message: { id: number; answer?: Answer; error?: string; gone?: boolean } | BenchNews | LoadNews) => {
        if ('load' in message) return this.hear(message.load);
        if ('bench' in message) return this.take(this.kept.get(message.bench.siteId), message.bench.plants);
        const { id, answer, error, gone } = message;
        const waiter = this.waiting.get(id);
        this.waiting.delete(id);
        if (answer) waiter?.resolve(answer);
        else if (gone)
          waiter?.reject(new Refused('gone-meanwhile', 'It was taken away meanwhile; load the page again.'));
        else waiter?.reject(new Error(error));
      },
    );
    worker.on('error', (error: unknown) => this.lose(worker, error as Error));
    worker.on('exit', () => this.lose(worker, new Error(ENDED)));
    return worker;
  }

  private running(): Worker {
    if (this.closing) throw new Error('the server is ending');
    return (this.worker ??= this.start());
  }

  /** How often the worker was asked: what shows that nothing is reckoned twice. */
  get tasksSent(): number {
    return this.sent;
  }

  /** The book of a plant, if it was among those reckoned last: as new as its outlook. */
  lastBookOf(plantId: number): readonly PlantEvent[] | undefined {
    return this.books.get(plantId);
  }

  async close(): Promise<void> {
    this.closing = true;
    // What is being reckoned is for nobody any more: a large collection would hold up the end for a minute.
    await Promise.all([this.worker, ...this.helpers].map((worker) => worker?.terminate()));
    await Promise.all([...this.turns.values()].map(({ done }) => done));
  }

  /** Outlooks as the database stands now. */
  async ofSite(site: SiteRow): Promise<SiteOutlooks> {
    for (;;) {
      const kept = await this.patiently(this.inTurn(site, 'all'));
      if (kept.pulse >= site.pulse) return kept;
    }
  }

  /**
   * Outlooks in which these plants are as the database has them; others may still be on their way. A mark on one pot
   * need not wait for a list of thousands that has just come in.
   *
   * @param revisions of these plants, if the caller has just read them: where all are known, nothing is waited for
   */
  async ofPlants(
    site: SiteRow,
    plantIds: readonly number[],
    revisions?: ReadonlyMap<number, number>,
  ): Promise<SiteOutlooks> {
    const kept = this.kept.get(site.id);
    if (revisions && kept?.key === keyOf(site) && plantIds.every((id) => kept.revisions.get(id) === revisions.get(id)))
      return kept;
    return this.patiently(this.inTurn(site, plantIds));
  }

  /** Waits as long as the request that asks may; what it waited for goes on without it. */
  async patiently<T>(turn: Promise<T>): Promise<T> {
    const errand = errandNow();
    if (!errand || errand.until === Infinity) return turn;
    let timer: NodeJS.Timeout | undefined;
    const impatient = new Promise<never>((_, reject) => {
      timer = setTimeout(
        () => reject(stillReckoning([...this.coming.values()])),
        Math.max(0, errand.until - performance.now() - TO_ANSWER_MS),
      );
    });
    try {
      return await Promise.race([turn, impatient]);
    } finally {
      clearTimeout(timer);
    }
  }

  /**
   * Calls for one site take turns, so that nothing is reckoned twice. Those that come while one reads share the next: it
   * looks at the database after all of them did. While the worker reckons for one turn, the next reads already; it ends
   * after it.
   */
  private inTurn(site: SiteRow, wanted: readonly number[] | 'all'): Promise<Kept> {
    let turn = this.next.get(site.id);
    if (!turn) {
      turn = this.newTurn(site);
      this.next.set(site.id, turn);
    }
    if (site.pulse > turn.site.pulse || site.revision > turn.site.revision) turn.site = site;
    if (wanted === 'all') turn.all = true;
    else for (const id of wanted) turn.first.add(id);
    return turn.done!;
  }

  private newTurn(site: SiteRow): Turn {
    const turn: Turn = { site, all: false, first: new Set(), done: null };
    const before = this.turns.get(site.id) ?? { read: NOTHING, done: NOTHING };
    onSharedErrand(() => {
      const read = before.read.then(() => {
        this.next.delete(site.id);
        return this.gather(turn);
      });
      turn.done = read.then(async ({ kept, reckoned }) => {
        await Promise.all([reckoned, before.done]);
        return kept;
      });
      this.turns.set(site.id, { read: read.then(nothing, nothing), done: turn.done.then(nothing, nothing) });
    });
    return turn;
  }

  /** Reads what changed and hands it to the worker; whoever wants its answer waits for `reckoned`. */
  private async gather({ site, all, first }: Turn): Promise<{ kept: Kept; reckoned: Promise<unknown> }> {
    const today = todayAt(site.time_zone);
    const key = keyOf(site);
    const kept = this.kept.get(site.id);
    const anew = async () => ({ kept: await onNobodysErrand(() => this.load(site, key, today)), reckoned: NOTHING });
    if (kept?.key !== key || !kept) return anew();
    // A call that waited for its turn may know less than what is kept by now.
    if (kept.pulse >= site.pulse) return { kept, reckoned: NOTHING };
    const changed = await changedSince(this.pool, site.collection_id, kept.pulse);
    const changedHere = changed.filter(
      (plant) => plant.site_id === site.id && kept.asked.get(plant.id) !== plant.revision,
    );
    const [asked, others] = [true, false].map((is) => changedHere.filter(({ id }) => first.has(id) === is));
    const here = [...asked!, ...(all ? others!.slice(0, PLANTS_A_TURN) : [])];
    const gone = changed.filter((plant) => plant.site_id !== site.id && kept.asked.has(plant.id)).map(({ id }) => id);
    let reckoned: Promise<unknown> = NOTHING;
    if (here.length + gone.length > 0) {
      const plants = here.length > 0 ? await loadPlants(this.pool, { plantIds: here.map(({ id }) => id) }) : [];
      // Brought from another site in a mix that came later: only a whole look knows it.
      if (plants.some(({ plant }) => !kept.mixes.has(plant.mix))) return anew();
      reckoned = this.replace(kept, { siteId: site.id, plants, here, gone });
      // Told to whoever waits for it; here it only must not go unheard.
      reckoned.catch(nothing);
    }
    if (here.length === changedHere.length) kept.pulse = site.pulse;
    return { kept, reckoned };
  }

  private async replace(
    kept: Kept,
    {
      siteId,
      plants,
      here,
      gone,
    }: { siteId: number; plants: KeptPlant[]; here: readonly { id: number; revision: number }[]; gone: number[] },
  ): Promise<void> {
    for (const { id, revision } of here) kept.asked.set(id, revision);
    for (const id of gone) kept.asked.delete(id);
    try {
      const answer = await this.ask({ kind: 'replace', siteId, kept: plants, gone: gone.map(String) });
      for (const { plant } of plants) this.remember(Number(plant.id), plant.events);
      this.take(kept, answer.plants);
    } catch (error) {
      // Whoever asks next begins anew.
      this.kept.delete(siteId);
      throw error;
    }
    for (const { id, revision } of here) kept.revisions.set(id, revision);
    for (const id of gone) {
      kept.views.delete(id);
      kept.tasks.delete(id);
      kept.weeks.delete(id);
      kept.revisions.delete(id);
      this.books.delete(id);
    }
    if (gone.length > 0) kept.edition = ++this.editions;
    const placeIds = [...new Set(plants.map(({ plant }) => plant.place))];
    this.ask({ kind: 'bench', siteId, placeIds }).catch(
      (error: unknown) => this.closing || this.onBackgroundError(error),
    );
  }

  /** Hands a site to the thread that keeps it, and reckons it there: a large one with the help of another. */
  private async reckon(site: SiteRow, ids: readonly number[], waters: WatersAtHand, hidden: Hidden): Promise<Answer> {
    const helper =
      ids.length >= this.together.fromPlants && availableParallelism() >= 2
        ? new LoadHelper(this.together.helperFile, {
            news: (news) => this.hear(news),
            failed: (error) => this.closing || this.onBackgroundError(error),
          })
        : null;
    if (helper) this.helpers.add(helper);
    try {
      // What one thread was handed is of no use to the next: whoever waits is told that it ended.
      const thread = this.running();
      const sameThread = () => {
        if (this.worker !== thread) throw new Error(ENDED);
      };
      const handOver = (part: { kept?: KeptPlant[]; weather?: WeatherDay[]; anew?: boolean }) => {
        const task: Task = { kind: 'part', siteId: site.id, kept: [], weather: [], anew: false, ...part };
        sameThread();
        thread.postMessage({ id: 0, task });
        helper?.post(task);
      };
      handOver({ anew: true });
      const rims = new Rims();
      for await (const kept of plantsInParts(this.pool, site.id, ids)) {
        rims.add(kept);
        handOver({ kept });
      }
      for await (const weather of weatherInParts(this.pool, site)) handOver({ weather });
      const garden = await loadFrame(this.pool, site, rims);
      const load = { kind: 'load', siteId: site.id, garden, plants: rims.count, waters, obstructions: hidden } as const;
      sameThread();
      if (!helper) return await this.ask({ ...load, together: null });
      const { port1, port2 } = new MessageChannel();
      helper.post({ ...load, together: { share: { of: 2, from: 1 }, other: port2 } }, [port2]);
      const own = await this.ask({ ...load, together: { share: { of: 2, from: 0 }, other: port1 } }, [port1]);
      return { ...own, plants: [...own.plants, ...(await helper.helped)] };
    } finally {
      if (helper) this.helpers.delete(helper);
      await helper?.terminate();
    }
  }

  private remember(plantId: number, book: readonly PlantEvent[]): void {
    this.books.delete(plantId);
    this.books.set(plantId, book);
    if (this.books.size > MOST_BOOKS) this.books.delete(this.books.keys().next().value!);
  }

  private async load(site: SiteRow, key: string, today: string): Promise<Kept> {
    // The pulse was read before the plants: what is written meanwhile is seen again at the next look, never missed.
    // So are the revisions: read beside the plants, they could name a plant that the garden does not hold yet.
    const revisions = await plantRevisions(this.pool, site.id);
    const ids = [...revisions.keys()];
    const [waters, hidden, mixes] = await Promise.all([
      watersAtHand(this.pool, site.collection_id),
      obstructions(this.pool, site.id),
      mixIds(this.pool, site.collection_id),
    ]);
    const kept: Kept = {
      key,
      pulse: site.pulse,
      mixes,
      today,
      nightsC: [],
      places: new Map(),
      views: new Map(),
      tasks: new Map(),
      weeks: new Map(),
      revisions,
      asked: new Map(revisions),
      edition: ++this.editions,
    };
    this.coming.set(site.id, {
      stage: 'reading',
      done: 0,
      of: ids.length,
      soFar: null,
      kept,
      parts: new Map(),
    });
    try {
      const answer = await this.reckon(site, ids, waters, hidden);
      kept.nightsC = answer.nightsC!;
      kept.places = byNumber(answer.places!);
      this.take(kept, answer.plants);
      // Whoever asks next begins anew.
      if (kept.views.size < answer.of!)
        throw new Error('a thread that helped to work out the collection ended before its share was done');
      this.kept.set(site.id, kept);
      return kept;
    } finally {
      this.coming.delete(site.id);
    }
  }

  /** What each place of a site has been and will be; reckoned when first asked for, then kept until the site changes. */
  async climatesOf(site: SiteRow): Promise<ReadonlyMap<number, PlaceOutlook>> {
    for (;;) {
      const kept = await this.patiently(this.inTurn(site, []));
      try {
        return await this.patiently(this.climatesFor(site.id, kept));
      } catch (error) {
        // A bench went while they were read: those of the site as it is now are wanted.
        const goneMeanwhile = error instanceof Refused && error.kind === 'gone-meanwhile';
        if (!goneMeanwhile || this.kept.get(site.id) === kept) throw error;
      }
    }
  }

  /** How a plant's place and season would empty any pot. */
  async dryingOf(site: SiteRow, plantId: number): Promise<Drying> {
    await this.patiently(this.inTurn(site, [plantId]));
    const { drying } = await this.patiently(this.ask({ kind: 'drying', siteId: site.id, plantId: String(plantId) }));
    return drying!;
  }

  /** Everything the clinic knows of a plant. */
  async clinicOf(site: SiteRow, plantId: number): Promise<ClinicWhole> {
    await this.patiently(this.inTurn(site, [plantId]));
    const { clinic } = await this.patiently(this.ask({ kind: 'clinic', siteId: site.id, plantId: String(plantId) }));
    return clinic!;
  }

  /** What the potting bench says of plants. */
  async pottingOf(site: SiteRow, facts: [string, PottingBook][]): Promise<Map<number, PottingView>> {
    await this.patiently(this.inTurn(site, 'all'));
    const views = new Map<number, PottingView>();
    for (let from = 0; from < facts.length; from += PLANTS_A_TURN) {
      const some = facts.slice(from, from + PLANTS_A_TURN);
      const { potting } = await this.patiently(this.ask({ kind: 'potting', siteId: site.id, facts: some }));
      for (const [id, view] of potting!) views.set(Number(id), view);
    }
    return views;
  }

  /** The same as far as it is there; what is not is reckoned meanwhile, and the site's edition then moves. */
  climatesSoFar(siteId: number): ReadonlyMap<number, PlaceOutlook> | null {
    const kept = this.kept.get(siteId);
    if (!kept) return null;
    if (!kept.climates)
      this.climatesFor(siteId, kept).catch((error: unknown) => this.closing || this.onBackgroundError(error));
    return kept.climatesThere ?? null;
  }

  private climatesFor(siteId: number, kept: Kept): Promise<ReadonlyMap<number, PlaceOutlook>> {
    kept.climates ??= this.readClimates(siteId, kept);
    // What failed is asked for anew the next time.
    kept.climates.catch(() => delete kept.climates);
    return kept.climates;
  }

  /** Place by place, so that marks come in between. */
  private async readClimates(siteId: number, kept: Kept): Promise<ReadonlyMap<number, PlaceOutlook>> {
    const climates = new Map<number, PlaceOutlook>();
    for (const placeId of kept.places.keys()) {
      const { climate } = await this.ask({ kind: 'climate', siteId, placeId: String(placeId) });
      climates.set(placeId, climate!);
    }
    kept.climatesThere = climates;
    kept.edition = ++this.editions;
    return climates;
  }

  /** What is being reckoned from nothing just now, if anything is. */
  comingOf(siteId: number): Coming | null {
    return this.coming.get(siteId) ?? null;
  }

  private hear({ siteId, part, stage, done, plants, places, nightsC }: LoadNews['load']): void {
    const coming = this.coming.get(siteId);
    if (!coming) return;
    const { kept, parts } = coming;
    parts.set(part, { stage, done });
    const all = [...parts.values()];
    coming.stage = all.some((one) => one.stage === 'reading') ? 'reading' : 'reckoning';
    // Who reckons already has read its half.
    const half = Math.floor(coming.of / 2);
    coming.done = all.reduce((sum, one) => sum + (one.stage === coming.stage ? one.done : half), 0);
    if (nightsC) kept.nightsC = nightsC;
    if (places) {
      kept.places = byNumber(places);
      coming.soFar = kept;
    }
    this.take(kept, plants);
  }

  private take(kept: Kept | undefined, plants: Answer['plants']): void {
    if (!kept || plants.length === 0) return;
    kept.edition = ++this.editions;
    for (const [id, { view, task, weeks }] of plants as [string, PlantToday][]) {
      kept.views.set(Number(id), view);
      kept.tasks.set(Number(id), task);
      kept.weeks.set(Number(id), weeks);
    }
  }

  private async ask(task: Task, transferred: readonly MessagePort[] = []): Promise<Answer> {
    const worker = this.running();
    const id = ++this.sent;
    return new Promise((resolve, reject) => {
      this.waiting.set(id, { resolve, reject });
      worker.postMessage({ id, task }, transferred);
    });
  }

  /** Whoever waits is told; what the worker held is gone with it, so the next who asks begins anew with another. */
  private lose(worker: Worker, error: Error): void {
    if (this.worker !== worker) return;
    this.worker = null;
    this.kept.clear();
    for (const waiter of this.waiting.values()) waiter.reject(error);
    this.waiting.clear();
    if (!this.closing) this.onBackgroundError(error);
  }
}

const ENDED = 'the forecast worker has ended';

/** What a site's climate hangs on. */
function keyOf(site: SiteRow): string {
  return `${todayAt(site.time_zone)}/${site.revision}`;
}

function byNumber<T>(entries: readonly [string, T][]): Map<number, T> {
  return new Map(entries.map(([id, value]) => [Number(id), value]));
}
