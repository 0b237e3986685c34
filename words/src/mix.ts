/** What to mind in a mix, in sentences. */
import type { MixWarning } from '@zinc-pail/core';
import { capital, smallLengthWords, type Units } from './units.ts';

const percent = (share: number) => `${Math.round(100 * share)} %`;

export function mixWarningWords({ code, n, of = [] }: MixWarning, units: Units): string {
  switch (code) {
    case 'too-organic':
      return `Too organic for this plant: ${percent(n.mineral!)} mineral, it wants at least ${percent(n.least!)}.`;
    case 'too-lean':
      return `Leaner than this plant likes: ${percent(n.mineral!)} mineral, up to ${percent(n.most!)} suits it.`;
    case 'too-acid':
      return `More acid than this plant likes: pH ${n.ph!.toFixed(1)}, at least ${n.from} suits it.`;
    case 'too-limy':
      return `Too alkaline for this plant: pH ${n.ph!.toFixed(1)}, up to ${n.to} suits it; hard water adds to it.`;
    case 'little-air':
      return `Little air after a drench: ${percent(n.air!)}. Succulent roots want at least 20 %.`;
    case 'wet-layer':
      return (
        `The wet layer is ${smallLengthWords(n.wet_mm!, units)} of ${smallLengthWords(n.mix_mm!, units)}: ` +
        'a deeper pot or a coarser mix would be drier.'
      );
    case 'crocks':
      return (
        `Crocks do not remove the wet layer: its ${smallLengthWords(n.wet_mm!, units)} now sit ` +
        `${smallLengthWords(n.crock_mm!, units)} higher, nearer the roots.`
      );
    case 'sheds':
      return 'Once bone dry this mix repels water: stand the pot in water, or pour twice with a pause.';
    case 'sea-salt':
      return `${capital(of.join(', '))}: use washed sand only; building and beach sand bring salts.`;
    case 'dusty':
      return `Dampen ${of.join(', ')} before you tip it, and wear a mask: mineral dust harms the lungs.`;
    case 'no-hole':
      return 'No hole: all the water stays. Give small measures only, or drill one.';
  }
}
