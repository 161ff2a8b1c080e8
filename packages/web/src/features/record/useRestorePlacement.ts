import { draftBetween, isEmptyDraft, placementOf } from '@ivory-ladder/core';
import { useDispatch } from 'react-redux';
import { useNavigate } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { useLazyGetPastPlacementQuery } from '../../api/placementApi.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import { draftAmended } from '../../app/rehearsalSlice.ts';
import { useCompany } from '../../app/useCompany.ts';
import { usePlacement } from '../rehearsal/usePlacement.ts';

/** Proposes the placement as it stood at a moment: what differs from today's becomes the rehearsal, which shows it and applies nothing. */
export function useRestorePlacement(): (moment: string, said: string) => Promise<void> {
  const { id: companyId } = useCompany();
  const { base } = usePlacement();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const [read] = useLazyGetPastPlacementQuery();
  return async (moment, said) => {
    const { data, error } = await read({ companyId, moment });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    const isKnown = ({ accountId }: { accountId: number }) => base.elementOf.has(accountId);
    const draft = draftBetween(base.placement, placementOf(data.categories, data.places.filter(isKnown)));
    if (isEmptyDraft(draft)) return void dispatch(noticeGiven({ tone: 'done', text: `The placement stood then as it stands now.` }));
    dispatch(draftAmended({ companyId, draft, name: said }));
    void navigate(`/companies/${companyId}/placement?rehearsal=lines`);
  };
}
