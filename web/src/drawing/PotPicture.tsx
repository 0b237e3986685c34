/** A pot of a list as it is drawn everywhere: in its measures, with its plant, the stick in it where it asks for that. */
import type { RoundPot } from '@zinc-pail/contract/api';
import { drinkOf } from '@zinc-pail/core';
import { PotGlyph } from './PotGlyph.tsx';

/** Drawn out to be watered, half out where a finger or a stick is to go into the mix. */
export function stickOf({ task }: Pick<RoundPot, 'task'>): 'out' | 'half' | null {
  if (drinkOf(task.judgement)) return 'out';
  const [first] = task.judgement.deeds;
  return first.deed === 'look' && first.what === 'depth' ? 'half' : null;
}

interface PotPictureProps {
  pot: RoundPot;
  /** the box it must fit */
  size: number;
  /** pixels for a millimetre, where it fits */
  pxPerMm: number;
  /** without it where the picture speaks of something else */
  stick?: boolean;
}

export function PotPicture({ pot, size, pxPerMm, stick = true }: PotPictureProps) {
  return (
    <PotGlyph
      pot={pot.outlook.pot}
      name={pot.name}
      pictureId={pot.picture_id}
      form={pot.form}
      state={pot.outlook.state}
      diameterMm={pot.diameter_mm}
      heightMm={pot.height_mm}
      size={size}
      pxPerMm={pxPerMm}
      stick={stick ? stickOf(pot) : null}
    />
  );
}
