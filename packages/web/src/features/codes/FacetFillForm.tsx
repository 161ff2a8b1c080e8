import type { CodeListBody, FacetFillFoundBody } from '@ivory-ladder/contract';
import { formatAmount } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useApplyFacetFillMutation, useCheckFacetFillMutation } from '../../shared/api/codeListApi.ts';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './CodeListsScreen.module.css';

const mostShown = 12;

/** A value for lines of the past that have none: looked at, account by account, before it is applied. */
export function FacetFillForm({ list }: { list: CodeListBody }) {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const dispatch = useDispatch();
  const [check, checking] = useCheckFacetFillMutation();
  const [apply, applying] = useApplyFacetFillMutation();
  const [rule, setRule] = useState({ value: '', accounts: '' });
  const [found, setFound] = useState<FacetFillFoundBody | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const usable = list.codes.filter(({ retired }) => !retired);
  const value = usable.some(({ code }) => code === rule.value) ? rule.value : (usable[0]?.code ?? '');
  if (value === '') return null;
  const wanted = { companyId: company.id, listId: list.id, body: { value, accounts: rule.accounts } };
  const change = (changes: Partial<typeof rule>) => {
    setRule({ ...rule, ...changes });
    setFound(null);
    setRefused(null);
  };
  const look = async (event: FormEvent) => {
    event.preventDefault();
    const { data, error } = await check(wanted);
    setFound(data ?? null);
    setRefused(error === undefined ? null : describeFailure(error));
  };
  const give = async () => {
    const { data, error } = await apply(wanted);
    setFound(null);
    if (data) dispatch(noticeGiven({ tone: 'done', text: `${value} given to ${counted(data.lines, 'line')}.` }));
    else setRefused(describeFailure(error));
  };
  return (
    <form className={styles.form} aria-label="Lines of the past" onSubmit={(event) => void look(event)}>
      <h3>Lines of the past without one</h3>
      <SelectTextField label="Get" value={value} onChange={(event) => change({ value: event.target.value })}>
        {usable.map(({ code, caption }) => (
          <option key={code} value={code}>
            {caption ? `${code} ${caption}` : code}
          </option>
        ))}
      </SelectTextField>
      {company.numbered && (
        <TextField
          label="On accounts"
          placeholder="all, or 6000 to 6499"
          value={rule.accounts}
          onChange={(event) => change({ accounts: event.target.value })}
          error={refused !== null}
          helperText={refused ?? undefined}
          slotProps={{ htmlInput: { maxLength: 1000 } }}
        />
      )}
      <div className={styles.buttons}>
        <Button type="submit" disabled={checking.isLoading}>
          Look
        </Button>
        {found && found.lines > 0 && (
          <Button variant="contained" disabled={applying.isLoading} onClick={() => void give()}>
            Give it to {counted(found.lines, 'line')}
          </Button>
        )}
      </div>
      {found && (
        <>
          <p role="status" className={styles.quiet}>
            {found.lines === 0
              ? 'No line is without one there.'
              : `${counted(found.lines, 'line')} on ${counted(found.accounts.length, 'account')} would get it; no amount changes.`}
          </p>
          <ul className={styles.rules}>
            {found.accounts.slice(0, mostShown).map(({ accountId, label, lines, net }) => (
              <li key={accountId}>
                <span>
                  {label} <small>{counted(lines, 'line')}</small>
                </span>
                {formatAmount(BigInt(net), currency)}
              </li>
            ))}
          </ul>
          {found.accounts.length > mostShown && <p className={styles.quiet}>and {counted(found.accounts.length - mostShown, 'more account')}</p>}
        </>
      )}
    </form>
  );
}
