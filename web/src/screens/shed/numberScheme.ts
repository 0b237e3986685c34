/** How numbers are made, tried out before it is kept. */
const KNOWN = /^(?:year|yy|month|genus|n(?::\d)?)$/;

/** Parts in braces that mean nothing: a slip of the pen that would stand in every number. */
export function unknownParts(scheme: string): string[] {
  return [...scheme.matchAll(/\{([^}]*)\}/g)].map(([, part]) => part!).filter((part) => !KNOWN.test(part));
}

/** A number by the scheme, for the 27th plant, an Aloe of this month. */
export function numberedBy(scheme: string, today = new Date()): string {
  const year = String(today.getFullYear());
  return scheme
    .replaceAll('{year}', year)
    .replaceAll('{yy}', year.slice(2))
    .replaceAll('{month}', String(today.getMonth() + 1).padStart(2, '0'))
    .replaceAll('{genus}', 'ALOE')
    .replaceAll(/\{n(?::(\d))?\}/g, (_, digits: string | undefined) => '27'.padStart(Number(digits ?? 1), '0'));
}
