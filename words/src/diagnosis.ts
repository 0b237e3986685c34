/** What `zinc diagnose` prints of one plant: the causes, the next check, the water, what is done and changed (docs/formats.md). */
import { CHECK_TABLE, clinicAnswer, dayNumber, type Garden, gardenTasks, type WaterAnswer } from '@zinc-pail/core';
import { actionWords, cautionWords, changeWords, CHECK_WORDS, evidenceWords, raisedWords } from './clinic.ts';
import { SI } from './units.ts';

export interface DiagnosisFile {
  format: 'zinc-pail/diagnosis';
  version: 1;
  today: string;
  plant: string;
  causes: { cause: string; probability: number; for: string[]; against: string[] }[];
  unknown: number;
  next_check: { check: string; answers: string[]; why: string } | null;
  water: WaterAnswer;
  method?: string;
  amount_ml?: number;
  advice: { action: string; text: string; urgency: string }[];
  schedule: { change: string; text: string }[];
  cautions: string[];
  raised: { code: string; text: string }[];
}

/** @throws RangeError where the garden has no such plant */
export function diagnosisFile(garden: Garden, plantId: string): DiagnosisFile {
  const { today } = garden;
  const found = gardenTasks(garden, plantId)[0];
  if (!found)
    throw new RangeError(
      `no plant "${plantId}"; there ${garden.plants.length === 1 ? 'is' : 'are'} ${garden.plants.map(({ id }) => id).join(', ') || 'none'}`,
    );
  const speaking = { units: SI, today };
  const { judgement, clinic } = found.task;
  const { diagnosis, raised } = clinic;
  const { water, drink, check, actions, changes } = clinicAnswer(judgement, clinic, dayNumber(today));
  const quiet = diagnosis === null;
  const told = quiet ? null : check;
  return {
    format: 'zinc-pail/diagnosis',
    version: 1,
    today,
    plant: plantId,
    causes: (diagnosis?.causes ?? []).map(({ cause, probability, for: pro, against }) => ({
      cause,
      probability: Math.round(probability * 1000) / 1000,
      for: pro.map((evidence) => evidenceWords(evidence, speaking)),
      against: against.map((evidence) => evidenceWords(evidence, speaking)),
    })),
    unknown: Math.round((diagnosis?.unknown ?? 0) * 1000) / 1000,
    next_check: told
      ? {
          check: CHECK_WORDS[told].name,
          answers: [...CHECK_TABLE.find(({ id }) => id === told)!.answers],
          why: CHECK_WORDS[told].why,
        }
      : null,
    // Nothing was seen, and the record is in order: the forecast's date stands.
    water: quiet ? 'no-change' : water,
    ...(!quiet && water === 'now' && drink ? { method: drink.method, amount_ml: drink.amount_ml } : {}),
    advice: quiet
      ? []
      : actions.map((action) => ({
          action: action.action === 'move' ? `move-${action.of ?? ''}` : action.action,
          text: actionWords(action, speaking, drink ? `${drink.amount_ml} ml, ${drink.method}` : null),
          urgency: action.urgency,
        })),
    schedule: quiet ? [] : changes.map((change) => ({ change: change.change, text: changeWords(change, speaking) })),
    cautions: quiet
      ? []
      : cautionWords(
          clinic.plan.cautions,
          actions.map(({ action }) => action),
        ),
    raised: raised.map((one) => ({ code: one.code, text: raisedWords(one, speaking).say })),
  };
}
