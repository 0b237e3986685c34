/** What holds for the whole house: its name, how plants are numbered, who lives with them. */
import { LONGEST_NAME, LONGEST_NUMBER } from '@zinc-pail/contract/limits';
import { useState } from 'react';
import type { Kit } from '../../api/kit.ts';
import { Form } from '../../forms/Form.tsx';
import { Line, Tick } from '../../forms/Fields.tsx';
import { numberedBy, unknownParts } from './numberScheme.ts';
import { notSent } from '../../api/client.ts';
import { useSettings } from './useSettings.ts';

export function Settings({ kit: { collection } }: { kit: Kit }) {
  const [name, setName] = useState(collection.name);
  const [scheme, setScheme] = useState(collection.number_scheme);
  const [pets, setPets] = useState(collection.has_pets);
  const [children, setChildren] = useState(collection.has_children);
  const [error, setError] = useState<unknown>(null);
  const save = useSettings();
  const changed =
    name !== collection.name ||
    scheme !== collection.number_scheme ||
    pets !== collection.has_pets ||
    children !== collection.has_children;
  const send = async () => {
    const odd = unknownParts(scheme);
    if (name.trim() === '') return setError(notSent({ name: 'A name for the collection.' }));
    if (odd.length > 0)
      return setError(
        notSent({ number_scheme: `{${odd[0]}} means nothing here: {year}, {yy}, {month}, {genus} and {n:3} do.` }),
      );
    setError(null);
    await save
      .mutateAsync({ name: name.trim(), number_scheme: scheme.trim(), has_pets: pets, has_children: children })
      .catch(setError);
  };
  return (
    <section aria-labelledby="settings">
      <h3 id="settings" className="sr-only">
        Collection settings
      </h3>
      <Form error={error} onSubmit={() => void send()}>
        <Line label="Name of the collection" at="name" most={LONGEST_NAME} value={name} onChange={setName} />
        <Line
          label="Numbers are made as"
          at="number_scheme"
          hint={`{year}, {yy}, {month}, {genus} are filled in; {n:3} counts up. The next Aloe would be ${numberedBy(scheme)}.`}
          most={LONGEST_NUMBER}
          value={scheme}
          onChange={setScheme}
        />
        <p className="font-semibold">Who lives with the plants</p>
        <Tick label="pets in the house" checked={pets} onChange={setPets} />
        <Tick label="children in the house" checked={children} onChange={setChildren} />
        <p className="mb-4 max-w-prose text-[0.875rem] text-[var(--ink-2)]">
          Poisonous plants are flagged when you add them and on their page. This is not medical advice: if in doubt ask
          your poison line or vet.
        </p>
        <button type="submit" className="btn btn-primary h-11" disabled={save.isPending}>
          {save.isSuccess && !changed ? 'Saved' : 'Save'}
        </button>
      </Form>
    </section>
  );
}
