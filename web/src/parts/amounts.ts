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
