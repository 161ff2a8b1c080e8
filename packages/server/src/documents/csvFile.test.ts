import { parse } from 'csv-parse/sync';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { csvFile, numberCell } from './csvFile.ts';
import { fileName } from './fileName.ts';

const linesOf = (content: string): string[][] => parse(content, { bom: true, relax_column_count: true }) as string[][];

describe('a CSV file', () => {
  it('is UTF-8 with its mark and the line ends of RFC 4180', () => {
    const { content, type } = csvFile('a.csv', [['Rückstellung'], [numberCell('-1')]]);
    expect(content).toBe('\ufeffRückstellung\r\n-1\r\n');
    expect(type).toBe('text/csv; charset=utf-8');
  });

  it('reads back what was written, with quotes, line ends and separators in it', () => {
    const unit = fc.oneof(fc.string({ minLength: 1, maxLength: 1 }), fc.constantFrom('\n', '\r', '\r\n', '"', ',', ';', 'ø'));
    const text = fc.string({ unit, minLength: 1 }).filter((one) => /^[\p{L}\p{N}]/u.test(one));
    fc.assert(
      fc.property(fc.array(fc.array(text, { minLength: 2, maxLength: 5 }), { minLength: 1, maxLength: 6 }), (lines) => {
        const { content } = csvFile('a.csv', lines);
        expect(linesOf(content)).toEqual(lines);
        expect(parse(content, { bom: true, relax_column_count: true, record_delimiter: ['\r\n', '\n', '\r'] })).toEqual(lines);
      }),
    );
  });

  // OWASP, CSV Injection: cells that begin with these are read as formulas by spreadsheets.
  it.each(['=1+1', '+1', '-1', '@SUM(A1)', '\t=1', '\r=1', 'Words\r=1', 'Words\n=1'])('begins no formula with the text %j', (text) => {
    const [[cell = '']] = linesOf(csvFile('a.csv', [[text, 'x']]).content) as [string[]];
    expect(cell).not.toMatch(/^[=+\-@\t\r]/);
    expect(cell).toContain(text.trim());
  });

  it('keeps a number of our own a number, also below nil', () => {
    expect(linesOf(csvFile('a.csv', [[numberCell('-1250.50'), numberCell('0')]]).content)).toEqual([['-1250.50', '0']]);
  });
});

describe('the name of a file', () => {
  it('has no character that a file system refuses, and none that turns the text round', () => {
    expect(fileName('Quay/Sons: "East"', 'Balance sheet 2026.pdf')).toBe('Quay-Sons- -East- - Balance sheet 2026.pdf');
    // With a right-to-left override an ending looks like another.
    expect(fileName('Quay', 'fdp.\u202eexe')).toBe('Quay - fdp.-exe');
  });
});
