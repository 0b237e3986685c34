import { type OutlookView, poisonOf } from '@zinc-pail/core';
import { CAUTION_WORDS } from '@zinc-pail/words/cautions';
import { poisonWords } from '@zinc-pail/words/poison';

/** Pots from this width on are heavy once wet, mm. */
const HEAVY_MM = 280;

/** What hands must know, line by line. */
export function cautionLines(outlook: OutlookView, poisonous: { people: boolean; pets: boolean }): string[] {
  return [
    ...outlook.cautions.map((caution) => CAUTION_WORDS[caution].long),
    ...(poisonous.pets && !poisonous.people ? ['Not for dogs and cats to chew. If one does, call a vet.'] : []),
    ...(outlook.pot.top_mm >= HEAVY_MM && outlook.pot.material !== 'plastic'
      ? ['Heavy: lift it with a second person, back straight.']
      : []),
    ...(outlook.pot.holes
      ? []
      : [
          'This pot has no hole: small measures only, or drill it (wet, slowly, with eye cover and a protected outlet).',
        ]),
  ];
}

export function Cautions({
  outlook,
  poisonous,
}: {
  outlook: OutlookView;
  poisonous: { people: boolean; pets: boolean };
}) {
  const lines = cautionLines(outlook, poisonous);
  const known = poisonWords(poisonOf(outlook.genus, outlook.cautions));
  return (
    <section aria-labelledby="cautions">
      <h2 id="cautions" className="mb-1 border-b-2 border-[var(--ink)] pb-1 text-[1.0625rem] font-semibold">
        Before hands go in
      </h2>
      {lines.length === 0 ? (
        <p className="text-[0.9375rem]">
          Nothing is known against it. Not known is not the same as safe: keep it from children and pets.
        </p>
      ) : (
        <ul className="space-y-1 text-[0.9375rem]">
          {lines.map((line) => (
            <li key={line} className="border-l-4 border-[var(--rust)] pl-2">
              {line}
            </li>
          ))}
        </ul>
      )}
      {known.map((line) => (
        <p key={line} className="mt-1 text-[0.9375rem] text-[var(--ink-2)]">
          {line}
        </p>
      ))}
    </section>
  );
}
