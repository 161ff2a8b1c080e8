import type { Structure } from './ports/index.ts';

/** Whether an account stands elsewhere while its balance is on the other side. */
export function hasOtherPlace({ portions }: Pick<Structure, 'portions'>, accountId: number): boolean {
  const own = portions.get(accountId);
  return own !== undefined && own.debit !== own.credit;
}
