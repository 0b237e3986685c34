/** What the clinic writes into a plant's book: signs, looks, verdicts, steps. */
import type { JournalEvent, PlantView } from '@zinc-pail/contract/api';
import type { ClinicSheet } from '@zinc-pail/contract/clinic';
import { type Cause, type CheckAnswer, type CheckId, foundIn, type Sign } from '@zinc-pail/core';
import { usePlant } from '../../api/plant.ts';
import { useMarks } from '../../marking/Marks.tsx';
import { signEvent } from './signEvent.ts';

export { signEvent };

const PLAIN: Readonly<Record<string, string>> = { wet: 'wet', damp: 'damp', dry: 'dry' };

/** @returns null until the plant is there */
export function useSheetMarks({ patient, today }: Pick<ClinicSheet, 'patient' | 'today'>) {
  const { mark, busy } = useMarks();
  const plant = usePlant(patient.id).data;
  const write = async (events: JournalEvent[], said: string): Promise<boolean> => {
    if (!plant) return false;
    const before: Pick<PlantView, 'outlook' | 'task'> = plant;
    return mark([{ plantId: patient.id, name: patient.name, today, seen: null, before }], () => events, said);
  };
  return { write, busy: busy.has(patient.id) || !plant, pictures: plant?.record.pictures ?? [] };
}

/** Whom a look that found nobody clears. */
const LOOKED_FOR: Partial<Record<CheckId, Cause>> = {
  'look-axils': foundIn('axils'),
  'look-underside': foundIn('undersides'),
};

/** What an answer to a check writes: a look at the mix, a clean look, or a sign. */
export function answerEvent(check: CheckId, answer: CheckAnswer, date: string): JournalEvent {
  if (PLAIN[answer]) return { type: 'check', date, finger: answer as 'wet' | 'damp' | 'dry' };
  const cause = LOOKED_FOR[check] ?? foundIn('axils');
  if (answer === 'clean') return { type: 'case-step', date, cause, step: 'look-over', found: 'clean' };
  const roots = answer.startsWith('roots-') || answer === 'root-fluff';
  const base = answer === 'firm-base' || answer === 'soft-base';
  return signEvent(answer as Sign, date, { where: roots ? 'roots' : base ? 'base' : null });
}
