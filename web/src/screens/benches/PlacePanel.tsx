/** Describes a bench once; all its plants follow. Two questions, and the rest for those who know it. */
import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import type { PlaceView } from '@zinc-pail/contract/keeping';
import { AIRS, HAZARDS, PLACE_KINDS, placeDefaults, type PlaceKind } from '@zinc-pail/core';
import { HAZARD_WORDS } from '@zinc-pail/words/placement';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useForm, type UseFormRegister, useWatch } from 'react-hook-form';
import { ask, faultsOf, notSent, wordsOf } from '../../api/client.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Field, KeepOrLeave, Wrong } from '../../forms/Fields.tsx';
import { COMPASS, KIND_WORDS } from '@zinc-pail/words/places';
import { typed } from '../../reader/units.ts';
import { formOf, type PlaceForm, placeOf } from './placeForm.ts';

interface PlacePanelProps {
  place: PlaceView | null;
  sites: { id: number; name: string }[];
  onClose(): void;
}

/** Questions that everybody can answer; a fault in any other opens the fold. */
const FIRST: ReadonlySet<string> = new Set<keyof PlaceForm>(['name', 'site_id', 'kind', 'aspect_deg']);

export function PlacePanel({ place, sites, onClose }: PlacePanelProps) {
  const queries = useQueryClient();
  const { register, handleSubmit, control, formState } = useForm<PlaceForm>({
    defaultValues: formOf(place, sites[0]?.id),
  });
  const [error, setError] = useState<unknown>(null);
  const [more, setMore] = useState(false);
  const kind = useWatch({ control, name: 'kind' }) as PlaceKind;
  const deeper = [...faultsOf(error).keys()].some((field) => !FIRST.has(field));
  const submit = handleSubmit(async (form) => {
    const given = placeOf(form);
    if (given.kind === 'wrong') return setError(notSent(given.at));
    try {
      if (place) await ask(`/places/${place.id}`, { method: 'PATCH', version: place.version, body: given.value });
      else await ask('/places', { method: 'POST', body: { ...given.value, site_id: Number(form.site_id) } });
      await queries.invalidateQueries();
      onClose();
    } catch (failed) {
      setError(failed);
    }
  });
  return (
    <Dialog title={place ? place.name : 'A new bench'} onClose={onClose}>
      <Form error={error} onSubmit={() => void submit()}>
        <Field label="Name" at="name">
          {(id) => (
            <input
              id={id}
              maxLength={LONGEST_NAME}
              placeholder="Kitchen sill, upper shelf"
              className="input h-11 w-full"
              {...register('name')}
            />
          )}
        </Field>
        {!place && sites.length > 1 && <SiteField register={register} sites={sites} />}
        <FirstFields register={register} kind={kind} />
        <details
          className="mb-3 border-y border-[var(--rule)]"
          open={more || deeper}
          onToggle={(event) => setMore(event.currentTarget.open)}
        >
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold">
            More details, if you know them: heating, lamp, size, dangers
          </summary>
          <KindFields register={register} kind={kind} />
          <Dangers register={register} />
        </details>
        <KeepOrLeave keep="Save" busy={formState.isSubmitting} onLeave={onClose} />
      </Form>
      {place && <DropBench place={place} onDone={onClose} />}
    </Dialog>
  );
}

type Register = UseFormRegister<PlaceForm>;

function FirstFields({ register, kind }: { register: Register; kind: PlaceKind }) {
  const { tempered, dark } = placeDefaults(kind);
  const windowless = dark && !tempered;
  return (
    <div className="grid gap-x-4 sm:grid-cols-2">
      <Field label="Kind" at="kind">
        {(id) => (
          <select id={id} className="select h-11 w-full" {...register('kind')}>
            {PLACE_KINDS.map((one) => (
              <option key={one} value={one}>
                {KIND_WORDS[one]}
              </option>
            ))}
          </select>
        )}
      </Field>
      {!windowless && (
        <Field label="Faces" at="aspect_deg" hint="The way its glass or its open side looks.">
          {(id) => (
            <input
              id={id}
              list="compass"
              placeholder="south, or degrees"
              className="input h-11 w-full"
              {...register('aspect_deg')}
            />
          )}
        </Field>
      )}
      <datalist id="compass">
        {COMPASS.map(({ label, deg }) => (
          <option key={label} value={label}>
            {deg}°
          </option>
        ))}
      </datalist>
    </div>
  );
}

