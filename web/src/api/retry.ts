import { ProblemError } from './client.ts';

/** A question that is only not answered yet is asked until it is; of a failure, one may be chance. */
export function asksAgain(failures: number, error: Error): boolean {
  if (error instanceof ProblemError && error.problem.type.endsWith(':still-reckoning')) return true;
  return failures < 1;
}
