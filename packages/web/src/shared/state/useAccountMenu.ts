import { useCallback } from 'react';
import { useNavigate } from 'react-router';
import type { RowChoice } from '../components/useRowMenu.tsx';
import { spanSearch } from './spanSearch.ts';
import { useClimb } from './useClimb.ts';
import { useCompany } from './useCompany.ts';

/** What a row about an account offers wherever it stands: its climb, and the screens that tell more of it. */
export function useAccountMenu(): (accountId: number) => readonly RowChoice[] {
  const { id: companyId } = useCompany();
  const climb = useClimb();
  const navigate = useNavigate();
  return useCallback(
    (accountId: number) => {
      const go = (path: string) => {
        const params = spanSearch(window.location.search);
        params.set('account', String(accountId));
        void navigate({ pathname: `/companies/${companyId}/${path}`, search: params.toString() });
      };
      return [
        { label: 'Climb', onChoose: () => climb(accountId) },
        { label: 'Its entries', onChoose: () => go('ledger') },
        { label: 'The whole account ledger', onChoose: () => go('ledger/accounts') },
        { label: 'In the chart of accounts', onChoose: () => go('ledger/chart') },
      ];
    },
    [companyId, climb, navigate],
  );
}
