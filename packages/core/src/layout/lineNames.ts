import { namedIn } from '../formula/formula.ts';
import { readFormula } from '../formula/readFormula.ts';
import { writeKey } from '../formula/writeFormula.ts';
import type { OwnLine } from './ownLayout.ts';

/** Keys of other lines that a line cannot do without. */
export function namesOf(line: OwnLine): string[] {
  const hidden = line.hiddenIn === null ? [] : [line.hiddenIn];
  switch (line.kind) {
    case 'sum':
      return [...hidden, ...line.terms.map(({ key }) => key)];
    case 'calculation':
      return [...hidden, ...placesOf(line.formula).map(({ key }) => key)];
    case 'follows':
      return [...hidden, ...line.adjustments.flatMap(({ hiddenIn }) => (hiddenIn === undefined ? [] : [hiddenIn]))];
    default:
      return hidden;
  }
}

/** The line with another key in the place of one that it names. */
export function renamedIn(line: OwnLine, key: string, to: string): OwnLine {
  const renamed = line.hiddenIn === key ? { ...line, hiddenIn: to } : line;
  switch (renamed.kind) {
    case 'sum':
      return renamed.terms.some((term) => term.key === key)
        ? { ...renamed, terms: renamed.terms.map((term) => (term.key === key ? { ...term, key: to } : term)) }
        : renamed;
    case 'calculation':
      return placesOf(renamed.formula).some((place) => place.key === key) ? { ...renamed, formula: renamedInText(renamed.formula, key, to) } : renamed;
    case 'follows': {
      const isNamed =
        renamed.inserted.some(({ within, after }) => within === key || after === key) ||
        renamed.adjustments.some(({ after, hiddenIn }) => after === key || hiddenIn === key);
      if (!isNamed) return renamed;
      const swap = <Key extends string | null | undefined>(named: Key): Key => (named === key ? (to as Key) : named);
      return {
        ...renamed,
        adjustments: renamed.adjustments.map((one) => ({
          ...one,
          ...(one.after === undefined ? {} : { after: swap(one.after) }),
          ...(one.hiddenIn === undefined ? {} : { hiddenIn: swap(one.hiddenIn) }),
        })),
        inserted: renamed.inserted.map((one) => ({ ...one, within: swap(one.within), after: swap(one.after) })),
      };
    }
    default:
      return renamed;
  }
}

/** Where the text of a formula names lines; one that cannot be read names none. */
function placesOf(text: string) {
  const formula = readFormula(text);
  if (!formula.ok) return [];
  return namedIn(formula.value).flatMap((named) => (named.kind === 'line' ? [named] : [named.from, named.to]));
}

/** From the end, so that places before stay where they are. */
function renamedInText(text: string, key: string, to: string): string {
  return placesOf(text)
    .filter((place) => place.key === key)
    .sort((a, b) => b.at - a.at)
    .reduce((written, { at, length }) => `${written.slice(0, at)}${writeKey(to)}${written.slice(at + length)}`, text);
}
