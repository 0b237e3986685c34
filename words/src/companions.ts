/** Several plants in one pot drink together: what they want may clash. */
import { type DryRule, genusByAnyName, type Plant, type Traits, traitsOf } from '@zinc-pail/core';

const DAMP: ReadonlySet<DryRule> = new Set<DryRule>(['keep-damp', 'dry-top']);
const SEASONS = {
  summer: 'summer',
  winter: 'winter',
  'spring-autumn': 'spring and autumn',
  evergreen: 'the whole year',
  opportunist: 'any warm month',
} as const;

/** A pot stands in for theirs: only season and rule are asked for. */
const ANY_POT: Omit<Plant, 'name'> = {
  id: '',
  diameter_mm: 1,
  height_mm: 1,
  place: '',
  mix: '',
  events: [],
  pot: { shape: 'round', top_mm: 90, base_mm: 67, depth_mm: 80, material: 'plastic', holes: true, top_dressing_mm: 0 },
};

/**
 * A sentence for each companion that wants another season or another kind of drink than the plant the pot is watered
 * for.
 *
 * @param traits of the plant that the pot is planned by
 * @param companions names with commas between, as the keeper wrote them; names without a known genus say nothing
 */
export function companionClashes(traits: Pick<Traits, 'habit' | 'dryRule'>, companions: string | null): string[] {
  return (companions ?? '').split(/[,;]/).flatMap((written) => {
    const name = written.trim();
    if (!genusByAnyName(name)) return [];
    const other = traitsOf({ ...ANY_POT, name }).traits;
    if (opposed(traits.habit, other.habit))
      return [
        `${name} grows in ${SEASONS[other.habit]}, this one in ${SEASONS[traits.habit]}: one of them is watered in its rest.`,
      ];
    if (DAMP.has(traits.dryRule) !== DAMP.has(other.dryRule))
      return [
        DAMP.has(other.dryRule)
          ? `${name} wants to stay damper than this one.`
          : `${name} wants to be drier than this one.`,
      ];
    return [];
  });
}

function opposed(a: Traits['habit'], b: Traits['habit']): boolean {
  return (a === 'summer' && b === 'winter') || (a === 'winter' && b === 'summer');
}
