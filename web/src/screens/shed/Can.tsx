/** The can in which water and food are mixed: the Round reckons its fillings. */
import { useState } from 'react';
import { notSent } from '../../api/client.ts';
import type { Kit } from '../../api/kit.ts';
import { Form } from '../../forms/Form.tsx';
import { Typed } from '../../forms/Fields.tsx';
import { numberIn } from '@zinc-pail/words/numbers';
import { useSettings } from './useSettings.ts';

const USUAL_CANS_L = [1.5, 3, 5, 8, 10];

export function Can({ kit }: { kit: Kit }) {
  const [can, setCan] = useState(String(kit.collection.can_ml / 1000));
  const [error, setError] = useState<unknown>(null);
  const save = useSettings();
  const send = async () => {
    const ml = numberIn(can, 0.1, 200);
    if (Number.isNaN(ml)) return setError(notSent({ can_ml: 'How much the can holds: litres from 0.1 to 200.' }));
    setError(null);
    await save.mutateAsync({ can_ml: Math.round(ml * 1000) }).catch(setError);
  };
  return (
    <section aria-labelledby="can">
      <h3 id="can" className="sr-only">
        The can
      </h3>
      <p className="mb-3 max-w-prose">
        The Round says how often it is filled, with what, and how much food goes into each filling.
      </p>
      <div className="flex items-end gap-8">
        <Form error={error} onSubmit={() => void send()}>
          <Typed label="The can holds, litres" at="can_ml" value={can} onChange={setCan} />
          <div className="mb-4 flex flex-wrap gap-2">
            {USUAL_CANS_L.map((litres) => (
              <button key={litres} type="button" className="btn h-11" onClick={() => setCan(String(litres))}>
                {litres} l
              </button>
            ))}
          </div>
          <button type="submit" className="btn btn-primary h-11" disabled={save.isPending}>
            {save.isSuccess && Number(can.replace(',', '.')) * 1000 === kit.collection.can_ml ? 'Saved' : 'Save'}
          </button>
        </Form>
        <CanDrawing litres={kit.collection.can_ml / 1000} />
      </div>
    </section>
  );
}

/** A pail whose size follows what it holds: eight litres stand as high as a hand. */
function CanDrawing({ litres }: { litres: number }) {
  const side = Math.min(160, 40 + 30 * Math.cbrt(litres));
  return (
    <svg width={side} height={side} viewBox="0 0 25 28" role="img" aria-label={`A can of ${litres} litres`}>
      <g fill="var(--color-base-300)" stroke="var(--ink)" strokeWidth={1}>
        <path d="M4 10C4.5 4 8.5 1.500 12.500 1.500S20.500 4 21 10" fill="none" />
        <path d="M4 10h17l-2.200 16H6.200z" />
        <path d="M5 14.500h15" />
      </g>
    </svg>
  );
}
