import type { ChartAccountBody, CodeListBody } from '@ivory-ladder/contract';
import {
  buildCategoryTree,
  type CategoryNode,
  codeForMany,
  elements,
  numberKey,
  pathOf,
  portionsOf,
  rangeTest,
  readRangeText,
  walkCategories,
} from '@ivory-ladder/core';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { useGetChartQuery } from '../../shared/api/chartApi.ts';
import { useGetPlacementQuery } from '../../shared/api/placementApi.ts';
import { standsIn } from '../../shared/api/standsIn.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { RangeFault } from '../placement/index.ts';
import { useTakenCodes } from './useTakenCodes.ts';

const namesShown = 4;

/** One code for the accounts of a range of numbers, of a category and all below it, or of both; each is looked at before it stands. */
export function GiveCodeDialog({ list, code: codeAtFirst, onClose }: { list: CodeListBody; code: string | null; onClose: () => void }) {
  const company = useCompany();
  const { span } = useSpan();
  const { data: chart } = useGetChartQuery({ companyId: company.id, ...span });
  const { data: placement } = useGetPlacementQuery({ companyId: company.id, ...span });
  const [code, setCode] = useState(list.codes.find((listed) => listed.code === codeAtFirst) ?? null);
  const [numbers, setNumbers] = useState('');
  const [category, setCategory] = useState<CategoryNode | null>(null);
  const { look, refused, isWaiting } = useTakenCodes(list, chart?.accounts ?? []);
  const nodes = useMemo(() => {
    const all: CategoryNode[] = [];
    const tree = buildCategoryTree(placement?.categories ?? []);
    for (const element of elements) walkCategories(tree.tops.get(element) ?? [], (node) => void all.push(node));
    return all;
  }, [placement]);
  const ranges = readRangeText(numbers, company.digitOrder);
  const isAsked = code !== null && ranges.ok && (numbers.trim() !== '' || category !== null);
  const meant = !isAsked || !chart ? [] : accountsMeant(chart.accounts);
  const found = code && codeForMany(list, code.code, meant);
  const nameOf = (id: number) => meant.find((account) => account.id === id)?.label ?? '';

  /** Parents that take no postings have nothing to report. */
  function accountsMeant(accounts: readonly ChartAccountBody[]): ChartAccountBody[] {
    const holds = ranges.ok && numbers.trim() !== '' ? rangeTest(ranges.value, company.digitOrder) : null;
    const within = new Set<number>();
    if (category) walkCategories([category], ({ category: { id } }) => void within.add(id));
    const placed = new Map((placement?.accounts ?? []).map((account) => [account.id, portionsOf(standsIn(account))]));
    const stands = (id: number): boolean => {
      const { debit = null, credit = null } = placed.get(id) ?? {};
      return within.has(debit ?? 0) || within.has(credit ?? 0);
    };
    return accounts.filter(
      ({ id, number, isParent, amount }) =>
        (!isParent || amount !== '0') && (holds === null || holds(numberKey(number, company.digitOrder))) && (category === null || stands(id)),
    );
  }

  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-label={`Give one code of ${list.name} to many`}>
      <DialogTitle>Give one code of {list.name} to many</DialogTitle>
      <DialogContent sx={{ pt: '8px !important', display: 'grid', gap: 2 }}>
        <Autocomplete
          options={list.codes.filter(({ retired }) => !retired)}
          getOptionLabel={({ code: own, caption }) => `${own} ${caption}`.trim()}
          isOptionEqualToValue={(a, b) => a.code === b.code}
          value={code}
          onChange={(_, value) => setCode(value)}
          autoHighlight
          renderInput={(params) => <TextField {...params} label="Code" autoFocus={codeAtFirst === null} />}
        />
        {company.numbered && (
          <TextField
            label="Accounts with these numbers"
            placeholder="6100 to 6199, 65* except 6520"
            autoFocus={codeAtFirst !== null}
            value={numbers}
            onChange={(event) => setNumbers(event.target.value)}
            error={!ranges.ok}
            helperText={ranges.ok ? undefined : <RangeFault text={numbers} failure={ranges.failure} />}
            slotProps={{ htmlInput: { maxLength: 2000, spellCheck: false } }}
          />
        )}
        <Autocomplete
          options={nodes}
          getOptionLabel={(node) => pathOf(node).join(' › ')}
          getOptionKey={({ category: { id } }) => id}
          isOptionEqualToValue={(a, b) => a.category.id === b.category.id}
          value={category}
          onChange={(_, value) => setCategory(value)}
          autoHighlight
          renderInput={(params) => <TextField {...params} label={company.numbered ? 'and in this category' : 'Accounts in this category'} />}
        />
        {isAsked && found && (
          <p role="status" style={{ margin: 0 }}>
            <b>{counted(found.given.length, 'account gets', 'accounts get')} it.</b>
            {found.kept > 0 && ` ${counted(found.kept, 'has', 'have')} it already.`}
            {found.replaced.length > 0 &&
              ` ${counted(found.replaced.length, 'loses', 'lose')} another code: ${found.replaced
                .slice(0, namesShown)
                .map((one) => `${nameOf(one.accountId)} (${one.code})`)
                .join(', ')}${found.replaced.length > namesShown ? ` and ${found.replaced.length - namesShown} more` : ''}.`}
          </p>
        )}
        {refused !== null && (
          <p role="alert" style={{ margin: 0 }}>
            {refused}
          </p>
        )}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={!found || found.given.length === 0 || isWaiting} onClick={() => found && void look(found)}>
          Look at each account
        </Button>
      </DialogActions>
    </Dialog>
  );
}
