/** Waters at hand: what is poured decides what salts build up, and who may have it. */
import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import { WATER_KINDS, type WaterKind } from '@zinc-pail/core';
import type { Kit } from '../../api/kit.ts';
import { Form } from '../../forms/Form.tsx';
import { KeepOrLeave, Line, OneOf, Typed } from '../../forms/Fields.tsx';
import { Ledger } from './Ledger.tsx';
import { type Water, WATER_WORDS, type WaterForm, waterFormOf, waterOf, waterWords } from './kitForms.ts';
import { useKept, useKeptForm } from './useKept.ts';

export function Waters({ kit }: { kit: Kit }) {
  const { drop } = useKept('waters');
  return (
    <section aria-labelledby="waters">
      <h3 id="waters" className="sr-only">
        Waters at hand
      </h3>
      <p className="mb-3 max-w-prose">
        Each plant’s line names the first water here that suits it. Without any we assume hard tap water, to be on the
        safe side.
      </p>
      <Ledger
        items={kit.waters}
        another="Another water"
        goes="Drinks that were noted keep the kind of water they were given."
        Words={WaterWords}
        Panel={WaterPanel}
        onDrop={drop.mutateAsync}
      />
    </section>
  );
}

const WaterWords = ({ item }: { item: Water }) => waterWords(item);

function WaterPanel({ item: water, onDone }: { item: Water | null; onDone(): void }) {
  const { form, set, error, send, busy } = useKeptForm<WaterForm>('waters', water?.id ?? null, {
    first: () => waterFormOf(water),
    read: waterOf,
    onDone,
  });
  return (
    <div className="border-l-4 border-[var(--rule)] pl-4">
      <Form error={error} onSubmit={send}>
        <Line label="Name" at="name" most={LONGEST_NAME} value={form.name} onChange={(name) => set({ name })} />
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
        <KeepOrLeave keep={water ? 'Save' : 'Add this water'} busy={busy} onLeave={onDone} />
      </Form>
    </div>
  );
}
