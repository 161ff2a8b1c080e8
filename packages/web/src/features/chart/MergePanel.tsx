import type { ChartAccountBody, ChartView } from '@ivory-ladder/contract';
import { accountLabel, accountLabels, type Currency, formatAmount, shortDay } from '@ivory-ladder/core';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useMemo, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useCheckMergeQuery, useMergeAccountsMutation } from '../../shared/api/chartApi.ts';
import { DayTextField } from '../../shared/components/dayfield/DayTextField.tsx';
import { EffectList } from '../../shared/components/EffectList.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { accountRoleNames } from '../../shared/words/accountRoleWords.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './ChartScreen.module.css';

interface MergePanelProps {
  readonly account: ChartAccountBody;
  readonly chart: ChartView;
  readonly currency: Currency;
  readonly onDone: (intoId: number) => void;
  readonly onCancel: () => void;
}

const fewOptions = createFilterOptions<{ id: number; label: string }>({ limit: 60 });

/** Another account to merge into, and a day; what would move and its effect stand there before anything is done. */
export function MergePanel({ account, chart, currency, onDone, onCancel }: MergePanelProps) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [into, setInto] = useState<number | null>(null);
  const [day, setDay] = useState(company.lastEntryDay ?? chart.span.lastDay);
  // One key for one decision: a repeated press merges nothing twice.
  const key = useRef(crypto.randomUUID());
  const labels = useMemo(() => accountLabels(chart.accounts), [chart]);
  const others = useMemo(
    () =>
      chart.accounts
        .filter(({ id, element, active, isParent }) => id !== account.id && element === account.element && active && !isParent)
        .map(({ id }) => ({ id, label: labels.get(id) ?? '' })),
    [chart, account, labels],
  );
  const { firstDay: from, lastDay: to } = chart.span;
  const isAsked = into !== null && /^\d{4}-\d\d-\d\d$/.test(day);
  const {
    currentData: seen,
    error,
    isFetching,
    refetch,
  } = useCheckMergeQuery(
    { companyId: company.id, accountId: account.id, body: { into: into ?? 0, day, from, to } },
    { skip: !isAsked, refetchOnMountOrArgChange: true },
  );
  const [merge, { isLoading }] = useMergeAccountsMutation();
  const target = others.find(({ id }) => id === into);
  const onMerge = async () => {
    if (!seen || into === null) return;
    const { structureVersion, revision } = seen;
    const merged = await merge({ companyId: company.id, accountId: account.id, body: { into, day, structureVersion, revision }, key: key.current });
    if (merged.error !== undefined) {
      dispatch(noticeGiven({ tone: 'refused', text: describeFailure(merged.error) }));
      return void refetch();
    }
    dispatch(noticeGiven({ tone: 'done', text: `Merged: ${accountLabel(account)} into ${target?.label ?? ''}.` }));
    onDone(into);
  };
  return (
    <div className={styles.form}>
      <p className={styles.quiet}>
        What is on {accountLabel(account)} stays there, an entry moves what it holds, and it is retired. Nothing is done before you have seen the effect.
      </p>
      <Autocomplete
        options={others}
        filterOptions={fewOptions}
        value={target ?? null}
        onChange={(_, option) => setInto(option?.id ?? null)}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        renderInput={(params) => <TextField {...params} label="Merge into" placeholder={`another ${account.element} account`} autoFocus />}
      />
      <DayTextField label="Day of the entry" value={day} onChange={setDay} />
      {error !== undefined && isAsked && (
        <p role="alert" className={styles.fault}>
          {describeFailure(error)}
        </p>
      )}
      {seen && (
        <>
          <ul className={styles.merged}>
            {seen.moves.length === 0 && <li>It holds nothing at {shortDay(day)}: no entry is needed.</li>}
            {seen.moves.map(({ layer, amount }) => (
              <li key={layer}>
                {formatAmount(BigInt(amount), currency)} moves{layer === 'adjustment' ? ' among the adjustments' : ''} at {shortDay(day)}.
              </li>
            ))}
            {seen.moved.map(({ classification, which }) => (
              <li key={classification}>
                {classification !== null && `${classification}: `}
                {which === 'from'
                  ? 'It stands where the other one stands from now on, with all its history.'
                  : 'The other one stands in no category yet, and takes the place of this one.'}
              </li>
            ))}
            {seen.codes.map(({ list, code }) => (
              <li key={list}>
                The other one gets the code {code} of {list}.
              </li>
            ))}
            {seen.role && <li>The role of {accountRoleNames[seen.role]} goes along.</li>}
          </ul>
          <h3>Effect on the statements</h3>
          <EffectList effect={seen.effect} currency={currency} />
        </>
      )}
      <div className={styles.buttons}>
        <Button variant="contained" disabled={!seen || isFetching || isLoading} onClick={() => void onMerge()}>
          Merge
        </Button>
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </div>
  );
}
