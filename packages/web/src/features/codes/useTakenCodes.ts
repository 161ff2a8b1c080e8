import type { ChartAccountBody, CodeListBody } from '@ivory-ladder/contract';
import type { TakenCodes } from '@ivory-ladder/core';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useUploadChartFileMutation } from '../../shared/api/chartApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { takenCodesFile } from './takenCodesFile.ts';
import { useCodeListActions } from './useCodeListActions.ts';

interface TakingCodes {
  /** Adds the codes that the list lacks, and shows what the accounts would get as a chart file that is not applied yet. */
  look(taken: Pick<TakenCodes, 'given'> & Partial<Pick<TakenCodes, 'added'>>): Promise<void>;
  readonly refused: string | null;
  readonly isWaiting: boolean;
}

/** From codes for accounts to the screen that shows each of them before it stands. */
export function useTakenCodes(list: CodeListBody, accounts: readonly ChartAccountBody[]): TakingCodes {
  const company = useCompany();
  const navigate = useNavigate();
  const actions = useCodeListActions();
  const [upload, uploading] = useUploadChartFileMutation();
  const [refused, setRefused] = useState<string | null>(null);
  const look: TakingCodes['look'] = async ({ given, added = [] }) => {
    if (added.length > 0) {
      const said = await actions.change(list, { set: added.map((listed) => ({ ...listed, retired: false, was: null })) });
      if (said !== null) return setRefused(said);
    }
    const file = new File([takenCodesFile(accounts, given, list)], `codes of ${list.name}.csv`, { type: 'text/csv' });
    const uploaded = await upload({ companyId: company.id, file });
    if (!uploaded.data) return setRefused(describeFailure(uploaded.error));
    void navigate(`/companies/${company.id}/ledger/chart/file/${uploaded.data.fileId}`);
  };
  return { look, refused, isWaiting: actions.isBusy || uploading.isLoading };
}
