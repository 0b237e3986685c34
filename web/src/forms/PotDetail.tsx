/** What a pot is besides its measures: its holes, and whether it is dark. */
import { hasSmallHole, type Pot } from '@zinc-pail/core';
import { numberIn } from '@zinc-pail/words/numbers';
import { Tick, Typed, TypedLength } from './Fields.tsx';
import { lengthBounds } from '../reader/units.ts';

export interface PotDetailDraft {
  holes: boolean;
  holeCount: string;
  holeMm: string;
  crocks: string;
  dark: boolean;
}

export function detailDraft(pot: Pick<Pot, 'holes' | 'hole_count' | 'hole_mm' | 'crocks_mm' | 'dark'>): PotDetailDraft {
  return {
    holes: pot.holes,
    holeCount: pot.hole_count == null ? '' : String(pot.hole_count),
    holeMm: pot.hole_mm == null ? '' : String(pot.hole_mm),
    crocks: pot.crocks_mm == null ? '' : String(pot.crocks_mm),
    dark: pot.dark ?? false,
  };
}

/** The details of a draft, or what is wrong with them. Empty is not known. */
export function detailOf(
  draft: PotDetailDraft,
): Pick<Pot, 'holes' | 'hole_count' | 'hole_mm' | 'crocks_mm' | 'dark'> | string {
  const maybe = (text: string, most: number) => (text.trim() === '' ? null : Math.round(numberIn(text, 1, most)));
  const [count, mm, crocks] = [maybe(draft.holeCount, 60), maybe(draft.holeMm, 120), maybe(draft.crocks, 200)];
  if (Number.isNaN(count)) return 'Holes: from 1 to 60, or nothing.';
  if (Number.isNaN(mm)) return `Width of a hole: ${lengthBounds(1, 120)}, or nothing.`;
  if (Number.isNaN(crocks)) return `Crocks: ${lengthBounds(1, 200)}, or nothing.`;
  return {
    holes: draft.holes,
    dark: draft.dark,
    hole_count: draft.holes ? count : null,
    hole_mm: draft.holes ? mm : null,
    crocks_mm: crocks,
  };
}

/** Shares of the roots that were lost, as a keeper says it. */
export const ROOTS_LOST = [
  { id: '0', label: 'left alone' },
  { id: '0.2', label: 'a few cut' },
  { id: '0.5', label: 'half cut' },
  { id: '0.8', label: 'most cut' },
];

export interface PotDraft extends PotDetailDraft {
  top: string;
  base: string;
  depth: string;
  dressing: string;
}

export function potDraft(pot: Pot): PotDraft {
  return {
    top: String(pot.top_mm),
    base: String(pot.base_mm),
    depth: String(pot.depth_mm),
    dressing: String(pot.top_dressing_mm),
    ...detailDraft(pot),
  };
}

const MEASURES = [
  ['top', 'top_mm', 10, 3000, 'Width at the top'],
  ['base', 'base_mm', 1, 3000, 'Width at the base'],
  ['depth', 'depth_mm', 10, 3000, 'Depth of mix'],
  ['dressing', 'top_dressing_mm', 0, 300, 'Stones on top'],
] as const;

/** The pot of a draft but for its shape and material, or what is wrong with it. */
export function potOfDraft(draft: PotDraft): Omit<Pot, 'shape' | 'material'> | string {
  const measures = { top_mm: 0, base_mm: 0, depth_mm: 0, top_dressing_mm: 0 };
  for (const [key, field, least, most, label] of MEASURES) {
    measures[field] = numberIn(draft[key], least, most);
    if (Number.isNaN(measures[field])) return `${label}: ${lengthBounds(least, most)}.`;
  }
  const detail = detailOf(draft);
  return typeof detail === 'string' ? detail : { ...measures, ...detail };
}

interface Props {
  draft: PotDetailDraft;
  base: string;
  shape: Pot['shape'];
  onChange(some: Partial<PotDetailDraft>): void;
}

export function PotDetail({ draft, base, shape, onChange }: Props) {
  const detail = detailOf(draft);
  const baseMm = numberIn(base, 1, 3000);
  const small =
    typeof detail === 'object' && !Number.isNaN(baseMm) && hasSmallHole({ ...detail, shape, base_mm: baseMm });
  return (
    <>
      <Tick label="It has a hole" checked={draft.holes} onChange={(holes) => onChange({ holes })} />
      {draft.holes ? (
        <div className="flex flex-wrap gap-x-4">
          <Typed
            label="How many holes"
            width="w-28"
            value={draft.holeCount}
            onChange={(holeCount) => onChange({ holeCount })}
          />
          <TypedLength
            label="Each across"
            width="w-28"
            value={draft.holeMm}
            onChange={(holeMm) => onChange({ holeMm })}
          />
        </div>
      ) : (
        <p className="mb-3 border-l-4 border-[var(--straw)] pl-2 text-[0.9375rem]">
          Without one no drench: drill it (tape, wet drill, eye cover), or keep it as an outer pot.
        </p>
      )}
      {small && (
        <p className="mb-3 border-l-4 border-[var(--straw)] pl-2 text-[0.9375rem]">
          Little comes through so small a hole, and a root shuts it: widen it or drill more. Shards over it are no hole.
        </p>
      )}
      <TypedLength
        label="Crocks below the mix"
        width="w-28"
        value={draft.crocks}
        onChange={(crocks) => onChange({ crocks })}
      />
      <Tick label="Dark pot in full sun" checked={draft.dark} onChange={(dark) => onChange({ dark })} />
    </>
  );
}
