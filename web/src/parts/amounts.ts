export function litres(ml: number): string {
  return ml >= 1000 ? `${(ml / 1000).toFixed(1)} l` : `${Math.round(ml)} ml`;
}

/** A temperature with a true minus sign. */
export function degrees(celsius: number): string {
  const whole = Math.round(celsius);
  return `${whole < 0 ? '−' : ''}${Math.abs(whole)}°`;
}

export function centimetres(mm: number): string {
  return `${(mm / 10).toFixed(mm % 10 === 0 ? 0 : 1)} cm`;
}

export function count(n: number, one: string, many = `${one}s`): string {
  return `${n} ${n === 1 ? one : many}`;
}

const SHARES: readonly [number, string][] = [[0.125, 'an eighth'], [0.25, 'a quarter'], [0.5, 'half'], [1, 'the full dose']];

/** A strength of food as keepers say it. */
export function shareWords(share: number): string {
  const found = SHARES.find(([value]) => Math.abs(value - share) < 0.01);
  if (!found) return `${Math.round(share * 100)} % of the dose`;
  return share === 1 ? found[1] : `${found[1]} the dose`;
}

/** Small volumes in cups beside millilitres, for kitchens: a cup is 240 ml. */
export function cups(ml: number): string | null {
  const quarters = Math.round((4 * ml) / 240);
  if (quarters < 1 || quarters > 16) return null;
  const whole = Math.floor(quarters / 4);
  const part = ['', '¼', '½', '¾'][quarters % 4]!;
  return `${whole > 0 ? whole : ''}${part} ${quarters > 4 ? 'cups' : 'cup'}`;
}
