/** One plant's sheet: what you see, what it means here, the next look, what is done about it. */
import type { ClinicSheet } from '@zinc-pail/contract/clinic';
import { checkOf, type CheckAnswer, type IntervalStep } from '@zinc-pail/core';
import {
  actionWords,
  ANSWER_WORDS,
  cautionWords,
  changeWords,
  CHECK_WORDS,
  raisedWords,
} from '@zinc-pail/words/clinic';
import { ruleWords, stepWords } from '@zinc-pail/words/outlook';
import { judgementWords } from '@zinc-pail/words/judgement';
import { Link } from 'react-router';
import { wordsOf } from '../../api/client.ts';
import { useSheet } from '../../api/clinic.ts';
import { SignGlyph } from '../../drawing/SignGlyph.tsx';
import { SectionHead, Wrong } from '../../forms/Fields.tsx';
import { useTitle } from '../../frame/title.ts';
import { Waiting } from '../../frame/Waiting.tsx';
import { Name } from '../../naming/Name.tsx';
import { units } from '../../reader/units.ts';
import { CaseCard } from './CaseCard.tsx';
import { Causes } from './Causes.tsx';
import { Pointing } from './Pointing.tsx';
import { TwoMonths } from './TwoMonths.tsx';
import { answerEvent, useSheetMarks } from './useSheetMarks.ts';

export function SheetPage({ plantId }: { plantId: number }) {
  const { data: sheet, error } = useSheet(plantId);
  if (error && !sheet) return <Wrong words={wordsOf(error)} />;
  if (!sheet) return <Waiting what="its sheet" />;
  return <Sheet sheet={sheet} />;
}

function Sheet({ sheet }: { sheet: ClinicSheet }) {
  const { patient, today, judgement, raised, cases, closed } = sheet;
  useTitle(`${patient.name}, clinic`);
  const speaking = { units: units(), today };
  const words = judgementWords(judgement, speaking);
  return (
    <>
      <p className="text-[0.9375rem]">
        <Link to="/clinic" className="underline">
          Clinic
        </Link>{' '}
        / {patient.place}
      </p>
      <div className="mb-3 flex flex-wrap items-baseline gap-x-5">
        <h1 className="text-2xl font-semibold">
          <Name written={patient.name} />
        </h1>
        <Link to={`/plants/${patient.id}`} className="text-[0.9375rem] underline">
          its page
        </Link>
      </div>
      <p data-testid="judged" className="mb-4 border-l-4 border-[var(--clay)] pl-3 text-[1.0625rem]">
        <strong className="font-semibold">{words.head}.</strong> {words.reason} {words.beside.join(' ')}
      </p>
      <NextLook sheet={sheet} />
      {raised.map((one) => {
        const { head, say } = raisedWords(one, speaking);
        return (
          <p key={one.code} className="mb-3 border-l-4 border-[var(--straw)] pl-3">
            <strong className="font-semibold">{head}.</strong> {say}
          </p>
        );
      })}
      <section aria-labelledby="two-months" className="mb-6">
        <SectionHead id="two-months">Its last two months</SectionHead>
        <TwoMonths strip={sheet.strip} today={today} />
      </section>
      <div className="grid gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
        <section aria-labelledby="see">
          <SectionHead id="see">What do you see?</SectionHead>
          <Pointing sheet={sheet} />
        </section>
        <div className="grid content-start gap-6">
          <section aria-labelledby="means">
            <SectionHead id="means">What it means here</SectionHead>
            <Causes sheet={sheet} />
          </section>
          <Doing sheet={sheet} />
          {(cases.length > 0 || closed.length > 0) && (
            <section aria-labelledby="cases">
              <SectionHead id="cases">Its cases</SectionHead>
              {[...cases, ...closed].map((one) => (
                <CaseCard key={`${one.cause} ${one.openedOn}`} one={one} sheet={sheet} />
              ))}
            </section>
          )}
        </div>
      </div>
    </>
  );
}

