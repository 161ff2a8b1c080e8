import { draftBetween, isEmptyDraft, placementOf } from '@ivory-ladder/core';
import { useDispatch } from 'react-redux';
import { useLocation, useNavigate } from 'react-router';
import { useLazyGetPastPlacementQuery } from '../../shared/api/placementApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { draftAmended, rehearsedKey } from '../../shared/state/rehearsalSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { usePlacement } from '../rehearsal/index.ts';

/** Proposes the placement as it stood at a moment: what differs from today's becomes the rehearsal, which shows it and applies nothing. */
export function useRestorePlacement(): (moment: string, said: string) => Promise<void> {
  const { id: companyId } = useCompany();
  const { classification, asked } = useClassification();
  const { search } = useLocation();
  const { base } = usePlacement();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const [read] = useLazyGetPastPlacementQuery();
  return async (moment, said) => {
    const { data, error } = await read({ companyId, moment, ...asked });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    const isKnown = ({ accountId }: { accountId: number }) => base.elementOf.has(accountId);
    const draft = draftBetween(base.placement, placementOf(data.categories, data.places.filter(isKnown)));
    if (isEmptyDraft(draft)) return void dispatch(noticeGiven({ tone: 'done', text: `The placement stood then as it stands now.` }));
    dispatch(draftAmended({ rehearsed: rehearsedKey(companyId, classification.id), draft, name: said }));
    void navigate({ pathname: `/companies/${companyId}/placement`, search: withRehearsal(search) });
  };
}

/** The address of the placement with its rehearsal open, of the same classification and span. */
export function withRehearsal(search: string): string {
  const params = new URLSearchParams(search);
  params.delete('record');
  params.set('rehearsal', 'lines');
  return params.toString();
}
