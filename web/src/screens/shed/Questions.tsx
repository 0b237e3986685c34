/** What a list does not say, or says in its own words: asked once for each distinct word. */
import { NAME_SURE, SOURCES } from '@zinc-pail/contract/choices';
import type { MeantField } from '@zinc-pail/contract/keeping';
import { type DayOrder, LENGTH_UNITS, type LengthUnit, readDay } from '@zinc-pail/contract/listCells';
import { PLACE_KINDS, type PlaceKind, POT_MATERIALS, POT_SHAPES, unclearName } from '@zinc-pail/core';
import type { Kit } from '../../api/kit.ts';
import { count } from '../../reader/amounts.ts';
import { fullDay } from '../../reader/days.ts';
import { KIND_WORDS } from '@zinc-pail/words/places';
import { mixesInOrder } from '../takein/mixChoice.ts';
import { USUAL_POTS, usualPotWords } from '../takein/usualPots.ts';
import { type Answers, FIELD_WORDS, likelyKind, likelyUnit, MOST_YEAR, type Question, withNewPlace } from './listIn.ts';

interface Asked {
  answers: Answers;
  onAnswers(answers: Answers): void;
  kit: Kit;
  places: readonly { id: number; name: string; site_id: number }[];
}

export function Questions({ questions, ...asked }: Asked & { questions: readonly Question[] }) {
  return (
    <div className="my-4 border-t-2 border-[var(--ink)] pt-2">
      <h3 className="font-semibold">What the list does not say</h3>
      {questions.map((question) => (
        <fieldset
          key={`${question.kind}-${'field' in question ? question.field : ''}`}
          className="border-b border-[var(--rule)] py-2"
        >
          <QuestionBody question={question} {...asked} />
        </fieldset>
      ))}
    </div>
  );
}

function QuestionBody({ question, ...asked }: Asked & { question: Question }) {
  switch (question.kind) {
    case 'day-order':
      return <DayOrderQuestion cells={question.cells} {...asked} />;
    case 'unit':
      return <UnitQuestion field={question.field} cells={question.cells} {...asked} />;
    case 'missing':
      return <MissingQuestion field={question.field} rows={question.rows} {...asked} />;
    case 'meaning':
      return <MeaningQuestion field={question.field} words={question.words} {...asked} />;
  }
}

function DayOrderQuestion({ cells, answers, onAnswers }: Asked & { cells: readonly string[] }) {
  const [first = ''] = cells;
  return (
    <>
      <legend>Days are written both ways: what is “{first}”?</legend>
      <div className="flex flex-wrap gap-2 pt-1">
        {(['dmy', 'mdy'] as const).map((order: DayOrder) => {
          const read = readDay(first, order, MOST_YEAR);
          return (
            <button
              key={order}
              type="button"
              aria-pressed={answers.dayOrder === order}
              className={`btn h-11 ${answers.dayOrder === order ? 'btn-primary' : ''}`}
              onClick={() => onAnswers({ ...answers, dayOrder: order })}
            >
              {read ? fullDay(read.day) : order === 'dmy' ? 'day first' : 'month first'}
            </button>
          );
        })}
      </div>
    </>
  );
}

type UnitQuestionData = Extract<Question, { kind: 'unit' }>;

function UnitQuestion({ field, cells, answers, onAnswers }: Asked & Pick<UnitQuestionData, 'field' | 'cells'>) {
  const likely = likelyUnit(cells);
  const units = [likely, ...LENGTH_UNITS.filter((unit) => unit !== likely)];
  return (
    <>
      <legend>
        {FIELD_WORDS[field]}: {cells.join(', ')}. In which measure?
      </legend>
      <div className="flex flex-wrap gap-2 pt-1">
        {units.map((unit: LengthUnit) => (
          <button
            key={unit}
            type="button"
            aria-pressed={answers.units[field] === unit}
            className={`btn h-11 ${answers.units[field] === unit ? 'btn-primary' : ''}`}
            onClick={() => onAnswers({ ...answers, units: { ...answers.units, [field]: unit } })}
          >
            {{ mm: 'millimetres', cm: 'centimetres', in: 'inches' }[unit]}
          </button>
        ))}
      </div>
    </>
  );
}

type MissingData = Extract<Question, { kind: 'missing' }>;
const MISSING_WORDS: Record<MissingData['field'], string> = {
  place: 'no bench: on which one are they?',
  mix: 'no soil: which one are they in?',
  pot: 'no pot width: which pot shall we assume?',
};

