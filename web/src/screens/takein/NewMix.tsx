/** A mix made on the spot, part by part: what a plant was found to stand in. */
import { LONGEST_NAME } from '@zinc-pail/contract/limits';
import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ask, notSent } from '../../api/client.ts';
import { Dialog } from '../../forms/Dialog.tsx';
import { Form } from '../../forms/Form.tsx';
import { KeepOrLeave, Line, Typed } from '../../forms/Fields.tsx';
import { COMPONENT_NAMES, mixOf, type PartDraft } from './mixChoice.ts';

const EMPTY: readonly PartDraft[] = [
  { of: '', parts: '1' },
  { of: '', parts: '' },
  { of: '', parts: '' },
];

export function NewMix({ onMade, onClose }: { onMade(id: number): void; onClose(): void }) {
  const [name, setName] = useState('');
  const [parts, setParts] = useState<readonly PartDraft[]>(EMPTY);
  const [error, setError] = useState<unknown>(null);
  const [busy, setBusy] = useState(false);
  const queries = useQueryClient();
  const send = async () => {
    const given = mixOf(name, parts);
    if (given.kind === 'wrong') return setError(notSent(given.at));
    setBusy(true);
    try {
      const { id } = await ask<{ id: number }>('/mixes', { method: 'POST', body: given.value });
      await queries.invalidateQueries();
      onMade(id);
    } catch (failed) {
      setError(failed);
    } finally {
      setBusy(false);
    }
  };
  const set = (at: number, change: Partial<PartDraft>) =>
    setParts((before) => before.with(at, { ...before[at]!, ...change }));
  return (
    <Dialog title="Another mix" onClose={onClose}>
      <Form error={error} onSubmit={() => void send()}>
        <Line
          label="Name"
          at="name"
          placeholder="Grit from the nursery"
          most={LONGEST_NAME}
          value={name}
          onChange={setName}
        />
        {parts.map((part, i) => (
          <div key={i} className="grid grid-cols-[6rem_1fr] gap-x-4">
            <Typed
              label={i === 0 ? 'Parts' : `Parts, ${i + 1}`}
              at={`parts-${i}`}
              width="w-full"
              value={part.parts}
              onChange={(typed) => set(i, { parts: typed })}
            />
            <Line
              label={i === 0 ? 'Of what' : `Of what, ${i + 1}`}
              at={`of-${i}`}
              list="components"
              most={LONGEST_NAME}
              value={part.of}
              onChange={(of) => set(i, { of })}
            />
          </div>
        ))}
        <datalist id="components">
          {COMPONENT_NAMES.map((one) => (
            <option key={one} value={one}>
              {one}
            </option>
          ))}
        </datalist>
        <button type="button" className="h-11 underline" onClick={() => setParts([...parts, { of: '', parts: '' }])}>
          One part more
        </button>
        <KeepOrLeave keep="Make this mix" busy={busy} onLeave={onClose} />
      </Form>
    </Dialog>
  );
}
