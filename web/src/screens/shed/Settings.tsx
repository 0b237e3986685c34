import { LONGEST_NAME, LONGEST_NUMBER } from '@zinc-pail/contract/limits';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { ask, NotSent, wordsOf } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { Field, SectionHead, Tick, Wrong } from '../../forms/Fields.tsx';
import { numberIn } from '../../words/numbers.ts';

export function Settings({ kit }: { kit: Kit }) {
  const [name, setName] = useState(kit.collection.name);
  const [scheme, setScheme] = useState(kit.collection.number_scheme);
  const [can, setCan] = useState(String(kit.collection.can_ml / 1000));
  const [pets, setPets] = useState(kit.collection.has_pets);
  const [children, setChildren] = useState(kit.collection.has_children);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => {
      const litres = numberIn(can, 0.1, 200);
      if (Number.isNaN(litres)) throw new NotSent('The can: litres from 0.1 to 200.');
      return ask('/settings', {
        method: 'PATCH',
        body: {
          name: name.trim(),
          number_scheme: scheme.trim(),
          can_ml: Math.round(litres * 1000),
          has_pets: pets,
          has_children: children,
        },
      });
    },
    onSuccess: () => queries.invalidateQueries(),
  });
  return (
    <section aria-labelledby="settings">
      <SectionHead id="settings">Ways of the house</SectionHead>
      <form
        onSubmit={(event: FormEvent) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        <Field label="Name of the collection">
          {(id) => (
            <input
              id={id}
              maxLength={LONGEST_NAME}
              className="input h-11 w-full"
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
          )}
        </Field>
        <div className="grid grid-cols-2 gap-x-4">
          <Field
            label="Numbers are made as"
            hint="{year}, {yy}, {month}, {genus} stand for themselves; {n:3} counts on."
          >
            {(id) => (
              <input
                id={id}
                maxLength={LONGEST_NUMBER}
                className="input h-11 w-full"
                value={scheme}
                onChange={(event) => setScheme(event.target.value)}
              />
            )}
          </Field>
          <Field label="The can holds, litres">
            {(id) => (
              <input
                id={id}
                inputMode="decimal"
                className="input h-11 w-full"
                value={can}
                onChange={(event) => setCan(event.target.value)}
              />
            )}
          </Field>
        </div>
        <Tick label="pets in the house" checked={pets} onChange={setPets} />
        <Tick label="children in the house" checked={children} onChange={setChildren} />
        <Wrong words={save.isError ? wordsOf(save.error) : null} />
        <button type="submit" className="btn h-11" disabled={save.isPending}>
          {save.isSuccess ? 'Kept' : 'Keep these'}
        </button>
      </form>
    </section>
  );
}
