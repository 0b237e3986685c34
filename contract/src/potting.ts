/** The potting bench on the wire: who is due, what a pot and a mix do, what lies in the stores. */
import { FORMS } from '@zinc-pail/core';
import {
  AFTERCARE,
  type AftercareTask,
  type AgainstBefore,
  BLOCK_CODES,
  type DaysToDry,
  type Drying,
  FIRST_DRINK_CODES,
  MATERIAL_CODES,
  NEED_CODES,
  type NeedReason,
  POT_MATERIALS,
  type PottingView,
  ROOT_FINDINGS,
} from '@zinc-pail/core';
import type { Pot } from '@zinc-pail/core';
import Joi from 'joi';
import { day, id, list, named, number, object, oneOf, optional, text, whole } from './fields.ts';
import { keptPot as pot } from './gardenFile.ts';
import { LONGEST_NAME } from './limits.ts';
import { UUID } from './marks.ts';

export const STOCK_KINDS = ['component', 'pot', 'feed', 'label'] as const;
export type StockKind = (typeof STOCK_KINDS)[number];
export const STOCK_WHYS = ['bought', 'counted', 'batch', 'potting'] as const;
export type StockWhy = (typeof STOCK_WHYS)[number];
export const POTTING_WHYS = ['signs', 'years', 'rescue'] as const;

export interface StockLine {
  id: number;
  kind: StockKind;
  name: string;
  component_ref: string | null;
  pot: Pot | null;
  amount: number;
  low: number | null;
  price_minor: number | null;
  version: number;
}
const stockFields = {
  kind: oneOf(STOCK_KINDS),
  name: text(LONGEST_NAME),
  component_ref: optional(text(200)),
  pot: optional(pot),
  amount: number(-1e6, 1e6),
  low: optional(number(0, 1e6)),
  price_minor: optional(whole(0, 1e9)),
};
export type NewStock = Omit<StockLine, 'id' | 'version'>;
export const newStock = object<NewStock>(
  { ...stockFields, amount: number(0, 1e6) },
  'a thing in the stores with kind, name and amount',
);
export const stockChange = object<Partial<Pick<NewStock, 'name' | 'low' | 'price_minor'>>>(
  {
    name: text(LONGEST_NAME).optional(),
    low: optional(number(0, 1e6)),
    price_minor: optional(whole(0, 1e9)),
  },
  'what to change of a thing in the stores',
);
export const stockSchema = object<{ stock: StockLine[] }>(
  { stock: list(object<StockLine>({ id: id(), ...stockFields, version: id() }, 'a thing'), 'things') },
  'the stores',
);

/** What came or went; `anyway`: more goes than was there, and the keeper knows. */
export interface StockMoves {
  client_id: string;
  why: StockWhy;
  lines: { stock_id: number; amount: number }[];
  anyway?: boolean;
}
export const stockMoves = object<StockMoves>(
  {
    client_id: UUID,
    why: oneOf(STOCK_WHYS),
    lines: list(object({ stock_id: id(), amount: number(-1e6, 1e6) }, 'a line with stock_id and amount'), 'lines', 200)
      .min(1)
      .messages({ 'array.min': 'at least one line' }),
    anyway: Joi.boolean().optional(),
  },
  'what came or went, with client_id, why and lines',
);

export interface RecipeFields {
  name: string;
  for_what: string | null;
  parts: { component: string; parts: number }[];
}
export const recipeBody = object<RecipeFields>(
  {
    name: text(LONGEST_NAME),
    for_what: optional(text(200)),
    parts: list(
      object({ component: text(200), parts: number(0.01, 1000, 'parts') }, 'an object with component and parts'),
      'parts',
      30,
    )
      .min(1)
      .unique('component')
      .messages({ '*': 'at least one part, each component once' }),
  },
  'a mix with name and parts',
);

export interface OwnComponentFields {
  id: string;
  total_porosity: number;
  water_at_10cm: number;
  water_air_dry: number;
  bulk_density_g_ml: number;
  ph: number | null;
}
const componentName = Joi.string()
  .trim()
  .pattern(/^[\p{L}\p{N}][\p{L}\p{N} -]{0,60}$/u)
  .required()
  .messages({ '*': 'a name of letters, figures, spaces and hyphens, up to 60' });

export const componentParam = object<{ ref: string }>({ ref: componentName }, 'the name of a component');

export const componentBody = object<OwnComponentFields>(
  {
    id: componentName,
    total_porosity: number(0.05, 0.98),
    water_at_10cm: number(0.01, 0.97),
    water_air_dry: number(0, 0.5),
    bulk_density_g_ml: number(0.01, 3, 'g/ml'),
    ph: optional(number(2, 11)),
  },
  'a component with id, total_porosity, water_at_10cm, water_air_dry and bulk_density_g_ml',
);
export const componentsSchema = object<{ components: OwnComponentFields[] }>(
  {
    components: list(
      object<OwnComponentFields>(
        {
          id: text(220),
          total_porosity: number(0, 1),
          water_at_10cm: number(0, 1),
          water_air_dry: number(0, 1),
          bulk_density_g_ml: number(0, 10),
          ph: optional(number(0, 14)),
        },
        'a component',
      ),
      'components',
    ),
  },
  'components of your own',
);

