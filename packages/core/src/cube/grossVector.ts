/** Gross sums per account, by the cube's dense numbering; not negative. */
export interface GrossVector {
  readonly debit: BigInt64Array;
  readonly credit: BigInt64Array;
}
