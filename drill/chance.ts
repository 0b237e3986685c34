/** Chance that is the same for the same seed (mulberry32, Tommy Ettinger, public domain). */
export class Chance {
  private state: number;

  constructor(seed: number) {
    this.state = seed >>> 0;
  }

  /** From 0 up to, not with, 1. */
  next(): number {
    this.state = (this.state + 0x6d2b79f5) >>> 0;
    let t = this.state;
    t = Math.imul(t ^ (t >>> 15), t | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  }

  between(low: number, high: number): number {
    return low + Math.floor(this.next() * (high - low + 1));
  }

  of<T>(all: readonly T[]): T {
    return all[Math.floor(this.next() * all.length)]!;
  }

  is(share: number): boolean {
    return this.next() < share;
  }
}
