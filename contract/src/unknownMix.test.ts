import { COMPONENTS } from '@zinc-pail/core';
import { describe, expect, it } from 'vitest';
import { UNKNOWN_MIX, unknownMixId } from './unknownMix.ts';

const mix = (id: number, ...components: string[]) => ({
  id,
  parts: components.map((component) => ({ component, parts: 1 })),
});

describe('the mix that nobody knows', () => {
  it('is made of what the library has, and of nothing else', () => {
    for (const { component } of UNKNOWN_MIX.parts) expect(COMPONENTS.has(component)).toBe(true);
  });
  it('is the keeper’s own recipe of just that, whatever its place in the list', () => {
    expect(unknownMixId([mix(4, 'pumice'), mix(9, 'potting-soil'), mix(11, 'potting-soil')])).toBe(9);
  });
  it('is none that has more in it: a soil that was opened with pumice dries faster', () => {
    expect(unknownMixId([mix(4, 'potting-soil', 'pumice'), mix(5, 'cactus-soil')])).toBeNull();
    expect(unknownMixId([mix(6)])).toBeNull();
    expect(unknownMixId([])).toBeNull();
  });
});
