/** How plants left the collection, why, and when: of one, or of many. */
import { LONGEST_TEXT } from '@zinc-pail/contract/limits';
import { Choice, Line, OnDay } from '../forms/Fields.tsx';

export interface Ending {
  how: string;
  date: string;
  cause: string;
}

interface EndFieldsProps {
  ending: Ending;
  today: string;
  /** "It died", "They died" */
  many: boolean;
  onChange(ending: Ending): void;
}

export function EndFields({ ending, today, many, onChange }: EndFieldsProps) {
  const died = ending.how === 'died';
  return (
    <>
      <Choice
        legend={many ? 'They' : 'It'}
        name="how"
        value={ending.how}
        onChange={(how) => onChange({ ...ending, how })}
        options={[
          { id: 'died', label: 'died' },
          { id: 'given', label: many ? 'were given away' : 'was given away' },
        ]}
      />
      <Line
        label={died ? 'Of what, as far as you know' : 'To whom, if you like'}
        hint={died && !many ? '“Unknown” is an answer too. Its notes are shown to you next.' : undefined}
        at="cause"
        most={LONGEST_TEXT}
        value={ending.cause}
        onChange={(cause) => onChange({ ...ending, cause })}
      />
      <OnDay value={ending.date} max={today} onChange={(date) => onChange({ ...ending, date })} />
    </>
  );
}

/** As it is sent. */
export function endBody({ how, date, cause }: Ending): { how: string; date: string; cause: string | null } {
  return { how, date, cause: cause.trim() || null };
}
