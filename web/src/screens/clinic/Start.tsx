/** Begin with the plant, or with what is seen: where on a plant of its build, what, and then on whom. */
import { FORMS, type Form, type Sign } from '@zinc-pail/core';
import { signWords } from '@zinc-pail/words/signs';
import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { Link } from 'react-router';
import { ask } from '../../api/client.ts';
import { SignGlyph } from '../../drawing/SignGlyph.tsx';
import { Name } from '../../naming/Name.tsx';
import { Plate } from './Plate.tsx';
import { type Zone, zonesOf } from './zones.ts';

const FORM_WORDS: Record<Form, string> = {
  globe: 'a globe',
  column: 'a column',
  pad: 'pads',
  rosette: 'a rosette',
  stemmed: 'leafy stems',
  trailing: 'trailing stems',
  caudex: 'a swollen base',
  bulb: 'a bulb',
  stemless: 'a few fat leaves',
  'stiff-leaf': 'stiff upright leaves',
};
/** Heights over widths of a hundred: how such plants stand. */
const STANDS: Partial<Record<Form, number>> = {
  column: 190,
  pad: 120,
  stemmed: 130,
  caudex: 130,
  'stiff-leaf': 200,
  bulb: 90,
  stemless: 60,
  globe: 85,
};

interface Seen {
  zone: Zone['id'];
  sign: Sign;
}

export function Start() {
  const [pointing, setPointing] = useState(false);
  const [seen, setSeen] = useState<Seen | null>(null);
  return (
    <div className="mb-6 mt-2">
      <Patient seen={seen} />
      {!pointing ? (
        <button type="button" className="mt-2 h-11 underline" onClick={() => setPointing(true)}>
          or begin with what you see
        </button>
      ) : (
        <SeeFirst seen={seen} onSee={setSeen} />
      )}
    </div>
  );
}

/** Which plant it is: what was pointed at goes along. */
function Patient({ seen }: { seen: Seen | null }) {
  const [typed, setTyped] = useState('');
  const sought = useDeferredValue(typed.trim());
  const found = useQuery({
    queryKey: ['find', sought],
    queryFn: async () =>
      (
        await ask<{ plants: { id: number; number: string; name: string; place?: string; ended?: string | null }[] }>(
          `/find?q=${encodeURIComponent(sought)}`,
        )
      ).plants,
    enabled: sought !== '',
    placeholderData: (before) => before,
  });
  const query = seen ? `?zone=${seen.zone}&sign=${seen.sign}` : '';
  return (
    <div className="max-w-xl">
      <label htmlFor="amiss" className="mb-1 block font-semibold">
        {seen ? `On which plant do you see it: ${signWords(seen.sign)}` : 'Which plant has a problem?'}
      </label>
      <input
        id="amiss"
        className="input h-12 w-full text-[1.0625rem]"
        placeholder="name, number or place of the plant"
        maxLength={100}
        value={typed}
        onChange={(event) => setTyped(event.target.value)}
      />
      {sought !== '' && (
        <ul aria-label="Plants found">
          {(found.data ?? [])
            .filter(({ ended }) => !ended)
            .slice(0, 8)
            .map((plant) => (
              <li key={plant.id} className="border-b border-[var(--rule)]">
                <Link to={`/clinic/${plant.id}${query}`} className="flex min-h-11 flex-wrap items-center gap-x-3 px-2">
                  <Name written={plant.name} />
                  <span className="text-[0.875rem] text-[var(--ink-2)]">
                    {plant.number}, {plant.place}
                  </span>
                </Link>
              </li>
            ))}
        </ul>
      )}
    </div>
  );
}

function SeeFirst({ seen, onSee }: { seen: Seen | null; onSee(seen: Seen | null): void }) {
  const [form, setForm] = useState<Form>('rosette');
  const [zone, setZone] = useState<Zone['id'] | null>(null);
  const zones = zonesOf(form);
  const chosen = zones.find(({ id }) => id === zone);
  return (
    <section aria-labelledby="see-first" className="mt-3 max-w-3xl">
      <h2 id="see-first" className="mb-2 text-[1.0625rem] font-semibold">
        What do you see?
      </h2>
      <div className="mb-2 flex flex-wrap gap-1" role="group" aria-label="How it is built">
        {FORMS.map((one) => (
          <button
            key={one}
            type="button"
            aria-pressed={one === form}
            className={`h-11 border px-3 ${one === form ? 'border-[var(--ink)] bg-[var(--frame)] font-semibold' : 'border-[var(--rule)]'}`}
            onClick={() => {
              setForm(one);
              setZone(null);
              onSee(null);
            }}
          >
            {FORM_WORDS[one]}
          </button>
        ))}
      </div>
      <div className="grid items-start gap-5 sm:grid-cols-[300px_1fr]">
        <Plate
          name=""
          form={form}
          diameterMm={100}
          heightMm={STANDS[form] ?? 100}
          zones={zones}
          chosen={zone}
          onChoose={setZone}
        />
        <div>
          {chosen ? (
            <>
              <h3 className="mb-2 font-semibold">{chosen.label}</h3>
              <div className="grid grid-cols-2 gap-2" role="group" aria-label={`What you see: ${chosen.label}`}>
                {chosen.signs.map((sign) => (
                  <button
                    key={sign}
                    type="button"
                    aria-pressed={seen?.sign === sign && seen.zone === chosen.id}
                    className={`flex min-h-[60px] items-center gap-2 border px-2 text-left ${seen?.sign === sign ? 'border-[var(--clay)] font-semibold' : 'border-[var(--rule)]'}`}
                    onClick={() => {
                      onSee({ zone: chosen.id, sign });
                      document.getElementById('amiss')?.focus();
                    }}
                  >
                    <SignGlyph sign={sign} size={38} />
                    {signWords(sign).replace(/^./, (c) => c.toUpperCase())}
                  </button>
                ))}
              </div>
            </>
          ) : (
            <p>Point at where it is.</p>
          )}
        </div>
      </div>
    </section>
  );
}
