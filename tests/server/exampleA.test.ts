import type { ProofList } from '@ivory-ladder/contract';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { publishedBalanceSheet, publishedIncomeStatement } from '../support/exampleA.ts';
import { bringInExampleA } from '../support/placeExampleA.ts';
import { TestServer } from '../support/server.ts';
import { figures, statement } from '../support/trialBalance.ts';

let server: TestServer;
beforeAll(async () => {
  server = await TestServer.shared();
});
afterAll(() => server.stop());

/** IAS 7, Illustrative Examples, example A; values from memory (see support/exampleA.ts). */
describe.each([
  ['in their order', ['x1', 'x2']],
  ['the later one first', ['x2', 'x1']],
] as const)('example A of IAS 7, files brought in %s', (_name, order) => {
  it('comes out as published, line by line', async () => {
    const id = await bringInExampleA(server, order);
    const sheet = figures(await statement(server, id, 'balance-sheet', '2022-01-01', '2022-12-31'), 100n);
    for (const [caption, [x2, x1]] of Object.entries(publishedBalanceSheet))
      expect(sheet.find(([name]) => name === caption)?.slice(0, 3), caption).toEqual([caption, x2, x1]);
    const income = figures(await statement(server, id, 'income-statement', '2022-01-01', '2022-12-31'), 100n);
    for (const [caption, amount] of Object.entries(publishedIncomeStatement))
      expect(income.find(([name]) => name === caption)?.slice(0, 2), caption).toEqual([caption, amount]);
    const { proofs } = await server.ok<ProofList>('GET', `/companies/${id}/proofs?from=2022-01-01&to=2022-12-31`);
    expect(proofs.filter(({ state }) => state !== 'holds')).toEqual([]);
  });
});
