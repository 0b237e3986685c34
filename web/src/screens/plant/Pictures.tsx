/** Pictures by date, any two of them side by side. */
import type { PlantView } from '@zinc-pail/contract/api';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import { plantKey } from '../../api/plant.ts';
import { fullDay } from '../../reader/days.ts';
import { SectionHead, Wrong } from '../../forms/Fields.tsx';
import { AddPictures } from '../../parts/AddPictures.tsx';

export function Pictures({ plant }: { plant: PlantView }) {
  const { pictures } = plant.record;
  const [date, setDate] = useState(plant.site.today);
  const [pair, setPair] = useState<number[]>([]);
  const queries = useQueryClient();
  const again = () => queries.invalidateQueries({ queryKey: plantKey(plant.id) });
  const remove = useMutation({
    mutationFn: (id: number) => ask(`/pictures/${id}/remove`, { method: 'POST', body: {} }),
    onSettled: again,
  });
  const shown = pair.flatMap((id) => pictures.find((picture) => picture.id === id) ?? []);
  const toggle = (id: number) =>
    setPair((before) => (before.includes(id) ? before.filter((one) => one !== id) : [...before, id].slice(-2)));
  return (
    <section aria-labelledby="pictures">
      <SectionHead id="pictures">Pictures</SectionHead>
      {shown.length > 0 && (
        <div className={`mb-3 grid gap-3 ${shown.length === 2 ? 'sm:grid-cols-2' : ''}`}>
          {shown
            .toSorted((a, b) => (a.day < b.day ? -1 : 1))
            .map((picture) => (
              <figure key={picture.id}>
                <img
                  src={`/api/pictures/${picture.id}/large`}
                  alt={`On ${fullDay(picture.day)}${picture.caption ? `: ${picture.caption}` : ''}`}
                  className="w-full border border-[var(--rule)]"
                />
                <figcaption className="flex items-center gap-3 text-[0.9375rem]">
                  <span>
                    {fullDay(picture.day)}
                    {picture.caption && `: ${picture.caption}`}
                  </span>
                  <button
                    type="button"
                    className="ml-auto h-11 px-2 text-[0.875rem] underline"
                    aria-label={`Take away the picture of ${fullDay(picture.day)}`}
                    onClick={() => remove.mutate(picture.id)}
                  >
                    take away
                  </button>
                </figcaption>
              </figure>
            ))}
        </div>
      )}
      {pictures.length > 0 && (
        <ul className="flex flex-wrap gap-3">
          {pictures.map((picture) => (
            <li key={picture.id}>
              <button
                type="button"
                aria-pressed={pair.includes(picture.id)}
                aria-label={`Show the picture of ${fullDay(picture.day)}`}
                className={`block border-2 ${pair.includes(picture.id) ? 'border-[var(--clay)]' : 'border-transparent'}`}
                onClick={() => toggle(picture.id)}
              >
                <img
                  src={`/api/pictures/${picture.id}/small`}
                  alt=""
                  width={120}
                  loading="lazy"
                  className="h-[90px] w-[120px] object-cover"
                />
                <span className="block text-[0.875rem] text-[var(--ink-2)]">{fullDay(picture.day)}</span>
              </button>
            </li>
          ))}
        </ul>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <AddPictures plantId={plant.id} date={date} label="Add a picture" />
        <label className="flex items-center gap-2 text-[0.9375rem]">
          taken on{' '}
          <input
            type="date"
            className="input h-11 w-44"
            max={plant.site.today}
            value={date}
            onChange={(event) => setDate(event.target.value)}
          />
        </label>
      </div>
      <p className="text-[0.875rem] text-[var(--ink-2)]">
        {pictures.length > 1 ? 'Choose two to see them side by side. ' : ''}Pictures are made smaller, and the camera’s
        notes on place and time are taken off.
      </p>
      {remove.error && <Wrong words={wordsOf(remove.error)} />}
    </section>
  );
}
