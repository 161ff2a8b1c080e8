import type { PresentationChoice } from '@ivory-ladder/core';

/** As it stands in an address: `NOK`, or `NOK~closing_rate`; `null` for the company's own currency. */
export function readPresentation(text: string | null): PresentationChoice | null {
  const [currency = '', method] = (text ?? '').split('~');
  if (!/^[A-Z]{3}$/.test(currency)) return null;
  return { currency, method: method === 'closing_rate' ? 'closing_rate' : 'own_rates' };
}

export function writePresentation({ currency, method }: PresentationChoice): string {
  return method === 'own_rates' ? currency : `${currency}~${method}`;
}
