import type { PotMaterial } from '@zinc-pail/core';

/** Pots in the colours of what they are made of: the body, and its rim in the shade. */
export const MATERIALS: Record<PotMaterial, { fill: string; rim: string }> = {
  terracotta: { fill: '#c07a55', rim: '#ad6743' },
  glazed: { fill: '#557a80', rim: '#436469' },
  plastic: { fill: '#66716f', rim: '#515b59' },
  concrete: { fill: '#a5a59c', rim: '#8f8f86' },
  metal: { fill: '#9fabae', rim: '#7d898c' },
};
