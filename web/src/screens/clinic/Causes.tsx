/** Ranked causes, each with what speaks for and against it; the keeper's verdict is taken here, and acts. */
import type { ClinicSheet } from '@zinc-pail/contract/clinic';
import { type Cause, closesAtOnce, HOLDS_UNTIL_WATERED, PACE, type RankedCause, verdictFor } from '@zinc-pail/core';
import { causeWords } from '@zinc-pail/words/causes';
import { evidenceWords } from '@zinc-pail/words/clinic';
import { useState } from 'react';
import { Tick } from '../../forms/Fields.tsx';
import { fullDay } from '../../reader/days.ts';
import { units } from '../../reader/units.ts';
import { useSheetMarks } from './useSheetMarks.ts';

const SHOWN = 5;

export function Causes({ sheet }: { sheet: ClinicSheet }) {
  const { diagnosis } = sheet;
  const [open, setOpen] = useState<Cause | null>(null);
  if (!diagnosis)
    return sheet.cases.length > 0 ? (
      <p>Nothing new in three weeks. What it is being treated for is under its cases.</p>
    ) : (
      <p>
        Nothing was noted in three weeks, and its record looks fine. Point at the plant where something looks wrong.
      </p>
    );
  const told = diagnosis.causes.slice(0, SHOWN);
  const rest = 1 - told.reduce((sum, { probability }) => sum + probability, 0);
  const first = told[0]?.cause ?? null;
  return (
    <>
      {diagnosis.cantTell && (
        <p className="mb-2 border-l-4 border-[var(--straw)] pl-3">
          <strong className="font-semibold">Can’t tell.</strong> Nothing is likely enough to act on; the next look tells
          more.
        </p>
      )}
      <ul>
        {told.map((one) => (
          <CauseLine
            key={one.cause}
            one={one}
            sheet={sheet}
            open={(open ?? first) === one.cause}
            onOpen={() => setOpen(one.cause)}
          />
        ))}
      </ul>
      <p className="py-2 text-[0.9375rem] text-[var(--ink-2)]">Something else: {Math.round(rest * 100)} %</p>
    </>
  );
}

interface CauseLineProps {
  one: RankedCause;
  sheet: ClinicSheet;
  open: boolean;
  onOpen(): void;
}

function CauseLine({ one, sheet, open, onOpen }: CauseLineProps) {
  const { cause, probability, for: pro, against } = one;
  const { name, sense } = causeWords(cause);
  const share = Math.round(probability * 100);
  const speaking = { units: units(), today: sheet.today };
  return (
    <li className="border-b border-[var(--rule)]">
      <button
        type="button"
        aria-expanded={open}
        className="grid min-h-12 w-full grid-cols-[1fr_auto] items-center gap-x-3 py-2 text-left"
        onClick={onOpen}
      >
        <span className={`text-[1.0625rem] ${open ? 'font-semibold' : ''}`}>{name}</span>
        <span className="font-semibold">{share} %</span>
        <svg
          viewBox="0 0 100 5"
          preserveAspectRatio="none"
          className="col-span-2 mt-1 h-[7px] w-full"
          aria-hidden="true"
        >
          <rect width="100" height="5" fill="var(--wood)" />
          <rect width={Math.max(0.6, share)} height="5" fill="var(--earth)" />
        </svg>
      </button>
      {open && (
        <div className="pb-3">
          <p className="mb-2">{sense}</p>
          <div className="grid gap-x-6 text-[0.9375rem] sm:grid-cols-2">
            <Speaks head="For it" lines={pro.map((line) => evidenceWords(line, speaking))} />
            <Speaks head="Against it" lines={against.map((line) => evidenceWords(line, speaking))} />
          </div>
          <TakeIt cause={cause} sheet={sheet} />
        </div>
      )}
    </li>
  );
}

function Speaks({ head, lines }: { head: string; lines: readonly string[] }) {
  if (lines.length === 0) return null;
  return (
    <div className="mb-2">
      <h3 className="text-[0.875rem] font-semibold text-[var(--ink-2)]">{head}</h3>
      <ul>
        {lines.map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </div>
  );
}

/** The verdict, with what it will do to the water, to be left out one by one. */
function TakeIt({ cause, sheet }: { cause: Cause; sheet: ClinicSheet }) {
  const { today, cases } = sheet;
  const { write, busy } = useSheetMarks(sheet);
  const usual = verdictFor(cause, today);
  const [holds, setHolds] = useState(true);
  const [moves, setMoves] = useState(true);
  const [paced, setPaced] = useState(true);
  const pace = PACE[cause];
  if (cases.some((one) => one.cause === cause)) return <p className="text-[0.9375rem]">Its case is open, below.</p>;
  const harmless = closesAtOnce(cause);
  const take = () =>
    write(
      [
        { ...usual, hold_until: holds ? (usual.hold_until ?? null) : null, gap: moves ? (usual.gap ?? null) : null },
        ...(pace && paced ? [{ type: 'changed' as const, date: today, pace }] : []),
        ...(harmless ? [{ type: 'case-closed' as const, date: today, cause, outcome: 'nothing' as const }] : []),
      ],
      harmless ? 'normal, left alone' : `taken to be ${causeWords(cause).name.toLowerCase()}`,
    );
  return (
    <div className="mt-1">
      {usual.hold_until && (
        <Tick label={`no water until ${fullDay(usual.hold_until)}`} checked={holds} onChange={setHolds} />
      )}
      {HOLDS_UNTIL_WATERED.includes(cause) && (
        <p className="text-[0.9375rem]">No water until the first drink of its plan, some weeks on.</p>
      )}
      {pace && <Tick label={`its pot dries ${pace} from now on`} checked={paced} onChange={setPaced} />}
      {usual.gap && <Tick label={`its drinks a step ${usual.gap} from now on`} checked={moves} onChange={setMoves} />}
      <button type="button" className="btn btn-primary mt-1 h-11 px-5" disabled={busy} onClick={() => void take()}>
        {harmless ? 'Normal, nothing to do' : 'It is this: open a case'}
      </button>
    </div>
  );
}
