/** What a keeper who begins has told so far, and the requests that make it so. */
import type { Town } from '@zinc-pail/contract/towns';
import type { Kit } from '@zinc-pail/contract/keeping';
import { UNKNOWN_MIX, unknownMixId } from '@zinc-pail/contract/unknownMix';
import {
  commonGenus,
  dayNumber,
  isoDay,
  placeDefaults,
  type PlaceKind,
  usualAir,
  type WaterKind,
} from '@zinc-pail/core';
import { COMPASS, KIND_CHOICES } from '@zinc-pail/words/places';
import { FIRST_POT, USUAL_POTS } from '../takein/usualPots.ts';

export const STEPS = ['where', 'water', 'bench', 'plant'] as const;
export type StepName = (typeof STEPS)[number];

export interface Draft {
  town: Town | null;
  tap: WaterKind | null;
  kind: PlaceKind | null;
  /** the way its glass or wall faces, degrees; null: all round, or not known */
  faces: number | null;
  name: string;
  /** the genus that was meant, where the name fits several */
  meant: string | null;
  pot: string;
  /** null: not known */
  mix: number | null;
  lastWatered: 'today' | 'week' | 'unknown';
}

export const EMPTY: Draft = {
  town: null,
  tap: null,
  kind: null,
  faces: null,
  name: '',
  meant: null,
  pot: FIRST_POT,
  mix: null,
  lastWatered: 'unknown',
};

/** Whether a place of the kind wants to know which way it faces. */
export const asksFacing = (kind: PlaceKind | null) => kind !== null && placeDefaults(kind).facing;

/** As a newcomer is asked: what most of them have first. */
export const KINDS = (Object.keys(KIND_CHOICES) as PlaceKind[]).map((kind) => ({ kind, ...KIND_CHOICES[kind] }));
const LAMP = { ppfd_umol_m2_s: 180, hours: 12 };

export const TAPS: readonly { kind: WaterKind; label: string; sense: string }[] = [
  { kind: 'hard', label: 'Hard', sense: 'the kettle furs up' },
  { kind: 'soft', label: 'Soft', sense: 'no lime, soap lathers at once' },
  { kind: 'softened', label: 'From a softener', sense: 'salt is put into it' },
];

/** The first step that still lacks its answer. */
export function nextStep({ town, tap, kind }: Draft): StepName {
  if (!town) return 'where';
  if (!tap) return 'water';
  return kind ? 'plant' : 'bench';
}

/** What has been made on the way: a try that failed half way goes on where it stopped. */
export interface Made {
  site?: number;
  water?: boolean;
  place?: number;
  mix?: number;
  client_id: string;
}

type Ask = <T>(path: string, init?: { method: 'POST'; body: unknown }) => Promise<T>;

/** Site, water, bench and plant, one after the other. */
export async function makeIt(draft: Draft, kit: Kit, today: string, made: Made, ask: Ask): Promise<void> {
  const { town, tap, kind, faces } = draft;
  if (!town || !tap || !kind) throw new RangeError('where, water and bench first');
  made.site ??= (
    await ask<{ id: number }>('/sites', {
      method: 'POST',
      body: {
        name: town.name,
        latitude_deg: town.latitude_deg,
        longitude_deg: town.longitude_deg,
        time_zone: town.time_zone,
      },
    })
  ).id;
  if (!made.water) {
    await ask('/waters', { method: 'POST', body: { name: 'Tap', kind: tap } });
    made.water = true;
  }
  made.place ??= (
    await ask<{ id: number }>('/places', {
      method: 'POST',
      body: {
        site_id: made.site,
        name: benchName(draft),
        kind,
        air: usualAir(kind),
        aspect_deg: asksFacing(kind) ? faces : null,
        ...(kind === 'lamp-shelf' ? { lamp: LAMP } : {}),
      },
    })
  ).id;
  made.mix ??=
    draft.mix ??
    unknownMixId(kit.mixes) ??
    (await ask<{ id: number }>('/mixes', { method: 'POST', body: UNKNOWN_MIX })).id;
  await ask('/plants', {
    method: 'POST',
    body: {
      client_id: made.client_id,
      name: draft.name.trim(),
      taxon: draft.meant ?? commonGenus(draft.name),
      name_sure: 'likely',
      pot: USUAL_POTS.find(({ id }) => id === draft.pot)!.pot,
      mix_id: made.mix,
      place_id: made.place,
      date: today,
      count: 1,
      ...(draft.lastWatered === 'unknown'
        ? {}
        : { last_watered: isoDay(dayNumber(today) - (draft.lastWatered === 'today' ? 0 : 7)) }),
    },
  });
}

/** "Windowsill, south". */
export function benchName({ kind, faces }: Pick<Draft, 'kind' | 'faces'>): string {
  const label = KINDS.find((one) => one.kind === kind)?.label.replace(/^(A|In the|Under a) /, '') ?? 'Bench';
  const facing = asksFacing(kind) ? COMPASS.find(({ deg }) => deg === faces)?.label : undefined;
  const name = label.charAt(0).toUpperCase() + label.slice(1);
  return facing ? `${name}, ${facing}` : name;
}
