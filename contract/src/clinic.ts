/** The clinic on the wire: cases, hands raised by the record, outbreaks, what worked; and one plant's sheet. */
import { type Form, FORMS, type Store, STORES } from '@zinc-pail/core';
import {
  CAUSES,
  type Case,
  type CaseStep,
  CHECKS,
  type ClinicAnswer,
  type ClinicLine,
  type ClinicStrip,
  type Diagnosis,
  FOUND,
  OUTCOMES,
  type Judgement,
  type Raised,
  STEPS,
  WAIT_CODES,
  type Worked,
  WATCH_CODES,
} from '@zinc-pail/core';
import Joi from 'joi';
import { day, id, list, named, number, object, oneOf, optional, text, whole, yesNo } from './fields.ts';

/** A plant as the clinic names it. */
export interface Patient {
  id: number;
  number: string;
  name: string;
  form: Form;
  diameter_mm: number;
  height_mm: number;
  place_id: number;
  place: string;
  site: string;
}

export interface CaseLine {
  patient: Patient;
  case: Case;
}
/** Signs that stand, and no case for them yet. */
export interface OpenQuestion {
  patient: Patient;
  line: Omit<ClinicLine, 'cases' | 'raised'>;
}
export interface RaisedLine {
  patient: Patient;
  raised: Raised[];
}
export interface Outbreak {
  pest: string;
  place_id: number;
  place: string;
  site: string;
  /** since when it is known here */
  since: string;
  /** on whom, with the day it was seen last */
  on: { id: number; name: string; seen: string }[];
  /** who stands beside them, and when they were last looked over */
  beside: { id: number; name: string; looked: string | null }[];
}

export interface ClinicView {
  today: string;
  open: CaseLine[];
  closed: CaseLine[];
  questions: OpenQuestion[];
  raised: RaisedLine[];
  outbreaks: Outbreak[];
  worked: Worked[];
}

/** Everything of one plant's illness. */
export interface ClinicSheet {
  today: string;
  patient: Patient;
  version: number;
  diagnosis: Omit<Diagnosis, 'signs'> | null;
  answer: ClinicAnswer;
  judgement: Judgement;
  raised: Raised[];
  cases: Case[];
  closed: Case[];
  cautions: string[];
  traits: { form: Form; store: Store };
  strip: ClinicStrip;
  /** what signs and verdicts have moved of its rule: it calls at this moisture, and so many days later */
  gap: {
    before: { due_m: number; hold_days: number };
    after: { due_m: number; hold_days: number };
    steps: { on: string; way: 'earlier' | 'later'; sign: string; helped: boolean | null }[];
  };
}

const patient = object<Patient>(
  {
    id: id(),
    number: text(40),
    name: text(200),
    form: oneOf(FORMS),
    diameter_mm: number(0, 1e5),
    height_mm: number(0, 1e5),
    place_id: id(),
    place: text(220),
    site: text(220),
  },
  'a plant',
);
const share = () => number(0, 1);
const step = object<CaseStep>(
  {
    step: oneOf(STEPS),
    due: optional(day()),
    doneOn: optional(day()),
    found: optional(oneOf(FOUND)),
    optional: yesNo(),
    time: whole(1, 1000),
    waits: optional(object({ code: oneOf(WAIT_CODES), until: optional(day()) }, 'what it waits for')),
  },
  'a step',
);
const oneCase = object<Case>(
  {
    cause: oneOf(CAUSES),
    openedOn: day(),
    steps: list(step, 'steps'),
    holdUntil: optional(day()),
    gap: optional(oneOf(['earlier', 'later'])),
    cleanRun: whole(0, 1000),
    ready: yesNo(),
    closed: optional(object({ on: day(), outcome: oneOf(OUTCOMES) }, 'how it ended')),
  },
  'a case',
);
const raised = list(object<Raised>({ code: oneOf(WATCH_CODES), n: Joi.object().required() }, 'a hand raised'), 'hands');
const caseLines = list(object<CaseLine>({ patient, case: oneCase }, 'a case of a plant'), 'cases');
const WATERS = ['now', 'after-check', 'hold', 'no-change'] as const;
const stepCount = object({ step: oneOf(STEPS), cases: whole(0, 1e6), helped: whole(0, 1e6) }, 'a step');

