/**
 * What pots share: garden over places over pots, exact on the grid, and a small factor of the mix.
 *
 * Sums of messages are kept, so that one pot's new evidence moves the others without reckoning them anew.
 */
import { blur, fromLog, GRID_SIZE, gridMean, gridVariance, normalDensity, shifted } from './grid.ts';
import { addTo, hasShape, lnOf, PLACE_SD, POT_SD } from './rate.ts';

/** What all pots of a collection have in common: the reckoning's own bias in this climate, under this keeper. */
const GARDEN_SD = 0.25;
/** What pots of one mix have in common beyond their places. */
const MIX_SD = 0.12;

interface Member {
  place: string;
  mix: string;
  /** what the pot says of its place's factor; null where it says nothing */
  message: Float64Array | null;
  /** how far it stands from its place, and what that is worth */
  residual: { value: number; weight: number } | null;
}

export class Pool {
  private readonly members = new Map<string, Member>();
  private readonly placeSums = new Map<string, Float64Array>();
  private readonly mixSums = new Map<string, { weight: number; sum: number }>();
  /** what all other places say of one, until a pot says something else */
  private readonly outer = new Map<string, Float64Array>();

  /** Takes a pot's evidence (logs on the grid), in place of what it said before. */
  set(id: string, pot: { place: string; mix: string; evidence: Float64Array }): void {
    this.remove(id);
    const message = hasShape(pot.evidence) ? lnOf(blur(fromLog(pot.evidence), POT_SD)) : null;
    this.outer.clear();
    const member: Member = { place: pot.place, mix: pot.mix, message, residual: null };
    this.members.set(id, member);
    const sum = this.placeSums.get(pot.place) ?? new Float64Array(GRID_SIZE);
    this.placeSums.set(pot.place, sum);
    if (message) addTo(sum, message, 1);
  }

  /** Takes out a pot, and what its earlier pottings said. */
  forget(id: string): void {
    for (const member of this.members.keys())
      if (member === id || member.startsWith(`${id} before `)) this.remove(member);
  }

  private remove(id: string): void {
    const before = this.members.get(id);
    if (!before) return;
    this.outer.clear();
    if (before.message) addTo(this.placeSums.get(before.place)!, before.message, -1);
    this.countMix(before, -1);
    this.members.delete(id);
  }

  /** Reckons how pots stand to their places; call once all are set, and for a pot that is set anew. */
  compare(ids: Iterable<string> = this.members.keys()): void {
    for (const id of ids) {
      const member = this.members.get(id);
      if (!member) continue;
      this.countMix(member, -1);
      member.residual = null;
      if (!member.message) continue;
      const own = fromLog(member.message);
      const meanX = gridMean(own);
      member.residual = {
        value: meanX - gridMean(this.centre(member)),
        weight: 1 / (gridVariance(own, meanX) + PLACE_SD ** 2),
      };
      this.countMix(member, 1);
    }
  }

  private countMix({ mix, residual }: Member, times: number): void {
    if (!residual) return;
    const total = this.mixSums.get(mix) ?? { weight: 0, sum: 0 };
    this.mixSums.set(mix, {
      weight: total.weight + times * residual.weight,
      sum: total.sum + times * residual.weight * residual.value,
    });
  }

  /** What the rest of the collection teaches of a pot's ln k, its own evidence left out. */
  prior(id: string): Float64Array {
    const member = this.members.get(id)!;
    return shifted(blur(this.centre(member), Math.hypot(POT_SD, MIX_SD)), this.mixShift(member));
  }

  /** What a place's pots together say of its ln k: how it dries against the reckoned. */
  placeFactor(place: string): Float64Array {
    if (!this.placeSums.has(place)) this.placeSums.set(place, new Float64Array(GRID_SIZE));
    return this.centre({ place, message: null });
  }

  /** The place's factor as all but this pot show it. */
  private centre({ place, message }: Pick<Member, 'place' | 'message'>): Float64Array {
    const logs = this.outerOf(place).slice();
    addTo(logs, this.placeSums.get(place)!, 1);
    if (message) addTo(logs, message, -1);
    return fromLog(logs);
  }

  private outerOf(place: string): Float64Array {
    let outer = this.outer.get(place);
    if (!outer) {
      const garden = lnOf(normalDensity(0, GARDEN_SD));
      for (const [other, sum] of this.placeSums) {
        if (other !== place && hasShape(sum)) addTo(garden, lnOf(blur(fromLog(sum), PLACE_SD)), 1);
      }
      outer = lnOf(blur(fromLog(garden), PLACE_SD));
      this.outer.set(place, outer);
    }
    return outer;
  }

  private mixShift({ mix, residual }: Member): number {
    const total = this.mixSums.get(mix);
    if (!total) return 0;
    const weight = total.weight - (residual?.weight ?? 0);
    const sum = total.sum - (residual ? residual.weight * residual.value : 0);
    return sum / (weight + 1 / MIX_SD ** 2);
  }
}