function Dangers({ register }: { register: Register }) {
  return (
    <>
      <fieldset className="mb-3">
        <legend className="font-semibold">What may harm there</legend>
        {HAZARDS.map((hazard) => (
          <label key={hazard} className="flex min-h-11 items-center gap-3">
            <input type="checkbox" className="checkbox" value={hazard} {...register('hazard_kinds')} />{' '}
            {HAZARD_WORDS[hazard]}
          </label>
        ))}
      </fieldset>
      <Field label="And in your words" at="hazards">
        {(id) => <input id={id} maxLength={300} className="input h-11 w-full" {...register('hazards')} />}
      </Field>
      <label className="flex min-h-11 items-center gap-3">
        <input type="checkbox" className="checkbox" {...register('quarantine')} /> for plants in quarantine
      </label>
      <label className="flex min-h-11 items-center gap-3">
        <input type="checkbox" className="checkbox" {...register('within_reach')} /> within reach of children or pets
      </label>
    </>
  );
}

function SiteField({ register, sites }: { register: Register; sites: PlacePanelProps['sites'] }) {
  return (
    <Field label="Site" at="site_id">
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

/** What can be told of a place of this kind, if one knows it. */
function KindFields({ register, kind }: { register: Register; kind: PlaceKind }) {
  const { glass, tempered, dark, openSky } = placeDefaults(kind);
  const windowless = dark && !tempered;
  const box = (name: keyof PlaceForm, label: string, hint?: string) => (
    <Field label={label} hint={hint} at={name}>
      {(id) => <input id={id} inputMode="decimal" className="input h-11 w-full" {...register(name)} />}
    </Field>
  );
  return (
    <>
      <div className="grid grid-cols-2 gap-x-4">
        <Field label="Air" at="air">
          {(id) => (
            <select id={id} className="select h-11 w-full" {...register('air')}>
              {AIRS.map((air) => (
                <option key={air}>{air}</option>
              ))}
            </select>
          )}
        </Field>
        {box('width', `Bench width, ${typed.bench()}`)}
        {box('depth', `Bench depth, ${typed.bench()}`)}
        {tempered && box('floor_c', `Heated to at least, ${typed.temperature()}`)}
        {glass && box('vent_c', `Aired from, ${typed.temperature()}`)}
        {box('direct_sun_h', 'Hours of sun, as you counted', 'Empty: as estimated.')}
        {box('light_percent', 'Light let through, %', 'Empty: usual for its kind.')}
        {!windowless && box('obstruction_deg', 'Sky hidden up to, degrees', 'A house opposite hides about 20.')}
        {openSky && box('rain_mm', 'Rain counts from, mm a day', 'Empty: all of it.')}
        {box('lamp_ppfd', 'Lamp, µmol m⁻² s⁻¹', 'A usual growing lamp at a hand’s breadth gives 150 to 250.')}
        {box('lamp_hours', 'Lamp, hours a day')}
      </div>
      <label className="mb-2 flex min-h-11 items-center gap-3">
        <input type="checkbox" className="checkbox" {...register('lamp_by_hand')} /> its lamp is turned on and off by
        hand
      </label>
    </>
  );
}

/** Takes the bench away, after saying what stands there. */
function DropBench({ place, onDone }: { place: PlaceView; onDone(): void }) {
  const [asking, setAsking] = useState(false);
  const [error, setError] = useState<unknown>(null);
  const queries = useQueryClient();
  const standing = place.pots.length;
  const drop = async () => {
    try {
      await ask(`/places/${place.id}`, { method: 'DELETE' });
      await queries.invalidateQueries();
      onDone();
    } catch (failed) {
      setError(failed);
    }
  };
  return (
    <div className="mt-6 border-t border-[var(--rule)] pt-2">
      <button type="button" className="h-11 underline" aria-expanded={asking} onClick={() => setAsking(!asking)}>
        Drop this bench
      </button>
      {asking && (
        <div role="alertdialog" aria-label="Drop this bench?" className="border-l-4 border-[var(--rust)] pl-3">
          <p className="mb-2">
            {standing > 0
              ? `${standing === 1 ? 'One plant stands' : `${standing} plants stand`} there: ${place.pots
                  .slice(0, 6)
                  .map(({ number, name }) => `${name} (${number})`)
                  .join(', ')}${standing > 6 ? ' and more' : ''}. Move them in the list first.`
              : 'No plants there. Its thermometer readings go with it; records of plants that were there stay.'}
          </p>
          {standing === 0 && (
            <button type="button" className="btn h-11" onClick={() => void drop()}>
              Drop it
            </button>
          )}
          <Wrong words={error === null ? null : wordsOf(error)} />
        </div>
      )}
    </div>
  );
}
