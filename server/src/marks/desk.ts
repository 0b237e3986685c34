/**
 * Where marks are handed in. Those that come while others are being written wait, and are then written together: one
 * lock, one commit and one reckoning serve them all. Each is refused or written for itself.
 */
import { type Errand, errandNow, onErrand, onNobodysErrand, type Written } from '../errand.ts';
import { isSilent } from '../database/away.ts';
import { GivenUp } from '../database/limits.ts';
import { type Entered, idsOf, type Sheet, writeMarks } from './marks.ts';
import type { App } from '../context.ts';

interface Waiting {
  sheet: Sheet;
  errand: Errand | undefined;
  resolve(entered: Entered): void;
  reject(error: unknown): void;
}

/** So many plants at once: some hundredths of a second of reckoning. */
const MOST_PLANTS = 16;
/** So many batches at once: while one is reckoned the next is written. */
const MOST_AT_ONCE = 3;
const PATIENCE_MS = 30_000;

export class MarkDesk {
  private waiting: Waiting[] = [];
  /** plants and ids that are being written */
  private readonly taken = new Set<number | string>();
  private atWork = 0;

  constructor(
    private readonly app: App,
    /** for tests */
    private readonly enter: typeof writeMarks = writeMarks,
  ) {}

  /** @param sheet as marks.ts keeps it */
  write(sheet: Sheet): Promise<Entered> {
    return new Promise((resolve, reject) => {
      this.waiting.push({ sheet, errand: errandNow(), resolve, reject });
      this.next();
    });
  }

  private next(): void {
    if (this.atWork >= MOST_AT_ONCE) return;
    const batch = this.batch();
    if (batch.length === 0) return;
    this.atWork++;
    void onNobodysErrand(() => this.work(batch)).finally(() => {
      this.atWork--;
      for (const { sheet } of batch) for (const one of takes(sheet)) this.taken.delete(one);
      this.next();
    });
  }

  /** The first that wait, in their order; one that shares a plant or an id with another waits for it. */
  private batch(): Waiting[] {
    const batch: Waiting[] = [];
    const stays: Waiting[] = [];
    const blocked = new Set<number | string>();
    let plants = 0;
    for (const one of this.waiting) {
      const wants = takes(one.sheet);
      if (one.errand?.over) {
        one.reject(new GivenUp('its request was given up'));
      } else if (
        wants.some((want) => this.taken.has(want) || blocked.has(want)) ||
        (batch.length > 0 && plants + one.sheet.marks.length > MOST_PLANTS)
      ) {
        stays.push(one);
        for (const want of wants) blocked.add(want);
      } else {
        batch.push(one);
        plants += one.sheet.marks.length;
        for (const want of wants) this.taken.add(want);
      }
    }
    this.waiting = stays;
    return batch;
  }

  /** @returns what went wrong with all of it, or null */
  private async work(batch: readonly Waiting[]): Promise<unknown> {
    // From here on nobody can say that nothing was written, until it is known.
    const told = (written: Written) => {
      for (const { errand } of batch) if (errand) errand.written = written;
    };
    told('unknown');
    const errand: Errand = { until: performance.now() + PATIENCE_MS, written: 'no', over: false };
    try {
      const outcomes = await onErrand(errand, () =>
        this.enter(
          this.app,
          batch.map(({ sheet }) => sheet),
        ),
      );
      told('yes');
      for (const [i, { resolve, reject }] of batch.entries()) {
        const outcome = outcomes[i]!;
        if (outcome instanceof Error) reject(outcome);
        else resolve(outcome);
      }
      return null;
    } catch (error) {
      told(errand.written);
      // One sheet may be to blame: each has its own try, unless the database itself is.
      if (errand.written === 'no' && batch.length > 1 && !isSilent(error)) {
        for (const [i, one] of batch.entries()) {
          const failed = await this.work([one]);
          if (failed === null || !isSilent(failed)) continue;
          for (const { reject } of batch.slice(i + 1)) reject(failed);
          break;
        }
        return null;
      }
      for (const { reject } of batch) reject(error);
      return error;
    }
  }
}

function takes({ marks }: Sheet): (number | string)[] {
  return [...marks.map((mark) => mark.plant_id), ...idsOf(marks)];
}