export const clinicSchema = named(
  'Clinic',
  object<ClinicView>(
    {
      today: day(),
      open: caseLines,
      closed: caseLines,
      questions: list(
        object<OpenQuestion>(
          {
            patient,
            line: object(
              {
                top: optional(object({ cause: oneOf(CAUSES), probability: share() }, 'the likeliest')),
                cantTell: yesNo(),
                rot: share(),
                check: optional(oneOf(CHECKS)),
                water: oneOf(WATERS),
                signs: list(object({ sign: text(40), on: day(), strength: whole(1, 3) }, 'a sign'), 'signs'),
              },
              'what is made of it',
            ),
          },
          'a question',
        ),
        'questions',
      ),
      raised: list(object<RaisedLine>({ patient, raised }, 'a hand raised'), 'hands raised'),
      outbreaks: list(
        object<Outbreak>(
          {
            pest: oneOf(CAUSES),
            place_id: id(),
            place: text(220),
            site: text(220),
            since: day(),
            on: list(object({ id: id(), name: text(200), seen: day() }, 'a plant'), 'plants'),
            beside: list(object({ id: id(), name: text(200), looked: optional(day()) }, 'a neighbour'), 'neighbours'),
          },
          'an outbreak',
        ),
        'outbreaks',
      ),
      worked: list(
        object<Worked>(
          {
            cause: oneOf(CAUSES),
            closed: whole(0, 1e6),
            helped: whole(0, 1e6),
            lost: whole(0, 1e6),
            steps: list(stepCount, 'steps'),
          },
          'what worked',
        ),
        'what worked',
      ),
    },
    'the clinic',
  ),
);

const evidence = Joi.object({
  kind: oneOf(['sign', 'history']),
  code: text(40),
  strength: whole(1, 3).optional(),
  where: optional(text(20)),
  when: optional(text(20)),
  n: Joi.object().required(),
  weight: number(-100, 100),
});
const gapRule = () => object({ due_m: number(0, 1), hold_days: whole(0, 400) }, 'a rule');
const numbers = (least: number, most: number) => list(number(least, most), 'a value a day');
export const clinicSheetSchema = named(
  'Clinic sheet',
  object<ClinicSheet>(
    {
      today: day(),
      patient,
      version: id(),
      diagnosis: optional(
        object(
          {
            causes: list(
              object(
                {
                  cause: oneOf(CAUSES),
                  probability: share(),
                  for: list(evidence, 'for'),
                  against: list(evidence, 'against'),
                },
                'a cause',
              ),
              'causes',
            ),
            unknown: share(),
            rot: share(),
            baseFelt: yesNo(),
            nextCheck: optional(object({ check: oneOf(CHECKS), gain: number(0, 10) }, 'a check')),
            cantTell: yesNo(),
          },
          'a diagnosis',
        ),
      ),
      answer: Joi.object().required(),
      judgement: Joi.object().required(),
      raised,
      cases: list(oneCase, 'cases'),
      closed: list(oneCase, 'cases'),
      cautions: list(text(30), 'cautions'),
      traits: object({ form: oneOf(FORMS), store: oneOf(STORES) }, 'its traits'),
      gap: object(
        {
          before: gapRule(),
          after: gapRule(),
          steps: list(
            object(
              { on: day(), way: oneOf(['earlier', 'later']), sign: text(40), helped: optional(yesNo()) },
              'a step of its gaps',
            ),
            'steps',
          ),
        },
        'its gaps',
      ),
      strip: object(
        {
          from: day(),
          m: object({ p10: numbers(-1, 3), p50: numbers(-1, 3), p90: numbers(-1, 3) }, 'moisture'),
          tminC: numbers(-90, 90),
          tmaxC: numbers(-90, 90),
          dliMol: numbers(0, 500),
          limits: object({ dryC: number(-90, 90), wetC: number(-90, 90) }, 'limits'),
          events: list(Joi.object(), 'events'),
        },
        'the last two months',
      ),
    },
    'a sheet of the clinic',
  ),
);
