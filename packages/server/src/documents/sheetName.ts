/** Of ISO/IEC 29500 workbooks as spreadsheet programs read them; `History` is a sheet of their own. */
const longest = 31;
const refused = /[*?:\\/[\]\p{Cc}]/gu;
const reserved = new Set(['history']);

/** The title as a name that a sheet can have, unlike those that are `taken`, whatever the case of letters. */
export function sheetName(title: string, taken: readonly string[]): string {
  const used = new Set([...taken.map((name) => name.toLowerCase()), ...reserved]);
  const wanted = withoutQuotes(cut(title.replace(refused, ' ').replace(/\s+/g, ' ').trim(), longest)) || 'Sheet';
  for (let count = 1; ; count++) {
    const ending = count === 1 ? '' : ` ${count}`;
    const name = `${withoutQuotes(cut(wanted, longest - ending.length))}${ending}`;
    if (!used.has(name.toLowerCase())) return name;
  }
}

/** As many UTF-16 units at most, and no half of a character. */
function cut(text: string, units: number): string {
  return text.slice(0, units).replace(/[\ud800-\udbff]$/, '');
}

/** None may begin or end with one. */
function withoutQuotes(text: string): string {
  return text.replace(/^[\s']+|[\s']+$/g, '');
}
