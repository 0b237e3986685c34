import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import { useQueryClient } from '@tanstack/react-query';
import { useForm } from 'react-hook-form';
import { ask, wordsOf } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { Field, SectionHead, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '../../words/numbers.ts';

/** Where the gardens lie: sky, season and day follow from it. */
export function Sites({ kit }: { kit: Kit }) {
  const queries = useQueryClient();
  const { register, handleSubmit, reset, setError, formState } = useForm({
    defaultValues: {
      name: '',
      latitude: '',
      longitude: '',
      elevation: '0',
      time_zone: new Intl.DateTimeFormat().resolvedOptions().timeZone,
    },
  });
  const submit = handleSubmit(async (form) => {
    const [latitude_deg, longitude_deg, elevation_m] = [
      numberIn(form.latitude, -90, 90),
      numberIn(form.longitude, -180, 180),
      numberIn(form.elevation, -450, 9000),
    ];
    if ([latitude_deg, longitude_deg, elevation_m].some(Number.isNaN))
      return setError('root', {
        message: 'Latitude from -90 to 90 (south below 0), longitude from -180 to 180, height from -450 to 9000 m.',
      });
    try {
      await ask('/sites', {
        method: 'POST',
        body: { name: form.name.trim(), latitude_deg, longitude_deg, elevation_m, time_zone: form.time_zone.trim() },
      });
      reset();
      await queries.invalidateQueries();
    } catch (error) {
      setError('root', { message: wordsOf(error) });
    }
  });
  const box = (name: 'name' | 'latitude' | 'longitude' | 'elevation' | 'time_zone', label: string) => (
    <Field label={label}>
      {(id) => <input id={id} maxLength={LONGEST_NAME} className="input h-11 w-full" {...register(name)} />}
    </Field>
  );
  return (
    <section aria-labelledby="sites">
      <SectionHead id="sites">Sites</SectionHead>
      <ul>
        {kit.sites.map((site) => (
          <li key={site.id} className="flex min-h-11 items-center border-b border-[var(--rule)]">
            {site.name}, {Math.abs(site.latitude_deg).toFixed(1)}° {site.latitude_deg < 0 ? 'south' : 'north'},{' '}
            {site.time_zone}
          </li>
        ))}
      </ul>
      <form
        noValidate
        className="mt-2 grid grid-cols-2 gap-x-4 sm:grid-cols-3"
        onSubmit={(event) => void submit(event)}
      >
        {box('name', 'Name of a new site')}
        {box('latitude', 'Latitude, °')}
        {box('longitude', 'Longitude, °')}
        {box('elevation', 'Height, m')}
        {box('time_zone', 'Time zone')}
        <div className="col-span-full">
          <Wrong words={formState.errors.root?.message ?? null} />
          <button type="submit" className="btn h-11" disabled={formState.isSubmitting}>
            Add this site
          </button>
          <p className="mt-1 text-[14px] text-[var(--ink-2)]">
            Its usual weather is guessed from where it lies; a garden file can bring better figures, and a thermometer
            among the plants mends what it shows.
          </p>
        </div>
      </form>
    </section>
  );
}
