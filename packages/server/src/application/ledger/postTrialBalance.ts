import { fail, type Outcome } from '@ivory-ladder/core';
import { type Access, refuseWithout } from '../access.ts';
import { withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports, PostingOutcome, Request } from '../ports/index.ts';
import type { RehearsalAnswers } from './rehearsalAnswers.ts';
import { rehearseTrialBalance } from './rehearseTrialBalance.ts';

/** Posts what the rehearsal shows, whole or not at all; the same file twice posts nothing. */
export function postTrialBalance(
  ports: Ports,
  access: Access<'prepare_entries'>,
  fileId: number,
  answers: RehearsalAnswers,
  request: Request,
): Promise<Outcome<PostingOutcome, Failure>> {
  return withFreshBooks(async () => {
    const before = await ports.ledger.earlierOutcome(access.companyId, request);
    if (before) return before as Outcome<PostingOutcome, Failure>;
    const rehearsed = await rehearseTrialBalance(ports, access, fileId, answers);
    if (!rehearsed.ok) return rehearsed;
    const { plan, blockers } = rehearsed.value;
    if (!plan) return fail({ code: 'posting_blocked', blockers: [...blockers] });
    // A file brings amounts; accounts and places that it brings along are the chart's and the placement's.
    const refused = (plan.newAccounts.length > 0 && refuseWithout(access, 'keep_chart')) || (plan.places.length > 0 && refuseWithout(access, 'keep_placement'));
    if (refused) return fail(refused);
    return ports.ledger.applyTrialBalance(access.companyId, plan, request);
  });
}
