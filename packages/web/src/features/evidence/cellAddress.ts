/** One figure of a statement, as the address names it. */
export interface CellAddress {
  readonly line: string;
  readonly column: number;
  readonly account: number | null;
}

/** `line~column~account`, the account only where one is opened. */
export function writeCell({ line, column, account }: CellAddress): string {
  return [line, column, ...(account === null ? [] : [account])].join('~');
}

export function readCell(text: string | null): CellAddress | null {
  const [line, column, account] = (text ?? '').split('~');
  if (!line) return null;
  return { line, column: /^\d{1,2}$/.test(column ?? '') ? Number(column) : 0, account: account === undefined ? null : Number(account) };
}