/** What the engine knows of a plant's place and season: enough to reckon any pot and mix for it. */
export interface PlantDrying {
  id: number;
  name: string;
  pot: Pot;
  mix_id: number;
  drying: Drying;
}
export const plantDrying = object<PlantDrying>(
  { id: id(), name: text(200), pot, mix_id: id(), drying: Joi.object().required() },
  'how a plant’s place dries pots',
);

/** A pot the plant stands or stood in, the first one first. */
export interface PotThatWas {
  from: string;
  to: string | null;
  pot: Pot;
  mix: string;
  root_loss: number | null;
  /** from full to dry, as reckoned for the plant where it stands now */
  reckoned: { now: DaysToDry; winter: DaysToDry };
  drinks: number;
  median_days: number | null;
  /** against the pot before it, at the same time of year */
  against: AgainstBefore | null;
}
const days3 = object<DaysToDry>({ p10: number(0, 1e4), p50: number(0, 1e4), p90: number(0, 1e4) }, 'days');
/** What follows the last potting, by its day. */
export type Follows = Omit<AftercareTask, 'day'> & { on: string };
export interface PotsOf {
  pots: PotThatWas[];
  follows: Follows[];
}
export const potsSchema = object<PotsOf>(
  {
    follows: list(
      object<Follows>(
        {
          kind: oneOf(AFTERCARE),
          on: day(),
          n: whole(1, 1000).optional(),
          because: list(oneOf(FIRST_DRINK_CODES), 'reasons').optional(),
        },
        'a task',
      ),
      'what follows',
    ),
    pots: list(
      object<PotThatWas>(
        {
          from: day(),
          to: optional(day()),
          pot,
          mix: text(LONGEST_NAME),
          root_loss: optional(number(0, 1)),
          reckoned: object({ now: days3, winter: days3 }, 'days to dry'),
          drinks: whole(0, 1e6),
          median_days: optional(number(0, 1000, 'days')),
          against: optional(
            object<AgainstBefore>({ times: number(0, 1000), gaps: whole(1, 1e6) }, 'against the one before'),
          ),
        },
        'a pot',
      ),
      'pots',
    ),
  },
  'the pots of a plant',
);

export interface BenchPlant extends Omit<PottingView, 'suits' | 'blocks'> {
  id: number;
  number: string;
  name: string;
  place: string;
  diameter_mm: number;
  height_mm: number;
  mix_id: number;
  version: number;
  suits: { from: string; to: string } | null;
  blocks: { code: PottingView['blocks'][number]['code']; until: string | null }[];
}
const beside = {
  pot,
  stand: object({ weightG: number(0, 1e7), tipsAtDeg: number(0, 90), tipsInWindMS: number(0, 1e4) }, 'how it stands'),
  days: object({ now: days3, winter: days3 }, 'days to dry'),
};
/** Why a plant wants a new pot: a code with its numbers. */
export const needReason = object<NeedReason>(
  { code: oneOf(NEED_CODES), weight: number(0, 1), n: Joi.object() },
  'a reason',
);
export const benchSchema = named(
  'Potting bench',
  object<{ today: string; plants: BenchPlant[] }>(
    {
      today: day(),
      plants: list(
        object<BenchPlant>(
          {
            id: id(),
            number: text(40),
            name: text(200),
            place: text(220),
            form: oneOf(FORMS),
            diameter_mm: number(0, 1e5),
            height_mm: number(0, 1e5),
            mix_id: id(),
            version: id(),
            cautions: list(text(30), 'cautions'),
            need: object(
              {
                score: number(0, 1),
                verdict: oneOf(['due', 'look', 'none']),
                reasons: list(needReason, 'reasons'),
              },
              'its need',
            ),
            blocks: list(object({ code: oneOf(BLOCK_CODES), until: optional(day()) }, 'a block'), 'blocks'),
            suits: optional(object({ from: day(), to: day() }, 'days')),
            old: object(beside, 'the pot it has'),
            interim: pot,
            next: object(
              { ...beside, rooting: text(20), times: number(0, 1e4), tooLarge: Joi.boolean() },
              'the pot it might have',
            ),
            materials: list(
              object(
                { material: oneOf(POT_MATERIALS), score: number(-10, 10), codes: list(oneOf(MATERIAL_CODES), 'codes') },
                'a material',
              ),
              'materials',
            ),
            depth: text(30),
            first: oneOf(['water-first', 'look-first', 'as-it-is']),
            tight: Joi.boolean().required(),
            rootShy: Joi.boolean().required(),
          },
          'a plant',
        ),
        'plants',
      ),
    },
    'the potting bench',
  ),
);

/** What a repotting may tell besides pot and mix. */
export const pottingMore = {
  findings: optional(list(oneOf(ROOT_FINDINGS), 'what the roots were like', ROOT_FINDINGS.length).unique()),
  why: optional(oneOf(POTTING_WHYS)),
  divided: optional(whole(0, 50, 'daughters')),
};
