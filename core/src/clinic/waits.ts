/**
 * What a step of a plan waits for. A plan keeps intents, not dates: its days say from when a step may come; whether it does
 * on a day says the plant as it stands, the same way for every plan.
 */
import type { PlantState } from '../garden.ts';
import type { Form } from '../garden.ts';
import type { Judgement } from '../judgement/deeds.ts';
import type { Step } from './steps.ts';
import { FORM_TABLE } from '../catalogue/forms.ts';

export const WAIT_CODES = ['asleep', 'too-cold', 'cold-night', 'still-wet', 'rot-open', 'too-dark', 'not-due'] as const;
export type WaitCode = (typeof WAIT_CODES)[number];

export interface StepWaits {
  code: WaitCode;
  /** the day on which it is expected to end, ISO; null where nobody can say */
  until: string | null;
}

/** The plant on a day, as far as any step hangs on it. */
export interface StepDay {
  state: PlantState;
  form: Form;
  /** its days are warm enough to grow and to heal */
  warm: boolean;
  mildTonight: boolean;
  wet: boolean;
  /** rot is seen or suspected, and nothing has spoken against it */
  rot: boolean;
  tooDark: boolean;
  /** the judge's own answer of the day: it alone pours */
  judgement: Pick<Judgement, 'deeds' | 'until'>;
  /** when its season lets it wake; null where that is not in sight, or it is awake */
  wakesOn: string | null;
}

/** What must be so before each step; a step that is not here waits for nothing. */
const NEEDS: Partial<Record<Step, readonly WaitCode[]>> = {
  'first-water': ['rot-open', 'asleep', 'too-cold', 'cold-night', 'still-wet', 'not-due'],
  water: ['rot-open', 'asleep', 'too-cold', 'cold-night', 'still-wet', 'not-due'],
  soak: ['rot-open', 'asleep', 'too-cold', 'cold-night', 'still-wet', 'not-due'],
  flush: ['rot-open', 'asleep', 'too-cold', 'cold-night', 'too-dark', 'not-due'],
  'feed-once': ['rot-open', 'asleep', 'too-cold', 'too-dark', 'not-due'],
  'soil-drench': ['rot-open', 'asleep', 'too-cold', 'cold-night', 'still-wet'],
  wash: ['asleep', 'too-cold'],
  repot: ['asleep', 'too-cold'],
  'open-mix': ['asleep', 'too-cold'],
};

/** Null: it may come today. */
export function stepWaits(step: Step, day: StepDay): StepWaits | null {
  for (const code of NEEDS[step] ?? []) if (holds(code, step, day)) return { code, until: untilOf(code, day) };
  return null;
}

function holds(code: WaitCode, step: Step, day: StepDay): boolean {
  switch (code) {
    case 'rot-open':
      return day.rot;
    case 'asleep':
      // Bulbs and bare stems are moved in their sleep.
      return day.state === 'resting' && !((step === 'repot' || step === 'open-mix') && FORM_TABLE[day.form].leafless);
    case 'too-cold':
      return !day.warm;
    case 'cold-night':
      return !day.mildTonight;
    case 'still-wet':
      return day.wet;
    case 'too-dark':
      return day.tooDark;
    case 'not-due': {
      const [first] = day.judgement.deeds;
      return first.deed !== 'water' && first.deed !== 'sip';
    }
  }
}

function untilOf(code: WaitCode, { judgement, wakesOn }: StepDay): string | null {
  if (code === 'asleep') return wakesOn;
  return code === 'not-due' || code === 'still-wet' || code === 'cold-night' ? judgement.until : null;
}
