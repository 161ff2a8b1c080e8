import { describe, expect, it } from 'vitest';
import { accountsFound } from './accountsFound.ts';

const account = (number: string, name: string) => ({ number, name, label: number === '' ? name : `${number} ${name}` });
const accounts = [account('1460', 'Prepaid software'), account('1610', 'Ferry, depreciation'), account('6100', 'Rent'), account('7060', 'Parent loan 6')];
const found = (typed: string, most = 9) => accountsFound(accounts, typed, most).map(({ number }) => number);

describe('accounts for what is typed', () => {
  it('begin with it by their number before they have it elsewhere', () => {
    expect(found('6')).toEqual(['6100', '7060', '1460', '1610']);
    expect(found('6100 r')).toEqual(['6100']);
    expect(found('6', 1)).toEqual(['6100']);
  });

  it('have it where a word begins before they have it within one, whatever the case', () => {
    expect(found('RENT')).toEqual(['6100', '7060']);
    expect(found('ware')).toEqual(['1460']);
  });

  it('are the first of all where nothing is typed, and none where none has it', () => {
    expect(found(' ', 2)).toEqual(['1460', '1610']);
    expect(found('zebra')).toEqual([]);
    expect(accountsFound([account('', 'Till')], 'till', 5)).toHaveLength(1);
  });
});
