/** Signs in a keeper's words, as they stand in "you saw it …" and "you saw …". */
const WORDS: Readonly<Record<string, string>> = {
  'soft-base': 'a soft base',
  mushy: 'mush',
  'roots-mush': 'roots gone to mush',
  'sour-smell': 'a sour smell',
  'yellow-lower': 'yellow lower leaves',
  'corky-blisters': 'corky blisters',
  split: 'splits',
  translucent: 'glassy leaves',
  'dark-base': 'a dark base',
  'new-growth': 'new growth',
  buds: 'buds',
  'firm-base': 'a firm base',
  'roots-firm': 'firm roots',
};

export function signWords(sign: string): string {
  return WORDS[sign] ?? sign.replaceAll('-', ' ');
}
