/**
 * Names by the rules: genus and epithets in italics, ranks, hybrid signs and doubt in roman, cultivars in roman
 * between single quotes. Source: International Code of Nomenclature for algae, fungi, and plants, Rec. 23A, H.2–H.3;
 * International Code of Nomenclature for Cultivated Plants, art. 14.
 */

/** A piece of a name and how it is set. */
export interface NamePart {
  text: string;
  style: 'italic' | 'roman';
}

const ROMAN_WORDS = new Set([
  'cf.',
  'aff.',
  'sp.',
  'spp.',
  'subsp.',
  'ssp.',
  'var.',
  'subvar.',
  'f.',
  'fa.',
  'cv.',
  'hybrid',
  'hort.',
  '×',
  'x',
  'sect.',
  'ex',
  'unknown',
]);
const QUOTED = /[‘'"“]([^’'"”]+)[’'"”]/g;

/**
 * `nameParts("Aloe cf. vera 'Tin Roof'")` is *Aloe* cf. *vera* ‘Tin Roof’.
 * Whatever follows a comma (a field number, a note) stays roman.
 */
export function nameParts(written: string): NamePart[] {
  const parts: NamePart[] = [];
  const push = (text: string, style: NamePart['style']) => {
    const last = parts.at(-1);
    if (last && last.style === style) last.text += text.startsWith(',') ? text : ` ${text}`;
    else parts.push({ text, style });
  };
  const comma = written.indexOf(',');
  const botanical = comma < 0 ? written : written.slice(0, comma);
  let from = 0;
  const words = (text: string) => {
    for (const word of text.split(/\s+/).filter(Boolean)) {
      if (word === 'x' || word === '×') push('×', 'roman');
      else if (ROMAN_WORDS.has(word.toLowerCase()) || /[\d(]/.test(word)) push(word, 'roman');
      else if (parts.length > 0 && /^[A-Z]/.test(word) && !followsHybridSign(parts)) push(word, 'roman');
      else push(word, 'italic');
    }
  };
  for (const match of botanical.matchAll(QUOTED)) {
    words(botanical.slice(from, match.index));
    push(`‘${match[1]!.trim()}’`, 'roman');
    from = match.index + match[0].length;
  }
  words(botanical.slice(from));
  if (comma >= 0) push(`, ${written.slice(comma + 1).trim()}`, 'roman');
  return parts;
}

/** A capital after a bare leading × is a hybrid genus, not a person's name. */
function followsHybridSign(parts: readonly NamePart[]): boolean {
  return parts.length === 1 && parts[0]!.text === '×';
}
