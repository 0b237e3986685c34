/** A plant's pot and mix: put right where they were wrong from the start, or repotted with its day. */
import { units } from '../../reader/units.ts';
import type { PlantView } from '@zinc-pail/contract/api';
import { type Pot, POT_MATERIALS, POT_SHAPES } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask } from '../../api/client.ts';
import { useKit } from '../../api/kit.ts';
import { plantKey } from '../../api/plant.ts';
import { usePotting } from '../../api/potting.ts';
import { blockWords } from '@zinc-pail/words/potting';
import { cautionLines } from './Cautions.tsx';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { Choice, Field, OnDay, TypedLength } from '../../forms/Fields.tsx';
import { PotDetail, potDraft, type PotDraft, potOfDraft, ROOTS_LOST } from '../../forms/PotDetail.tsx';

interface Draft extends PotDraft {
  kind: 'set-right' | 'repotted';
  shape: string;
  material: string;
  mix: string;
  date: string;
  mixWas: string;
  roots: string;
}

function draftOf(plant: PlantView, kind: Draft['kind']): Draft {
  const { pot } = plant.outlook;
  return {
    kind,
    shape: pot.shape,
    ...potDraft(pot),
    material: pot.material,
    mix: String(plant.mix.id),
    date: plant.site.today,
    mixWas: '',
    roots: '0',
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
  const repotted =
    draft.kind === 'repotted'
      ? { date: draft.date, mix_was: draft.mixWas || null, root_loss: Number(draft.roots) }
      : {};
  return { client_id: clientId, kind: draft.kind, pot, mix_id: Number(draft.mix), ...repotted };
}

export function PotPanel({
  plant,
  kind,
  onClose,
}: {
  plant: PlantView;
  /** what is meant at first */
  kind: Draft['kind'];
  onClose(): void;
}) {
  const kit = useKit();
  const queries = useQueryClient();
  const [draft, setDraft] = useState(() => draftOf(plant, kind));
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
  const bench = usePotting(plant.site.id, kind === 'repotted');
  const blocks = bench.data?.plants.find(({ id }) => id === plant.id)?.blocks ?? [];
  const before = [
    ...cautionLines(plant.outlook, plant.record.poisonous),
    ...blocks.map((block) => `Not now: ${blockWords(block, plant.site.today, units())}.`),
  ];
  return (
    <Dialog title="Its pot and mix" onClose={onClose}>
      {kind === 'repotted' && before.length > 0 && (
        <ul aria-label="Before hands go in" className="mb-2 border-l-4 border-[var(--rust)] pl-3 text-[0.9375rem]">
          {before.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <Form error={wrong} onSubmit={submit}>
        <Choice
          legend="What is this"
          name="kind"
          value={draft.kind}
          onChange={(kind) => set({ kind: kind as Draft['kind'] })}
          options={[
            { id: 'set-right', label: 'it was written down wrong' },
            { id: 'repotted', label: 'it was repotted' },
          ]}
        />
        <p className="mb-3 text-[0.9375rem] text-[var(--ink-2)]">
          {draft.kind === 'set-right'
            ? 'Its past is worked out again, as if it had been in this pot from the start.'
            : 'The new pot starts fresh, from what its bench has taught; the old one stays on record.'}
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
        {draft.kind === 'repotted' && (
          <>
            <OnDay value={draft.date} max={plant.site.today} onChange={(date) => set({ date })} />
            <Choice
              legend="The new mix went in"
              name="mixWas"
              value={draft.mixWas}
              onChange={(mixWas) => set({ mixWas })}
              options={[
                { id: 'dry', label: 'dry' },
                { id: 'damp', label: 'damp' },
                { id: 'wet', label: 'wet' },
                { id: '', label: 'don’t know' },
              ]}
            />
            <Choice
              legend="Roots"
              name="roots"
              value={draft.roots}
              onChange={(roots) => set({ roots })}
              options={ROOTS_LOST}
            />
          </>
        )}
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
