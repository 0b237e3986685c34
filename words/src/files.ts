/**
 * What the command line prints: the forecast and the judgement of a garden file, in English and SI units
 * (docs/formats.md).
 */
import { type Garden, gardenTasks, type Judgement, type PlantForecast } from '@zinc-pail/core';
import { judgementWords } from './judgement.ts';
import { dateReasonWords, holdWords } from './outlook.ts';
import { capital } from './units.ts';
import { SI } from './units.ts';

type Told<T> = Omit<T, 'because' | 'hold'> & {
  hold?: { until: string; why: string };
  because: { factor: string; days: number; text: string }[];
};

export interface ForecastFile {
  format: 'zinc-pail/forecast';
  version: 1;
  today: string;
  plants: Told<PlantForecast>[];
}

export function forecastFile(garden: Garden): ForecastFile {
  const { today } = garden;
  return {
    format: 'zinc-pail/forecast',
    version: 1,
    today,
    plants: gardenTasks(garden).map(({ task: { forecast } }) => {
      const { because, hold, ...rest } = forecast;
      return {
        ...rest,
        ...(hold ? { hold: { until: hold.until, why: holdWords({ hold }, { units: SI, today }) } } : {}),
        because: because.map((reason) => ({
          factor: reason.factor,
          days: reason.days,
          text: dateReasonWords(reason, SI),
        })),
      };
    }),
  };
}

export interface JudgementFile {
  format: 'zinc-pail/judgement';
  version: 1;
  today: string;
  plants: (Omit<Judgement, 'never_c'> & { id: string; words: { head: string; reason: string } })[];
}

export function judgementFile(garden: Garden): JudgementFile {
  const { today } = garden;
  return {
    format: 'zinc-pail/judgement',
    version: 1,
    today,
    plants: gardenTasks(garden).map(({ outlook, task: { judgement } }) => {
      const words = judgementWords(judgement, { units: SI, today });
      const { never_c: _, ...rest } = judgement;
      return {
        id: outlook.plant.id,
        ...rest,
        words: { head: `${capital(words.head)}.`, reason: [words.reason, ...words.beside].join(' ') },
      };
    }),
  };
}

export { diagnosisFile, type DiagnosisFile } from './diagnosis.ts';
