import { useDispatch } from 'react-redux';
import { useSetExclusionsMutation } from '../../shared/api/placementApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import type { PlacedAccount } from '../rehearsal/index.ts';

/** Leaves accounts out of a coverage, and takes them in again; at once, with who and why. */
export function useExclusions() {
  const { id: companyId } = useCompany();
  const dispatch = useDispatch();
  const [set] = useSetExclusionsMutation();
  const change = async (scope: string, accounts: readonly PlacedAccount[], reason: string | null, before: string | null) => {
    const { error } = await set({ companyId, body: { scope, accountIds: accounts.map(({ id }) => id), reason, before } });
    const named = accounts.length === 1 ? accounts[0]?.label : `${accounts.length} accounts`;
    const done = reason === null ? `Taken in again: ${named}.` : `Left out: ${named}.`;
    dispatch(noticeGiven(error === undefined ? { tone: 'done', text: done } : { tone: 'refused', text: describeFailure(error) }));
  };
  return {
    leaveOut: (scope: string, accounts: readonly PlacedAccount[], reason: string) => change(scope, accounts, reason, null),
    /** `reason`: why it was left out, as it was shown. */
    takeIn: (scope: string, account: PlacedAccount, reason: string) => change(scope, [account], null, reason),
  };
}
