/** In what it stands: the keeper's mixes with the bagged soils first, since most plants come in one, and not knowing. */
import { COMPONENTS, type Component } from '@zinc-pail/core';
import type { Kit } from '@zinc-pail/contract/keeping';
import { type Read, readOr } from '../../forms/read.ts';
import { numberIn } from '@zinc-pail/words/numbers';

type Mix = Kit['mixes'][number];

/** The choice of whoever does not know what it stands in. */
export const NOT_KNOWN = 'unknown';
const SOLD_IN_BAGS: ReadonlySet<string> = new Set(['potting-soil', 'cactus-soil']);

/** A mix of nothing but what is sold in bags. */
function isBagged({ parts }: Pick<Mix, 'parts'>): boolean {
  return parts.length > 0 && parts.every(({ component }) => SOLD_IN_BAGS.has(component));
}

/** Bagged soils first, then mixes with some of them, then the rest, each by name. */
export function mixesInOrder(mixes: readonly Mix[]): Mix[] {
  const rank = (mix: Mix) =>
    isBagged(mix) ? 0 : mix.parts.some(({ component }) => SOLD_IN_BAGS.has(component)) ? 1 : 2;
  return mixes.toSorted((a, b) => rank(a) - rank(b) || a.name.localeCompare(b.name));
}

export interface PartDraft {
  /** as it is typed: the name of a component */
  of: string;
  parts: string;
}

const byName = new Map(
  [...COMPONENTS].flatMap(([id, { name }]) => [[name.toLowerCase(), id] as const, [id, id] as const]),
);
/** Components by the names under which a keeper finds them. */
export const COMPONENT_NAMES: readonly string[] = [...COMPONENTS.values()].map(({ name }: Component) => name);

/** A mix by its parts, made on the spot; faults by `name`, `of-0`, `parts-0`. */
export function mixOf(name: string, drafts: readonly PartDraft[]): Read<{ name: string; parts: Mix['parts'] }> {
  const wrong: Record<string, string> = {};
  const told = drafts.filter(({ of, parts }) => of.trim() !== '' || parts.trim() !== '');
  const parts = told.map(({ of, parts: typed }) => {
    const at = drafts.findIndex((draft) => draft.of === of && draft.parts === typed);
    const component = byName.get(of.trim().toLowerCase());
    const amount = typed.trim() === '' ? 1 : numberIn(typed, 0.01, 1000);
    if (!component) wrong[`of-${at}`] = 'One of the list: pumice, grit, potting soil…';
    if (Number.isNaN(amount)) wrong[`parts-${at}`] = 'Parts by measure: 1, 2, 0.5.';
    return { component: component ?? '', parts: amount };
  });
  if (name.trim() === '') wrong.name = 'A name for it, to find it again.';
  if (told.length === 0) wrong['of-0'] = 'At least one part.';
  if (new Set(parts.map(({ component }) => component)).size < parts.length && Object.keys(wrong).length === 0)
    wrong['of-0'] = 'One ingredient is there twice: add its parts together.';
  return readOr(wrong, { name: name.trim(), parts });
}