/** The one look that would tell most for its trouble, as a question with drawn answers. */
function NextLook({ sheet }: { sheet: ClinicSheet }) {
  const { answer, diagnosis, today } = sheet;
  const { write, busy } = useSheetMarks(sheet);
  const { check } = answer;
  if (!check || (diagnosis === null && sheet.judgement.deeds[0].deed !== 'look')) return null;
  const { ask, why } = CHECK_WORDS[check];
  return (
    <section aria-labelledby="next-look" className="mb-5 border-2 border-[var(--clay)] px-4 pb-4 pt-3">
      <h2 id="next-look" className="text-[1.0625rem] font-semibold">
        Next check
      </h2>
      <p className="slab mb-1 text-[1.1875rem]">{ask}</p>
      <p className="mb-3 text-[0.9375rem]">Why: {why}.</p>
      <div className="flex flex-wrap gap-3" role="group" aria-label={CHECK_WORDS[check].name}>
        {checkOf(check).answers.map((one: CheckAnswer) => {
          const { label, look } = ANSWER_WORDS[one] ?? { label: one, look: '' };
          return (
            <button
              key={one}
              type="button"
              disabled={busy}
              className="flex min-h-[72px] min-w-[150px] flex-1 items-center gap-3 border border-[var(--ink)] bg-[var(--paper)] px-3 py-2 text-left"
              onClick={() => void write([answerEvent(check, one, today)], label.toLowerCase())}
            >
              <SignGlyph sign={one} size={48} />
              <span>
                <strong className="block font-semibold">{label}</strong>
                <span className="text-[0.875rem]">{look}</span>
              </span>
            </button>
          );
        })}
      </div>
    </section>
  );
}

/** What is done about it, in the order of its urgency; the water is the judge's. */
function Doing({ sheet }: { sheet: ClinicSheet }) {
  const { answer, cautions, today, gap } = sheet;
  const speaking = { units: units(), today };
  if (sheet.diagnosis === null && sheet.cases.length === 0) return null;
  const drink = answer.drink ? `${answer.drink.amount_ml} ml` : null;
  const careful = cautionWords(
    cautions as Parameters<typeof cautionWords>[0],
    answer.actions.map(({ action }) => action),
  );
  const moved = gap.before.due_m !== gap.after.due_m || gap.before.hold_days !== gap.after.hold_days;
  return (
    <section aria-labelledby="doing">
      <SectionHead id="doing">What to do</SectionHead>
      {careful.length > 0 && (
        <ul aria-label="Mind" className="mb-2 border-l-4 border-[var(--straw)] pl-3 text-[0.9375rem]">
          {careful.map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ul>
      )}
      <ul className="text-[1rem]">
        {answer.actions.map((action) => (
          <li key={`${action.action} ${action.of ?? ''}`} className="flex gap-3 border-b border-[var(--rule)] py-1.5">
            <span className="w-20 shrink-0 text-[0.875rem] font-semibold text-[var(--ink-2)]">
              {URGENCY[action.urgency]}
            </span>
            <span>{actionWords(action, speaking, drink)}</span>
          </li>
        ))}
        {answer.changes.map((change) => (
          <li key={change.change} className="flex gap-3 border-b border-[var(--rule)] py-1.5">
            <span className="w-20 shrink-0 text-[0.875rem] font-semibold text-[var(--ink-2)]">if so</span>
            <span>{changeWords(change, speaking)}</span>
          </li>
        ))}
      </ul>
      {moved && (
        <p className="mt-2 text-[0.9375rem]">
          Its rule has moved: {ruleWords(gap.before.due_m, gap.before.hold_days)} before,{' '}
          {ruleWords(gap.after.due_m, gap.after.hold_days)} now.{' '}
          {gap.steps.map((step) => stepWords(step as IntervalStep, today, units())).at(-1)}
          {gap.steps.at(-1)?.helped === null && ' You will see after a season whether it helped.'}
        </p>
      )}
    </section>
  );
}

const URGENCY = { today: 'today', 'this-week': 'this week', later: 'later', none: '' } as const;
