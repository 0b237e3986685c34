/** Fields of forms, drawn to markup: what is wrong stands at the field it is about, in words and for those who cannot see. */
import { LONGEST_CSV } from '@zinc-pail/contract/limits';
import { renderToStaticMarkup } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { NotSent, notSent, ProblemError } from '../api/client.ts';
import { endBody, EndFields } from '../parts/EndFields.tsx';
import { Choice, DayField, Field, KeepOrLeave, Line, OnDay, OneOf, Tick, Typed, Wrong } from './Fields.tsx';
import { CSV, FileField, tooLongWords } from './FileField.tsx';
import { Form } from './Form.tsx';
import { readOr } from './read.ts';

const nothing = () => {};
const text = (markup: string) =>
  markup
    .replaceAll(/<[^>]+>/g, ' ')
    .replaceAll(/\s+/g, ' ')
    .trim();
/** A form of three fields that came back with this. */
const form = (error: unknown) =>
  renderToStaticMarkup(
    <Form error={error} onSubmit={nothing}>
      <Line label="Name" at="name" most={20} value="" onChange={nothing} />
      <Typed label="Best from, °C" at="idealFromC" value="x" onChange={nothing} />
      <Choice
        legend="Light"
        name="light"
        at="light"
        value="sun"
        onChange={nothing}
        options={[{ id: 'sun', label: 'sun' }]}
      />
    </Form>,
  );
/** What is told at fields, each with the id of its control. */
const faults = (markup: string) =>
  [...markup.matchAll(/<p id="([^"]+)-fault" role="alert"[^>]*>([^<]*)<\/p>/g)].map(([, id, words]) => ({
    id: id!,
    words,
  }));
const foot = (markup: string) => /<div class="\[form:has[^>]*>(.*?)<\/div>/.exec(markup)?.[1] ?? '';
const refused = (list: { pointer: string; got?: unknown; accepted: string }[]) =>
  new ProblemError({
    type: 'urn:zinc-pail:problem:not-understood',
    title: 'Not understood',
    status: 400,
    detail: 'Some fields are not as they should be.',
    faults: list,
  } as ConstructorParameters<typeof ProblemError>[0]);

describe('a form', () => {
  it('without a fault says nothing', () => {
    expect(faults(form(null))).toEqual([]);
    expect(form(null)).not.toContain('role="alert"');
  });
  it('tells what it found itself at each field', () => {
    const markup = form(notSent({ name: 'A name for it.', light: 'Sun or shade.' }));
    expect(faults(markup).map(({ words }) => words)).toEqual(['A name for it.', 'Sun or shade.']);
    const [first] = faults(markup);
    expect(markup).toContain(`<input id="${first!.id}"`);
  });
  it('tells what the server refused at the field it points to, and an empty one as empty', () => {
    const markup = form(refused([{ pointer: '/idealFromC', got: 'x', accepted: 'a number from -10 to 40' }]));
    expect(faults(markup).map(({ words }) => words)).toEqual(['Wanted: a number from -10 to 40.']);
    const empty = form(refused([{ pointer: '/name', got: '', accepted: 'a text of 1 to 20 characters' }]));
    expect(faults(empty)[0]!.words).toBe('Nothing stands here yet: a text of 1 to 20 characters is wanted.');
  });
  it('words that begin with a label belong to it, unit or no unit', () => {
    const markup = form('Best from: a number is wanted.');
    expect(faults(markup).map(({ words }) => words)).toEqual(['A number is wanted.']);
    expect(faults(form(new NotSent('Best from, °C: a number is wanted.')))).toHaveLength(1);
  });
  it('what belongs to no field of it is told at its foot, once, in words and not in addresses', () => {
    const markup = form(refused([{ pointer: '/pot/top_mm', got: 4, accepted: 'a number from 10 to 3000' }]));
    expect(faults(markup)).toEqual([]);
    expect(text(foot(markup))).toBe('Top: wanted: a number from 10 to 3000.');
    expect(text(foot(form(new Error('boom'))))).toBe('That did not work.');
    expect(text(foot(form('Nothing is written yet.')))).toBe('Nothing is written yet.');
  });
});

