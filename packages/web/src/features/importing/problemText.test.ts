import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { RowProblemBody } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { blockerText } from './blockerText.ts';
import { problemText, proposalText } from './problemText.ts';

const source = (path: string) => readFileSync(fileURLToPath(new URL(path, import.meta.url)), 'utf8');
const problemCodes = [
  ...(/export type ProblemCode =([^;]+);/.exec(source('../../../../core/src/exchange/trialBalanceRow.ts'))?.[1] ?? '').matchAll(/'([a-z_]+)'/g),
].map((match) => match[1] as string);
const blockerCodes = ['checkTrialBalance.ts', 'workOutPosting.ts'].flatMap((file) =>
  [...source(`../../../../server/src/application/ledger/${file}`).matchAll(/blockers\.add\('([a-z_]+)'/g)].map((match) => match[1] as string),
);
/** These have a card of their own beside the file. */
const shownElsewhere = new Set(['rows_with_errors', 'elements_proposed', 'out_of_balance', 'day_unusual']);

describe('words beside a row of a file', () => {
  it.each(problemCodes)('%s is said with what was found', (code) => {
    const problem: RowProblemBody = { row: 9, column: 'amount', found: '1.204.88,5', code, warning: false, other: ',' };
    expect(problemText(problem)).not.toContain(code);
    expect(problemText(problem)).toMatch(/\.$/);
  });

  it('names the decimal sign that was expected', () => {
    const problem = { row: 9, column: 'debit', found: '1.204.88,5', code: 'amount_unreadable', warning: false } as const;
    expect(problemText({ ...problem, other: ',' })).toBe('Debit: «1.204.88,5» is no amount with a decimal comma.');
    expect(problemText({ ...problem, other: '.' })).toBe('Debit: «1.204.88,5» is no amount with a decimal point.');
  });

  it('says where a proposed element is from', () => {
    expect(proposalText({ from: 'neighbours', numbers: ['4450', '4470'] })).toBe('4450 and 4470 beside it have it');
    expect(proposalText({ from: 'word', word: 'fuel' })).toBe('the name has «fuel»');
  });
});

describe('what stands in the way of posting', () => {
  it.each(blockerCodes.filter((code) => !shownElsewhere.has(code)))('%s is said in words', (code) => {
    expect(blockerText({ code, count: 1 })).not.toMatch(/^Not done:/);
  });
});
