/** Instruments among the plants: how they are added, what they push, how they fare. */
import Joi from 'joi';
import { id, list, moment, number, object, oneOf, optional, text, whole, yesNo } from './fields.ts';

export const DEVICE_KINDS = ['thermometer', 'probe', 'scale'] as const;
export type DeviceKind = (typeof DEVICE_KINDS)[number];
/** Why a reading is kept and not believed. */
export const DOUBTS = ['out-of-range', 'jump', 'stuck', 'clock'] as const;
export type Doubt = (typeof DOUBTS)[number];

/** Readings that one push may bring, and pushes of one instrument a minute. */
export const MOST_READINGS = 500;
export const PUSHES_A_MINUTE = 30;

export interface NewDevice {
  name: string;
  kind: DeviceKind;
  place_id?: number | null;
  plant_id?: number | null;
}
export const newDevice = object<NewDevice>(
  { name: text(80), kind: oneOf(DEVICE_KINDS), place_id: optional(id()), plant_id: optional(id()) },
  'an instrument with name, kind, and place_id for a thermometer or plant_id for a probe or scale',
);
/** Where an instrument goes: a thermometer to a place, a probe or a scale into a pot. */
export const deviceMove = object<{ place_id?: number | null; plant_id?: number | null }>(
  { place_id: optional(id()), plant_id: optional(id()) },
  'place_id for a thermometer or plant_id for a probe or scale',
);
export const deviceMade = object<{ id: number; token: string }>({ id: id(), token: text(100) }, 'an instrument');

export interface DeviceView {
  id: number;
  name: string;
  kind: DeviceKind;
  place_id: number | null;
  plant_id: number | null;
  /** the place, or the plant, by name */
  where: string;
  revoked: boolean;
  last: { at: string; value: number; rh_pct: number | null; doubt: Doubt | null } | null;
  /** of the last seven days */
  readings: number;
  doubted: number;
}
const instant = Joi.string().isoDate().required();
const doubt = optional(oneOf(DOUBTS));
export const devicesSchema = object<{ devices: DeviceView[] }>(
  {
    devices: list(
      object<DeviceView>(
        {
          id: id(),
          name: text(80),
          kind: oneOf(DEVICE_KINDS),
          place_id: optional(id()),
          plant_id: optional(id()),
          where: text(220),
          revoked: yesNo(),
          last: optional(
            object<NonNullable<DeviceView['last']>>(
              { at: instant, value: number(-1e9, 1e9), rh_pct: optional(number(-1e9, 1e9)), doubt },
              'a reading',
            ),
          ),
          readings: whole(0, 1e9),
          doubted: whole(0, 1e9),
        },
        'an instrument',
      ),
      'instruments',
    ),
  },
  'instruments',
);

export interface PushedReading {
  at: string;
  temp_c?: number;
  rh_pct?: number;
  meter?: number;
  weight_g?: number;
}
/** Any number is taken: what is nonsense is kept and doubted, so that a keeper sees that the instrument fails. */
const anyNumber = Joi.number().unsafe().min(-1e9).max(1e9).optional().messages({ '*': 'a number' });
export const pushBody = object<{ readings: PushedReading[] }>(
  {
    readings: list(
      object<PushedReading>(
        {
          at: moment(),
          temp_c: anyNumber,
          rh_pct: anyNumber,
          meter: anyNumber,
          weight_g: anyNumber,
        },
        'a reading with at, and temp_c, meter or weight_g',
      ),
      'readings',
      MOST_READINGS,
    )
      .min(1)
      .messages({ 'array.min': 'at least one reading' }),
  },
  'an object with readings',
);
export interface PushTaken {
  taken: number;
  /** there before */
  repeated: number;
  doubted: { at: string; doubt: Doubt }[];
}
