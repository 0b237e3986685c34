import type { PlaceView } from '@zinc-pail/contract/keeping';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../api/client.ts';
import { causeWords } from '@zinc-pail/words/causes';
import { useSheet } from '../../api/clinic.ts';
import { count } from '../../reader/amounts.ts';
import { fullDay } from '../../reader/days.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Field, OnDay } from '../../forms/Fields.tsx';

interface Moved {
  moved: number[];
  hardening: { plant_id: number; steps: { date: string; minutes: number }[] }[];
}

/**
 * Sets plants on another bench; those that come into more sun get a plan, those that move are looked at again in three
 * weeks.
 */
export function MovePanel({
  ids,
  places,
  today,
  onClose,
}: {
  ids: number[];
  places: Pick<PlaceView, 'id' | 'name'>[];
  today: string;
  onClose(done: boolean): void;
}) {
  const [place, setPlace] = useState(String(places[0]?.id ?? ''));
  const [date, setDate] = useState(today);
  const queries = useQueryClient();
  const [only] = ids;
  const sheet = useSheet(only!, ids.length === 1);
  const open = (ids.length === 1 && sheet.data?.cases) || [];
  const move = useMutation({
    mutationFn: () =>
      ask<Moved>('/plants/move', { method: 'POST', body: { plant_ids: ids, place_id: Number(place), date } }),
    onSuccess: () => queries.invalidateQueries(),
  });
  if (move.data) {
    const plans = move.data.hardening;
    return (
      <Dialog title="Moved" onClose={() => onClose(true)}>
        <p>
          {count(move.data.moved.length, 'plant')} moved
          {move.data.moved.length < ids.length && `; ${ids.length - move.data.moved.length} stood there already`}.
        </p>
        {plans.length > 0 && (
          <p className="my-2">
            {count(plans.length, 'plant')} come into more sun: a plan begins with {plans[0]!.steps[0]!.minutes} minutes
            and takes {count(plans[0]!.steps.length, 'day')}. It stands on the round, day by day.
          </p>
        )}
        <p>In about three weeks the round asks how their new growth looks.</p>
        <button type="button" className="btn btn-primary mt-4 h-11 px-6" onClick={() => onClose(true)}>
          Good
        </button>
      </Dialog>
    );
  }
  return (
    <Dialog title={`Move ${count(ids.length, 'plant')}`} onClose={() => onClose(false)}>
      <Form
        error={move.error}
        onSubmit={() => {
          move.mutate();
        }}
      >
        {open.length > 0 && (
          <p role="note" className="mb-3 border-l-4 border-[var(--straw)] pl-3">
            A case is open: {causeWords(open[0]!.cause).name.toLowerCase()}, since {fullDay(open[0]!.openedOn)}. One
            change at a time tells what helped: move it now only if the case asks for it, or to save it.
          </p>
        )}
        <Field label="To" at="place_id">
          {(id) => (
            <select
              id={id}
              className="select h-11 w-full"
              value={place}
              onChange={(event) => setPlace(event.target.value)}
            >
              {places.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <OnDay value={date} max={today} onChange={setDate} />
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={move.isPending}>
            {move.isPending ? 'Working it out…' : 'Move them'}
          </button>
          <button type="button" className="btn h-11" onClick={() => onClose(false)}>
            Cancel
          </button>
        </div>
      </Form>
    </Dialog>
  );
}
