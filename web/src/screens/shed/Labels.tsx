/** Labels to print: for whom, how large, where on the sheet they begin, what stands on them. */
import { LABEL_SIZES, type LabelSize, labelsASheet, MOST_LABELS } from '@zinc-pail/contract/limits';
import { useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { useTable } from '../../api/table.ts';
import { SectionHead, Tick } from '../../forms/Fields.tsx';
import { count } from '../../reader/amounts.ts';

const SIZES: Record<LabelSize, string> = {
  usual: 'to stick on a pot',
  small: 'small, to stick',
  stake: 'a stake to cut out',
};

export function Labels() {
  const [search] = useSearchParams();
  const table = useTable();
  const [size, setSize] = useState<LabelSize>('usual');
  const [skip, setSkip] = useState(0);
  const [bench, setBench] = useState(false);
  const [rule, setRule] = useState(false);
  const asked = search.get('labels')?.split(',').map(Number);
  const all = (table.data ?? []).map(({ id }) => id);
  const ids = (asked ? all.filter((id) => asked.includes(id)) : all).slice(0, MOST_LABELS);
  const aSheet = labelsASheet(size);
  const sheets = Math.ceil((ids.length + skip) / aSheet);
  const address = `/api/labels.pdf?ids=${ids.join(',')}&size=${size}&skip=${skip}&bench=${bench}&rule=${rule}`;
  return (
    <section aria-labelledby="labels" className="mb-8">
      <SectionHead id="labels">Labels</SectionHead>
      <p className="mb-2 max-w-prose">
        For {asked ? `the ${count(ids.length, 'plant')} chosen` : `all ${count(ids.length, 'plant')}`}; others are
        chosen in the{' '}
        <Link to="/benches/list" className="underline">
          list
        </Link>
        . Name, number, and a code that opens the plant.
      </p>
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        <fieldset>
          <legend className="font-semibold">Size</legend>
          {(Object.keys(SIZES) as LabelSize[]).map((one) => {
            const { widthMm, heightMm } = LABEL_SIZES[one];
            return (
              <label key={one} className="flex min-h-11 cursor-pointer items-center gap-3">
                <input
                  type="radio"
                  name="label-size"
                  className="radio"
                  checked={size === one}
                  onChange={() => {
                    setSize(one);
                    setSkip(0);
                  }}
                />
                <svg width={widthMm / 2} height={heightMm / 2} aria-hidden="true">
                  <rect width="100%" height="100%" fill="var(--frame)" stroke="var(--ink-2)" />
                </svg>
                {widthMm} × {heightMm} mm, {SIZES[one]}
              </label>
            );
          })}
          <Tick label="its bench on it" checked={bench} onChange={setBench} />
          <Tick label="its rule of watering on it" checked={rule} onChange={setRule} />
        </fieldset>
        <SheetStart size={size} skip={skip} count={ids.length} onSkip={setSkip} />
      </div>
      {ids.length > 0 && (
        <a className="btn btn-primary mt-3 h-12 px-6" href={address} target="_blank" rel="noreferrer">
          {count(ids.length, 'label')} on {count(sheets, 'sheet')} (PDF)
        </a>
      )}
      <p className="mt-2 text-[0.9375rem] text-[var(--ink-2)]">
        A4, printed at its own size. Margins are at least 6 mm.
      </p>
    </section>
  );
}

/** The first sheet: a tap says where the first label goes, if some are gone already. */
function SheetStart({
  size,
  skip,
  count: labels,
  onSkip,
}: {
  size: LabelSize;
  skip: number;
  count: number;
  onSkip(skip: number): void;
}) {
  const { columns, rows } = LABEL_SIZES[size];
  return (
    <fieldset>
      <legend className="font-semibold">The first goes</legend>
      <div
        className="grid w-44 gap-px border border-[var(--ink-2)] bg-[var(--rule)] p-px"
        style={{ gridTemplateColumns: `repeat(${columns}, minmax(0, 1fr))`, aspectRatio: '210 / 297' }}
      >
        {Array.from({ length: columns * rows }, (_, i) => (
          <button
            key={i}
            type="button"
            aria-label={`Row ${Math.floor(i / columns) + 1}, column ${(i % columns) + 1}`}
            aria-pressed={i === skip}
            className={
              i < skip
                ? 'bg-[var(--color-base-300)]'
                : i === skip
                  ? 'bg-[var(--clay)]'
                  : i < skip + labels
                    ? 'bg-[var(--frame)]'
                    : 'bg-[var(--paper)]'
            }
            onClick={() => onSkip(i)}
          />
        ))}
      </div>
    </fieldset>
  );
}
