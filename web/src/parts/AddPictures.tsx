/** A button that takes photographs of a plant, sends them, and tells what went wrong. */
import { LARGEST_PICTURE_MB } from '@zinc-pail/contract/limits';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useRef } from 'react';
import { ask, NotSent, wordsOf } from '../api/client.ts';
import { plantKey } from '../api/plant.ts';
import { Wrong } from '../forms/Fields.tsx';

interface AddPicturesProps {
  plantId: number;
  /** the day on which they were taken, ISO */
  date: string;
  label: string;
}

export function AddPictures({ plantId, date, label }: AddPicturesProps) {
  const input = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: async (files: File[]) => {
      for (const file of files) {
        if (file.size > LARGEST_PICTURE_MB * 1024 * 1024)
          throw new NotSent(`${file.name} is larger than ${LARGEST_PICTURE_MB} MB.`);
        await ask(`/plants/${plantId}/pictures?day=${date}`, { method: 'POST', file });
      }
      return files.length;
    },
    onSettled: () => queries.invalidateQueries({ queryKey: plantKey(plantId) }),
  });
  return (
    <>
      <button type="button" className="btn h-11" disabled={send.isPending} onClick={() => input.current?.click()}>
        {send.isPending ? 'Sending…' : label}
      </button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        multiple
        hidden
        aria-label="Pictures"
        onChange={(event) => {
          send.mutate([...(event.target.files ?? [])]);
          event.target.value = '';
        }}
      />
      {send.isSuccess && <span role="status">Saved with its pictures.</span>}
      {send.error && <Wrong words={wordsOf(send.error)} />}
    </>
  );
}
