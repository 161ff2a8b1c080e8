import type { ClosingBody, Company, CompanyList } from '@ivory-ladder/contract';
import type { RoleKey } from '@ivory-ladder/core';
import type { CompanyView } from '../application/companies/index.ts';
import type { ProposedClosing } from '../application/ledger/index.ts';
import { periodKey } from '../application/ports/index.ts';
import { text } from './amountText.ts';

export function toCompanies(companies: { id: number; name: string; currency: string; role: RoleKey; roleName: string }[]): CompanyList {
  return { companies };
}

export function toCompany({ role, roleName, permissions, books, years, lastEntryDay, unplaced }: CompanyView): Company {
  const { company } = books;
  return {
    id: company.id,
    name: company.name,
    currency: company.currency.code,
    exponent: company.currency.exponent,
    fiscalYearFirstMonth: company.fiscalYearFirstMonth,
    digitOrder: company.digitOrder,
    numberScheme: company.numberScheme === null ? null : { ...company.numberScheme, parts: [...company.numberScheme.parts] },
    repeatedNames: company.repeatedNames,
    numbered: company.numbered,
    languages: [...company.languages],
    yearForm: { ...company.yearForm },
    settingsVersion: company.settingsVersion,
    revision: company.revision,
    role,
    roleName,
    permissions: [...permissions],
    retainedEarningsAccountId: books.retainedEarningsId,
    years: years.map((year) => ({
      year: year.year,
      name: year.name,
      firstDay: year.firstDay,
      lastDay: year.lastDay,
      periods: year.periods.map((period) => {
        const { number, firstDay, lastDay } = period;
        const lock = books.locks.get(periodKey(period));
        return { number, firstDay, lastDay, isAdjusting: period.isAdjusting === true, lock: lock ? { ...lock } : null };
      }),
    })),
    lastEntryDay,
    classifications: books.classifications.map(({ id, name, version }) => ({ id, name, version, isMain: id === company.mainClassification })),
    accounts: books.accounts.length,
    unplaced,
    facets: books.lists.filter(({ kind }) => kind === 'facet').length,
  };
}

export function toClosing(proposed: readonly ProposedClosing[]): ClosingBody {
  return {
    closings: proposed.map(({ layer, lines, result }) => ({
      layer,
      result: text(result),
      lines: lines.map(({ accountId, label, debit, credit }) => ({ accountId, label, debit: text(debit), credit: text(credit) })),
    })),
  };
}
