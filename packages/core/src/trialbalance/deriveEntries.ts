import type { AccountTraits } from '../cube/vector.ts';
import { fail, type Outcome, succeed } from '../outcome.ts';
import { type BroughtIn, isNil, type ProposedEntry } from './figures.ts';

/** Balances of the ledger layer that a trial balance meets, by dense account number, debit positive. */
export interface LedgerBefore {
  /** At the day of the trial balance: income and expense for the year to date, carry-over in retained earnings. */
  readonly balance: BigInt64Array;
  /** Kind `period`: income and expense of the same year before the first day. Kind `cumulative`: of the completed years. */
  readonly earlierIncome: BigInt64Array;
  /** Closing entries of the year so far. */
  readonly closing: BigInt64Array;
  readonly year: number;
}

export type DerivationRefused =
  | { code: 'retained_earnings_needed' }
  | { code: 'after_closing_has_income'; accounts: number[] }
  | { code: 'out_of_balance'; difference: bigint }
  | { code: 'left_alone_out_of_balance'; difference: bigint };

/**
 * The entries that fix the ledger layer's balances at the day of a trial balance: one of the differences, and for one
 * taken after closing a marked closing entry beside it. Lines of each add to zero. None where nothing differs.
 */
export function deriveEntries(file: BroughtIn, before: LedgerBefore, traits: AccountTraits): Outcome<ProposedEntry[], DerivationRefused> {
  const refused = refusal(file, before, traits);
  if (refused) return fail(refused);
  const { resets, retainedEarnings } = traits;
  const target = Array.from(file.figures, (figure, account) => (file.leftAlone[account] === 1 ? (before.balance[account] as bigint) : figure));
  const closing = new BigInt64Array(target.length);
  let toRetained = 0n;
  for (let account = 0; account < target.length; account++) {
    if (resets[account] !== 1) continue;
    const earlier = before.earlierIncome[account] as bigint;
    const own = target[account] as bigint;
    switch (file.kind.kind) {
      case 'year_to_date':
        break;
      case 'period':
        target[account] = own + earlier;
        toRetained -= earlier;
        break;
      case 'cumulative':
        target[account] = own - earlier;
        toRetained += earlier;
        break;
      case 'after_closing': {
        const balance = before.balance[account] as bigint;
        target[account] = balance;
        toRetained -= balance;
        closing[account] = -balance;
        break;
      }
    }
  }
  if (retainedEarnings >= 0) {
    target[retainedEarnings] = (target[retainedEarnings] as bigint) + toRetained;
    if (file.kind.kind === 'after_closing') closing[retainedEarnings] = -toRetained;
  }
  const entries: ProposedEntry[] = [
    {
      day: file.day,
      closesYear: null,
      purpose: 'differences',
      lines: BigInt64Array.from(target, (amount, account) => amount - (before.balance[account] as bigint)),
    },
  ];
  if (file.kind.kind === 'after_closing')
    entries.push({
      day: file.day,
      closesYear: before.year,
      purpose: 'closing',
      lines: closing.map((amount, account) => amount - (before.closing[account] as bigint)),
    });
  return succeed(entries.filter(({ lines }) => !isNil(lines)));
}

function refusal(file: BroughtIn, before: LedgerBefore, traits: AccountTraits): DerivationRefused | null {
  const held = (amount: bigint, account: number): bigint => (file.leftAlone[account] === 1 ? 0n : amount);
  const difference = file.figures.reduce((total, amount, account) => total + held(amount, account), 0n);
  if (difference !== 0n) return { code: 'out_of_balance', difference };
  const alone = before.balance.reduce((total, amount, account) => (file.leftAlone[account] === 1 ? total + amount : total), 0n);
  if (alone !== 0n) return { code: 'left_alone_out_of_balance', difference: alone };
  const unbalanced = before.balance.reduce((total, amount) => total + amount, 0n) !== 0n;
  if (traits.retainedEarnings < 0 && (file.kind.kind !== 'year_to_date' || unbalanced)) return { code: 'retained_earnings_needed' };
  if (file.kind.kind !== 'after_closing') return null;
  const accounts = [...file.figures.keys()].filter((account) => traits.resets[account] === 1 && file.figures[account] !== 0n);
  return accounts.length > 0 ? { code: 'after_closing_has_income', accounts } : null;
}
