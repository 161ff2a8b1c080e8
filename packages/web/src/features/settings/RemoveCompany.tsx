import type { Company } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { useNavigate } from 'react-router';
import { useRemoveCompanyMutation } from '../../shared/api/companyApi.ts';
import { addressOf } from '../../shared/api/requestOf.ts';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './SettingsScreen.module.css';

/** Files that hold what is lost with a company: over all of its years. */
function filesOf({ id: companyId, years }: Company): readonly { readonly name: string; readonly href: string }[] {
  const [first, last] = [years[0], years.at(-1)];
  const chart = { name: 'Chart and placement, workbook', href: addressOf('exportChart', { companyId, kind: 'xlsx' }) };
  const history = { name: 'History of changes, CSV', href: addressOf('exportHistory', { companyId }) };
  if (!first || !last) return [chart, history];
  const span = { companyId, from: first.firstDay, to: last.lastDay };
  const statement = (kind: StatementKind, name: string) => ({
    name: `${name}, workbook`,
    href: addressOf('exportWorkbook', { ...span, kind, compare: 'none' }),
  });
  return [
    chart,
    { name: 'Account ledger with every line, CSV', href: addressOf('exportAccountLedger', span) },
    { name: 'Entries, CSV', href: addressOf('exportEntries', { companyId }) },
    { name: 'Trial balance, workbook', href: addressOf('exportTrialBalanceWorkbook', span) },
    statement('balance-sheet', 'Balance sheet'),
    statement('income-statement', 'Income statement'),
    statement('cash-flow', 'Cash flow'),
    statement('changes-in-equity', 'Changes in equity'),
    history,
  ];
}

/** At the foot of the settings: what the company holds is offered as files before it can be removed. */
export function RemoveCompany({ company }: { readonly company: Company }) {
  const [isAsked, setAsked] = useState(false);
  return (
    <section className={styles.remove} aria-labelledby="settings-remove">
      <h2 id="settings-remove">Remove the company</h2>
      <p>Chart, entries, layouts and history go for good. The files of it are offered first.</p>
      <Button color="error" onClick={() => setAsked(true)}>
        Remove {company.name}…
      </Button>
      {isAsked && <RemoveDialog company={company} onClose={() => setAsked(false)} />}
    </section>
  );
}

function RemoveDialog({ company, onClose }: { readonly company: Company; readonly onClose: () => void }) {
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const [name, setName] = useState('');
  const [remove, { isLoading, error }] = useRemoveCompanyMutation();
  const submit = async () => {
    const removed = await remove({ companyId: company.id, body: { name: name.trim() } });
    if (removed.error !== undefined) return;
    await navigate('/');
    dispatch(noticeGiven({ tone: 'done', text: `Removed: ${company.name}.` }));
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="sm" aria-labelledby="remove-title">
      <DialogTitle id="remove-title">Remove {company.name}</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
        <p className={styles.plain}>
          It goes with its {company.accounts} accounts, all entries, files, layouts, budgets and its history, for everybody who belongs to it. There is no way
          back. Take what you may need:
        </p>
        <ul className={styles.files}>
          {filesOf(company).map(({ name: file, href }) => (
            <li key={href}>
              <a href={href} download>
                {file}
              </a>
            </li>
          ))}
        </ul>
        <TextField
          label={`Type ${company.name}`}
          value={name}
          autoComplete="off"
          onChange={(event) => setName(event.target.value)}
          onKeyDown={(event) => {
            if (event.key === 'Enter') event.preventDefault();
          }}
        />
        {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" color="error" disabled={isLoading || name.trim() !== company.name} onClick={() => void submit()}>
          Remove for good
        </Button>
      </DialogActions>
    </Dialog>
  );
}
