/** The fields of a plant that comes in. */
import { NAME_SURE, SOURCES } from '@zinc-pail/contract/choices';
import { LARGEST_PICTURE_MB } from '@zinc-pail/contract/limits';
import type { Kit } from '@zinc-pail/contract/keeping';
import { PLANT_FIELDS } from '@zinc-pail/contract/plantFields';
import { FORMS, HABITS, POT_MATERIALS, POT_SHAPES, STORES } from '@zinc-pail/core';
import { ChevronDown } from 'lucide-react';
import type { UseFormRegister } from 'react-hook-form';
import { Field } from '../../forms/Fields.tsx';
import { type Mother, MotherField } from './MotherField.tsx';
import { mixesInOrder, NOT_KNOWN } from './mixChoice.ts';
import { OWN_POT, type TakeInForm, UNKNOWN_POT } from './takeInForm.ts';
import { FIRST_POT, USUAL_POTS, usualPotWords } from './usualPots.ts';
import { typed } from '../../reader/units.ts';

type Register = UseFormRegister<TakeInForm>;
type Options = readonly (readonly [value: string, words: string])[];

const STORE_WORDS = {
  leaf: 'in its leaves',
  stem: 'in its stem',
  below: 'below ground',
  none: 'hardly anywhere',
} as const;
const UNKNOWN = ['', 'do not know'] as const;

/** Fields whose faults bear the name of what is sent. */
const AT: Partial<Record<keyof TakeInForm, string>> = { width: 'diameter_mm', height: 'height_mm' };

const asTheyAre = (values: readonly string[]): Options => values.map((one) => [one, one]);
const byId = (all: readonly { id: number; name: string }[]): Options => all.map(({ id, name }) => [String(id), name]);

interface FieldProps {
  register: Register;
  field: keyof TakeInForm;
  label: string;
}

