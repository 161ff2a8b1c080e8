import { collationKey, type DigitOrder } from '@ivory-ladder/core';

/** The columns `number` and `number_key`; an account without a number has none, so that any number of them may be without. */
export function numberColumns(number: string, order: DigitOrder): [number: string | null, key: Buffer] {
  return [number === '' ? null : number, Buffer.from(collationKey(number, order))];
}
