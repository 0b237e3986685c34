import { Tick } from '../../forms/Fields.tsx';

/** Several of a list, in the order in which they were chosen. */
export function Several<T extends string>({
  legend,
  all,
  words,
  chosen,
  onChange,
}: {
  legend: string;
  all: readonly T[];
  words?: Record<T, string>;
  chosen: readonly T[];
  onChange(chosen: T[]): void;
}) {
  return (
    <fieldset className="mb-4">
      <legend className="mb-1 font-semibold">
        {legend}:{' '}
        <span className="font-normal">{chosen.map((one) => words?.[one] ?? one).join(', ') || 'none yet'}</span>
      </legend>
      <div className="flex flex-wrap gap-x-4">
        {all.map((one) => (
          <Tick
            key={one}
            label={words?.[one] ?? one}
            checked={chosen.includes(one)}
            onChange={(on) => onChange(on ? [...chosen, one] : chosen.filter((other) => other !== one))}
          />
        ))}
      </div>
    </fieldset>
  );
}
