/** The answers to what a line asks: each with its words, and what it writes or where it leads. */
import type { JournalEvent, PlantView, RoundPot } from '@zinc-pail/contract/api';
import type { Shelter } from '@zinc-pail/contract/marks';
import {
  answersTo,
  type Deed,
  type DeedName,
  drinkOf,
  type Found,
  type LookAt,
  placeDefaults,
  type PlaceKind,
} from '@zinc-pail/core';
import { leadWords } from '@zinc-pail/words/line';
import { felt, type Felt, wateredAsAdvised, wateredWords } from '../../marking/markEvents.ts';
import { FOUND_WORDS, STEP_ANSWERS, stepEvents } from '../clinic/stepAnswers.ts';
import type { AlsoAsked, Line, StepAsked } from './lines.ts';

export interface AskAnswer {
  label: string;
  /** what follows, where that is another thing for each answer */
  leads?: string;
  /** the whole of it for a screen reader, after the plant's name */
  said: string;
  /** the deed that the line calls for */
  filled?: boolean;
  does: AnswerDeed;
}

export type AnswerDeed =
  | { kind: 'mark'; events(date: string): JournalEvent[]; told: string }
  /** what the plant's record says decides what is written */
  | { kind: 'record'; event(plant: PlantView, date: string): JournalEvent; told: string }
  | { kind: 'shelter'; how: Shelter }
  | { kind: 'moveTo'; placeId: number; place: string }
  | { kind: 'holed' }
  | { kind: 'join' }
  | { kind: 'link'; to: string };

const FELT: ReadonlySet<string> = new Set<Felt>(['wet', 'damp', 'dry']);
const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** What the judge asks of it: one answer for a deed, or each answer to a look with what it leads to. */
export function judgedAnswers({ pot, counts, place }: Pick<Line, 'pot' | 'counts' | 'place'>): AskAnswer[] {
  const [first] = pot.task.judgement.deeds;
  if (drinkOf(pot.task.judgement)) return [watered(pot)];
  if (counts.has('dusk')) return nightAnswers(first, pot, place.kind);
  switch (first.deed) {
    case 'look':
      return lookAnswers(first, pot);
    case 'act':
      return ACTED[first.what](pot);
    case 'move':
      return first.what === 'cover' ? [sheltered('covered')] : moved(first, pot);
    case 'wake':
      return [state('I see growth', 'growing', 'growing'), state('Still dormant', 'dormant', 'resting')];
    default:
      return [];
  }
}

/** The move where one is named; else in. A cloth is no use indoors. */
function nightAnswers(deed: Deed, pot: RoundPot, kind: PlaceKind): AskAnswer[] {
  const to = (deed.deed === 'move' || deed.deed === 'act') && deed.to;
  const first = to ? moved(deed, pot) : [sheltered('in')];
  const { outdoors } = placeDefaults(kind);
  return [...first, ...(outdoors ? [sheltered('covered')] : to ? [sheltered('in', false)] : []), sheltered('left')];
}

function watered(pot: RoundPot): AskAnswer {
  return {
    label: 'Watered',
    said: wateredWords(pot),
    filled: true,
    does: { kind: 'mark', events: (date) => wateredAsAdvised(pot, date), told: wateredWords(pot) },
  };
}

function lookAnswers({ what, then }: Extract<Deed, { deed: 'look' }>, pot: RoundPot): AskAnswer[] {
  if (what === 'underside')
    return [cleanLook(), { label: 'Pests', said: 'pests found', does: { kind: 'link', to: `/clinic/${pot.id}` } }];
  return answersTo(what, then).map(({ answer, write }) => {
    const told = what === 'depth' ? `felt ${answer}` : `${what} ${answer}`;
    return {
      label: capital(answer),
      ...leadsOf(what, then[answer]!),
      said: told,
      does: {
        kind: 'mark',
        events: (date) => (what === 'depth' && FELT.has(answer) ? felt(answer as Felt, date) : write(date)),
        told,
      },
    };
  });
}

/** What follows is said where something does: an answer after which nothing is done needs no word. */
function leadsOf(what: LookAt, deed: DeedName): Pick<AskAnswer, 'leads'> {
  return deed === 'wait' || deed === 'sleep' ? {} : { leads: leadWords(what, deed) };
}

function cleanLook(): AskAnswer {
  const told = 'checked, no pests';
  const events = (date: string) => stepEvents('mealybug', 'look-over', 'clean', date);
  return { label: 'No pests', said: told, does: { kind: 'mark', events, told } };
}

const SHELTERS = ['in', 'covered', 'left'] as const satisfies readonly Shelter[];
export const SHELTER_WORDS: Record<Shelter, { label: string; all(pots: number): string; told: string }> = {
  in: { label: 'Brought in', all: (pots) => `Bring ${those(pots)} in`, told: 'brought in for the night' },
  covered: { label: 'Covered', all: (pots) => `Cover ${those(pots)}`, told: 'covered for the night' },
  left: {
    label: 'Stays',
    all: (pots) => (pots === 1 ? 'It stays' : `All ${pots} stay`),
    told: 'stays there for the night',
  },
};
const those = (pots: number) => (pots === 1 ? 'it' : `all ${pots}`);

