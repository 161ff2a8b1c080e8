import type { Proposal, ProposalReason } from '@ivory-ladder/core';
import { counted } from '../../shared/words/counted.ts';
import type { PlacedAccount } from '../rehearsal/index.ts';

/** Why an account is proposed for a category, in words. */
function reasonText(reason: ProposalReason, byId: ReadonlyMap<number, PlacedAccount>): string {
  const named = (id: number) => {
    const account = byId.get(id);
    return account?.number || account?.name || '';
  };
  switch (reason.kind) {
    case 'beside':
      return `${reason.accountIds.map(named).join(' and ')} beside it ${reason.accountIds.length === 1 ? 'stands' : 'stand'} there`;
    case 'parent':
      return `its parent ${named(reason.accountId)} stands there`;
    case 'siblings':
      return `${counted(reason.accounts, 'account')} below the same parent ${reason.accounts === 1 ? 'stands' : 'stand'} there`;
    case 'name':
      return `the name shares «${reason.word}» with ${counted(reason.accounts, 'account')} there`;
    case 'category_name':
      return `the name shares «${reason.word}» with the category`;
    case 'company':
      return `${reason.company} has the same account there`;
  }
}

export function reasonsText({ reasons }: Proposal, byId: ReadonlyMap<number, PlacedAccount>): string {
  return reasons.map((reason) => reasonText(reason, byId)).join('; ');
}
