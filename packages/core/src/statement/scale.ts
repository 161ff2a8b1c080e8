import type { Currency } from '../money/currency.ts';
import { type Decimal, tenTo } from '../money/decimal.ts';
import { divideHalfAwayFromZero } from '../money/round.ts';

/** What one unit of a printed amount is: the minor unit as it is kept, or the currency's own unit, a thousand or a million of it. */
export const scaleUnits = ['exact', 'units', 'thousands', 'millions'] as const;
export type ScaleUnit = (typeof scaleUnits)[number];

/** `independent`: each figure for itself; `footed`: so that parts come to their total. */
export interface Scale {
  readonly unit: ScaleUnit;
  readonly rounding: 'independent' | 'footed';
}

const thousandsIn = { units: 0, thousands: 1, millions: 2 } as const;

/** Minor units in one unit that is shown. `exponent`: of the currency (ISO 4217). */
export function minorUnitsIn(unit: ScaleUnit, exponent: number): bigint {
  return unit === 'exact' ? 1n : 10n ** BigInt(exponent + 3 * thousandsIn[unit]);
}

/** What is shown of an amount in minor units: so many times it, divided by so many. */
export interface ShownUnit {
  readonly times: bigint;
  readonly over: bigint;
}

export function shownUnit(unit: ScaleUnit, exponent: number): ShownUnit {
  return { times: 1n, over: minorUnitsIn(unit, exponent) };
}

/** Of another currency, all at one rate: what is rounded is rounded once, in the unit that is shown. */
export function convertedUnit(unit: ScaleUnit, from: Currency, to: Currency, rate: Decimal): ShownUnit {
  return { times: rate.units * tenTo(to.exponent), over: tenTo(rate.scale + from.exponent) * minorUnitsIn(unit, to.exponent) };
}

/** Rounded half away from zero. */
export function inUnit(amount: bigint, { times, over }: ShownUnit): bigint {
  return divideHalfAwayFromZero(amount * times, over);
}
