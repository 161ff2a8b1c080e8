import { formulaFunctions } from './formulaFunctions.ts';

/** `docs/formulas.md`, in Markdown, made from the catalogue of functions. */
export function formulaGuide(): string {
  const rows = formulaFunctions.map(({ written, says, example }) => `- \`${written}\`: ${says} \`${example}\``);
  return `# Formulas

Made from the catalogue of functions; change that, not this page.

A formula reckons one line of a layout from others, in each column: \`(revenue - cost_of_sales) / revenue\`.

## What is written

- A line is named by its key, which stays when its caption changes. A key that is no plain word stands in quotes: \`"net.12"\`.
- Numbers are written with a point and without separators: \`1200.50\`. Amounts are in units of the currency, not in cents.
- \`+\`, \`-\`, \`*\` and \`/\`, products before sums, from left to right; parentheses come first. \`−\`, \`×\` and \`÷\` are read as well.
- Conditions compare with \`<\`, \`<=\`, \`=\`, \`<>\`, \`>=\` and \`>\`, and are joined by \`and\` and \`or\`; \`and\` binds first, and conditions take no parentheses.

## Functions

${rows.join('\n')}

## What it gives

- Amounts of lines count with the sign they have on the line's side. «Reversed» changes only what is shown.
- Everything is reckoned in exact fractions and rounded once, half away from zero, where it is shown.
- A division by zero, or a line without an amount, gives a dash and its reason, never zero. \`if\` asks only for what it chooses.
- Formulas that need one another in a circle are refused, with the lines of the circle.
`;
}
