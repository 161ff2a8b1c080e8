/** How a set of accounts gets new numbers. */
export type RenumberRule =
  /** What the number begins with is replaced: `62` by `72`. */
  | { readonly kind: 'prefix'; readonly from: string; readonly to: string }
  /** The digits that end the number grow or shrink by an amount, their length kept. */
  | { readonly kind: 'shift'; readonly by: number }
  /** The digits that end the number get zeros until they are this long: in front, so that their value stays, or behind, so that what they begin with does. */
  | { readonly kind: 'lengthen'; readonly digits: number; readonly zeros: 'in_front' | 'behind' }
  /** One after the other in the order given, from a first number, with an even gap. */
  | { readonly kind: 'sequence'; readonly first: string; readonly step: number };

export type NumberProblem = 'begins_otherwise' | 'ends_in_no_digits' | 'digits_used_up' | 'too_long' | 'empty' | 'taken' | 'twice';

export interface Renumbered {
  readonly id: number;
  readonly from: string;
  /** The number it would get; what it has now, where the rule cannot be followed. */
  readonly to: string;
  readonly problem: NumberProblem | null;
  /** Number of the account that stands in the way, for `taken` and `twice`. */
  readonly other: string;
}

const lastDigits = /^(.*?)(\d+)$/;
const longest = 50;

/**
 * The new number of each account, in the order given, with what stands in the way of it: the rule does not fit the
 * number, or the number is taken by an account outside the set, or twice within it. Nothing is changed. Cost: accounts.
 */
export function renumber(
  chosen: readonly { readonly id: number; readonly number: string }[],
  rule: RenumberRule,
  all: readonly { readonly id: number; readonly number: string }[],
): Renumbered[] {
  const within = new Set(chosen.map(({ id }) => id));
  const held = new Map(all.filter(({ id }) => !within.has(id)).map(({ number }) => [number.toLowerCase(), number]));
  const numberOf = new Map<string, string>();
  return chosen.map(({ id, number }, at) => {
    const made = follow(rule, number, at);
    const to = made.problem === null ? made.number : number;
    const key = to.toLowerCase();
    const taken = held.get(key);
    const twice = numberOf.get(key);
    numberOf.set(key, number);
    const problem =
      made.problem ?? (to === '' ? 'empty' : to.length > longest ? 'too_long' : taken !== undefined ? 'taken' : twice !== undefined ? 'twice' : null);
    return { id, from: number, to, problem, other: problem === 'taken' ? (taken ?? '') : problem === 'twice' ? (twice ?? '') : '' };
  });
}

function follow(rule: RenumberRule, number: string, at: number): { number: string; problem: null } | { problem: NumberProblem } {
  switch (rule.kind) {
    case 'prefix':
      return number.toLowerCase().startsWith(rule.from.toLowerCase())
        ? { number: (rule.to + number.slice(rule.from.length)).trim(), problem: null }
        : { problem: 'begins_otherwise' };
    case 'shift':
      return withDigits(number, (value) => value + rule.by);
    case 'lengthen': {
      const [, stem, digits] = lastDigits.exec(number) ?? [];
      return stem === undefined || digits === undefined
        ? { problem: 'ends_in_no_digits' }
        : { number: stem + (rule.zeros === 'behind' ? digits.padEnd(rule.digits, '0') : digits.padStart(rule.digits, '0')), problem: null };
    }
    case 'sequence':
      return withDigits(rule.first, (value) => value + at * rule.step);
  }
}

function withDigits(number: string, change: (value: number) => number): { number: string; problem: null } | { problem: NumberProblem } {
  const [, stem, digits] = lastDigits.exec(number) ?? [];
  if (stem === undefined || digits === undefined) return { problem: 'ends_in_no_digits' };
  const value = change(Number(digits));
  if (value < 0 || String(value).length > digits.length) return { problem: 'digits_used_up' };
  return { number: stem + String(value).padStart(digits.length, '0'), problem: null };
}