function MissingQuestion({
  field,
  rows,
  answers,
  onAnswers,
  kit,
  places,
}: Asked & Pick<MissingData, 'field' | 'rows'>) {
  const pot = USUAL_POTS.find(({ pot: usual }) => usual === answers.pot)?.id ?? '';
  const options: readonly (readonly [string, string])[] =
    field === 'place'
      ? places.map(({ id, name }) => [String(id), name] as const)
      : field === 'mix'
        ? mixesInOrder(kit.mixes).map(({ id, name }) => [String(id), name] as const)
        : USUAL_POTS.map((usual) => [usual.id, usualPotWords(usual)] as const);
  const choose = (value: string) =>
    onAnswers(
      field === 'pot'
        ? { ...answers, pot: USUAL_POTS.find(({ id }) => id === value)?.pot ?? null }
        : { ...answers, [field]: value === '' ? null : Number(value) },
    );
  return (
    <label className="flex flex-wrap items-center gap-x-3 gap-y-1">
      <span>
        {count(rows, 'row')} {rows === 1 ? 'has' : 'have'} {MISSING_WORDS[field]}
      </span>
      <select
        className="select h-11 w-72 max-w-full"
        value={field === 'pot' ? pot : (answers[field] ?? '')}
        onChange={(event) => choose(event.target.value)}
      >
        <option value="">choose…</option>
        {options.map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
}

type MeaningData = Extract<Question, { kind: 'meaning' }>;
const MEANT_AS: Record<MeantField, string> = {
  place: 'Benches that are not known here. What is…',
  mix: 'Soils that are not known here. What is…',
  name: 'Names that fit several kinds. Which is…',
  pot_material: 'What a pot is made of. What is…',
  pot_shape: 'Shapes of pots. What is…',
  source: 'How plants came. What is…',
  name_sure: 'How sure a name is. What is…',
};
/** Values of the choices that are no id and no word: a bench to be made, and not knowing. */
const MAKE = 'make';
const UNKNOWN = 'unknown';

function MeaningQuestion({ field, words, ...asked }: Asked & Pick<MeaningData, 'field' | 'words'>) {
  return (
    <>
      <legend className="pb-1">{MEANT_AS[field]}</legend>
      <ul>
        {words.map((word) => (
          <WordMeaning key={word.word} field={field} {...word} {...asked} />
        ))}
      </ul>
    </>
  );
}

function WordMeaning({
  field,
  word,
  rows,
  near,
  answers,
  onAnswers,
  kit,
  places,
}: Asked & { field: MeantField } & MeaningData['words'][number]) {
  const said = answers.meanings[field] ?? {};
  const isSaid = Object.hasOwn(said, word);
  const made = answers.newPlaces.find(({ name }) => name === word);
  const [site] = kit.sites;
  const say = (meaning: number | string | null | undefined) => {
    const { [word]: _old, ...rest } = said;
    const next = meaning === undefined ? rest : { ...rest, [word]: meaning };
    onAnswers({
      ...answers,
      newPlaces: answers.newPlaces.filter(({ name }) => field !== 'place' || name !== word),
      meanings: { ...answers.meanings, [field]: next },
    });
  };
  const choose = (value: string) => {
    if (value === MAKE && site) return onAnswers(withNewPlace(answers, word, likelyKind(word), site.id));
    if (value === UNKNOWN) return say(null);
    say(value === '' ? undefined : field === 'place' || field === 'mix' ? Number(value) : value);
  };
  const options = optionsOf(field, word, kit, places);
  const [likely] = options.filter(([, name]) => name === near);
  const value = made ? MAKE : !isSaid ? '' : said[word] === null ? UNKNOWN : String(said[word]);
  return (
    <li className="grid items-center gap-x-3 gap-y-1 py-1 sm:grid-cols-[1fr_18rem]">
      <span className="min-w-0 truncate">
        “{word}” <span className="text-[0.875rem] text-[var(--ink-2)]">{count(rows, 'row')}</span>
        {likely && !isSaid && (
          <button type="button" className="ml-2 h-11 underline" onClick={() => choose(likely[0])}>
            {likely[1]}?
          </button>
        )}
      </span>
      <span className="flex flex-wrap gap-2">
        <select
          aria-label={`“${word}” is`}
          className="select h-11 w-full"
          value={value}
          onChange={(event) => choose(event.target.value)}
        >
          <option value="">choose…</option>
          {field === 'place' && site && <option value={MAKE}>a bench to be made, “{word}”</option>}
          {options.map(([id, words]) => (
            <option key={id} value={id}>
              {words}
            </option>
          ))}
          {field !== 'place' && (
            <option value={UNKNOWN}>not known{field === 'mix' ? ': as bagged potting soil' : ''}</option>
          )}
        </select>
        {made && (
          <select
            aria-label={`Kind of “${word}”`}
            className="select h-11 w-full"
            value={made.kind}
            onChange={({ target }) => onAnswers(withNewPlace(answers, word, target.value as PlaceKind, made.site_id))}
          >
            {PLACE_KINDS.map((kind) => (
              <option key={kind} value={kind}>
                {KIND_WORDS[kind]}
              </option>
            ))}
          </select>
        )}
      </span>
    </li>
  );
}

function optionsOf(field: MeantField, word: string, kit: Kit, places: Asked['places']): (readonly [string, string])[] {
  const asTheyAre = (all: readonly string[]) => all.map((one) => [one, one] as const);
  switch (field) {
    case 'place':
      return places.map(({ id, name }) => [String(id), name] as const);
    case 'mix':
      return mixesInOrder(kit.mixes).map(({ id, name }) => [String(id), name] as const);
    case 'name':
      return asTheyAre(unclearName(word) ?? []);
    case 'pot_material':
      return asTheyAre(POT_MATERIALS);
    case 'pot_shape':
      return asTheyAre(POT_SHAPES);
    case 'source':
      return asTheyAre(SOURCES);
    case 'name_sure':
      return asTheyAre(NAME_SURE);
  }
}
