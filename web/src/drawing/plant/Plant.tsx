/** A plant as a keeper would sketch it, by name and form: one drawing from the side, one from above. */
import type { PlantState } from '@zinc-pail/core';
import { interpolateRgb } from 'd3';
import { crestAbove, FROM_ABOVE } from './fromAbove.tsx';
import { crest } from './bodies.tsx';
import { FROM_SIDE } from './fromSide.tsx';
import type { Ink } from './ink.tsx';
import { lookOf, type PlantLook, type Tint } from './looks.ts';
import { detailOf } from './strokes.ts';

const GREENS: Record<PlantState, readonly [fill: string, edge: string]> = {
  growing: ['#6d8240', '#4d5f2a'],
  waking: ['#7d9150', '#566a2c'],
  easing: ['#8f9463', '#6b7045'],
  resting: ['#9aa29a', '#6f7a74'],
};
const TINTS: Record<Tint, string> = {
  blue: '#7fa0a8',
  grey: '#a3a595',
  red: '#8a4a45',
  brown: '#9b8264',
  yellow: '#b3a552',
  pale: '#c9cdbd',
};
/** How far a colour of its own shows through the green of the season. */
const TINTED = 0.5;
const LIGHT = '#ece6cf';
const BARK = '#a2927a';

/** Lines are this part of the drawing's width, within what can be seen and what looks like a pen. */
const PEN = { share: 1 / 60, least: 0.5, most: 2.4 };

function inkOf(state: PlantState, { tint, variegated }: PlantLook, px: number, unitsPerPx: number): Ink {
  const [fill, edge] = GREENS[state];
  const tinted = (colour: string) => (tint ? interpolateRgb(colour, TINTS[tint])(TINTED) : colour);
  return {
    fill: tinted(fill),
    edge: tint ? interpolateRgb(edge, TINTS[tint])(TINTED / 3) : edge,
    light: LIGHT,
    bark: BARK,
    variegated,
    pen: Math.max(PEN.least, Math.min(PEN.most, px * PEN.share)) * unitsPerPx,
    detail: detailOf(px),
  };
}

interface PlantProps {
  name: string;
  form: string;
  state: PlantState;
  /** no leaves today */
  bare?: boolean;
  /** how many units of the drawing a pixel is; lines and detail go by pixels */
  unitsPerPx?: number;
}

/** Standing on the origin, reaching up to -height. */
export function PlantFromSide({
  name,
  form,
  state,
  bare = false,
  unitsPerPx = 1,
  width,
  height,
}: PlantProps & { width: number; height: number }) {
  const look = lookOf(name, form);
  const ink = inkOf(state, look, Math.max(width, height) / unitsPerPx, unitsPerPx);
  const draw = look.crested ? crest : FROM_SIDE[look.look];
  return draw({ width, height, ink, bare });
}

/** About the origin, within a circle of this width. */
export function PlantFromAbove({
  name,
  form,
  state,
  bare = false,
  unitsPerPx = 1,
  width,
}: PlantProps & { width: number }) {
  const look = lookOf(name, form);
  const ink = inkOf(state, look, width / unitsPerPx, unitsPerPx);
  const draw = look.crested ? crestAbove : FROM_ABOVE[look.look];
  return draw({ radius: width / 2, ink, bare });
}

/** A form without leaves while it sleeps. */
export function isBare(form: string, state: PlantState): boolean {
  return state === 'resting' && (form === 'caudex' || form === 'bulb');
}
