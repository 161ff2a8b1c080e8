import { fail, type Outcome, succeed } from '../outcome.ts';
import { type Formula, type InText, namedIn } from './formula.ts';

export type FormulasRefused =
  /** The formula of `key` names a line that is not there. */
  | ({ readonly code: 'formula_line_unknown'; readonly key: string; readonly named: string } & InText)
  /** The two lines do not stand beside each other, or not in this order. */
  | ({ readonly code: 'formula_span_unknown'; readonly key: string; readonly from: string; readonly to: string } & InText)
  /** Each needs the one behind it, and the last the first. */
  | { readonly code: 'formula_cycle'; readonly path: readonly string[] };

/** The layout that formulas are written in. */
export interface FormulaLines {
  has(key: string): boolean;
  /** Keys of the lines that the line adds up, and so has to wait for. */
  needs(key: string): readonly string[];
  between(from: string, to: string): readonly string[] | null;
}

/** Keys of the formulas so that each stands behind what it needs, also through groups and sums. Cost: lines + what they need. */
export function orderFormulas(formulas: ReadonlyMap<string, Formula>, lines: FormulaLines): Outcome<string[], FormulasRefused> {
  for (const [key, formula] of formulas) {
    for (const named of namedIn(formula)) {
      const ends = named.kind === 'line' ? [named] : [named.from, named.to];
      const unknown = ends.find((end) => !lines.has(end.key));
      if (unknown) return fail({ code: 'formula_line_unknown', key, named: unknown.key, at: unknown.at, length: unknown.length });
      if (named.kind === 'span' && lines.between(named.from.key, named.to.key) === null)
        return fail({ code: 'formula_span_unknown', key, from: named.from.key, to: named.to.key, at: named.at, length: named.length });
    }
  }
  const order: string[] = [];
  const done = new Set<string>();
  const path: string[] = [];
  const visit = (key: string): readonly string[] | null => {
    if (done.has(key)) return null;
    const since = path.indexOf(key);
    if (since >= 0) return path.slice(since);
    path.push(key);
    const formula = formulas.get(key);
    for (const needed of formula ? keysNeeded(formula, lines) : lines.needs(key)) {
      const cycle = visit(needed);
      if (cycle) return cycle;
    }
    path.pop();
    done.add(key);
    if (formula) order.push(key);
    return null;
  };
  for (const key of formulas.keys()) {
    const cycle = visit(key);
    if (cycle) return fail({ code: 'formula_cycle', path: cycle });
  }
  return succeed(order);
}

function keysNeeded(formula: Formula, lines: FormulaLines): string[] {
  return namedIn(formula).flatMap((named) => (named.kind === 'line' ? [named.key] : (lines.between(named.from.key, named.to.key) ?? [])));
}
