/** Temperatures of one plant that must agree with each other, whoever set which. */
import { genusByAnyName, genusCare, type OwnRules, type Told, traitsOf } from '@zinc-pail/core';
import { badField } from '../http/refusals.ts';

/** @throws Refused where a dry root ball would bear less cold than a moist one, or the band and ceiling stand crossed */
export function refuseCrossed(plant: Told, own: OwnRules): void {
  const { traits } = traitsOf(plant);
  if (traits.minDryC > traits.minWetC)
    throw badField(
      '/min_dry_c',
      traits.minDryC,
      `no more than the lowest night it takes moist, ${traits.minWetC} °C: dry it takes more cold`,
    );
  const care = genusCare(genusByAnyName(plant.taxon ?? plant.name), traits.form, traits.habit);
  const { idealFromC, idealToC, ceilingC } = { ...care, ...own };
  if (idealFromC >= idealToC)
    throw badField('/rules/idealFromC', idealFromC, `less than ${idealToC} °C, where its best ends`);
  if (idealToC > ceilingC)
    throw badField('/rules/ceilingC', ceilingC, `no less than ${idealToC} °C, where its best ends`);
}
