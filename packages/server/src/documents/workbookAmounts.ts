/** Thousands grouped, minus in parentheses, nil as a dash; as on screen. */
export function amountFormat(exponent: number): string {
  const places = exponent === 0 ? '' : `.${'0'.repeat(exponent)}`;
  return `#,##0${places}_);(#,##0${places});"–"_)`;
}

/** Binary fractions do not add up to the cent; rounding at each sum is what the core does exactly. */
export function rounded(formula: string, exponent: number): string {
  return `ROUND(${formula},${exponent})`;
}
