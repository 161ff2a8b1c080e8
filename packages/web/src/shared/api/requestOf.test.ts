import { type Operation, type OperationName, operations } from '@ivory-ladder/contract';
import { describe, expect, it } from 'vitest';
import { addressOf, pathOf, requestOf } from './requestOf.ts';

describe('the request of an operation', () => {
  it('fills the path, asks the rest, and leaves out what is not set', () => {
    expect(requestOf('listHistory', { companyId: 7, thing: 'account', thingId: 12, actor: '', before: undefined })).toEqual({
      url: '/companies/7/history?thing=account&thingId=12',
      method: 'GET',
    });
  });

  it('sends a body as it is, and a key that makes it done once', () => {
    const body = { date: '2026-09-30' };
    expect(requestOf('reverseEntry', { companyId: 7, entryId: 3, body, key: 'k1' })).toEqual({
      url: '/companies/7/entries/3/reversal',
      method: 'POST',
      body,
      headers: { 'Idempotency-Key': 'k1' },
    });
  });

  it('sends a file as bytes with its name, where the operation takes one', () => {
    const file = new File(['x'], 'August & September.csv');
    const bytes = { method: 'POST', body: file, headers: { 'Content-Type': 'application/octet-stream' } };
    expect(requestOf('uploadChartFile', { companyId: 7, file })).toEqual({ url: '/companies/7/chart-files?name=August+%26+September.csv', ...bytes });
    expect(requestOf('readJournal', { companyId: 7, importId: 2, file })).toEqual({ url: '/companies/7/journal-imports/2/content', ...bytes });
  });

  it('tells a part of nothing from all parts', () => {
    expect(pathOf('getBudgetGrid', { companyId: 7, budgetId: 1, part: '' })).toBe('/companies/7/budgets/1/grid?part=');
    expect(pathOf('getBudgetGrid', { companyId: 7, budgetId: 1 })).toBe('/companies/7/budgets/1/grid');
  });

  it('asks in the body what is too long for an address', () => {
    const open = Array.from({ length: 3000 }, (_, at) => `c${at}`).join(',');
    const { url, method, body } = requestOf('getStatement', { companyId: 7, kind: 'cash-flow', from: '2026-09-01', to: '2026-09-30', open });
    expect([url, method]).toEqual(['/companies/7/statements/cash-flow/query', 'POST']);
    expect(body).toEqual({ from: '2026-09-01', to: '2026-09-30', open });
  });

  it('is an address where a link opens it', () => {
    expect(addressOf('exportChart', { companyId: 7, kind: 'xlsx' })).toBe('/api/companies/7/chart/file?kind=xlsx');
  });

  it.each(Object.entries<Operation>(operations))('%s names nothing twice in path, query and what goes beside them', (name, { path, query }) => {
    const named = [...[...path.matchAll(/\{(\w+)\}/g)].map((match) => match[1] as string), ...Object.keys(query?.shape ?? {}), 'body', 'file', 'key'];
    expect(new Set(named).size).toBe(named.length);
    expect(pathOf(name as OperationName, Object.fromEntries(named.map((each) => [each, 1])) as never)).not.toMatch(/[{}]/);
  });
});
