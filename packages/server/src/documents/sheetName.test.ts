import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { sheetName } from './sheetName.ts';

describe('the name of a sheet', () => {
  it('is the title, without what a workbook refuses', () => {
    expect(sheetName('Income: 2025/26 [draft]?', [])).toBe('Income 2025 26 draft');
    expect(sheetName("'Quoted'", [])).toBe('Quoted');
    expect(sheetName('  ', [])).toBe('Sheet');
  });

  it('is numbered where another has it, whatever the case, and stays within 31 characters', () => {
    expect(sheetName('Cash flow', ['CASH FLOW', 'Cash flow 2'])).toBe('Cash flow 3');
    const long = 'A statement of a very long name indeed';
    const first = sheetName(long, []);
    expect([first, sheetName(long, [first])]).toEqual(['A statement of a very long name', 'A statement of a very long na 2']);
  });

  it('is not the one that spreadsheets keep for themselves', () => {
    expect(sheetName('History', [])).toBe('History 2');
  });

  it('is valid and new for any titles, one after another (ISO/IEC 29500, and what spreadsheet programs take; from memory)', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ unit: 'grapheme', maxLength: 60 }), { maxLength: 12 }), (titles) => {
        const names: string[] = [];
        for (const title of titles) names.push(sheetName(title, names));
        expect(new Set(names.map((name) => name.toLowerCase())).size).toBe(names.length);
        for (const name of names) {
          expect(name.length).toBeGreaterThan(0);
          expect(name.length).toBeLessThanOrEqual(31);
          expect(name).not.toMatch(/[*?:\\/[\]]|^'|'$|[\ud800-\udbff]$/);
        }
      }),
    );
  });
});
