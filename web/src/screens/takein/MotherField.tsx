import type { Found } from '@zinc-pail/contract/answers';
import { LONGEST_SEARCH } from '@zinc-pail/contract/limits';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { ask } from '../../api/client.ts';
import { Field } from '../../forms/Fields.tsx';
import { Name } from '../../naming/Name.tsx';

export interface Mother {
  id: number;
  name: string;
}

interface MotherFieldProps {
  mother: Mother | null;
  onChange(mother: Mother | null): void;
}

/** The plant it came from, found by name or number. */
export function MotherField({ mother, onChange }: MotherFieldProps) {
  const [typed, setTyped] = useState('');
  const sought = useDeferredValue(typed.trim());
  const found = useQuery({
    queryKey: ['find', sought],
    queryFn: async () => (await ask<{ plants: Found[] }>(`/find?q=${encodeURIComponent(sought)}`)).plants,
    enabled: sought.length > 1,
  });
  if (mother)
    return (
      <p className="mb-4 flex items-center gap-3">
        Mother plant: <Name written={mother.name} />{' '}
        <button type="button" className="h-11 underline" onClick={() => onChange(null)}>
          none
        </button>
      </p>
    );
  return (
    <div className="mb-4">
      <Field label="Mother plant">
        {(id) => (
          <input
            id={id}
            className="input h-11 w-full max-w-md"
            placeholder="name or number of a plant of yours"
            maxLength={LONGEST_SEARCH}
            value={typed}
            onChange={(event) => setTyped(event.target.value)}
          />
        )}
      </Field>
      {sought.length > 1 && (
        <ul>
          {(found.data ?? []).slice(0, 5).map((one) => (
            <li key={one.id}>
              <button
                type="button"
                className="h-11 underline"
                onClick={() => {
                  onChange(one);
                  setTyped('');
                }}
              >
                <Name written={one.name} /> {one.number}
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
