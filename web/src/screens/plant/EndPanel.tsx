import type { PlantView } from '@zinc-pail/contract/api';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { ask } from '../../api/client.ts';
import { plantKey } from '../../api/plant.ts';
import { endBody, EndFields, type Ending } from '../../parts/EndFields.tsx';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Field, Tick } from '../../forms/Fields.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import { Name } from '../../naming/Name.tsx';

/** It leaves the collection: its book stays and can be read back. */
export function EndPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const [ending, setEnding] = useState<Ending>({ how: 'died', date: plant.site.today, cause: '' });
  const [pressed, setPressed] = useState(false);
  const queries = useQueryClient();
  const { traits, state } = plant.outlook;
  // Bare wood and a bulb without leaves look dead while they sleep: asked before the book is closed.
  const mayOnlySleep =
    ending.how === 'died' && (traits.form === 'caudex' || traits.form === 'bulb') && state !== 'growing';
  const sleeps = useMutation({
    mutationFn: () =>
      ask('/marks', {
        method: 'POST',
        body: {
          marks: [
            {
              plant_id: plant.id,
              entries: [
                {
                  client_id: crypto.randomUUID(),
                  type: 'sign',
                  date: plant.site.today,
                  sign: 'firm-base',
                  strength: 1,
                },
              ],
            },
          ],
        },
      }),
    onSuccess: async () => {
      onClose();
      await queries.invalidateQueries();
    },
  });
  const end = useMutation({
    mutationFn: () => ask(`/plants/${plant.id}/end`, { method: 'POST', body: endBody(ending) }),
    onSuccess: async () => {
      onClose();
      await queries.resetQueries({ queryKey: plantKey(plant.id) });
      await queries.invalidateQueries();
    },
  });
  return (
    <Dialog
      title={
        <>
          The end of <Name written={plant.name} />
        </>
      }
      onClose={onClose}
    >
      <Form
        error={end.error ?? sleeps.error}
        onSubmit={() => {
          if (mayOnlySleep && !pressed) setPressed(true);
          else end.mutate();
        }}
      >
        <EndFields ending={ending} today={plant.site.today} many={false} onChange={setEnding} />
        {mayOnlySleep && pressed && (
          <div role="alert" className="mb-3 border-l-4 border-[var(--straw)] pl-3">
            <p>
              It may rest and not be dead, with leaves or without. Press it: hard all over, it sleeps, for longer than a
              season at times. Hollow, or soft through and through, it is lost.
            </p>
            <button type="button" className="btn mt-2 h-11" disabled={sleeps.isPending} onClick={() => sleeps.mutate()}>
              It is hard: it stays
            </button>
          </div>
        )}
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={end.isPending}>
            {mayOnlySleep && pressed ? 'It is lost: close its record' : 'Close its record'}
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            It stays
          </button>
        </div>
      </Form>
    </Dialog>
  );
}

/** More of the same: copies of the record, or offsets and seedlings with this one as mother. */
export function CopiesPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const [count, setCount] = useState('1');
  const [offspring, setOffspring] = useState(true);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const number = numberIn(count, 1, 200);
  const make = useMutation({
    mutationFn: () =>
      ask<{ ids: number[] }>(`/plants/${plant.id}/copies`, {
        method: 'POST',
        body: { count: number, date: plant.site.today, as_offspring: offspring },
      }),
    onSuccess: async ({ ids }) => {
      await queries.invalidateQueries();
      onClose();
      void navigate(`/plants/${ids[0]}`);
    },
  });
  return (
    <Dialog
      title={
        <>
          More of <Name written={plant.name} />
        </>
      }
      onClose={onClose}
    >
      <Form
        error={Number.isNaN(number) ? 'How many: a number from 1 to 200.' : make.error}
        onSubmit={() => {
          if (!Number.isNaN(number)) make.mutate();
        }}
      >
        <Field label="How many" hint="Same pot, mix and place; numbers by your scheme.">
          {(id) => (
            <input
              id={id}
              inputMode="numeric"
              className="input h-11 w-24"
              value={count}
              onChange={(event) => setCount(event.target.value)}
            />
          )}
        </Field>
        <Tick label="offsets or seedlings of this one" checked={offspring} onChange={setOffspring} />
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={make.isPending || Number.isNaN(number)}>
            Make them
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Cancel
          </button>
        </div>
      </Form>
    </Dialog>
  );
}
