/**
 * Asks the weather service for each site about once an hour, keeps what it last said, and does without it while it is
 * away: a few tries at once, then less and less often. Servers on one database take turns.
 */
import { dayNumber, isoDay } from '@zinc-pail/core';
import type { Logger } from 'pino';
import { type Pool, transaction } from '../database/pool.ts';
import { onNobodysErrand } from '../errand.ts';
import { todayAt } from '../garden/clock.ts';
import type { AskedDays, SiteOnMap, WeatherService } from './service.ts';
import {
  answered,
  failed,
  failuresOf,
  observedUntil,
  putWeather,
  sitesToAsk,
  takeTurn,
  watchAllSites,
} from './store.ts';

const LOOK_EVERY_MS = 30_000;
const ASK_EVERY_S = 3600;
/** So that many servers do not all come at the full hour. */
const SPREAD_S = 300;
const TIMEOUT_MS = 8000;
const TRIES = 3;
const BETWEEN_TRIES_MS = 700;
/** After a failure it is asked again in so many seconds, twice as many each time, at most this. */
const AGAIN_S = 120;
const LATEST_AGAIN_S = 3 * 3600;
/** A site whose weather nobody knows yet: so far back is asked for. */
const FIRST_DAYS = 120;
const LONGEST_GAP_DAYS = 700;
const AHEAD_DAYS = 7;

export interface Patience {
  timeoutMs: number;
  betweenTriesMs: number;
}

export class WeatherWatch {
  private timer: NodeJS.Timeout | null = null;
  private looking: Promise<void> = Promise.resolve();
  private readonly ended = new AbortController();

  constructor(
    private readonly pool: Pool,
    readonly service: WeatherService | null,
    private readonly log: Logger,
    private readonly patience: Patience = { timeoutMs: TIMEOUT_MS, betweenTriesMs: BETWEEN_TRIES_MS },
  ) {}

  /** Without a service nothing is asked. */
  start(): void {
    if (!this.service) return;
    const again = () => {
      void this.look().finally(() => {
        if (!this.ended.signal.aborted) this.timer = setTimeout(again, LOOK_EVERY_MS);
      });
    };
    again();
  }

  async close(): Promise<void> {
    this.ended.abort();
    if (this.timer) clearTimeout(this.timer);
    await this.looking;
  }

  /**
   * Asks for every site whose time has come; never fails.
   *
   * @param tries one where somebody waits for it
   */
  look(tries = TRIES): Promise<void> {
    const next = this.looking.then(() => onNobodysErrand(() => this.askAll(tries)));
    this.looking = next;
    return next;
  }

  private async askAll(tries: number): Promise<void> {
    try {
      await watchAllSites(this.pool);
      for (const site of await sitesToAsk(this.pool)) {
        if (this.ended.signal.aborted) return;
        const longest = (TRIES * (this.patience.timeoutMs + this.patience.betweenTriesMs)) / 1000 + 30;
        if (await takeTurn(this.pool, site.id, longest)) await this.askFor(site, tries);
      }
    } catch (error) {
      // The database is away, or the server is ending: the next look tries again.
      if (!this.ended.signal.aborted) this.log.warn({ err: error }, 'the weather could not be looked after');
    }
  }

  private async askFor(site: SiteOnMap & { id: number }, tries: number): Promise<void> {
    const today = dayNumber(todayAt(site.time_zone));
    const last = await observedUntil(this.pool, site.id, isoDay(today));
    const from = last === null ? today - FIRST_DAYS : Math.max(today - LONGEST_GAP_DAYS, dayNumber(last) + 1);
    // Yesterday may have been written from a forecast, or put right since.
    const asked = isoDay(Math.min(from, today - 1));
    try {
      const { madeAt, days } = await this.tried(
        site,
        { from: asked, to: isoDay(today + AHEAD_DAYS), today: isoDay(today) },
        tries,
      );
      const issued = todayAt(site.time_zone, madeAt);
      await transaction(this.pool, async (connection) => {
        await putWeather(
          connection,
          site.id,
          days.map((day) => ({ ...day, origin: 'service', issued: day.source === 'forecast' ? issued : null })),
          isoDay(today),
        );
        await answered(connection, site.id, madeAt, ASK_EVERY_S + Math.round(SPREAD_S * Math.random()));
      });
    } catch (error) {
      const failures = await failuresOf(this.pool, site.id);
      const inS = Math.min(LATEST_AGAIN_S, AGAIN_S * 2 ** Math.min(10, failures));
      await failed(this.pool, site.id, wordsOf(error), inS);
    }
  }

  /**
   * Does what is given up after a time, or when the watch ends. By a timer of our own: a signal made by AbortSignal.any of
   * AbortSignal.timeout may be collected before it fires (Node 20), and a service that hangs would be waited for for ever.
   */
  private async within<T>(ms: number, action: (limit: AbortSignal) => Promise<T>): Promise<T> {
    const limit = new AbortController();
    const end = () => limit.abort(this.ended.signal.reason);
    const timer = setTimeout(() => limit.abort(new DOMException('no answer in time', 'TimeoutError')), ms);
    this.ended.signal.addEventListener('abort', end);
    try {
      return await action(limit.signal);
    } finally {
      clearTimeout(timer);
      this.ended.signal.removeEventListener('abort', end);
    }
  }

  private async tried(site: SiteOnMap, asked: AskedDays, tries: number) {
    for (let tried = 1; ; tried++) {
      try {
        return await this.within(this.patience.timeoutMs, (limit) => this.service!.days(site, asked, limit));
      } catch (error) {
        if (tried >= tries || this.ended.signal.aborted) throw error;
        await new Promise((resolve) => setTimeout(resolve, this.patience.betweenTriesMs * tried));
      }
    }
  }
}

/** What a keeper is told of a failure. */
function wordsOf(error: unknown): string {
  const { name, message, sqlState } = error as Error & { sqlState?: string };
  // What the database says of it is for the log of a server, not for a keeper.
  if (sqlState !== undefined) return 'what it told could not be kept';
  if (name === 'TimeoutError') return 'it did not answer in time';
  if (message === 'fetch failed') return 'it cannot be reached';
  return message;
}
