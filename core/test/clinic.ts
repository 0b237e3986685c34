/** Scenes of the clinic: a plant with a history, and what is made of its signs. */
import { clinicAnswer, type ClinicAnswer } from '../src/clinic/answer.ts';
import type { Cause } from '../src/catalogue/causes.ts';
import type { Diagnosis } from '../src/clinic/diagnose.ts';
import type { CareTask } from '../src/care/task.ts';
import { dayNumber, isoDay } from '../src/calendar/day.ts';
import type { Outlook } from '../src/forecast/forecast.ts';
import type { Place, Plant, PlantEvent, Sign, SignPlace } from '../src/garden.ts';
import { judged, type Scene } from './gardens.ts';

export const SUMMER = '2026-06-20';
export const DEEP_WINTER = '2026-01-15';
export const AUTUMN = '2026-10-25';

export const SILL: Place = { id: 'place', kind: 'windowsill', aspect_deg: 180, air: 'gentle' };
export const ROOM: Place = { id: 'place', kind: 'room', air: 'still' };
export const COLD_GLASS: Place = { id: 'place', kind: 'cold-glass', air: 'gentle' };
export const FROST_FREE: Place = { id: 'place', kind: 'heated-glass', floor_c: 6, air: 'gentle' };
export const BALCONY: Place = { id: 'place', kind: 'covered', air: 'breezy' };
export const OPEN: Place = { id: 'place', kind: 'open', air: 'breezy' };

/** Of a kind that the library knows: its traits are its genus's. */
export function kind(taxon: string, more: Partial<Plant> = {}): Partial<Plant> {
  return { taxon, habit: null, form: null, dry_rule: null, ...more };
}

export class Story {
  readonly events: PlantEvent[] = [];
  constructor(readonly today: string) {}
  ago(days: number): string {
    return isoDay(dayNumber(this.today) - days);
  }
  /** watered on being felt dry, every so many days, from so long ago until so long ago */
  cared(every: number, until: number, from = 150): this {
    for (let day = until + every * Math.floor((from - until) / every); day >= until; day -= every)
      this.felt('dry', day).drench(day);
    return this;
  }
  drench(days: number, water?: 'hard' | 'rain'): this {
    this.events.push({ type: 'watering', date: this.ago(days), method: 'drench', ...(water ? { water } : {}) });
    return this;
  }
  felt(finger: 'wet' | 'damp' | 'dry', days = 0): this {
    this.events.push({ type: 'check', date: this.ago(days), finger });
    return this;
  }
  saw(sign: Sign, strength = 2, where?: SignPlace, days = 0, when?: 'midday'): this {
    this.events.push({ type: 'sign', date: this.ago(days), sign, strength, where: where ?? null, when: when ?? null });
    return this;
  }
  potted(days: number, more: Partial<Extract<PlantEvent, { type: 'repotting' }>> = {}): this {
    this.events.push({ type: 'repotting', date: this.ago(days), mix_was: 'dry', ...more });
    return this;
  }
  fed(days: number, dose = 1): this {
    this.events.push({ type: 'feeding', date: this.ago(days), dose });
    return this;
  }
  state(state: 'growing' | 'easing' | 'resting' | 'waking', days: number): this {
    this.events.push({ type: 'state', date: this.ago(days), state });
    return this;
  }
  add(...events: PlantEvent[]): this {
    this.events.push(...events);
    return this;
  }
}

export interface Diagnosed extends CareTask {
  outlook: Outlook;
  diagnosis: Diagnosis | null;
  answer: ClinicAnswer;
  top: Cause | null;
  chance: (cause: Cause) => number;
}

export function diagnosed(
  story: Story,
  scene: Scene & {
    facts?: Parameters<typeof judged>[0] extends infer S ? (S extends { facts?: infer F } ? F : never) : never;
  } = {},
): Diagnosed {
  const found = judged({ today: story.today, place: SILL, events: story.events, ...scene });
  const { diagnosis } = found.clinic;
  return {
    ...found,
    diagnosis,
    answer: clinicAnswer(found.judgement, found.clinic, dayNumber(story.today)),
    top: diagnosis?.causes[0]?.cause ?? null,
    chance: (cause) => diagnosis?.causes.find((one) => one.cause === cause)?.probability ?? 0,
  };
}
