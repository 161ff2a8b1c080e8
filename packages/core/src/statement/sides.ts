/** By what it is decided on which side accounts are, where lines take one side alone. */
export interface Sides {
  /** Of a movement: what the column's lines held at its beginning; balance sheet accounts are by the side of both ends. */
  readonly opening?: BigInt64Array;
  /** Of a column of a part of the lines: all of them, since an account is on one side as a whole. */
  readonly whole?: { readonly net: BigInt64Array; readonly opening?: BigInt64Array };
  /** 1 for income and expense, which are by the side of what moved. */
  readonly resets: Uint8Array;
  /** 1 for accounts whose normal side is credit, where nothing counts. */
  readonly creditNormal: Uint8Array;
}

interface Bearing {
  readonly net: BigInt64Array;
  readonly sides?: Sides;
}

/** What an account has in a column while in debit, and while in credit; together its amount. */
export function partsBySide({ net, sides }: Bearing, account: number): readonly [debit: bigint, credit: bigint] {
  const amount = net[account] as bigint;
  if (!sides) return amount > 0n ? [amount, 0n] : [0n, amount];
  const whole = (sides.whole?.net ?? net)[account] as bigint;
  if (!moves(sides, account)) return isDebit(whole, sides, account) ? [amount, 0n] : [0n, amount];
  const opening = sides.opening[account] as bigint;
  const before = (sides.whole?.opening ?? sides.opening)[account] as bigint;
  // What a line for one side held at the end less what it held at the start, each by its own date's side.
  const inDebit = (isDebit(before + whole, sides, account) ? opening + amount : 0n) - (isDebit(before, sides, account) ? opening : 0n);
  return [inDebit, amount - inDebit];
}

/** Whether an account is in debit for what a line takes of it beside its own amount: at the beginning, or as it ends. */
export function isInDebit({ net, sides }: Bearing, account: number, atBeginning: boolean): boolean {
  const whole = (sides?.whole?.net ?? net)[account] as bigint;
  if (!sides) return whole >= 0n;
  if (!moves(sides, account)) return isDebit(whole, sides, account);
  const before = (sides.whole?.opening ?? sides.opening)[account] as bigint;
  return isDebit(atBeginning ? before : before + whole, sides, account);
}

function moves(sides: Sides, account: number): sides is Sides & { readonly opening: BigInt64Array } {
  return sides.opening !== undefined && sides.resets[account] === 0;
}

/** Nothing counts as the normal side. */
function isDebit(amount: bigint, { creditNormal }: Sides, account: number): boolean {
  return amount > 0n || (amount === 0n && creditNormal[account] === 0);
}
