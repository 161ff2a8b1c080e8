/** One word of the formula language: what guide, completion and messages say of it. */
export interface FormulaWord {
  readonly word: string;
  readonly written: string;
  readonly says: string;
  readonly example: string;
}

/** All functions and words there are; the guide is made from this. */
export const formulaFunctions = [
  {
    word: 'sum',
    written: 'sum(a, b, c to d)',
    says: 'The sum of lines; `c to d` is every line from the one to the other, which stand beside each other.',
    example: 'sum(wages to repairs)',
  },
  { word: 'min', written: 'min(a, b, …)', says: 'The least of them.', example: 'min(cash, 0)' },
  { word: 'max', written: 'max(a, b, …)', says: 'The greatest of them.', example: 'max(cash, 0)' },
  { word: 'abs', written: 'abs(a)', says: 'Without its sign.', example: 'abs(profit)' },
  {
    word: 'if',
    written: 'if(condition, a, b)',
    says: 'One of two: `a` where the condition holds, else `b`. Only the one that is chosen has to have a value.',
    example: 'if(revenue = 0, 0, profit / revenue)',
  },
  { word: 'days', written: 'days', says: 'How many days the span of the column has, its first and last day counted.', example: 'receivables / revenue * days' },
] as const satisfies readonly FormulaWord[];

/** Words that name no line unless they stand in quotes. */
export const formulaWords: ReadonlySet<string> = new Set([...formulaFunctions.map(({ word }) => word), 'to', 'and', 'or']);
