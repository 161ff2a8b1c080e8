import { describe, expect, it } from 'vitest';
import { changedFields, fieldName, rowText } from './chartFileText.ts';

const row = { row: 2, number: '6200', name: 'Insurance', faults: [], changes: [] };

describe('rows of a chart file in words', () => {
  it('say each field before and after', () => {
    const changes = [
      { field: 'name' as const, before: 'Fees', after: 'Licence fees' },
      { field: 'parent' as const, before: '6000', after: '' },
    ];
    expect(rowText({ ...row, state: 'changed', changes }, {})).toBe('Name: «Fees» → «Licence fees»; Nested below: «6000» → nothing');
  });

  it('say of a path only what differs, and all of it where nothing is alike', () => {
    const moved = (before: string, after: string) => rowText({ ...row, state: 'changed', changes: [{ field: 'category', before, after }] }, {});
    expect(moved('Revenue > Foot passengers', 'Revenue > On foot')).toBe('Category: «… > Foot passengers» → «… > On foot»');
    expect(moved('Revenue', 'Revenue > On foot')).toBe('Category: «Revenue» → «Revenue > On foot»');
    expect(moved('Staff', 'Fees')).toBe('Category: «Staff» → «Fees»');
    expect(moved('', 'Revenue > On foot')).toBe('Category: nothing → «Revenue > On foot»');
  });

  it('say why they cannot be applied, rather than what they would do', () => {
    const faults = [
      { field: 'element' as const, reason: 'unknown_word', about: 'boat' },
      { field: 'number' as const, reason: 'repeated_in_file', about: '7' },
    ];
    expect(rowText({ ...row, state: 'wrong', faults }, {})).toBe('Element cannot be «boat»; row 7 has it already');
  });

  it('say of a new account what it is and where it stands', () => {
    const changes = [
      { field: 'number' as const, before: '', after: '6210' },
      { field: 'element' as const, before: '', after: 'expense' },
      { field: 'category' as const, before: '', after: 'Staff costs' },
    ];
    expect(rowText({ ...row, state: 'new', changes }, {})).toBe('Element expense, Category Staff costs');
  });

  it('are counted by the fields that change, in changed rows alone, the most frequent first', () => {
    const change = (field: 'name' | 'number' | 'report:4') => ({ field, before: '', after: 'x' });
    const rows = [
      { state: 'changed' as const, changes: [change('name'), change('report:4')] },
      { state: 'changed' as const, changes: [change('report:4')] },
      { state: 'new' as const, changes: [change('number')] },
      { state: 'same' as const, changes: [] },
    ];
    expect(changedFields(rows)).toEqual([
      { field: 'report:4', rows: 2 },
      { field: 'name', rows: 1 },
    ]);
    expect([fieldName('report:4', { 'report:4': 'Tax' }), fieldName('name', {})]).toEqual(['Tax', 'Name']);
  });
});
