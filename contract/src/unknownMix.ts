/** In what a plant stands where nobody knows it: the same for the Shed's list, a plant taken in, and the first of all. */

interface Recipe {
  name: string;
  parts: { component: string; parts: number }[];
}

/** The slowest to dry of what plants are sold in, so that nothing is watered too soon. */
export const UNKNOWN_MIX: Readonly<Recipe> = {
  name: 'Bagged potting soil, as it comes',
  parts: [{ component: 'potting-soil', parts: 1 }],
};

/** The keeper's recipe of just that, whatever its name; null where it has yet to be made. */
export function unknownMixId(mixes: readonly (Pick<Recipe, 'parts'> & { id: number })[]): number | null {
  const [wanted] = UNKNOWN_MIX.parts;
  return mixes.find(({ parts }) => parts.length === 1 && parts[0]!.component === wanted!.component)?.id ?? null;
}
