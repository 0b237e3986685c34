/** A price from its smallest unit, as far as it is known. */
export function moneyWords(minor: number | null, currency: string | null): string {
  if (minor === null) return 'prices are not all known';
  return `${(minor / 100).toFixed(2)}${currency ? ` ${currency}` : ''}`;
}
