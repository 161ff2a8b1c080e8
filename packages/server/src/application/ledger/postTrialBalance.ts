import { fail, type Outcome } from '@ivory-ladder/core';
import { type Access, refuseWithout } from '../access.ts';
import { withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports, PostingOutcome, Request } from '../ports/index.ts';
import { checkTrialBalance } from './checkTrialBalance.ts';
import type { PostingAnswers } from './postingAnswers.ts';

/** Posts what the check shows, whole or not at all; the same file twice posts nothing. */
export function postTrialBalance(
  ports: Ports,
  access: Access<'prepare_entries'>,
  fileId: number,
  answers: PostingAnswers,
  request: Request,
): Promise<Outcome<PostingOutcome, Failure>> {
  return withFreshBooks(async () => {
    const before = await ports.ledger.earlierOutcome(access.companyId, request);
    if (before) return before as Outcome<PostingOutcome, Failure>;
    const checked = await checkTrialBalance(ports, access, fileId, answers);
    if (!checked.ok) return checked;
    const { plan, blockers } = checked.value;
    if (!plan) return fail({ code: 'posting_blocked', blockers: [...blockers] });
    // A file brings amounts; accounts and places that it brings along are the chart's and the placement's.
    const refused = (plan.newAccounts.length > 0 && refuseWithout(access, 'keep_chart')) || (plan.places.length > 0 && refuseWithout(access, 'keep_placement'));
    if (refused) return fail(refused);
    return ports.ledger.applyTrialBalance(access.companyId, plan, request);
  });
}
