import type { RoundPot } from '@zinc-pail/contract/api';
import { litres } from './amounts.ts';

/** The deed in this keeper's units; whatever is not a drink says it in its own words. */
export function headOf({ outlook, task }: Pick<RoundPot, 'outlook' | 'task'>): string {
  if (outlook.verdict.kind !== 'water') return outlook.verdict.head;
  const words = { drench: 'Drench', base: 'Drench at the base', bottom: 'Stand in water', measured: 'Measure out', mist: 'Mist' } as const;
  if (task.flush) return `Flush, ${litres(task.amount_ml)}`;
  return `${words[task.way]}${task.way === 'measured' ? ' ' : ', '}${litres(task.amount_ml)}`;
}
