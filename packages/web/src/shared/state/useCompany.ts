import type { Company } from '@ivory-ladder/contract';
import type { Currency, Permission } from '@ivory-ladder/core';
import { createContext, useContext } from 'react';

export const CompanyContext = createContext<Company | null>(null);

/** The company of the address; inside its frame there always is one. */
export function useCompany(): Company {
  const company = useContext(CompanyContext);
  if (!company) throw new Error('used outside the frame of a company');
  return company;
}

const currencies = new Map<string, Currency>();

/** The same object each time, so that what is worked out with it is not worked out anew with every letter that is typed. */
export function currencyOfCompany({ currency, exponent }: Pick<Company, 'currency' | 'exponent'>): Currency {
  const key = `${currency} ${exponent}`;
  const kept = currencies.get(key) ?? { code: currency, exponent };
  currencies.set(key, kept);
  return kept;
}

/** Whether whoever is signed in has the permission here; the server judges anew. */
export function useMay(permission: Permission): boolean {
  return useCompany().permissions.includes(permission);
}
