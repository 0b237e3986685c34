/** The page of the API, from what the routes declare and the list of refusals: nothing on it is written twice. */
import { allRoutes } from '@zinc-pail/server/app';
import type { App } from '@zinc-pail/server/context';
import { problemType, type RefusalName, REFUSALS } from '@zinc-pail/server/http/refusals';
import { isMedia, type Route } from '@zinc-pail/server/http/route';
import type Joi from 'joi';

/** As much of what Joi says of a schema as is told. */
interface Described {
  type: string;
  flags?: { presence?: string };
  preferences?: { messages?: Record<string, string> };
  keys?: Record<string, Described>;
  items?: Described[];
  allow?: unknown[];
  metas?: { shape?: string }[];
  matches?: { switch?: { is: Described; then: Described }[] }[];
}

const HEAD = `# The API

Everything that the screens do goes through here, as JSON under \`/api\`, on this machine only. The page is made from what
the routes declare (\`npm run api\`); while tests run every answer is held to it.

- A change comes from the application's own page (\`Origin\`), or shows the key in \`.zinc/command.key\`: \`Authorization: Bearer KEY\`.
- A name for whoever writes goes in the \`X-Keeper\` header, percent-encoded.
- Whoever changes something sends the version they saw in \`If-Match\`; the later of two is told what the first one changed.
- What is made twice by accident is made once: bodies carry \`client_id\`s made by the client.
- Days are \`YYYY-MM-DD\` by the site's own clock; names end in their unit.
- A field marked *may be left out* may be left out; one that may be null says so.
`;

/** The whole page. */
export function apiPage(): string {
  // Routes are declared without asking anything of the application.
  const routes = allRoutes({} as App);
  const shapes = new Shapes();
  const told = routes.map((route) => routeText(route, shapes));
  return [
    HEAD,
    '## Refusals',
    '',
    'What is refused or fails is `application/problem+json` (RFC 9457): `type`, `title`, `status`, `detail`, and `faults` ' +
      'where fields are to blame, each with a JSON `pointer`, what was `got` and what would be `accepted`. ' +
      'Programs go by `type`, which stays as it is. Nothing was changed by a request that was refused.',
    '',
    '| type | status | when |',
    '| --- | --- | --- |',
    ...(Object.keys(REFUSALS) as RefusalName[]).map(
      (name) => `| \`${problemType(name)}\` | ${REFUSALS[name].status} | ${REFUSALS[name].means} |`,
    ),
    '',
    '## Routes',
    '',
    ...told,
    '## Shapes',
    '',
    ...shapes.pages(),
  ]
    .join('\n')
    .replaceAll(/\n{3,}/g, '\n\n');
}

function routeText(route: Route, shapes: Shapes): string {
  const { answer } = route;
  const status = route.status ?? 200;
  return [
    `### ${route.method.toUpperCase()} \`/api${route.path}\``,
    '',
    route.does,
    '',
    ...(route.ifMatch ? ['Wants `If-Match`.', ''] : []),
    ...(route.query ? ['After the question mark:', '', ...shapes.fields(route.query), ''] : []),
    ...(route.body ? ['Takes:', '', ...shapes.fields(route.body), ''] : []),
    ...(route.document ? [`Takes ${route.document}.`, ''] : []),
    ...(route.file
      ? [`Takes a file (${route.file.types.join(', ')}) up to ${route.file.largest / 1024 ** 2} MB.`, '']
      : []),
    ...(answer === null
      ? [`Answers ${status}, empty.`]
      : isMedia(answer)
        ? [`Answers ${status}: ${answer.media}.`]
        : [`Answers ${status}:`, '', ...shapes.fields(answer)]),
    '',
    ...(route.refuses ? [`Refuses besides: ${route.refuses.map((name) => `\`${name}\``).join(', ')}.`, ''] : []),
  ].join('\n');
}

/** Shapes met on the way, each told once at the end of the page. */
class Shapes {
  private readonly told = new Map<string, Described>();

  /** The fields of a body, or where they are told. */
  fields(schema: Joi.Schema): string[] {
    const described = schema.describe() as Described;
    const shape = this.take(described);
    return shape ? [`- ${link(shape)}`] : this.lines(described, 0);
  }

  /** All shapes that were met; telling one may meet another. */
  pages(): string[] {
    const pages: string[] = [];
    for (const [shape, described] of this.told)
      pages.push(`### ${shape}`, '', `${accepted(described)}.`, '', ...this.within(described, 0), '');
    return pages;
  }

  private take(described: Described): string | undefined {
    const shape = described.metas?.at(-1)?.shape;
    if (shape && !this.told.has(shape)) this.told.set(shape, described);
    return shape;
  }

  private lines({ keys = {} }: Described, depth: number): string[] {
    return Object.entries(keys).flatMap(([name, field]) => {
      const inner = field.items?.[0] ?? field;
      const shape = this.take(inner);
      const said = `${'  '.repeat(depth)}- \`${name}\`: ${words(field)}`;
      return shape ? [`${said}: ${link(shape)}`] : [said, ...this.within(inner, depth + 1)];
    });
  }

  private within(field: Described, depth: number): string[] {
    const variants = field.matches?.flatMap((match) => match.switch ?? []) ?? [];
    if (variants.length === 0) return this.lines(field, depth);
    return variants.flatMap(({ is, then }) => {
      const which = (is.allow ?? []).filter((value) => typeof value === 'string').join(' or ');
      return [`${'  '.repeat(depth)}- \`${which}\`: ${words(then)}`, ...this.lines(then, depth + 1)];
    });
  }
}

function link(shape: string): string {
  return `[${shape}](#${shape.toLowerCase().replaceAll(' ', '-')})`;
}

function accepted(field: Described): string {
  return field.preferences?.messages?.['*']?.replaceAll('\\{', '{') ?? plain(field);
}

function words(field: Described): string {
  return [
    accepted(field),
    ...(field.allow?.includes(null) ? ['or null'] : []),
    ...(field.flags?.presence === 'required' ? [] : ['may be left out']),
  ].join(', ');
}

function plain({ type, allow }: Described): string {
  const values = allow?.filter((value) => typeof value === 'string' || typeof value === 'number') ?? [];
  if (values.length > 0) return `one of ${values.map((value) => JSON.stringify(value)).join(', ')}`;
  return { boolean: 'true or false', string: 'a text', number: 'a number', array: 'a list' }[type] ?? 'a value';
}
