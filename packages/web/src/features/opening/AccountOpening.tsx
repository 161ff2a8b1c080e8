import type { ChartAccountBody } from '@ivory-ladder/contract';
import { accountLabel, type Currency, formatAmount, isIncomeOrExpense, linesToSet, longDay } from '@ivory-ladder/core';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useGetTrialBalanceQuery, usePostEntryMutation } from '../../shared/api/ledgerApi.ts';
import { DayTextField } from '../../shared/components/dayfield/DayTextField.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { amountIn } from '../entries/index.ts';
import styles from './AccountOpening.module.css';
import { usualDay } from './usualDay.ts';

interface AccountOpeningProps {
  readonly account: ChartAccountBody;
  readonly accounts: readonly ChartAccountBody[];
  readonly currency: Currency;
  readonly onDone: () => void;
}

const few = createFilterOptions<ChartAccountBody>({ limit: 40, stringify: ({ label }) => label });

/** The balance of one account at the end of a day: what differs from what stands there is posted against another account. */
export function AccountOpening({ account, accounts, currency, onDone }: AccountOpeningProps) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [post, { isLoading }] = usePostEntryMutation();
  const key = useRef(crypto.randomUUID());
  const [day, setDay] = useState(() => usualDay(company.years));
  const others = accounts.filter(({ id, active, isParent, element }) => id !== account.id && active && !isParent && !isIncomeOrExpense(element));
  const [counterId, setCounterId] = useState(() => others.find(({ role }) => role === 'retained_earnings')?.id ?? null);
  const [side, setSide] = useState(account.normalSide);
  const [typed, setTyped] = useState<string | null>(null);
  const { currentData: view, error } = useGetTrialBalanceQuery({ companyId: company.id, from: day, to: day, compare: 'none', facets: '' });
  const row = view?.accounts.find(({ id }) => id === account.id);
  // Adjustments for the statements are no part of what the ledger opens with.
  const held = row ? BigInt(row.closing) - BigInt(row.adjustments) : 0n;
  const amount = amountIn(typed ?? '', currency);
  const wanted = amount === null ? null : side === 'debit' ? amount : -amount;
  const lines = wanted === null || typed === null ? [] : linesToSet([{ accountId: account.id, held, wanted }]);
  const counter = others.find(({ id }) => id === counterId);
  const shown = (net: bigint) => (net === 0n ? 'nothing' : `${formatAmount(net < 0n ? -net : net, currency)} in ${net < 0n ? 'credit' : 'debit'}`);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const [line] = lines;
    if (!line || !counter || !view || isLoading) return;
    const entry = {
      date: day,
      description: `Opening balance at ${longDay(day)}`,
      layer: 'ledger' as const,
      opening: true,
      lines: [line, { accountId: counter.id, debit: line.credit, credit: line.debit }].map(({ accountId, debit, credit }) => ({
        accountId,
        debit: debit.toString(),
        credit: credit.toString(),
      })),
    };
    const { data, error: refused } = await post({ companyId: company.id, body: entry, key: key.current });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(refused) }));
    dispatch(noticeGiven({ tone: 'done', text: `Posted: document ${data.documentNumber}. ${accountLabel(account)} holds ${shown(wanted ?? 0n)}.` }));
    onDone();
  };
  return (
    <form className={styles.form} aria-label={`Opening balance of ${accountLabel(account)}`} onSubmit={(event) => void submit(event)}>
      <DayTextField label="At the end of" value={day} onChange={(chosen) => chosen !== '' && setDay(chosen)} required />
      {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      {view && (
        <p className={styles.quiet}>
          In the ledger it holds {shown(held)} then{row && row.adjustments !== '0' ? ', adjustments for the statements aside' : ''}.
        </p>
      )}
      <div className={styles.amount}>
        <TextField
          label="It shall hold"
          value={typed ?? ''}
          onChange={(event) => {
            key.current = crypto.randomUUID();
            setTyped(event.target.value);
          }}
          error={amount === null}
          helperText={amount === null ? 'is no amount' : undefined}
          slotProps={{ htmlInput: { inputMode: 'decimal' } }}
          required
        />
        <Select aria-label="Side" className={styles.side} value={side} onChange={(event) => setSide(event.target.value as typeof side)}>
          <option value="debit">in debit</option>
          <option value="credit">in credit</option>
        </Select>
      </div>
      <Autocomplete
        options={others}
        filterOptions={few}
        autoHighlight
        getOptionLabel={({ label }) => label}
        value={counter ?? null}
        onChange={(_, option) => setCounterId(option?.id ?? null)}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        renderInput={(params) => <TextField {...params} label="Against" required />}
      />
      <p role="status" className={styles.quiet}>
        {lines[0] && counter
          ? `${formatAmount(lines[0].debit + lines[0].credit, currency)} is posted in ${lines[0].debit > 0n ? 'debit' : 'credit'} here and on the other side of ${accountLabel(counter)}.`
          : typed !== null && amount !== null && lines.length === 0
            ? 'It holds that already.'
            : 'The difference is posted as one entry.'}
      </p>
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={lines.length === 0 || !counter || !view || isLoading}>
          Post
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}
