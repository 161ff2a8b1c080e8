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
    case 'cash':
      return [...hidden, ...(line.addedBackOn === null ? [] : [line.addedBackOn])];
    case 'result':
      return [...hidden, ...(line.freedOn === undefined ? [] : [line.freedOn])];
    case 'follows':
      return [...hidden, ...line.adjustments.flatMap(({ hiddenIn }) => (hiddenIn === undefined ? [] : [hiddenIn]))];
    default:
      return hidden;
  }
}

/** All keys that a line speaks of, also those of lines that follow which it changes or stands beside. */
export function keysSpokenOf(line: OwnLine): string[] {
  if (line.kind !== 'follows') return namesOf(line);
  return [
    ...namesOf(line),
    ...line.adjustments.flatMap(({ key, after }) => [key, after ?? []].flat()),
    ...line.inserted.flatMap(({ within, after }) => [within ?? [], after ?? []].flat()),
  ];
}

/** The line with other keys in the place of those that it speaks of; the same object where none is another. */
export function renamedIn(line: OwnLine, renamed: (key: string) => string): OwnLine {
  if (keysSpokenOf(line).every((key) => renamed(key) === key)) return line;
  const orNone = <Key extends string | null>(key: Key): Key => (key === null ? key : (renamed(key) as Key));
  const base = { ...line, hiddenIn: orNone(line.hiddenIn) };
  switch (base.kind) {
    case 'sum':
      return { ...base, terms: base.terms.map((term) => ({ ...term, key: renamed(term.key) })) };
    case 'calculation':
      return { ...base, formula: renamedInText(base.formula, renamed) };
    case 'cash':
      return { ...base, addedBackOn: orNone(base.addedBackOn) };
    case 'result':
      return base.freedOn === undefined ? base : { ...base, freedOn: renamed(base.freedOn) };
    case 'follows':
      return {
        ...base,
        adjustments: base.adjustments.map((one) => ({
          ...one,
          key: renamed(one.key),
          ...(one.after === undefined ? {} : { after: orNone(one.after) }),
          ...(one.hiddenIn === undefined ? {} : { hiddenIn: renamed(one.hiddenIn) }),
        })),
        inserted: base.inserted.map((one) => ({ ...one, within: orNone(one.within), after: orNone(one.after) })),
      };
    default:
      return base;
  }
}

/** Where the text of a formula names lines; one that cannot be read names none. */
function placesOf(text: string) {
  const formula = readFormula(text);
  if (!formula.ok) return [];
  return namedIn(formula.value).flatMap((named) => (named.kind === 'line' ? [named] : [named.from, named.to]));
}

/** From the end, so that places before stay where they are; a name that stays is left as it was written. */
function renamedInText(text: string, renamed: (key: string) => string): string {
  return placesOf(text)
    .filter(({ key }) => renamed(key) !== key)
    .sort((a, b) => b.at - a.at)
    .reduce((written, { key, at, length }) => `${written.slice(0, at)}${writeKey(renamed(key))}${written.slice(at + length)}`, text);
}
