import {
  accountsByNumber,
  type ExchangeRate,
  fail,
  findCurrency,
  type Outcome,
  readRate,
  readRateRows,
  referenceKey,
  succeed,
  withPathsAsNumbers,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports, RateChange, StoredFile } from '../ports/index.ts';

export async function listRates(ports: Ports, { companyId }: Access): Promise<Outcome<ExchangeRate[], Failure>> {
  return succeed(await ports.rates.list(companyId));
}

/** What was posted stays as it is. Of two who set one rate the second hears what stands there. */
export async function setRates(
  ports: Ports,
  access: Access<'keep_budgets_and_rates'>,
  changes: readonly RateChange[],
): Promise<Outcome<ExchangeRate[], Failure>> {
  const opened = await openBooks(ports, access.companyId);
  if (!opened.ok) return opened;
  const { company, cube } = opened.value;
  for (const { currency, kind, accountId, rate } of changes) {
    if (!findCurrency(currency) || currency === company.currency.code) return fail({ code: 'currency_unknown', currency });
    if (rate !== null && !readRate(rate)) return fail({ code: 'rate_invalid', rate });
    if (kind === 'historical' ? accountId === null || !cube.indexOf.has(accountId) : accountId !== null)
      return fail({ code: 'account_unknown', accountId: accountId ?? 0 });
  }
  const set = await ports.rates.set(access.companyId, changes, access.actor);
  return set.ok ? listRates(ports, access) : set;
}

/** What stands in a file of rates; nothing is changed by it. */
export async function readRateFile(
  ports: Ports,
  { companyId }: Access<'keep_budgets_and_rates'>,
  file: StoredFile,
): Promise<Outcome<ReturnType<typeof readRateRows>, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const table = await ports.tables.readOnce(file);
  if (!table.ok) return table;
  const { accounts, company } = opened.value;
  const byNumber = accountsByNumber(company.numbered ? accounts : withPathsAsNumbers(accounts));
  return succeed(readRateRows(table.value, company.currency.code, (reference) => byNumber.get(referenceKey(reference))?.id));
}
