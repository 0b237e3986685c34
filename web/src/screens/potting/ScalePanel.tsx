/** A component weighed on the kitchen scale: its own figures then stand for the tabled ones. */
import { type Component, COMPONENTS, fromScaleTest } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Form } from '../../forms/Form.tsx';
import { ask } from '../../api/client.ts';
import { OneOf, SectionHead, Typed, TypedLength } from '../../forms/Fields.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import { lengthBounds } from '../../reader/units.ts';

const FIELDS = [
  ['volumeMl', 'Volume, loose, ml', 50, 20_000],
  ['depthMm', 'Height of it', 30, 500],
  ['dryG', 'Dry, g', 1, 50_000],
  ['soakedG', 'Soaked, g', 1, 50_000],
  ['drainedG', 'Drained, g', 1, 50_000],
] as const;
type Field = (typeof FIELDS)[number][0];

interface Props {
  components: ReadonlyMap<string, Component>;
  /** ids of those that were weighed */
  weighed: ReadonlySet<string>;
}

export function ScalePanel({ components, weighed }: Props) {
  const [which, setWhich] = useState('pumice');
  const [typed, setTyped] = useState<Record<Field, string>>({
    volumeMl: '',
    depthMm: '',
    dryG: '',
    soakedG: '',
    drainedG: '',
  });
  const [ph, setPh] = useState('');
  const [wrong, setWrong] = useState<unknown>(null);
  const queries = useQueryClient();
  const like = components.get(which)!;
  const keep = useMutation({
    mutationFn: (values: object) => ask('/components', { method: 'PUT', body: { id: which, ...values } }),
    onSuccess: () => queries.invalidateQueries(),
    onError: setWrong,
  });
  const back = useMutation({
    mutationFn: () => ask(`/components/${encodeURIComponent(which)}`, { method: 'DELETE' }),
    onSuccess: () => queries.invalidateQueries(),
    onError: setWrong,
  });
  const submit = () => {
    const values = Object.fromEntries(
      FIELDS.map(([field, , least, most]) => [field, numberIn(typed[field], least, most)]),
    ) as Record<Field, number>;
    const bad = FIELDS.find(([field]) => Number.isNaN(values[field]));
    const measured = ph.trim() === '' ? null : numberIn(ph, 3, 10);
    if (Number.isNaN(measured)) return setWrong('pH: from 3 to 10, or nothing.');
    if (bad)
      return setWrong(
        `${bad[1]}: ${bad[0] === 'depthMm' ? lengthBounds(bad[2], bad[3]) : `a number from ${bad[2]} to ${bad[3]}`}.`,
      );
    try {
      setWrong(null);
      keep.mutate({ ph: measured ?? like.ph, ...fromScaleTest(values, like) });
    } catch (error) {
      setWrong(`It cannot be: ${(error as Error).message}`);
    }
  };
  return (
    <details className="mt-8 max-w-3xl">
      <summary className="cursor-pointer">
        <SectionHead>Weigh a component of your own</SectionHead>
      </summary>
      <p className="max-w-prose">
        Fill a vessel with straight sides and holes in its bottom, level and loose; weigh the filling dry. Close the
        holes, fill up with water, wait a night, weigh it soaked. Open the holes, let it drain, weigh again.
      </p>
      <Form error={wrong} onSubmit={submit}>
        <OneOf
          label="Which"
          value={which}
          onChange={setWhich}
          options={[...components.values()].map(({ id, name }) => [id, name] as const)}
        />
        <div className="flex flex-wrap gap-x-5">
          {FIELDS.map(([field, label]) => {
            const Box = field === 'depthMm' ? TypedLength : Typed;
            return (
              <Box
                key={field}
                label={label}
                width="w-32"
                value={typed[field]}
                onChange={(value) => setTyped({ ...typed, [field]: value })}
              />
            );
          })}
        </div>
        <Typed label="pH, if you read it" width="w-32" value={ph} onChange={setPh} />
        <button type="submit" className="btn h-11" disabled={keep.isPending}>
          Use these
        </button>
        {weighed.has(which) && COMPONENTS.has(which) && (
          <button type="button" className="btn btn-ghost h-11" disabled={back.isPending} onClick={() => back.mutate()}>
            Back to the tabled figures
          </button>
        )}
        {keep.isSuccess && <p role="status">Saved: the forecast of every pot with {like.name} in it is updated.</p>}
      </Form>
    </details>
  );
}
