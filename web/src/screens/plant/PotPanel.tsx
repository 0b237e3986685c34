/** A plant's pot and mix put right, where they were written down wrong; a repotting has its own form (RepotPanel.tsx). */
import type { PlantView } from '@zinc-pail/contract/api';
import { type Pot, POT_MATERIALS, POT_SHAPES } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../api/client.ts';
import { useKit } from '../../api/kit.ts';
import { plantKey } from '../../api/plant.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Field, TypedLength } from '../../forms/Fields.tsx';
import { PotDetail, potDraft, type PotDraft, potOfDraft } from '../../forms/PotDetail.tsx';

interface Draft extends PotDraft {
  shape: string;
  material: string;
  mix: string;
}

function draftOf(plant: PlantView): Draft {
  const { pot } = plant.outlook;
  return {
    shape: pot.shape,
    ...potDraft(pot),
    material: pot.material,
    mix: String(plant.mix.id),
  };
}

/** The body of a draft, or what is wrong with it. */
export function bodyOf(draft: Draft, clientId: string): Record<string, unknown> | string {
  const measured = potOfDraft(draft);
  if (typeof measured === 'string') return measured;
  const pot: Pot = {
    ...measured,
    shape: draft.shape as Pot['shape'],
    material: draft.material as Pot['material'],
  };
  return { client_id: clientId, kind: 'set-right', pot, mix_id: Number(draft.mix) };
}

export function PotPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const kit = useKit();
  const queries = useQueryClient();
  const [draft, setDraft] = useState(() => draftOf(plant));
  const [clientId] = useState(() => crypto.randomUUID());
  const [wrong, setWrong] = useState<unknown>(null);
  const set = (some: Partial<Draft>) => setDraft((before) => ({ ...before, ...some }));
  const save = useMutation({
    mutationFn: (body: Record<string, unknown>) =>
      ask<PlantView>(`/plants/${plant.id}/pottings`, { method: 'POST', version: plant.version, body }),
    onSuccess: (changed) => {
      queries.setQueryData(plantKey(plant.id), changed);
      onClose();
    },
    onError: setWrong,
    onSettled: () => queries.invalidateQueries(),
  });
  const submit = () => {
    const body = bodyOf(draft, clientId);
    if (typeof body === 'string') return setWrong(body);
    setWrong(null);
    save.mutate(body);
  };
  const box = (key: 'top' | 'base' | 'depth' | 'dressing', label: string) => (
    <TypedLength label={label} width="w-full" value={draft[key]} onChange={(mm) => set({ [key]: mm })} />
  );
  const choose = (key: 'shape' | 'material', label: string, all: readonly string[]) => (
    <Field label={label}>
      {(id) => (
        <select
          id={id}
          className="select h-11 w-full"
          value={draft[key]}
          onChange={(e) => set({ [key]: e.target.value })}
        >
          {all.map((one) => (
            <option key={one}>{one}</option>
          ))}
        </select>
      )}
    </Field>
  );
  return (
    <Dialog title="Correct its pot and mix" onClose={onClose}>
      <Form error={wrong} onSubmit={submit}>
        <p className="mb-3 text-[0.9375rem] text-[var(--ink-2)]">
          Its past is worked out again, as if it had been in this pot from the start.
        </p>
        <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
          {choose('shape', 'Shape', POT_SHAPES)}
          {choose('material', 'Material', POT_MATERIALS)}
          {box('top', 'Width at the top')}
          {box('base', 'Width at the base')}
          {box('depth', 'Depth of mix')}
          {box('dressing', 'Stones on top')}
        </div>
        <PotDetail draft={draft} base={draft.base} shape={draft.shape as Pot['shape']} onChange={set} />
        <Field label="Mix">
          {(id) => (
            <select
              id={id}
              className="select h-11 w-full"
              value={draft.mix}
              onChange={(e) => set({ mix: e.target.value })}
            >
              {kit.data?.mixes.map((mix) => (
                <option key={mix.id} value={mix.id}>
                  {mix.name}
                </option>
              ))}
            </select>
          )}
        </Field>
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={save.isPending}>
            {save.isPending ? 'Working it out…' : 'Save'}
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Cancel
          </button>
        </div>
      </Form>
    </Dialog>
  );
}
