import { describe, expect, it } from 'vitest';
import { isOneCell, pastedChart, pastedOver } from './pastedChart.ts';

describe('a block pasted into the chart', () => {
  it('without headings is numbers and names, then element, category and the account above', () => {
    expect(pastedChart('6200\tInsurance\r\n6300\tTravel\r\n', true)).toBe('Number\tName\n6200\tInsurance\n6300\tTravel\n');
    expect(pastedChart('6200\tInsurance\texpense\tStaff costs\t6000', true)?.split('\n')[0]).toBe('Number\tName\tElement\tCategory\tNested below');
  });

  it('with its own headings stays as it is', () => {
    expect(pastedChart('Purpose\tNumber\nRopes\t6120', true)).toBe('Purpose\tNumber\nRopes\t6120');
  });

  it('in a company of names only begins with the names', () => {
    expect(pastedChart('Insurance\texpense', false)).toBe('Name\tElement\nInsurance\texpense');
    expect(pastedChart('Insurance\texpense\tStaff costs\tRunning costs', false)?.split('\n')[0]).toBe('Name\tElement\tCategory\tNested below');
    expect(pastedChart('Purpose\tName\nRopes\tGear', false)).toBe('Purpose\tName\nRopes\tGear');
  });

  it('is not a single column, nor a sentence', () => {
    expect(pastedChart('6200\n6300', true)).toBeNull();
    expect(pastedChart('hello there', true)).toBeNull();
  });
});

describe('a block pasted over cells', () => {
  const rows = [
    { id: 5, number: '6200' },
    { id: 6, number: '6300' },
  ];
  const from = (count: number) => rows.slice(0, count);

  it('changes the accounts from that row down in the columns from there on', () => {
    expect(pastedOver('Ropes\tR1\r\nPaint\tP1\r\n', ['purpose', 'externalNumber', 'amount'], from)).toBe(
      'Number\tKey\tPurpose\tExternal number\n6200\t5\tRopes\tR1\n6300\t6\tPaint\tP1',
    );
  });

  it('keeps rows for which there is no account, so that they are refused and not lost', () => {
    expect(pastedOver('a\nb\nc', ['name'], from)?.split('\n').at(-1)).toBe('\t\tc');
  });

  it('heads what is not edited here so that a file leaves it alone', () => {
    expect(pastedOver('12', ['amount'], from)?.split('\n')[0]).toBe('Number\tKey\tColumn amount');
  });

  it('at the numbers is a list of accounts of its own', () => {
    expect(pastedOver('6200\tInsurance', ['number', 'name'], from)).toBeNull();
  });

  it('of one cell alone is a text to edit with', () => {
    expect([isOneCell('Ropes\r\n'), isOneCell('a\tb'), isOneCell('a\nb'), isOneCell('  ')]).toEqual([true, false, false, false]);
  });
});
