/** Which pH a plant's roots like. */
import type { DryRule, Form } from '../garden.ts';

/** Most take up food best from weakly acid to neutral; kinds of the rain forest live in leaf mould, more acid. */
const USUAL = [5.8, 7.2] as const;
const LEAF_MOULD = [5, 6.4] as const;

export function phBand({ form, dryRule }: { form: Form; dryRule: DryRule }): readonly [number, number] {
  return dryRule === 'keep-damp' && form !== 'bulb' ? LEAF_MOULD : USUAL;
}
