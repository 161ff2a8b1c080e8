import type { AccountChange, PlacesChange, StatementEffect } from '@ivory-ladder/contract';
import { useCallback } from 'react';
import { useLazyCheckAccountChangeQuery } from '../../shared/api/chartApi.ts';
import { useLazyRehearsePlacementQuery } from '../../shared/api/placementApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { effectSentence } from '../../shared/words/effectWords.ts';

export interface AccountEffect {
  /** In a sentence; empty where it could not be looked at, or nothing that a figure hangs on changes. */
  ofChange(accountId: number, change: AccountChange): Promise<string>;
  ofPlaces(changes: PlacesChange['changes']): Promise<string>;
}

/** Names, purposes and numbers in other systems stand beside figures, never behind one. */
export function touchesFigures({ version: _, name: __, purpose: ___, externalNumber: ____, after: _____, ...rest }: AccountChange): boolean {
  return Object.values(rest).some((value) => value !== undefined);
}

/** What a change that is made at once would do to every statement and layout in use, asked before it is made. */
export function useAccountEffect(): AccountEffect {
  const { id: companyId } = useCompany();
  const { span } = useSpan();
  const [lookAtChange] = useLazyCheckAccountChangeQuery();
  const [lookAtPlaces] = useLazyRehearsePlacementQuery();
  const { from, to } = span;
  const ofChange = useCallback<AccountEffect['ofChange']>(
    async (accountId, change) => (touchesFigures(change) ? said(await lookAtChange({ companyId, accountId, body: { change, from, to } })) : ''),
    [lookAtChange, companyId, from, to],
  );
  const ofPlaces = useCallback<AccountEffect['ofPlaces']>(
    async (changes) => said(await lookAtPlaces({ companyId, body: { draft: { categories: [], places: changes }, ...span } })),
    [lookAtPlaces, companyId, span],
  );
  return { ofChange, ofPlaces };
}

const said = ({ data }: { readonly data?: StatementEffect | undefined }): string => (data ? effectSentence(data) : '');
