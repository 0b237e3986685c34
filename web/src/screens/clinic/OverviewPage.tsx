/** Who is ill, by bench; who asks for a look; what spreads; what helped. */
import type { ClinicView, Outbreak, Patient } from '@zinc-pail/contract/clinic';
import { causeWords } from '@zinc-pail/words/causes';
import { caseStateWords, CHECK_WORDS, OUTCOME_WORDS, raisedWords, workedWords } from '@zinc-pail/words/clinic';
import { signWords } from '@zinc-pail/words/signs';
import { type ReactNode, useState } from 'react';
import { Link } from 'react-router';
import { wordsOf } from '../../api/client.ts';
import { useClinic } from '../../api/clinic.ts';
import { SectionHead, Wrong } from '../../forms/Fields.tsx';
import { Start } from './Start.tsx';
import { Waiting } from '../../frame/Waiting.tsx';
import { Name } from '../../naming/Name.tsx';
import { count } from '../../reader/amounts.ts';
import { nearDay } from '../../reader/days.ts';
import { units } from '../../reader/units.ts';

export function OverviewPage() {
  const { data: clinic, error } = useClinic();
  return (
    <>
      <h1 className="text-2xl font-semibold">Clinic</h1>
      <Start />
      <Wrong words={error && !clinic ? wordsOf(error) : null} />
      {clinic ? <Wards clinic={clinic} /> : !error && <Waiting what="the cases" />}
    </>
  );
}

function Wards({ clinic }: { clinic: ClinicView }) {
  const { today, open, closed, questions, raised, outbreaks, worked } = clinic;
  const [all, setAll] = useState(false);
  const speaking = { units: units(), today };
  const quiet = open.length + questions.length + raised.length + outbreaks.length === 0;
  return (
    <div className="gap-x-10 lg:columns-2">
      {quiet && <p>No problems noted, and nothing on record looks wrong.</p>}
      {questions.length > 0 && (
        <Ward id="questions" head={`Seen, and no case yet: ${questions.length}`}>
          {questions.map(({ patient, line }) => (
            <Row key={patient.id} patient={patient}>
              {[...new Set(line.signs.map(({ sign }) => signWords(sign)))].join(', ')}.{' '}
              {line.cantTell || !line.top
                ? 'Can’t tell yet.'
                : `${causeWords(line.top.cause).name}, ${Math.round(line.top.probability * 100)} %.`}{' '}
              {line.check && `Next: ${CHECK_WORDS[line.check].name}.`}
            </Row>
          ))}
        </Ward>
      )}
      {open.length > 0 && (
        <Ward id="open" head={`Open cases: ${open.length}`}>
          {byBench(open, ({ patient }) => patient).map(([bench, cases]) => (
            <li key={bench}>
              <h3 className="mt-2 text-[0.9375rem] font-semibold text-[var(--ink-2)]">{bench}</h3>
              <ul>
                {cases.map(({ patient, case: one }) => (
                  <Row key={`${patient.id} ${one.cause}`} patient={patient} bench={false}>
                    <strong className="font-semibold">{causeWords(one.cause).name}</strong> since{' '}
                    {nearDay(one.openedOn, today)}. {caseStateWords(one, speaking)}
                  </Row>
                ))}
              </ul>
            </li>
          ))}
        </Ward>
      )}
      {outbreaks.length > 0 && (
        <Ward id="spreading" head="Spreading">
          {outbreaks.map((outbreak) => (
            <OutbreakView key={`${outbreak.place_id} ${outbreak.pest}`} outbreak={outbreak} today={today} />
          ))}
        </Ward>
      )}
      {raised.length > 0 && (
        <Ward id="raised" head={`Worth checking: ${raised.length}`}>
          {raised.slice(0, all ? undefined : RAISED_SHOWN).map(({ patient, raised: hands }) => (
            <Row key={patient.id} patient={patient}>
              {hands.map((hand) => {
                const { head, say } = raisedWords(hand, speaking);
                return (
                  <span key={hand.code} className="block">
                    <strong className="font-semibold">{head}.</strong> {say}
                  </span>
                );
              })}
            </Row>
          ))}
          {raised.length > RAISED_SHOWN && !all && (
            <li>
              <button type="button" className="h-11 underline" onClick={() => setAll(true)}>
                and {raised.length - RAISED_SHOWN} more
              </button>
            </li>
          )}
        </Ward>
      )}
      {worked.length > 0 && (
        <Ward id="worked" head="What helped here">
          {worked.map((one) => (
            <li key={one.cause} className="border-b border-[var(--rule)] py-2">
              {workedWords(one)}
            </li>
          ))}
        </Ward>
      )}
      {closed.length > 0 && (
        <Ward id="closed" head={`Closed: ${closed.length}`}>
          {closed.slice(0, CLOSED_SHOWN).map(({ patient, case: one }) => (
            <Row key={`${patient.id} ${one.cause} ${one.openedOn}`} patient={patient}>
              {causeWords(one.cause).name}: {OUTCOME_WORDS[one.closed!.outcome].toLowerCase()},{' '}
              {nearDay(one.closed!.on, today)}.
            </Row>
          ))}
        </Ward>
      )}
    </div>
  );
}

