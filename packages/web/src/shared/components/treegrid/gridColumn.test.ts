import { describe, expect, it } from 'vitest';
import { blockText, compareAmounts, compareTexts, copiedText, type GridColumn } from './gridColumn.ts';

interface Row {
  readonly name: string;
  readonly amount: string;
}
const columns: GridColumn<Row>[] = [
  { id: 'name', caption: 'Name', width: '1fr', cell: () => null, text: ({ name }) => name },
  { id: 'amount', caption: 'Amount', width: '1fr', cell: () => null, text: ({ amount }) => amount },
];

describe('a copied block', () => {
  it('is tab-separated, a row a line, with captions where they are wanted', () => {
    const rows = [
      { name: 'Bank', amount: '1.00' },
      { name: 'Cash', amount: '-2.00' },
    ];
    expect(blockText(rows, columns, false)).toBe('Bank\t1.00\nCash\t-2.00');
    expect(blockText(rows, columns, true)).toBe('Name\tAmount\nBank\t1.00\nCash\t-2.00');
  });

  it('keeps its columns where a name holds a tab or a line end', () => {
    expect(blockText([{ name: 'Bank\tat\r\nsea', amount: '1.00' }], columns, false)).toBe('Bank at sea\t1.00');
  });

  it('says how many rows it has', () => {
    expect([copiedText(1), copiedText(12_000)]).toEqual(['Copied: 1 row.', 'Copied: 12,000 rows.']);
  });
});

describe('the order of a column', () => {
  it('is by value for amounts beyond what a float can hold', () => {
    const amounts = ['9007199254740993', '-5', '9007199254740992', '0'];
    expect([...amounts].sort(compareAmounts)).toEqual(['-5', '0', '9007199254740992', '9007199254740993']);
  });

  it('reads numbers in texts as numbers and does not mind case', () => {
    expect(['Route 10', 'route 9', 'Bank'].sort(compareTexts)).toEqual(['Bank', 'route 9', 'Route 10']);
  });
});
