/** Characters that turn the direction of what follows, or are not there at all to the eye; by their Unicode abbreviations. */
const names: Readonly<Record<string, string>> = {
  '\u061c': 'ALM',
  '\u200b': 'ZWSP',
  '\u200e': 'LRM',
  '\u200f': 'RLM',
  '\u202a': 'LRE',
  '\u202b': 'RLE',
  '\u202c': 'PDF',
  '\u202d': 'LRO',
  '\u202e': 'RLO',
  '\u2066': 'LRI',
  '\u2067': 'RLI',
  '\u2068': 'FSI',
  '\u2069': 'PDI',
  '\ufeff': 'BOM',
};
const marks = /[\u061c\u200b\u200e\u200f\u202a-\u202e\u2066-\u2069\ufeff]/g;
const characters = new Map(Object.entries(names).map(([character, name]) => [name, character]));
const shown = new RegExp(`⟦(${[...characters.keys()].join('|')})⟧`, 'g');

/** Whoever reads sees that a name is not what it looks like: `invoice⟦RLO⟧fdp.exe`. */
export function showMarks(text: string): string {
  return text.replace(marks, (mark) => `⟦${names[mark]}⟧`);
}

/** What was shown so goes back as it was. */
export function restoreMarks(text: string): string {
  return text.replace(shown, (_, name: string) => characters.get(name) ?? '');
}
