/** Where on the plant, then what: few, large, drawn choices; how strong; a picture if there is one. */
import type { ClinicSheet } from '@zinc-pail/contract/clinic';
import { LARGEST_PICTURE_MB } from '@zinc-pail/contract/limits';
import { signPlaceWords, signWords } from '@zinc-pail/words/signs';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Camera } from 'lucide-react';
import { useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { ask, NotSent, wordsOf } from '../../api/client.ts';
import { plantKey } from '../../api/plant.ts';
import { SignGlyph } from '../../drawing/SignGlyph.tsx';
import { Choice, Tick, Wrong } from '../../forms/Fields.tsx';
import { nearDay } from '../../reader/days.ts';
import { Plate } from './Plate.tsx';
import { signEvent, useSheetMarks } from './useSheetMarks.ts';
import { placeOf, type Zone, zonesOf } from './zones.ts';

const STRENGTHS = [
  { id: '1', label: 'a little' },
  { id: '2', label: 'clearly' },
  { id: '3', label: 'strongly' },
];
const FIRST_SHOWN = 6;
const STANDS_DAYS = 21;

export function Pointing({ sheet }: { sheet: ClinicSheet }) {
  const { patient, today } = sheet;
  const { write, busy, pictures } = useSheetMarks(sheet);
  const zones = zonesOf(patient.form);
  // What was pointed at before the plant was chosen stands ready.
  const [asked] = useSearchParams();
  const [zone, setZone] = useState<Zone['id'] | null>((asked.get('zone') as Zone['id'] | null) ?? null);
  const before = asked.get('sign');
  const [strength, setStrength] = useState('2');
  const [midday, setMidday] = useState(false);
  const [all, setAll] = useState(false);
  const chosen = zones.find(({ id }) => id === zone);
  const shown = chosen ? (all || before ? chosen.signs : chosen.signs.slice(0, FIRST_SHOWN)) : [];
  const seen = sheet.strip.events.filter(
    (event) => event.type === 'sign' && Date.parse(today) - Date.parse(event.date) <= STANDS_DAYS * 86_400_000,
  );
  return (
    <div>
      <p className="mb-2">Point at where it is.</p>
      <div className="grid items-center gap-x-5 sm:grid-cols-[300px_1fr]">
        <Plate
          name={patient.name}
          form={patient.form}
          diameterMm={patient.diameter_mm}
          heightMm={patient.height_mm}
          zones={zones}
          chosen={zone}
          onChoose={(id) => {
            setZone(id);
            setAll(false);
          }}
        />
        <ol className="grid grid-cols-2 sm:grid-cols-1">
          {zones.map(({ id, label }, i) => (
            <li key={id}>
              <button
                type="button"
                aria-pressed={id === zone}
                className={`flex min-h-11 w-full items-center gap-2 border-l-4 px-2 text-left ${id === zone ? 'border-[var(--clay)] font-semibold' : 'border-transparent'}`}
                onClick={() => {
                  setZone(id);
                  setAll(false);
                }}
              >
                <span className="w-5 text-right font-semibold">{i + 1}</span> {label}
              </button>
            </li>
          ))}
        </ol>
      </div>
      {chosen && (
        <div className="mt-4">
          <Choice
            legend={`${chosen.label}: how strong?`}
            name="strength"
            value={strength}
            onChange={setStrength}
            options={STRENGTHS}
          />
          <div
            role="group"
            aria-label={`What you see: ${chosen.label}`}
            className="grid grid-cols-2 gap-2 sm:grid-cols-3"
          >
            {shown.map((sign) => (
              <button
                key={sign}
                type="button"
                disabled={busy}
                className="flex min-h-[64px] items-center gap-2 border border-[var(--rule)] px-2 py-1 text-left hover:border-[var(--ink)] data-[ready=true]:border-2 data-[ready=true]:border-[var(--clay)]"
                data-ready={sign === before}
                onClick={() => {
                  const where = placeOf(chosen.id, sign);
                  const when = sign === 'limp' && midday ? 'midday' : null;
                  void write(
                    [signEvent(sign, today, { strength: Number(strength), where, when })],
                    `seen: ${signWords(sign)}`,
                  );
                }}
              >
                <SignGlyph sign={sign} />
                <span className="leading-tight">{signWords(sign).replace(/^./, (c) => c.toUpperCase())}</span>
              </button>
            ))}
          </div>
          {chosen.signs.includes('limp') && (
            <Tick label="limp only at midday, firm by evening" checked={midday} onChange={setMidday} />
          )}
          {chosen.signs.length > FIRST_SHOWN && !all && !before && (
            <button type="button" className="h-11 underline" onClick={() => setAll(true)}>
              {chosen.signs.length - FIRST_SHOWN} more
            </button>
          )}
        </div>
      )}
      {seen.length > 0 && (
        <div className="mt-4">
          <h3 className="font-semibold">Seen in three weeks</h3>
          <ul className="text-[0.9375rem]">
            {seen.toReversed().map(
              (event, i) =>
                event.type === 'sign' && (
                  <li key={`${event.date} ${i}`} className="flex items-center gap-2 border-b border-[var(--rule)] py-1">
                    <SignGlyph sign={event.sign} size={30} />
                    {signWords(event.sign)}
                    {event.where ? `, ${signPlaceWords(event.where)}` : ''}
                    <span className="ml-auto text-[var(--ink-2)]">{nearDay(event.date, today)}</span>
                  </li>
                ),
            )}
          </ul>
        </div>
      )}
      <Snap plantId={patient.id} today={today} pictures={pictures} />
    </div>
  );
}

/** A picture of today beside the one before it. */
function Snap({
  plantId,
  today,
  pictures,
}: {
  plantId: number;
  today: string;
  pictures: readonly { id: number; day: string }[];
}) {
  const input = useRef<HTMLInputElement>(null);
  const queries = useQueryClient();
  const send = useMutation({
    mutationFn: async (file: File) => {
      if (file.size > LARGEST_PICTURE_MB * 1024 * 1024)
        throw new NotSent(`${file.name} is larger than ${LARGEST_PICTURE_MB} MB.`);
      await ask(`/plants/${plantId}/pictures?day=${today}`, { method: 'POST', file });
    },
    onSettled: () => queries.invalidateQueries({ queryKey: plantKey(plantId) }),
  });
  const last = pictures.toSorted((a, b) => (a.day < b.day ? -1 : 1)).slice(-2);
  return (
    <div className="mt-4">
      <Wrong words={send.error ? wordsOf(send.error) : null} />
      {last.length > 0 && (
        <div className="mb-2 flex gap-3">
          {last.map(({ id, day }) => (
            <figure key={id} className="m-0">
              <img
                src={`/api/pictures/${id}/small`}
                alt={`On ${day}`}
                width={140}
                className="border border-[var(--rule)]"
              />
              <figcaption className="text-[0.875rem]">{nearDay(day, today)}</figcaption>
            </figure>
          ))}
        </div>
      )}
      <button
        type="button"
        className="flex h-11 items-center gap-2 underline"
        disabled={send.isPending}
        onClick={() => input.current?.click()}
      >
        <Camera aria-hidden="true" size={20} /> {send.isPending ? 'Sending…' : 'Add a picture of today'}
      </button>
      <input
        ref={input}
        type="file"
        accept="image/*"
        capture="environment"
        aria-label="A picture of today"
        className="sr-only"
        tabIndex={-1}
        onChange={(event) => {
          const [file] = event.target.files ?? [];
          if (file) send.mutate(file);
          event.target.value = '';
        }}
      />
    </div>
  );
}
