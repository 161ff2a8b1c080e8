import type { SetProofBody } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { setProofText, titleOfPart } from './setProofText.ts';

const proof = (name: SetProofBody['name'], state: SetProofBody['state'], difference = '0', faults: SetProofBody['faults'] = []): SetProofBody => ({
  name,
  state,
  difference,
  ties: [],
  faults,
});
const said = (one: SetProofBody) => setProofText(one, (net) => `${net} EUR`);
const account = (accountId: number) => ({ accountId, number: '1', name: 'One', element: 'asset' as const, reason: 'unplaced', net: '5' });

describe('a proof of a set, in words', () => {
  it('says what holds, and by how much it does not, without a sign that nobody could read', () => {
    expect(said(proof('balances', 'holds'))).toBe('Both sides of the balance sheet are the same');
    expect([said(proof('profit', 'fails', '-720')), said(proof('cash', 'fails', '30')), said(proof('equity', 'fails', '-1'))]).toEqual([
      'Profit and the result in the balance sheet differ by 720 EUR',
      'Change in cash is not explained by 30 EUR',
      'Changes in equity are not explained by 1 EUR',
    ]);
  });

  it('counts an account once that is missed in two statements', () => {
    const faults = [
      { part: 'sheet', accounts: [account(1)] },
      { part: 'cash', accounts: [account(1), account(2)] },
    ];
    expect(said(proof('coverage', 'to_look_at', '15', faults))).toBe('2 accounts not once in a statement: 15 EUR');
  });

  it('tells what cannot be proven from what is', () => {
    expect(said(proof('balances', 'not_provable'))).toContain('nothing to prove it by');
  });

  it('calls a statement by its key where it could not be run', () => {
    expect(titleOfPart({ parts: [{ key: 'layout_3', statement: null, failure: { code: 'layout_not_in_use', facts: {} } }] }, 'layout_3')).toBe('layout_3');
  });
});
