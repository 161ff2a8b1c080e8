import { describeColumn } from '@ivory-ladder/core';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { useApplyChartFileMutation, useLazyCheckChartFileQuery, useUploadChartFileMutation } from '../api/chartApi.ts';
import { counted } from '../words/counted.ts';
import { describeFailure } from '../words/failureMessages.ts';
import { noticeGiven } from './noticeSlice.ts';
import { useCompany } from './useCompany.ts';
import { useSpan } from './useSpan.ts';

interface GiveCash {
  readonly isBusy: boolean;
  /** To all of them or to none, by a chart file, as any change of many accounts; what comes of it is said. */
  give(accounts: readonly { readonly id: number; readonly number: string }[]): Promise<void>;
}

/** Gives accounts the role of cash and cash equivalents. */
export function useGiveCash(): GiveCash {
  const { id: companyId } = useCompany();
  const { span } = useSpan();
  const dispatch = useDispatch();
  const [upload] = useUploadChartFileMutation();
  const [check] = useLazyCheckChartFileQuery();
  const [apply] = useApplyChartFileMutation();
  const [isBusy, setBusy] = useState(false);
  const given = async (accounts: readonly { readonly id: number; readonly number: string }[]): Promise<unknown> => {
    const headings = (['number', 'role', 'key'] as const).map((column) => describeColumn(column, []).heading);
    const rows = accounts.map(({ id, number }) => [`"${number.replaceAll('"', '""')}"`, 'cash', String(id)]);
    const file = new File([[headings, ...rows].map((row) => row.join(',')).join('\n')], 'cash.csv', { type: 'text/csv' });
    const stored = await upload({ companyId, file });
    if (!stored.data) return stored.error;
    const { fileId } = stored.data;
    const checked = await check({ companyId, fileId, body: { from: span.from, to: span.to } });
    if (!checked.data) return checked.error;
    const { structureVersion, revision } = checked.data;
    return (await apply({ companyId, fileId, body: { structureVersion, revision } })).error;
  };
  return {
    isBusy,
    give: async (accounts) => {
      setBusy(true);
      const error = await given(accounts);
      setBusy(false);
      if (error === undefined)
        dispatch(noticeGiven({ tone: 'done', text: `Cash and cash equivalents: ${counted(accounts.length, 'account')}. The chart says so under Role.` }));
      else dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    },
  };
}
