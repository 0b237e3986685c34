/** Waters at hand: what is poured decides what salts build up, and who may have it. */
import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import { WATER_KINDS, type WaterKind } from '@zinc-pail/core';
import { useState } from 'react';
import { notSent } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { Form } from '../../forms/Form.tsx';
import { Field, KeepOrLeave, OneOf, Typed } from '../../forms/Fields.tsx';
import { LedgerLine } from './Ledger.tsx';
import { type Water, WATER_WORDS, type WaterForm, waterFormOf, waterOf, waterWords } from './kitForms.ts';
import { useKept } from './useKept.ts';

export function Waters({ kit }: { kit: Kit }) {
  const { drop } = useKept('waters');
  const [open, setOpen] = useState<Water | 'new' | null>(kit.waters.length === 0 ? 'new' : null);
  return (
    <section aria-labelledby="waters">
      <h3 id="waters" className="sr-only">
        Waters at hand
      </h3>
      <p className="mb-3 max-w-prose">
        The first that suits a plant is what its line on the Round says. Where nothing is told, hard tap water is
        reckoned with, on the safe side, never rain.
      </p>
      <ul className="mb-4 border-t border-[var(--rule)]">
        {kit.waters.map((water) => (
          <LedgerLine
            key={water.id}
            name={water.name}
            goes="Drinks that were noted keep the kind of water they were given."
            onChange={() => setOpen(water)}
            onDrop={() => drop.mutateAsync(water.id)}
          >
            {waterWords(water)}
          </LedgerLine>
        ))}
      </ul>
      {open === null ? (
        <button type="button" className="btn h-11" onClick={() => setOpen('new')}>
          Another water
        </button>
      ) : (
        <WaterPanel
          key={open === 'new' ? 'new' : open.id}
          water={open === 'new' ? null : open}
          onDone={() => setOpen(null)}
        />
      )}
    </section>
  );
}

function WaterPanel({ water, onDone }: { water: Water | null; onDone(): void }) {
  const { add, change } = useKept('waters');
  const [form, setForm] = useState<WaterForm>(() => waterFormOf(water));
  const [error, setError] = useState<unknown>(null);
  const set = (more: Partial<WaterForm>) => setForm((before) => ({ ...before, ...more }));
  const send = async () => {
    const given = waterOf(form);
    if (given.kind === 'wrong') return setError(notSent(given.at));
    try {
      if (water) await change.mutateAsync({ id: water.id, body: given.value });
      else await add.mutateAsync(given.value);
      onDone();
    } catch (failed) {
      setError(failed);
    }
  };
  return (
    <div className="border-l-4 border-[var(--rule)] pl-4">
      <Form error={error} onSubmit={() => void send()}>
        <Field label="Name" at="name">
          {(id) => (
            <input
              id={id}
              maxLength={LONGEST_NAME}
              className="input h-11 w-full"
              value={form.name}
              onChange={(event) => set({ name: event.target.value })}
            />
          )}
        </Field>
        <OneOf
          label="Kind"
          at="kind"
          width="w-full"
          value={form.kind}
          onChange={(kind) => set({ kind: kind as WaterKind })}
          options={WATER_KINDS.map((kind) => [kind, WATER_WORDS[kind]] as const)}
        />
        <div className="flex flex-wrap gap-x-6">
          <Typed
            label="Hardness, °dH"
            hint="Empty: usual for its kind."
            at="hardness_dh"
            value={form.hardness}
            onChange={(hardness) => set({ hardness })}
          />
          <Typed
            label="Salts, mg/l"
            hint="From a meter, if you have one."
            at="salts_mg_l"
            value={form.salts}
            onChange={(salts) => set({ salts })}
          />
        </div>
        <KeepOrLeave
          keep={water ? 'Keep it so' : 'Add this water'}
          busy={add.isPending || change.isPending}
          onLeave={onDone}
        />
      </Form>
    </div>
  );
}