describe('fields', () => {
  it('each is labelled by its own label', () => {
    const markup = renderToStaticMarkup(
      <>
        <Field label="Free">{(id) => <input id={id} />}</Field>
        <Line
          label="Line"
          most={9}
          value="a"
          onChange={nothing}
          list="some"
          placeholder="as on the label"
          inputMode="url"
        />
        <OneOf
          label="One of"
          value="b"
          onChange={nothing}
          options={[
            ['a', 'first'],
            ['b', 'second'],
          ]}
        />
        <DayField label="Apart until" hint="Empty where it need not be." min="2026-06-20" value="" onChange={nothing} />
        <OnDay value="2026-06-01" max="2026-06-20" onChange={nothing} />
      </>,
    );
    const ids = [...markup.matchAll(/<label for="([^"]+)"/g)].map(([, id]) => id!);
    expect(new Set(ids).size).toBe(5);
    for (const id of ids) expect(markup).toMatch(new RegExp(`<(input|select) id="${id}"`));
    expect(markup).toMatch(/<input [^>]*inputMode="url"[^>]*/i);
    expect(markup).toContain('list="some"');
    expect(markup).toContain('placeholder="as on the label"');
    expect(markup).toMatch(/<option value="b" selected="">second/);
    expect(markup).toMatch(/type="date" min="2026-06-20"/);
    expect(markup).toMatch(/type="date" max="2026-06-20"[^>]*value="2026-06-01"/);
    expect(text(markup)).toContain('Apart until Empty where it need not be. On');
  });
  it('a tick is a label around its box', () => {
    const markup = renderToStaticMarkup(<Tick label="pets in the house" checked onChange={nothing} />);
    expect(markup).toMatch(/^<label[^>]*><input[^>]*checked=""[^>]*\/>pets in the house<\/label>$/);
  });
  it('a foot that is writing cannot be pressed again', () => {
    const busy = renderToStaticMarkup(<KeepOrLeave keep="Save" busy onLeave={nothing} />);
    expect(busy).toMatch(/<button type="submit"[^>]*disabled=""[^>]*>Saving…/);
    expect(renderToStaticMarkup(<KeepOrLeave keep="Save" busy={false} onLeave={nothing} />)).toContain('>Save<');
    expect(renderToStaticMarkup(<Wrong words={null} />)).toBe('');
  });
  it('what is read is a thing or its faults, never both', () => {
    expect(readOr({}, 7)).toEqual({ kind: 'read', value: 7 });
    expect(readOr({ name: 'A name.' }, 7)).toEqual({ kind: 'wrong', at: { name: 'A name.' } });
  });
});

describe('a file', () => {
  it('is labelled, and offers what can be read', () => {
    const markup = renderToStaticMarkup(<FileField label="Daily records" accept={CSV} onFile={nothing} />);
    expect(markup).toMatch(/^<label[^>]*>Daily records <input type="file" accept="\.csv,text\/csv,\.txt,\.tsv"/);
  });
  it('that is too long is told with how long it may be', () => {
    expect(tooLongWords({ size: LONGEST_CSV })).toBeNull();
    expect(tooLongWords({ size: LONGEST_CSV + 1 })).toMatch(/up to 900,000 characters.*cut it in parts/);
  });
});

describe('an end', () => {
  const fields = (how: string, many: boolean) =>
    text(
      renderToStaticMarkup(
        <EndFields ending={{ how, date: '2026-06-20', cause: '' }} today="2026-06-20" many={many} onChange={nothing} />,
      ),
    );
  it('asks of what it died, or to whom it went', () => {
    expect(fields('died', false)).toMatch(/It died was given away Of what.*Its notes are shown to you next/);
    expect(fields('given', false)).toMatch(/To whom, if you like/);
    expect(fields('died', true)).toMatch(/They died were given away Of what/);
    expect(fields('died', true)).not.toMatch(/read back/);
  });
  it.each([
    ['  root rot ', 'root rot'],
    ['   ', null],
  ])('a cause of “%s” is sent as %s', (cause, wanted) =>
    expect(endBody({ how: 'died', date: '2026-06-20', cause })).toEqual({
      how: 'died',
      date: '2026-06-20',
      cause: wanted,
    }),
  );
});
