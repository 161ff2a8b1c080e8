import { accountLabel, type Day, longDay } from '@ivory-ladder/core';
import type { TrialBalancePaper } from '../application/ports/index.ts';
import { fileName } from './fileName.ts';

type Line = TrialBalancePaper['lines'][number];

interface PaperColumn {
  readonly heading: string;
  readonly amount: (line: Line) => bigint;
  /** What it is made of in a workbook: letters stand for amount columns of the same row, from A. */
  readonly formula?: string;
  /** Of several days: they add up to nothing in particular. */
  readonly hasNoTotal?: boolean;
}

/** The amount columns: movements, or ledger and adjustments side by side; the comparative last where there is one. */
export function paperColumns({ adjusted, comparedTo }: TrialBalancePaper): PaperColumn[] {
  const own: PaperColumn[] = adjusted
    ? [
        { heading: 'Ledger', amount: ({ closing, adjustments }) => closing - adjustments },
        { heading: 'Adjustments', amount: ({ adjustments }) => adjustments },
        { heading: 'Adjusted', amount: ({ closing }) => closing, formula: 'A+B' },
      ]
    : [
        { heading: 'Opening', amount: ({ opening }) => opening },
        { heading: 'Debits', amount: ({ debit }) => debit },
        { heading: 'Credits', amount: ({ credit }) => credit },
        { heading: 'Carried over', amount: ({ carried }) => carried },
        { heading: 'Closing', amount: ({ closing }) => closing, formula: 'A+B-C+D' },
      ];
  return comparedTo
    ? [
        ...own,
        { heading: `At ${comparedHeading(comparedTo)}`, amount: ({ comparative }) => comparative ?? 0n, hasNoTotal: comparedTo.balances !== comparedTo.result },
      ]
    : own;
}

/** One day, or two where income and expense are compared with another day than balances. */
function comparedHeading({ balances, result }: NonNullable<TrialBalancePaper['comparedTo']>): string {
  return balances === result ? dayText(balances) : `${dayText(balances)}; income and expense ${dayText(result)}`;
}

const dayText = (day: Day): string => longDay(day, 'en');

/** Company, title and dates, as on the screen. */
export function paperHead({ books, span, part, adjusted }: TrialBalancePaper): [company: string, title: string, dates: string] {
  const title = adjusted ? 'Adjusted trial balance' : 'Trial balance';
  const dates = adjusted ? dayText(span.lastDay) : `${dayText(span.firstDay)} to ${dayText(span.lastDay)}`;
  return [books.company.name, title, [dates, books.company.currency.code, 'debit positive', part].filter((text) => text !== '').join(' · ')];
}

interface AdjustmentRow {
  readonly document: string;
  readonly day: string;
  readonly text: string;
  readonly account: string;
  readonly debit: bigint;
  readonly credit: bigint;
}

/** Every line of the adjustments, the text of the entry beside its own. */
export function adjustmentRows({ adjusted }: TrialBalancePaper): AdjustmentRow[] {
  return (adjusted?.entries ?? []).flatMap((entry) =>
    entry.lines.map((line) => ({
      document: entry.documentNumber,
      day: entry.date,
      text: [entry.description, line.text].filter((part) => part !== '').join(': '),
      account: accountLabel(line),
      debit: line.debit,
      credit: line.credit,
    })),
  );
}

export function paperFileName(paper: TrialBalancePaper, extension: string): string {
  const [company, title] = paperHead(paper);
  return fileName(company, `${title} ${paper.span.lastDay}.${extension}`);
}
