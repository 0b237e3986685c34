/** A number as people write it, comma or point; NaN where it is none or out of range. */
export function numberIn(text: string, min: number, max: number): number {
  const value = /^\s*[-−]?\d+([.,]\d+)?\s*$/.test(text) ? Number(text.replace('−', '-').replace(',', '.')) : NaN;
  return value >= min && value <= max ? value : NaN;
}