const CLOSED_SHOWN = 20;
const RAISED_SHOWN = 8;

function byBench<T>(lines: readonly T[], of: (line: T) => Patient): [string, T[]][] {
  const benches = new Map<string, T[]>();
  for (const line of lines) {
    const bench = of(line).place;
    benches.set(bench, [...(benches.get(bench) ?? []), line]);
  }
  return [...benches];
}

function Ward({ id, head, children }: { id: string; head: string; children: ReactNode }) {
  return (
    <section aria-labelledby={id} className="mb-7 break-inside-avoid">
      <SectionHead id={id}>{head}</SectionHead>
      <ul>{children}</ul>
    </section>
  );
}

function Row({ patient, bench = true, children }: { patient: Patient; bench?: boolean; children: ReactNode }) {
  return (
    <li className="border-b border-[var(--rule)] py-2">
      <Link
        to={`/clinic/${patient.id}`}
        className="flex min-h-8 flex-wrap items-baseline gap-x-3 text-[1.0625rem] hover:underline"
      >
        <Name written={patient.name} />
        <span className="text-[0.875rem] text-[var(--ink-2)]">
          {patient.number}
          {bench && `, ${patient.place}`}
        </span>
      </Link>
      <div className="text-[0.9375rem]">{children}</div>
    </li>
  );
}

const POT = 26;
const A_ROW = 14;

/** The bench in walking order: who has it, who was looked over, who was not. */
function OutbreakView({ outbreak, today }: { outbreak: Outbreak; today: string }) {
  const { pest, place, since, on, beside } = outbreak;
  const pots = [
    ...on.map(({ id, name, seen }) => ({ id, name, kind: 'on' as const, day: seen })),
    ...beside.map(({ id, name, looked }) => ({
      id,
      name,
      kind: looked && looked >= since ? ('looked' as const) : ('beside' as const),
      day: looked,
    })),
  ];
  const unlooked = pots.filter(({ kind }) => kind === 'beside').length;
  return (
    <li className="border-b border-[var(--rule)] py-2">
      <p>
        <strong className="font-semibold">{causeWords(pest).name}</strong> on {place} since {nearDay(since, today)}: on{' '}
        {count(on.length, 'pot')}, {beside.length - unlooked} of {beside.length} neighbours looked over.
      </p>
      <svg
        viewBox={`0 0 ${A_ROW * POT} ${Math.ceil(pots.length / A_ROW) * POT}`}
        className="my-1 block w-full max-w-[364px]"
        role="img"
        aria-label={`${count(on.length, 'pot')} with ${causeWords(pest).name.toLowerCase()}, ${unlooked} beside them not checked`}
      >
        {pots.map(({ id, name, kind }, i) => (
          <g key={id} transform={`translate(${(i % A_ROW) * POT} ${Math.floor(i / A_ROW) * POT})`}>
            <title>{name}</title>
            <circle
              cx={POT / 2}
              cy={POT / 2}
              r={10}
              fill={kind === 'on' ? 'var(--rust)' : 'var(--paper)'}
              stroke="var(--ink)"
              strokeWidth={1.4}
            />
            {kind === 'on' && <path d="M8,8l10,10M18,8l-10,10" stroke="var(--paper)" strokeWidth={2.4} />}
            {kind === 'looked' && <path d="M8,13l4,5l7,-9" fill="none" stroke="var(--lichen)" strokeWidth={2.6} />}
          </g>
        ))}
      </svg>
      <p className="text-[0.875rem] text-[var(--ink-2)]">cross: has it · tick: looked over since · empty: not yet</p>
      <p className="text-[0.9375rem]">
        {on.map(({ id, name }, i) => (
          <span key={id}>
            {i > 0 && ', '}
            <Link to={`/clinic/${id}`} className="underline">
              <Name written={name} />
            </Link>
          </span>
        ))}
      </p>
    </li>
  );
}
