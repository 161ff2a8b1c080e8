import { describe, expect, it } from 'vitest';
import { type LineOfPast, matchFacetRows, readFacetRows } from './readFacetRows.ts';

const accounts: Readonly<Record<string, number>> = { '6200': 1, '6300': 2 };
const read = (...rows: string[][]) =>
  readFacetRows(
    rows,
    (reference) => accounts[reference],
    (typed) => (['TERN', 'GULL'].includes(typed.toUpperCase()) ? typed.toUpperCase() : undefined),
  );
const line = (entryId: number, lineNumber: number, accountId: number, has?: string, document = `D${entryId}`): LineOfPast => ({
  entryId,
  lineNumber,
  documents: [String(entryId), document],
  accountId,
  has,
});

describe('a file of facet values for lines of the past', () => {
  it('names document, account, value and perhaps a line, below headings or not; what is wrong is told by row', () => {
    expect(read(['Document', 'Account', 'Value'], ['7', '6200', 'tern'], [], ['8', '6300', 'GULL', '2'])).toEqual({
      rows: [
        { row: 2, document: '7', accountId: 1, value: 'TERN', line: null },
        { row: 4, document: '8', accountId: 2, value: 'GULL', line: 2 },
      ],
      faults: [],
    });
    expect(read(['', '6200', 'TERN'], ['7', '9', 'TERN'], ['7', '6200', 'SWAN'], ['7', '6200', 'TERN', 'x']).faults).toEqual([
      { row: 1, code: 'document_missing', found: '' },
      { row: 2, code: 'account_unknown', found: '9' },
      { row: 3, code: 'value_unknown', found: 'SWAN' },
      { row: 4, code: 'line_unreadable', found: 'x' },
    ]);
  });

  it('goes to every line of the document on the account, or to the one named; lines that have a value keep it', () => {
    const lines = [line(7, 1, 1), line(7, 2, 1), line(7, 3, 2), line(8, 1, 2, 'TERN'), line(8, 2, 2)];
    const { rows } = read(['7', '6200', 'TERN'], ['D8', '6300', 'GULL']);
    const matched = matchFacetRows(rows, lines);
    expect(matched.given).toEqual([
      { line: lines[0], value: 'TERN' },
      { line: lines[1], value: 'TERN' },
      { line: lines[4], value: 'GULL' },
    ]);
    expect(matched.kept).toEqual([lines[3]]);
    expect(matchFacetRows(read(['7', '6200', 'GULL', '2']).rows, lines).given).toEqual([{ line: lines[1], value: 'GULL' }]);
  });

  it('is at fault where no line is found, or one line is given two values', () => {
    const lines = [line(7, 1, 1)];
    expect(matchFacetRows(read(['9', '6200', 'TERN'], ['7', '6200', 'TERN'], ['7', '6200', 'GULL'], ['7', '6200', 'TERN']).rows, lines)).toMatchObject({
      given: [{ value: 'TERN' }],
      faults: [
        { row: 1, code: 'line_missing', found: '9' },
        { row: 3, code: 'given_twice', found: '7' },
      ],
    });
  });
});
