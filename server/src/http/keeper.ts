import type { Request } from 'express';

/** Accounts come later; until then whoever sits at this machine may say who they are. */
const NOBODY = 'keeper';
const LONGEST = 40;

/** The name under which a request writes: from the X-Keeper header, percent-encoded. */
export function keeperOf(request: Request): string {
  const told = request.get('x-keeper');
  if (!told) return NOBODY;
  try {
    return decodeURIComponent(told).trim().slice(0, LONGEST) || NOBODY;
  } catch {
    return NOBODY;
  }
}
