/**
 * Everything that is refused, by name. The name is the last part of a problem's `type` (RFC 9457) and stays as it is, so
 * that a program can go by it; title and detail are for people and may be put better. docs/api.md lists them from here.
 */
import type { Fault } from '@zinc-pail/contract/faults';

interface RefusalKind {
  status: number;
  title: string;
  /** when it comes, for docs/api.md */
  means: string;
}

const kinds = <K extends string>(all: Record<K, RefusalKind>): Record<K, RefusalKind> => all;

export const REFUSALS = kinds({
  'not-json': { status: 400, title: 'Not JSON', means: 'The body is no JSON.' },
  'not-understood': {
    status: 400,
    title: 'Not understood',
    means: 'A field is wrong, missing or unknown; `faults` points at each and says what would be right.',
  },
  'not-that-day': { status: 400, title: 'Not that day', means: 'A day lies ahead, or too far back.' },
  'twice-the-same': { status: 400, title: 'Twice the same', means: 'A plant or an id is named twice in one request.' },
  'half-a-bench': { status: 400, title: 'Half a bench', means: 'A bench has a width and no depth, or the other way.' },
  'no-such-time-zone': { status: 400, title: 'No such time zone', means: 'A time zone is none of the IANA list.' },
  'odd-weather': {
    status: 400,
    title: 'Odd weather',
    means: 'Usual weather was typed that cannot be there, or that is odd and not said to be meant.',
  },
  'nothing-to-change': { status: 400, title: 'Nothing to change', means: 'A change names no field.' },
  'unsound-garden': {
    status: 400,
    title: 'Not a sound garden file',
    means: 'A garden file has faults; nothing of it was taken in.',
  },
  'unsound-rows': {
    status: 400,
    title: 'Not all rows are sound',
    means: 'A list of plants or of readings has faults, told by row; nothing of it was taken in.',
  },
  'no-token': { status: 401, title: 'No token', means: 'An instrument shows no token, or one that opens nothing.' },
  'too-often': {
    status: 429,
    title: 'Too often',
    means: 'An instrument comes more often than it may; `Retry-After` says when it may again.',
  },
  foreign: {
    status: 403,
    title: 'Not from there',
    means:
      'The request came from a page of another origin or host. Or it is a change without a page of ours or the command line’s key.',
  },
  'not-here': { status: 404, title: 'Not here', means: 'There is nothing at this address.' },
  'not-that-method': {
    status: 405,
    title: 'Method not allowed',
    means: 'There is something at this address, but not for this method; `Allow` says which.',
  },
  'in-use': { status: 409, title: 'In use', means: 'A bench, a site or a mix is to go in which plants stand.' },
  'has-ended': { status: 409, title: 'It has ended', means: 'The plant died or was given away before.' },
  'not-ended': { status: 409, title: 'Not ended', means: 'The plant lives, so it has no story to close or reopen.' },
  'no-plan': { status: 409, title: 'No plan', means: 'No plan from shade to sun is open for the plant.' },
  'not-this-way': {
    status: 409,
    title: 'Not this way',
    means: 'The entry is set right by something else: a potting, a move, the plant’s own page.',
  },
  'odd-mark': {
    status: 409,
    title: 'Is that meant?',
    means: 'A mark says more water or food than the plant can use; sent with `anyway` it is written.',
  },
  'already-used': { status: 409, title: 'Already used', means: 'A client_id stands for another entry.' },
  'name-taken': { status: 409, title: 'That name is taken', means: 'Another entry of that list has the name.' },
  'not-so-much': {
    status: 409,
    title: 'Not enough in stock',
    means: 'More is to go out of the stores than is in them.',
  },
  'not-all': { status: 409, title: 'Not all of them', means: 'A walking order does not name each pot or bench once.' },
  'written-on-since': {
    status: 409,
    title: 'Written on since',
    means: 'Plants of an import have marks, pictures or offsets by now, so it cannot be taken back whole.',
  },
  'gone-meanwhile': {
    status: 409,
    title: 'Gone meanwhile',
    means:
      'A plant, a bench or an instrument that the change belongs to was taken away while it came. Nothing was written.',
  },
  ended: { status: 410, title: 'Ended', means: 'The plant’s page is closed; its story can be read.' },
  'changed-meanwhile': {
    status: 412,
    title: 'Changed meanwhile',
    means: 'Somebody changed it since the version in If-Match; `faults` tells what is there now.',
  },
  'too-large': { status: 413, title: 'Too large', means: 'A file, a picture or a body is over its limit.' },
  'no-picture': { status: 415, title: 'Not a picture', means: 'The file is no picture that can be read.' },
  'head-too-long': { status: 431, title: 'Head too long', means: 'Address and headers are over 16 kB.' },
  'not-http': { status: 400, title: 'Not a request', means: 'What came cannot be read as HTTP.' },
  'which-version': {
    status: 428,
    title: 'From which version?',
    means: 'A change wants the version it was made from in an If-Match header.',
  },
  'our-fault': {
    status: 500,
    title: 'Our fault',
    means:
      'Something went wrong here. Of a change `written` says what became of it: no, yes, unknown. Under the same client_ids it can be sent again.',
  },
  'no-database': {
    status: 503,
    title: 'The database is away',
    means:
      'The database does not answer, or its disk is full; `Retry-After` says when to ask again. `written` as above.',
  },
  'still-reckoning': {
    status: 503,
    title: 'Still working it out',
    means:
      'A large collection is worked out from scratch, as after a start. `GET /api/round/so-far` has what there is.',
  },
  'too-long': {
    status: 503,
    title: 'It takes too long',
    means: 'It took too long and was given up. `Retry-After` says when to ask again, `written` what became of it.',
  },
});

export type RefusalName = keyof typeof REFUSALS;

/** A URN, since there is no host to name: the same wherever the product runs. */
export function problemType(name: RefusalName): string {
  return `urn:zinc-pail:problem:${name}`;
}

export class Refused extends Error {
  readonly status: number;
  readonly title: string;

  constructor(
    readonly kind: RefusalName,
    detail: string,
    readonly faults?: Fault[],
  ) {
    super(detail);
    ({ status: this.status, title: this.title } = REFUSALS[kind]);
  }
}

export function notFound(what: string): Refused {
  return new Refused('not-here', `There is no such ${what}.`);
}

/** One field that is wrong for a reason no schema knows. */
export function badField(pointer: string, got: unknown, accepted: string): Refused {
  return new Refused('not-understood', `${pointer}: wanted ${accepted}`, [{ pointer, got, accepted }]);
}

/** Faults of a table's rows; the header is row 1. */
export function unsoundRows(
  faults: readonly { row: number; column: string; got: string; wanted: string }[],
  ending: string,
): Refused {
  const { row, column, got, wanted } = faults[0]!;
  return new Refused(
    'unsound-rows',
    `Row ${row}, ${column || 'the file'}: found "${got}", wanted ${wanted}. ${ending}`,
    faults.map((fault) => ({
      pointer: `/csv/${fault.row}/${fault.column}`,
      got: fault.got,
      accepted: fault.wanted,
    })),
  );
}
