/** Looks for recipes away from the screen: every one of the components at hand, told how far, stopped by ending the thread. */
import type { PlantDrying } from '@zinc-pail/contract/potting';
import {
  blendMix,
  type Component,
  daysTable,
  type Drive,
  type MixAim,
  type MixFound,
  type Pot,
  solveMix,
  storeDaysIn,
} from '@zinc-pail/core';

export interface AimTask {
  components: Component[];
  pot: Pot;
  aim: MixAim;
  drying: PlantDrying['drying'] | null;
  drive: Drive | null;
  priceMinor: [string, number][];
  litres: [string, number][] | null;
}
export type AimNews =
  | { kind: 'share'; share: number }
  | { kind: 'found'; found: MixFound[]; tried: number }
  | { kind: 'failed'; words: string };

addEventListener('message', ({ data }: MessageEvent<AimTask>) => {
  try {
    const { components, pot, aim, drying, drive } = data;
    const plain = blendMix(
      { id: 'any', parts: [{ component: components[0]!.id, parts: 1 }] },
      new Map(components.map((one) => [one.id, one])),
    );
    const store = drying && drive && aim.days !== null ? storeDaysIn(drying, pot, plain, drive) : null;
    const daysAt = store && daysTable(store.volumeMl, store.days);
    const { found, tried } = solveMix({
      components,
      pot,
      aim,
      daysAt,
      priceMinor: new Map(data.priceMinor),
      ...(data.litres ? { litres: new Map(data.litres) } : {}),
      told: (share) => {
        const news: AimNews = { kind: 'share', share };
        postMessage(news);
        return true;
      },
    });
    const news: AimNews = { kind: 'found', found, tried };
    postMessage(news);
  } catch (error) {
    const news: AimNews = { kind: 'failed', words: error instanceof Error ? error.message : String(error) };
    postMessage(news);
  }
});
