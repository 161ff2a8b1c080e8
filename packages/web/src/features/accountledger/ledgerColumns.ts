import type { CodeListBody } from '@ivory-ladder/contract';

interface LedgerColumn {
  readonly id: string;
  readonly caption: string;
  /** As wide as a table of 1,000 pixels has it; the text takes what is left. */
  readonly width: string;
  readonly isAmount: boolean;
}

const amount = '106px';

/** Columns of an account’s ledger. */
export function ledgerColumns(facets: readonly Pick<CodeListBody, 'key' | 'name'>[]): readonly LedgerColumn[] {
  return [
    { id: 'date', caption: 'Date', width: '88px', isAmount: false },
    { id: 'document', caption: 'Document', width: '72px', isAmount: false },
    { id: 'text', caption: 'Text', width: '', isAmount: false },
    { id: 'counter', caption: 'Counter account', width: '19%', isAmount: false },
    ...facets.map(({ key, name }) => ({ id: key, caption: name, width: '68px', isAmount: false })),
    { id: 'debit', caption: 'Debit', width: amount, isAmount: true },
    { id: 'credit', caption: 'Credit', width: amount, isAmount: true },
    { id: 'balance', caption: 'Balance', width: amount, isAmount: true },
  ];
}
