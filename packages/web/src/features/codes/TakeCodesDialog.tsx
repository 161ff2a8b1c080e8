import type { CodeListBody } from '@ivory-ladder/contract';
import { buildCategoryTree, codesOfCategories, codesOfOther, portionsOf, type TakenCodes } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo, useState } from 'react';
import { useGetChartQuery } from '../../shared/api/chartApi.ts';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useListCompaniesQuery } from '../../shared/api/companyApi.ts';
import { useGetPlacementQuery } from '../../shared/api/placementApi.ts';
import { standsIn } from '../../shared/api/standsIn.ts';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { useTakenCodes } from './useTakenCodes.ts';

const codesShown = 6;

/** Codes for the accounts that have none: one for each category, or those that another company has given; looked at as a chart file before anything stands. */
export function TakeCodesDialog({ list, onClose }: { list: CodeListBody; onClose: () => void }) {
  const company = useCompany();
  const { span } = useSpan();
  const [source, setSource] = useState('categories');
  const otherId = source === 'categories' ? null : Number(source);
  const { data: companies } = useListCompaniesQuery();
  const { data: chart } = useGetChartQuery({ companyId: company.id, ...span });
  const { data: placement } = useGetPlacementQuery({ companyId: company.id, ...span });
  const { data: otherChart } = useGetChartQuery(otherId === null ? skipToken : { companyId: otherId, ...span });
  const { data: otherLists } = useListCodeListsQuery(otherId === null ? skipToken : { companyId: otherId });
  const otherReports = (otherLists?.lists ?? []).filter(({ kind }) => kind === 'report');
  const otherList = otherReports.find(({ name }) => name.toLowerCase() === list.name.toLowerCase()) ?? otherReports[0] ?? null;
  const taken = useMemo((): TakenCodes | null => {
    const accounts = (chart?.accounts ?? []).filter(({ isParent, active, amount }) => (active || amount !== '0') && (!isParent || amount !== '0'));
    if (otherId !== null) return otherList && otherChart ? codesOfOther(list, { ...otherList, accounts: otherChart.accounts }, accounts) : null;
    if (!placement) return null;
    const stands = new Map(placement.accounts.map((account) => [account.id, { own: portionsOf(standsIn(account)), side: account.normalSide }]));
    const categoryOf = (id: number): number | null => {
      const found = stands.get(id);
      return found ? (found.own[found.side] ?? found.own.debit ?? found.own.credit) : null;
    };
    return codesOfCategories(list, buildCategoryTree(placement.categories), accounts, categoryOf);
  }, [chart, placement, otherId, otherList, otherChart, list]);
  const { look, refused, isWaiting } = useTakenCodes(list, chart?.accounts ?? []);
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-label={`Take codes of ${list.name} from`}>
      <DialogTitle>Take codes of {list.name} from…</DialogTitle>
      <DialogContent sx={{ pt: '8px !important' }}>
        <SelectTextField fullWidth label="From" value={source} onChange={(event) => setSource(event.target.value)}>
          <option value="categories">the categories: one code for each</option>
          {(companies?.companies ?? [])
            .filter(({ id }) => id !== company.id)
            .map(({ id, name }) => (
              <option key={id} value={String(id)}>
                {name}
              </option>
            ))}
        </SelectTextField>
        {otherId !== null && otherLists && !otherList && <p>It has no list of report codes.</p>}
        {otherId !== null && otherList && <p>Its list {otherList.name}. Accounts are the same by number and name, or by name alone.</p>}
        {taken && (
          <>
            <p>
              <b>{counted(taken.given.length, 'account gets', 'accounts get')} a code.</b> {counted(taken.kept, 'account has', 'accounts have')} one and{' '}
              {taken.kept === 1 ? 'keeps' : 'keep'} it; {taken.without} find none.
            </p>
            {taken.added.length > 0 && (
              <p>
                {counted(taken.added.length, 'code is', 'codes are')} added to the list:{' '}
                {taken.added
                  .slice(0, codesShown)
                  .map(({ code, caption }) => `${code} ${caption}`.trim())
                  .join(', ')}
                {taken.added.length > codesShown && ` and ${taken.added.length - codesShown} more`}.
              </p>
            )}
          </>
        )}
        {refused !== null && <p role="alert">{refused}</p>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={!taken || taken.given.length === 0 || isWaiting} onClick={() => taken && void look(taken)}>
          Look at each account
        </Button>
      </DialogActions>
    </Dialog>
  );
}
