import type { PlacementEffect } from '@ivory-ladder/core';

/** Before the digits of an amount; no text of an effect begins with it. */
const ofAmount = '\u0000';

/** As JSON, with amounts that are whole numbers of minor units without a bound. */
export function writeEffect(effect: PlacementEffect | null): string {
  return JSON.stringify(effect, (_, value: unknown) => (typeof value === 'bigint' ? `${ofAmount}${value}` : value));
}

export function readEffect(text: string): PlacementEffect | null {
  return JSON.parse(text, (_, value: unknown) =>
    typeof value === 'string' && value.startsWith(ofAmount) ? BigInt(value.slice(1)) : value,
  ) as PlacementEffect | null;
}
