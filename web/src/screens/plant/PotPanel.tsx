/** A plant's pot and mix: put right where they were wrong from the start, or repotted with its day. */
import type { PlantView } from '@zinc-pail/contract/api';
import { type Pot, POT_MATERIALS, POT_SHAPES } from '@zinc-pail/core';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { ask, wordsOf } from '../../api/client.ts';
import { useKit } from '../../api/kit.ts';
import { plantKey } from '../../api/plant.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Choice, Field, Wrong } from '../../forms/Fields.tsx';
import { detailDraft, detailOf, PotDetail, type PotDetailDraft } from '../../forms/PotDetail.tsx';
import { numberIn } from '../../words/numbers.ts';

interface Draft extends PotDetailDraft {
  kind: 'set-right' | 'repotted';
  shape: string;
  top: string;
  base: string;
  depth: string;
  dressing: string;
  material: string;
  mix: string;
  date: string;
  mixWas: string;
  roots: string;
}

/** Shares of the roots that were lost, as a keeper says it. */
const ROOTS = [
  { id: '0', label: 'left alone' },
  { id: '0.2', label: 'a few cut' },
  { id: '0.5', label: 'half cut' },
  { id: '0.8', label: 'most cut' },
];

function draftOf(plant: PlantView): Draft {
  const { pot } = plant.outlook;
  return {
    kind: 'set-right',
    shape: pot.shape,
    top: String(pot.top_mm),
    base: String(pot.base_mm),
    depth: String(pot.depth_mm),
    dressing: String(pot.top_dressing_mm),
    material: pot.material,
    ...detailDraft(pot),
    mix: String(plant.mix.id),
    date: plant.site.today,
    mixWas: '',
    roots: '0',
  };
}

/** The body of a draft, or what is wrong with it. */
export function bodyOf(draft: Draft, clientId: string): Record<string, unknown> | string {
  const measures = [
    ['top', 10, 3000, 'Width at the top'],
    ['base', 1, 3000, 'Width at the base'],
    ['depth', 10, 3000, 'Depth of mix'],
    ['dressing', 0, 300, 'Stones on top'],
  ] as const;
  const found: Record<string, number> = {};
  for (const [key, min, max, label] of measures) {
    found[key] = numberIn(draft[key], min, max);
    if (Number.isNaN(found[key])) return `${label}: a number of millimetres from ${min} to ${max}.`;
  }
  const detail = detailOf(draft);
  if (typeof detail === 'string') return detail;
  const pot: Pot = {
    shape: draft.shape as Pot['shape'],
    top_mm: found.top!,
    base_mm: found.base!,
    depth_mm: found.depth!,
    material: draft.material as Pot['material'],
    ...detail,
    top_dressing_mm: found.dressing!,
  };
  const repotted =
    draft.kind === 'repotted'
      ? { date: draft.date, mix_was: draft.mixWas || null, root_loss: Number(draft.roots) }
      : {};
  return { client_id: clientId, kind: draft.kind, pot, mix_id: Number(draft.mix), ...repotted };
}

export function PotPanel({ plant, onClose }: { plant: PlantView; onClose(): void }) {
  const kit = useKit();
  const queries = useQueryClient();
  const [draft, setDraft] = useState(() => draftOf(plant));
  const [clientId] = useState(() => crypto.randomUUID());
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (some: Partial<Draft>) => setDraft((before) => ({ ...before, ...some }));
  const save = useMutation({
    mutationFn: (body: Record<string, unknown>) =>
      ask<PlantView>(`/plants/${plant.id}/pottings`, { method: 'POST', version: plant.version, body }),
    onSuccess: (changed) => {
      queries.setQueryData(plantKey(plant.id), changed);
      onClose();
    },
    onError: (error) => setWrong(wordsOf(error)),
    onSettled: () => queries.invalidateQueries(),
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const body = bodyOf(draft, clientId);
    if (typeof body === 'string') return setWrong(body);
    setWrong(null);
    save.mutate(body);
  };
  const box = (key: 'top' | 'base' | 'depth' | 'dressing', label: string) => (
    <Field label={label}>
      {(id) => (
        <input
          id={id}
          inputMode="decimal"
          className="input h-11 w-full"
          value={draft[key]}
          onChange={(e) => set({ [key]: e.target.value })}
        />
      )}
    </Field>
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
    <Dialog title="Its pot and mix" onClose={onClose}>
      <form noValidate onSubmit={submit}>
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
        <p className="mb-3 text-[15px] text-[var(--ink-2)]">
          {draft.kind === 'set-right'
            ? 'Its past is reckoned anew, as if this had stood here from the start.'
            : 'The new pot starts anew, from what its bench has taught; the old one stays in its book.'}
        </p>
        <div className="grid grid-cols-2 gap-x-4 sm:grid-cols-3">
          {choose('shape', 'Shape', POT_SHAPES)}
          {choose('material', 'Material', POT_MATERIALS)}
          {box('top', 'Width at the top, mm')}
          {box('base', 'Width at the base, mm')}
          {box('depth', 'Depth of mix, mm')}
          {box('dressing', 'Stones on top, mm')}
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
            <Field label="On">
              {(id) => (
                <input
                  id={id}
                  type="date"
                  max={plant.site.today}
                  className="input h-11 w-44"
                  value={draft.date}
                  onChange={(e) => set({ date: e.target.value })}
                />
              )}
            </Field>
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
              options={ROOTS}
            />
          </>
        )}
        <Wrong words={wrong} />
        <div className="mt-4 flex gap-3">
          <button type="submit" className="btn btn-primary h-11 px-6" disabled={save.isPending}>
            {save.isPending ? 'Reckoning anew…' : 'Keep it'}
          </button>
          <button type="button" className="btn h-11" onClick={onClose}>
            Leave it
          </button>
        </div>
      </form>
    </Dialog>
  );
}
