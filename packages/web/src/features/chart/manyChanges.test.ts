import { describe, expect, it } from 'vitest';
import { manyChanges, manyChangesFile } from './manyChanges.ts';

const accounts = [
  { id: 1, number: '6200', name: 'Insurance, vessels' },
  { id: 2, number: '6210', name: 'insurance (crew)' },
  { id: 3, number: '6300', name: 'Travel' },
];

describe('many accounts changed alike', () => {
  it('a text in names is found without regard to case, as it stands, not as a pattern', () => {
    const named = (find: string, by: string) => manyChanges(accounts, { kind: 'replace', find, by }).map(({ value }) => value);
    expect(named('insurance', 'Cover')).toEqual(['Cover, vessels', 'Cover (crew)']);
    expect(named('(crew)', '$&')).toEqual(['insurance $&']);
    expect(named('.', 'x')).toEqual([]);
    expect(named('', 'x')).toEqual([]);
  });

  it('becomes a chart file with quotes and formulas kept as text', () => {
    expect(manyChangesFile(accounts.slice(0, 1), { kind: 'set', field: 'purpose', value: '=see "list"' }, [])).toBe(
      '"Number","Purpose","Key"\n"6200","\'=see ""list""","1"',
    );
    expect(manyChangesFile(accounts, { kind: 'replace', find: 'Travel', by: 'Trips' }, [])).toBe('"Number","Name","Key"\n"6300","Trips","3"');
  });

  it('a code is set under the heading of its list', () => {
    expect(manyChangesFile(accounts.slice(2), { kind: 'set', field: 'report:4', value: '1.10' }, [{ key: 'report:4', name: 'Tax return' }])).toBe(
      '"Number","Code: Tax return","Key"\n"6300","1.10","3"',
    );
  });

  it('a category set takes the place of those for a side', () => {
    expect(manyChangesFile(accounts.slice(2), { kind: 'set', field: 'category', value: 'Staff costs' }, [])).toBe(
      '"Number","Category","Category while in debit","Category while in credit","Key"\n"6300","Staff costs","","","3"',
    );
  });
});
