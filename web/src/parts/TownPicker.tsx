/** A town by its name, by its whereabouts, or by the place where one is: from a list that ships. */
import type { Town } from '@zinc-pail/contract/towns';
import { useQuery } from '@tanstack/react-query';
import { LocateFixed } from 'lucide-react';
import { useDeferredValue, useState } from 'react';
import { ask } from '../api/client.ts';
import { Field, Wrong } from '../forms/Fields.tsx';
import { coordinatesOf } from '@zinc-pail/words/coordinates';

const round = (degrees: number) => Math.round(degrees * 100) / 100;

export function TownPicker({ onTown }: { onTown(town: Town): void }) {
  const [typed, setTyped] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const sought = useDeferredValue(typed.trim());
  const here = coordinatesOf(sought);
  const found = useQuery({
    queryKey: ['towns', sought],
    queryFn: async () =>
      (
        await ask<{ towns: Town[] }>(
          here ? `/towns?lat=${here.latitudeDeg}&lon=${here.longitudeDeg}` : `/towns?q=${encodeURIComponent(sought)}`,
        )
      ).towns,
    enabled: sought.length > 1,
    placeholderData: (before) => before,
  });
  const at = (town: Town): Town =>
    here
      ? {
          ...town,
          name: `Near ${town.name}`,
          latitude_deg: round(here.latitudeDeg),
          longitude_deg: round(here.longitudeDeg),
        }
      : town;
  const myPlace = () => {
    setWrong(null);
    if (!('geolocation' in navigator)) return setWrong('This browser does not tell where it is: type your town.');
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => setTyped(`${coords.latitude.toFixed(2)} ${coords.longitude.toFixed(2)}`),
      () => setWrong('Your location was not shared: type your town instead.'),
      { timeout: 10_000 },
    );
  };
  return (
    <section aria-label="Where">
      <Field
        label="Your town, or the nearest larger one"
        hint="Or its coordinates: 51.5°N, 0°7'W. They give the seasons, the sun and the typical weather."
      >
        {(id) => (
          <input
            id={id}
            autoComplete="off"
            className="input h-12 w-full text-[1.125rem]"
            maxLength={100}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
      </Field>
      <Wrong words={wrong} />
      <ul aria-label="Towns found">
        {sought.length > 1 &&
          (found.data ?? []).slice(0, here ? 1 : 8).map((town) => {
            const one = at(town);
            return (
              <li
                key={`${town.name} ${town.country} ${town.latitude_deg} ${town.longitude_deg}`}
                className="border-b border-[var(--rule)]"
              >
                <button
                  type="button"
                  className="flex min-h-12 w-full flex-wrap items-center gap-x-3 px-2 text-left"
                  onClick={() => onTown(one)}
                >
                  <strong className="slab text-[1.125rem] font-semibold">{one.name}</strong>
                  <span>
                    {town.province && `${town.province}, `}
                    {town.country}
                  </span>
                  <span className="ml-auto text-[0.875rem] text-[var(--ink-2)]">
                    {Math.abs(one.latitude_deg).toFixed(1)}° {one.latitude_deg < 0 ? 'south' : 'north'}
                  </span>
                </button>
              </li>
            );
          })}
      </ul>
      {sought.length > 1 && found.data?.length === 0 && (
        <p className="py-2">No such town in the list: try the nearest larger one.</p>
      )}
      <button type="button" className="mt-3 flex h-11 items-center gap-2 underline" onClick={myPlace}>
        <LocateFixed aria-hidden="true" size={18} /> Use my location
      </button>
    </section>
  );
}
