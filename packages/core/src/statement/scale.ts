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