function sheltered(how: Shelter, filled = how === 'in'): AskAnswer {
  const { label, told } = SHELTER_WORDS[how];
  return { label, said: told, filled, does: { kind: 'shelter', how } };
}

/** The move itself where the judge names a place, else the form that asks where to. */
function moved(deed: Deed, pot: RoundPot): AskAnswer[] {
  const to = deed.deed === 'move' || deed.deed === 'act' ? deed.to : null;
  if (!to) return [{ label: 'Move it…', said: 'move it', does: { kind: 'link', to: `/plants/${pot.id}?move` } }];
  const told = `moved to ${to.name}`;
  return [
    {
      label: 'Moved there',
      said: told,
      filled: true,
      does: { kind: 'moveTo', placeId: Number(to.id), place: to.name },
    },
  ];
}

function state(label: string, told: string, seen: 'growing' | 'resting'): AskAnswer {
  return {
    label,
    said: told,
    does: { kind: 'mark', events: (date) => [{ type: 'state', date, state: seen }], told },
  };
}

/** After an act what was found of it is asked, since that is what decides next. */
const ACTED: Record<Extract<Deed, { deed: 'act' }>['what'], (pot: RoundPot) => AskAnswer[]> = {
  unpot: () =>
    answersTo('roots', { firm: true, mush: true }).map(({ answer, write }) => ({
      label: answer === 'firm' ? 'Roots firm' : 'Roots mushy',
      said: `unpotted, roots ${answer}`,
      does: { kind: 'mark', events: write, told: `unpotted, roots ${answer}` },
    })),
  'out-of-frost': () => SHELTERS.map((how) => sheltered(how)),
  'out-of-water': () => [
    {
      label: 'Tipped out',
      said: 'tipped out, still wet',
      filled: true,
      does: { kind: 'mark', events: (date) => felt('wet', date), told: 'tipped out, still wet' },
    },
  ],
};

export function stepAnswers({ cause, step }: StepAsked): AskAnswer[] {
  const answers: readonly (Found | null)[] = STEP_ANSWERS[step] ?? [null];
  return answers.map((found) => {
    const told = found === null ? 'done' : FOUND_WORDS[found];
    return {
      label: capital(told),
      said: told,
      does: { kind: 'mark', events: (date) => stepEvents(cause, step, found, date), told },
    };
  });
}

export function alsoAnswers({ kind, minutes, plant_id: id }: AlsoAsked): AskAnswer[] {
  switch (kind) {
    case 'sun': {
      const told = `${minutes ?? 0} minutes of sun`;
      const events = (date: string): JournalEvent[] => [{ type: 'sun', date, minutes: minutes ?? 0 }];
      return [{ label: 'Had it', said: told, does: { kind: 'mark', events, told } }];
    }
    case 'review':
    case 'potted-look':
      return (['better', 'same', 'worse'] as const).map((answer) => {
        const told = `${kind === 'review' ? 'after its move' : 'after its potting'}: ${answer}`;
        const events = (date: string): JournalEvent[] => [{ type: 'review', date, answer }];
        return { label: capital(answer), said: told, does: { kind: 'mark', events, told } };
      });
    case 'quarantine':
      return [
        { label: 'No pests: let it join', said: 'no pests, it may join the others', does: { kind: 'join' } },
        { label: 'Pests', said: 'pests found', does: { kind: 'link', to: `/clinic/${id}` } },
      ];
    case 'sleeve':
      return [arrival('It is off', 'sleeve and foil are off', { sleeve_off: true })];
    case 'peat':
      return [arrival('It is off', 'peat is off', { peat_off: true })];
    case 'pests':
      return [
        { label: 'In the clinic', said: 'find out in the clinic', does: { kind: 'link', to: `/clinic/${id}` } },
        arrival('No pests now', 'no pests by now', { pests: false }),
      ];
    case 'hole':
      return [{ label: 'It has one now', said: 'it has a hole now', does: { kind: 'holed' } }];
    case 'arrival':
      return [{ label: 'Look it over…', said: 'look it over', does: { kind: 'link', to: `/plants/${id}?look-over` } }];
    case 'shade-ends':
      return [{ label: 'Move it…', said: 'move it', does: { kind: 'link', to: `/plants/${id}?move` } }];
  }
}

type Arrival = Extract<JournalEvent, { type: 'arrival' }>;
/** What a look on arrival takes for granted where none was written. */
const NOTHING_FOUND: Omit<Arrival, 'date' | 'type'> = {
  pests: false,
  sleeve_off: true,
  hole: true,
  peat_off: true,
  roots: 'not-seen',
  name_checked: false,
};

/** What was found when it came, put right: the last look on arrival with what is different now. */
function arrival(label: string, told: string, change: Partial<Arrival>): AskAnswer {
  return {
    label,
    said: told,
    does: {
      kind: 'record',
      told,
      event: ({ journal }, date) => {
        const last = journal.find(({ event, voided }) => event.type === 'arrival' && !voided)?.event;
        return { ...NOTHING_FOUND, ...last, ...change, type: 'arrival', date } as Arrival;
      },
    },
  };
}

export function pottingAnswers(plantId: number): AskAnswer[] {
  return [{ label: 'Pot it…', said: 'pot it', does: { kind: 'link', to: `/potting?plant=${plantId}` } }];
}