function Select({
  register,
  field,
  label,
  options,
  hint,
}: FieldProps & { options: Options; hint?: string | undefined }) {
  return (
    <Field label={label} at={field} hint={hint}>
      {(id) => (
        <select id={id} className="select h-11 w-full" {...register(field)}>
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

function Box({ register, field, label, max, hint }: FieldProps & { max: number; hint?: string }) {
  return (
    <Field label={label} at={AT[field] ?? field} hint={hint}>
      {(id) => <input id={id} maxLength={max} className="input h-11 w-full" {...register(field)} />}
    </Field>
  );
}

function Day({ register, field, label, today, hint }: FieldProps & { today: string; hint?: string }) {
  return (
    <Field label={label} at={field} hint={hint}>
      {(id) => <input id={id} type="date" max={today} className="input h-11 w-full" {...register(field)} />}
    </Field>
  );
}

interface PotFieldsProps {
  register: Register;
  kit: Kit;
  places: readonly { id: number; name: string }[];
  today: string;
  chosenPot: string;
  chosenMix: string;
  /** another mix is to be made */
  onMix(): void;
}

/** What must be told: where and in what it stands, and since when. */
export function PotFields({ register, kit, places, today, chosenPot, chosenMix, onMix }: PotFieldsProps) {
  const pots: Options = [
    ...USUAL_POTS.map((usual) => [usual.id, usualPotWords(usual)] as const),
    [OWN_POT, 'by its measures…'],
    [UNKNOWN_POT, 'I don’t know'],
  ];
  const mixes: Options = [...byId(mixesInOrder(kit.mixes)), [NOT_KNOWN, 'I don’t know']];
  return (
    <div className="grid gap-x-6 sm:grid-cols-3">
      <Select register={register} field="place" label="Bench" options={byId(places)} />
      <div>
        <Select
          register={register}
          field="mix"
          label="Mix"
          options={mixes}
          hint={
            chosenMix === NOT_KNOWN
              ? 'We assume bagged potting soil, the slowest to dry. Feel it before its first watering.'
              : undefined
          }
        />
        <button type="button" className="-mt-3 mb-2 h-11 underline" onClick={onMix}>
          Another, by its parts…
        </button>
      </div>
      <Select
        register={register}
        field="pot"
        label="Pot"
        options={pots}
        hint={
          chosenPot === UNKNOWN_POT
            ? `We assume ${usualPotWords(USUAL_POTS.find(({ id }) => id === FIRST_POT)!)}, until you measure it on its page.`
            : undefined
        }
      />
      <Select register={register} field="name_sure" label="The name is" options={asTheyAre(NAME_SURE)} />
      <Day register={register} field="date" label="Came on" today={today} />
      <Day
        register={register}
        field="last_watered"
        label="Last had water"
        today={today}
        hint="Empty: nobody knows; it is felt before its first drink."
      />
      <Box register={register} field="count" label="How many alike" max={3} hint="A tray of 20 gets 20 numbers." />
      {chosenPot === OWN_POT && (
        <>
          <Select register={register} field="shape" label="Shape" options={asTheyAre(POT_SHAPES)} />
          <Box register={register} field="top" label={`Width inside at the top, ${typed.length()}`} max={4} />
          <Box register={register} field="depth" label={`Depth of mix, ${typed.length()}`} max={4} />
          <Select register={register} field="material" label="Made of" options={asTheyAre(POT_MATERIALS)} />
        </>
      )}
    </div>
  );
}

/** For a plant whose name tells nothing. */
export function SeenFields({ register }: { register: Register }) {
  const stores = STORES.map((one) => [one, STORE_WORDS[one]] as const);
  return (
    <section className="mt-2 border-l-4 border-[var(--straw)] pl-3">
      <p className="mb-2 text-[0.9375rem]">Tell us what you see, if its name does not say it:</p>
      <div className="grid gap-x-6 sm:grid-cols-3">
        <Select register={register} field="form" label="It is a" options={[UNKNOWN, ...asTheyAre(FORMS)]} />
        <Select register={register} field="store" label="Keeps its water" options={[UNKNOWN, ...stores]} />
        <Select register={register} field="habit" label="Grows" options={[UNKNOWN, ...asTheyAre(HABITS)]} />
      </div>
    </section>
  );
}

interface MoreFieldsProps {
  register: Register;
  scheme: string;
  mother: Mother | null;
  onMother(mother: Mother | null): void;
  files: readonly File[];
  onFiles(files: File[]): void;
}

/** What may be told. */
export function MoreFields({ register, scheme, mother, onMother, files, onFiles }: MoreFieldsProps) {
  const { number, provenance, other_names: others, used_to: usedTo } = PLANT_FIELDS;
  return (
    <details className="my-3">
      <summary className="flex h-11 cursor-pointer items-center gap-2 font-semibold">
        <ChevronDown aria-hidden="true" size={18} /> More details: number, origin, price, mother, pictures
      </summary>
      <div className="mt-2 grid gap-x-6 sm:grid-cols-3">
        <Box
          register={register}
          field="number"
          label={number.label}
          max={number.max}
          hint={`Empty: by your scheme, ${scheme}`}
        />
        <Select register={register} field="source" label="Came by" options={[['', ''], ...asTheyAre(SOURCES)]} />
        <Box register={register} field="provenance" label={provenance.label} max={provenance.max} />
        <Box register={register} field="price" label="Price" max={12} />
        <Box register={register} field="currency" label="Currency" max={3} />
        <Box register={register} field="other_names" label={others.label} max={others.max} />
        <Box register={register} field="width" label={`Width, ${typed.length()}`} max={5} />
        <Box register={register} field="height" label={`Height, ${typed.length()}`} max={5} />
        <Box register={register} field="used_to" label={usedTo.label} max={usedTo.max} hint={usedTo.hint} />
      </div>
      <MotherField mother={mother} onChange={onMother} />
      <PicturesField files={files} onFiles={onFiles} />
    </details>
  );
}

function PicturesField({ files, onFiles }: Pick<MoreFieldsProps, 'files' | 'onFiles'>) {
  return (
    <Field
      label="Pictures"
      hint={`Up to ${LARGEST_PICTURE_MB} MB each; made smaller, and the camera’s notes are taken off.`}
    >
      {(id) => (
        <>
          <input
            id={id}
            type="file"
            accept="image/*"
            multiple
            className="file-input h-11"
            onChange={(event) => {
              onFiles([...(event.target.files ?? [])]);
              event.target.value = '';
            }}
          />{' '}
          {files.map((file) => file.name).join(', ')}
        </>
      )}
    </Field>
  );
}
