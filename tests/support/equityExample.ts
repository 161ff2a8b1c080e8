import type { OwnLayoutBody, OwnLineBody } from '@ivory-ladder/contract';
import { newLine } from '@ivory-ladder/core';
import type { TestServer } from './server.ts';
import { bringIn, createCompany } from './trialBalance.ts';

/**
 * IAS 1, Guidance on implementing, statement of changes in equity of XYZ Group for 20X7: the part of the owners of the parent,
 * in thousands of currency units; values from memory. Retained earnings bear profit of 97,000 and remeasurements of (400).
 */
const opening = `Number,Name,Element,Category,Balance
1000,Bank,asset,Cash and cash equivalents,782900
3000,Share capital,equity,Share capital,-600000
3100,Retained earnings,equity,Retained earnings,-161700
3110,Dividends,equity,Retained earnings,0
3120,Remeasurements of defined benefit plans,equity,Retained earnings,0
3200,Translation of foreign operations,equity,Translation,-2400
3300,Investments in equity instruments,equity,Investments,-17600
3400,Cash flow hedges,equity,Hedges,400
3500,Revaluation surplus,equity,Revaluation,-1600
4000,Revenue,income,Revenue,0`;

/** What the year posted, debit positive, in units. */
const year: readonly (readonly [date: string, lines: Readonly<Record<string, number>>])[] = [
  ['2027-02-01', { 1000: 50_000, 3000: -50_000 }],
  ['2027-05-10', { 3110: 15_000, 1000: -15_000 }],
  ['2027-12-31', { 1000: 97_000, 4000: -97_000 }],
  ['2027-12-31', { 3120: 400, 1000: -400 }],
  ['2027-12-31', { 1000: 3_200, 3200: -3_200 }],
  ['2027-12-31', { 3300: 14_400, 1000: -14_400 }],
  ['2027-12-31', { 3400: 400, 1000: -400 }],
  ['2027-12-31', { 1000: 800, 3500: -800 }],
  ['2027-12-31', { 3500: 200, 3100: -200 }],
];

/** Share capital, retained earnings, translation, investments, hedges, revaluation, total. */
export const publishedEquity: readonly (readonly [caption: string, ...amounts: number[]])[] = [
  ['Balance at 1 January 20X7', 600_000, 161_700, 2_400, 17_600, -400, 1_600, 782_900],
  ['Issue of share capital', 50_000, 0, 0, 0, 0, 0, 50_000],
  ['Dividends', 0, -15_000, 0, 0, 0, 0, -15_000],
  ['Total comprehensive income for the year', 0, 96_600, 3_200, -14_400, -400, 800, 85_800],
  ['Transfer to retained earnings', 0, 200, 0, 0, 0, -200, 0],
  ['Balance at 31 December 20X7', 650_000, 243_500, 5_600, 3_200, -800, 2_200, 903_700],
];

const numbers = (text: string) => [{ kind: 'numbers' as const, text }];

/** The statement as published: each account of equity once, by direction. */
export function equityExampleLayout(): OwnLayoutBody {
  const moved = (key: string, caption: string, text: string, direction: 'increase' | 'decrease' | 'transfer') => ({
    ...newLine('accounts', key, caption),
    side: 'credit' as const,
    sources: numbers(text),
    direction,
  });
  const all = '3000 to 3999';
  const lines = [
    {
      ...newLine('memo', 'opening', 'Balance at 1 January 20X7'),
      side: 'credit',
      sources: [{ kind: 'elements', elements: ['equity', 'income', 'expense'] }],
      measure: 'opening',
    },
    moved('issued', 'Issue of share capital', '3000', 'increase'),
    moved('redeemed', 'Redemption of share capital', '3000', 'decrease'),
    { ...newLine('accounts', 'dividends', 'Dividends'), side: 'credit', sources: numbers('3110') },
    {
      ...newLine('group', 'comprehensive', 'Total comprehensive income for the year'),
      totalCaption: 'Total comprehensive income for the year',
      side: 'credit',
      children: [
        newLine('result', 'profit', 'Profit for the year'),
        moved('gains', 'Gains in other comprehensive income', '3100, 3120 to 3999', 'increase'),
        moved('losses', 'Losses in other comprehensive income', '3100, 3120 to 3999', 'decrease'),
      ],
    },
    moved('transferred', 'Transfer to retained earnings', `${all} except 3110`, 'transfer'),
    {
      ...newLine('sum', 'closing', 'Balance at 31 December 20X7'),
      side: 'credit',
      terms: ['opening', 'issued', 'redeemed', 'dividends', 'comprehensive', 'transferred'].map((key) => ({ key, sign: 1 })),
    },
  ];
  return {
    kind: 'changes_in_equity',
    title: 'Statement of changes in equity',
    titles: [],
    measure: 'movement',
    scope: [],
    lines: lines as OwnLineBody[],
  };
}

/** The group's equity at the end of 20X6 and what happened to it in 20X7, the year 2027. */
export async function bringInEquityExample(server: TestServer) {
  const { id } = await createCompany(server, { name: 'XYZ Group' });
  const path = `/companies/${id}`;
  await bringIn(server, id, opening, { date: '2026-12-31', retainedEarnings: '3100' });
  await server.ok('POST', `${path}/years`, { day: '2027-12-31' });
  await server.ok('POST', `${path}/years`, { day: '2028-12-31' });
  const { accounts } = await server.ok<{ accounts: { id: number; number: string }[] }>('GET', `${path}/chart?from=2026-01-01&to=2026-12-31`);
  const idOf = (number: string) => accounts.find((account) => account.number === number)?.id;
  for (const [date, lines] of year)
    await server.ok('POST', `${path}/entries`, {
      date,
      lines: Object.entries(lines).map(([number, amount]) => ({
        accountId: idOf(number),
        debit: amount > 0 ? String(amount * 100) : '0',
        credit: amount < 0 ? String(-amount * 100) : '0',
      })),
    });
  return { id, path, idOf };
}
