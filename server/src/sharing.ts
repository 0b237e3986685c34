import { onSharedErrand } from './errand.ts';

/**
 * Something dear that many want at once. Those who ask while it is being made share the next making: it begins after all
 * of them asked, so what it finds is as new as each may expect.
 */
export class Shared<T> {
  private running: Promise<unknown> = Promise.resolve();
  private coming: Promise<T> | null = null;

  constructor(private readonly make: () => Promise<T>) {}

  ask(): Promise<T> {
    this.coming ??= onSharedErrand(() => {
      const made = this.running.then(() => {
        this.coming = null;
        return this.make();
      });
      this.running = made.catch(() => {});
      return made;
    });
    return this.coming;
  }
}
