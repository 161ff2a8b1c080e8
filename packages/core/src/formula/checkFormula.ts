import { type Formula, type InText, namedIn } from './formula.ts';

export type FormulaFaulty =
  /** The formula names a line that is not there. */
  | ({ readonly code: 'formula_line_unknown'; readonly named: string } & InText)
  /** The two lines do not stand beside each other, or not in this order. */
  | ({ readonly code: 'formula_span_unknown'; readonly from: string; readonly to: string } & InText);

/** The layout that a formula is written in. */
export interface FormulaLines {
  has(key: string): boolean;
  /** Keys of the lines from one to the other among their siblings; `null` where they do not stand beside each other. */
  between(from: string, to: string): readonly string[] | null;
}

/** What a formula names and the layout does not have, in the order of its text. */
export function checkFormula(formula: Formula, lines: FormulaLines): FormulaFaulty[] {
  return namedIn(formula).flatMap((named): FormulaFaulty[] => {
    const { at, length } = named;
    const ends = named.kind === 'line' ? [named] : [named.from, named.to];
    const unknown = ends.find((end) => !lines.has(end.key));
    if (unknown) return [{ code: 'formula_line_unknown', named: unknown.key, at: unknown.at, length: unknown.length }];
    if (named.kind === 'line' || lines.between(named.from.key, named.to.key) !== null) return [];
    return [{ code: 'formula_span_unknown', from: named.from.key, to: named.to.key, at, length }];
  });
}

/** Keys of the lines that a formula needs; those of a span that is not there are none. */
export function neededBy(formula: Formula, { between }: Pick<FormulaLines, 'between'>): string[] {
  return namedIn(formula).flatMap((named) => (named.kind === 'line' ? [named.key] : [...(between(named.from.key, named.to.key) ?? [])]));
}
