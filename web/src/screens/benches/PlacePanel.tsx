import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import type { PlaceView } from '@zinc-pail/contract/keeping';
import { AIRS, HAZARDS, PLACE_KINDS, placeDefaults, type PlaceKind } from '@zinc-pail/core';
import { HAZARD_WORDS } from '@zinc-pail/words/placement';
import { useQueryClient } from '@tanstack/react-query';
import { useForm, type UseFormRegister, useWatch } from 'react-hook-form';
import { ask, wordsOf } from '../../api/client.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Field, KeepOrLeave, Wrong } from '../../forms/Fields.tsx';
import { KIND_WORDS } from '../../words/places.ts';
import { typed } from '../../words/units.ts';
import { formOf, type PlaceForm, placeOf } from './placeForm.ts';

interface PlacePanelProps {
  place: PlaceView | null;
  sites: { id: number; name: string }[];
  onClose(): void;
}

/** Describes a bench once; all its plants follow. */
export function PlacePanel({ place, sites, onClose }: PlacePanelProps) {
  const queries = useQueryClient();
  const { register, handleSubmit, control, setError, formState } = useForm<PlaceForm>({
    defaultValues: formOf(place, sites[0]?.id),
  });
  const kind = useWatch({ control, name: 'kind' }) as PlaceKind;
  const submit = handleSubmit(async (form) => {
    const given = placeOf(form);
    if (typeof given === 'string') return setError('root', { message: given });
    try {
      if (place) await ask(`/places/${place.id}`, { method: 'PATCH', version: place.version, body: given });
      else await ask('/places', { method: 'POST', body: { ...given, site_id: Number(form.site_id) } });
      await queries.invalidateQueries();
      onClose();
    } catch (error) {
      setError('root', { message: wordsOf(error) });
    }
  });
  return (
    <Dialog title={place ? place.name : 'A new bench'} onClose={onClose}>
      <form noValidate onSubmit={(event) => void submit(event)}>
        <Field label="Name">
          {(id) => <input id={id} maxLength={LONGEST_NAME} className="input h-11 w-full" {...register('name')} />}
        </Field>
        {!place && sites.length > 1 && <SiteField register={register} sites={sites} />}
        <KindFields register={register} kind={kind} />
        <fieldset className="mb-3">
          <legend className="font-semibold">What may harm there</legend>
          {HAZARDS.map((hazard) => (
            <label key={hazard} className="flex min-h-11 items-center gap-3">
              <input type="checkbox" className="checkbox" value={hazard} {...register('hazard_kinds')} />{' '}
              {HAZARD_WORDS[hazard]}
            </label>
          ))}
        </fieldset>
        <Field label="And in your words">
          {(id) => <input id={id} maxLength={300} className="input h-11 w-full" {...register('hazards')} />}
        </Field>
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" {...register('lamp_by_hand')} /> its lamp is turned on and off by
          hand
        </label>
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" {...register('quarantine')} /> for plants kept apart
        </label>
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" {...register('within_reach')} /> within reach of children or pets
        </label>
        <Wrong words={formState.errors.root?.message ?? null} />
        <KeepOrLeave keep="Keep it" busy={formState.isSubmitting} onLeave={onClose} />
      </form>
    </Dialog>
  );
}

type Register = UseFormRegister<PlaceForm>;

function SiteField({ register, sites }: { register: Register; sites: PlacePanelProps['sites'] }) {
  return (
    <Field label="Site">
      {(id) => (
        <select id={id} className="select h-11" {...register('site_id')}>
          {sites.map((site) => (
            <option key={site.id} value={site.id}>
              {site.name}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

/** What can be told of a place of this kind. */
function KindFields({ register, kind }: { register: Register; kind: PlaceKind }) {
  const { glass, tempered, dark, openSky } = placeDefaults(kind);
  const windowless = dark && !tempered;
  const box = (name: keyof PlaceForm, label: string, hint?: string) => (
    <Field label={label} {...(hint ? { hint } : {})}>
      {(id) => <input id={id} inputMode="decimal" className="input h-11 w-full" {...register(name)} />}
    </Field>
  );
  const choice = (name: 'kind' | 'air', label: string, options: readonly (readonly [string, string])[]) => (
    <Field label={label}>
      {(id) => (
        <select id={id} className="select h-11 w-full" {...register(name)}>
          {options.map(([value, words]) => (
            <option key={value} value={value}>
              {words}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
  return (
    <div className="grid grid-cols-2 gap-x-4">
      {choice(
        'kind',
        'Kind',
        PLACE_KINDS.map((one) => [one, KIND_WORDS[one]]),
      )}
      {choice(
        'air',
        'Air',
        AIRS.map((one) => [one, one]),
      )}
      {!windowless && box('aspect_deg', 'Faces, degrees', '0 north, 90 east, 180 south')}
      {!windowless && box('obstruction_deg', 'Sky hidden up to, degrees', 'A house opposite hides about 20.')}
      {box('light_percent', 'Light let through, %', 'Empty: usual for its kind.')}
      {box('direct_sun_h', 'Hours of sun, your count', 'Empty: as reckoned.')}
      {tempered && box('floor_c', `Heated to at least, ${typed.temperature()}`)}
      {glass && box('vent_c', `Aired from, ${typed.temperature()}`)}
      {box('lamp_ppfd', 'Lamp, µmol m⁻² s⁻¹')}
      {box('lamp_hours', 'Lamp, hours a day')}
      {openSky && box('rain_mm', 'Rain counts from, mm a day', 'Empty: all of it.')}
      {box('width_cm', 'Bench width, cm')}
      {box('depth_cm', 'Bench depth, cm')}
    </div>
  );
}
