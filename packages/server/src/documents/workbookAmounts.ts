import type { FigureStyle } from '@ivory-ladder/core';

/** Thousands grouped, minus in parentheses, nil as a dash, or as the column has it; as on screen. */
export function amountFormat(exponent: number, style: FigureStyle = {}): string {
  return formatOf(`#,##0${placesOf(exponent)}`, style);
}

/** Text, where there is nothing to compare with, stands under the figures. */
export function percentFormat(decimals: number, style: FigureStyle = {}): string {
  return `${formatOf(`#,##0${placesOf(decimals)}%`, style)};@_)`;
}

function placesOf(decimals: number): string {
  return decimals === 0 ? '' : `.${'0'.repeat(decimals)}`;
}

function formatOf(digits: string, { negatives, nil }: FigureStyle): string {
  return `${digits}_);${negatives === 'minus' ? `\u2212${digits}_)` : `(${digits})`};${nil === 'zero' ? `${digits}_)` : '"–"_)'}`;
}

/** Binary fractions do not add up to the cent; rounding at each sum is what the core does exactly. */
export function rounded(formula: string, exponent: number): string {
  return `ROUND(${formula},${exponent})`;
}
