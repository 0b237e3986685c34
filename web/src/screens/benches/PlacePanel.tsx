import type { PlaceView } from '@zinc-pail/contract/keeping';
import { AIRS, PLACE_KINDS } from '@zinc-pail/core';
import { useQueryClient } from '@tanstack/react-query';
import { useForm, useWatch } from 'react-hook-form';
import { ask, wordsOf } from '../../api/client.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Field, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '../../words/numbers.ts';
import { celsiusOf, shownTemperature, typed } from '../../words/units.ts';
import { KIND_WORDS } from '../../words/places.ts';

interface PlaceForm {
  site_id: string;
  name: string;
  kind: string;
  air: string;
  aspect_deg: string;
  obstruction_deg: string;
  light_percent: string;
  direct_sun_h: string;
  floor_c: string;
  vent_c: string;
  lamp_ppfd: string;
  lamp_hours: string;
  width_cm: string;
  depth_cm: string;
  hazards: string;
  quarantine: boolean;
  within_reach: boolean;
}

const text = (value: number | null, times = 1) => (value === null ? '' : String(Math.round(value * times * 100) / 100));

const warmth = (celsius: number | null) =>
  celsius === null ? '' : String(Math.round(shownTemperature(celsius) * 10) / 10);

/** Describes a bench once; all its plants follow. */
export function PlacePanel({
  place,
  sites,
  onClose,
}: {
  place: PlaceView | null;
  sites: { id: number; name: string }[];
  onClose(): void;
}) {
  const queries = useQueryClient();
  const { register, handleSubmit, control, setError, formState } = useForm<PlaceForm>({
    defaultValues: {
      site_id: String(place?.site_id ?? sites[0]?.id ?? ''),
      name: place?.name ?? '',
      kind: place?.kind ?? 'windowsill',
      air: place?.air ?? 'still',
      aspect_deg: text(place?.aspect_deg ?? null),
      obstruction_deg: text(place?.obstruction_deg ?? null),
      light_percent: text(place?.light_fraction ?? null, 100),
      direct_sun_h: text(place?.direct_sun_h ?? null),
      floor_c: warmth(place?.floor_c ?? null),
      vent_c: warmth(place?.vent_c ?? null),
      lamp_ppfd: text(place?.lamp?.ppfd_umol_m2_s ?? null),
      lamp_hours: text(place?.lamp?.hours ?? null),
      width_cm: text(place?.width_mm ?? null, 0.1),
      depth_cm: text(place?.depth_mm ?? null, 0.1),
      hazards: place?.hazards ?? '',
      quarantine: place?.quarantine ?? false,
      within_reach: place?.within_reach ?? false,
    },
  });
  const kind = useWatch({ control, name: 'kind' });
  const submit = handleSubmit(async (form) => {
    const wrong: string[] = [];
    const number = (value: string, min: number, max: number, what: string): number | null => {
      if (value.trim() === '') return null;
      const found = numberIn(value, min, max);
      if (Number.isNaN(found)) wrong.push(`${what}: a number from ${min} to ${max}`);
      return found;
    };
    const celsius = (value: string, min: number, max: number, what: string): number | null => {
      const shown = number(value, Math.round(shownTemperature(min)), Math.round(shownTemperature(max)), what);
      return shown === null ? null : Math.round(celsiusOf(shown) * 10) / 10;
    };
    const ppfd = number(form.lamp_ppfd, 1, 3000, 'Lamp');
    const hours = number(form.lamp_hours, 0, 24, 'Lamp hours');
    const light = number(form.light_percent, 0, 100, 'Light');
    const [width, depth] = [number(form.width_cm, 5, 6000, 'Width'), number(form.depth_cm, 5, 6000, 'Depth')];
    const body = {
      name: form.name.trim(),
      kind: form.kind,
      air: form.air,
      aspect_deg: number(form.aspect_deg, 0, 360, 'Faces'),
      obstruction_deg: number(form.obstruction_deg, 0, 80, 'Hidden up to'),
      light_fraction: light === null ? null : light / 100,
      direct_sun_h: number(form.direct_sun_h, 0, 24, 'Hours of sun'),
      floor_c: celsius(form.floor_c, -20, 30, 'Heated to'),
      vent_c: celsius(form.vent_c, 0, 60, 'Aired from'),
      lamp: ppfd === null || hours === null ? null : { ppfd_umol_m2_s: Math.round(ppfd), hours },
      width_mm: width === null ? null : Math.round(width * 10),
      depth_mm: depth === null ? null : Math.round(depth * 10),
      hazards: form.hazards.trim() || null,
      quarantine: form.quarantine,
      within_reach: form.within_reach,
    };
    if ((ppfd === null) !== (hours === null)) wrong.push('A lamp wants both its light and its hours');
    if (wrong.length > 0) return setError('root', { message: `${wrong.join('; ')}.` });
    try {
      if (place) await ask(`/places/${place.id}`, { method: 'PATCH', version: place.version, body });
      else await ask('/places', { method: 'POST', body: { ...body, site_id: Number(form.site_id) } });
      await queries.invalidateQueries();
      onClose();
    } catch (error) {
      setError('root', { message: wordsOf(error) });
    }
  });
  const box = (name: keyof PlaceForm, label: string, hint?: string) => (
    <Field label={label} {...(hint ? { hint } : {})}>
      {(id) => <input id={id} inputMode="decimal" className="input h-11 w-full" {...register(name)} />}
    </Field>
  );
  const { glass, tempered, dark } = placeDefaults(kind);
  return (
    <Dialog title={place ? place.name : 'A new bench'} onClose={onClose}>
      <form noValidate onSubmit={(event) => void submit(event)}>
        <Field label="Name">
          {(id) => <input id={id} maxLength={120} className="input h-11 w-full" {...register('name')} />}
        </Field>
        {!place && sites.length > 1 && (
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
        )}
        <div className="grid grid-cols-2 gap-x-4">
          <Field label="Kind">
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
          <Field label="Air">
            {(id) => (
              <select id={id} className="select h-11 w-full" {...register('air')}>
                {AIRS.map((one) => (
                  <option key={one}>{one}</option>
                ))}
              </select>
            )}
          </Field>
          {kind !== 'lamp-shelf' && box('aspect_deg', 'Faces, degrees', '0 north, 90 east, 180 south')}
          {kind !== 'lamp-shelf' &&
            box('obstruction_deg', 'Sky hidden up to, degrees', 'A house opposite hides about 20.')}
          {box('light_percent', 'Light let through, %', 'Empty: usual for its kind.')}
          {box('direct_sun_h', 'Hours of sun, your count', 'Empty: as reckoned.')}
          {tempered &&
            box('floor_c', `Heated to at least, ${typed.temperature()}`)}
          {glass && box('vent_c', `Aired from, ${typed.temperature()}`)}
          {box('lamp_ppfd', 'Lamp, µmol m⁻² s⁻¹')}
          {box('lamp_hours', 'Lamp, hours a day')}
          {box('width_cm', 'Bench width, cm')}
          {box('depth_cm', 'Bench depth, cm')}
        </div>
        <Field label="What may harm there" hint="Draughts, splashes over a sink, leaves against the pane.">
          {(id) => <input id={id} maxLength={300} className="input h-11 w-full" {...register('hazards')} />}
        </Field>
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" {...register('quarantine')} /> for plants kept apart
        </label>
        <label className="flex min-h-11 items-center gap-3">
          <input type="checkbox" className="checkbox" {...register('within_reach')} /> within reach of children or pets
        </label>
        <Wrong words={formState.errors.root?.message ?? null} />
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={formState.isSubmitting}>
            {formState.isSubmitting ? 'Reckoning anew…' : 'Keep it'}
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
