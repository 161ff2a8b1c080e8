import { type Currency, readAmount } from '@ivory-ladder/core';

/** A typed amount with its sign, `null` where it is none; with a dot or a comma as decimal sign, whichever reads. */
export function typedAmount(text: string, currency: Currency): bigint | null {
  const [dot, comma] = [readAmount(text, '.', currency), readAmount(text, ',', currency)];
  const read = dot.ok ? dot : comma;
  return read.ok ? read.value.minorUnits : null;
}
