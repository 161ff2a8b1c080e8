import type { DocumentSeriesBody, SeriesList } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useAddSeriesMutation, useChangeSeriesMutation, useDeleteSeriesMutation, useListSeriesQuery } from '../../shared/api/seriesApi.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './SeriesDialog.module.css';

/** The series of the company with what each numbers next; one is begun, renamed, ended, taken up again, or deleted while nothing is numbered in it. */
export function SeriesDialog({ onClose }: { onClose: () => void }) {
  const company = useCompany();
  const mayChange = useMay('prepare_entries');
  const { data } = useListSeriesQuery({ companyId: company.id });
  const [failure, setFailure] = useState<string | null>(null);
  const said = <Result extends { error?: unknown }>(result: Result): Result => {
    setFailure(result.error === undefined ? null : describeFailure(result.error));
    return result;
  };
  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="series-title">
      <DialogTitle id="series-title">Document series</DialogTitle>
      <DialogContent>
        <p className={styles.quiet}>Each series counts its own documents without gaps. Documents that are in none bear plain numbers.</p>
        {data && <SeriesTable list={data} mayChange={mayChange} said={said} />}
        {failure !== null && (
          <p className={styles.fault} role="alert">
            {failure}
          </p>
        )}
        {mayChange && <NewSeries said={said} />}
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

type Said = <Result extends { error?: unknown }>(result: Result) => Result;

function SeriesTable({ list: { series, nextPlain }, mayChange, said }: { list: SeriesList; mayChange: boolean; said: Said }) {
  return (
    <table className={styles.table}>
      <thead>
        <tr>
          <th scope="col">Code</th>
          <th scope="col">Name</th>
          <th scope="col" data-amount>
            Documents
          </th>
          <th scope="col">Next number</th>
          <td />
        </tr>
      </thead>
      <tbody>
        <tr>
          <td>–</td>
          <td>Plain numbers</td>
          <td data-amount>{(nextPlain - 1).toLocaleString('en')}</td>
          <td>{nextPlain}</td>
          <td />
        </tr>
        {series.map((one) => (
          <SeriesRow key={`${one.id}.${one.version}`} series={one} mayChange={mayChange} said={said} />
        ))}
      </tbody>
    </table>
  );
}

function SeriesRow({ series, mayChange, said }: { series: DocumentSeriesBody; mayChange: boolean; said: Said }) {
  const { id, code, name, nextNumber, documents, active, version } = series;
  const company = useCompany();
  const [change] = useChangeSeriesMutation();
  const [remove] = useDeleteSeriesMutation();
  const [typed, setTyped] = useState(name);
  const set = async (fields: { name?: string; active?: boolean }) => {
    const { error } = said(await change({ companyId: company.id, seriesId: id, body: { version, ...fields } }));
    if (error !== undefined) setTyped(name);
  };
  return (
    <tr data-ended={!active || undefined}>
      <td>{code}</td>
      <td>
        {mayChange ? (
          <input
            className={styles.name}
            aria-label={`Name of ${code}`}
            value={typed}
            maxLength={200}
            onChange={(event) => setTyped(event.target.value)}
            onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
            onBlur={() => (typed.trim() === '' ? setTyped(name) : typed.trim() !== name && void set({ name: typed.trim() }))}
          />
        ) : (
          name
        )}
      </td>
      <td data-amount>{documents.toLocaleString('en')}</td>
      <td>{active ? `${code}-${nextNumber}` : `ended before ${code}-${nextNumber}`}</td>
      <td className={styles.buttons}>
        {mayChange && (
          <Button size="small" onClick={() => void set({ active: !active })}>
            {active ? 'End' : 'Take up again'}
          </Button>
        )}
        {mayChange && documents === 0 && (
          <Button size="small" onClick={async () => void said(await remove({ companyId: company.id, seriesId: id }))}>
            Delete
          </Button>
        )}
      </td>
    </tr>
  );
}

function NewSeries({ said }: { said: Said }) {
  const company = useCompany();
  const [add, { isLoading }] = useAddSeriesMutation();
  const [fields, setFields] = useState({ code: '', name: '', nextNumber: '1' });
  const isCode = /^\p{L}[\p{L}\d]{0,9}$/u.test(fields.code.trim());
  const isNumber = /^[1-9]\d{0,8}$/.test(fields.nextNumber.trim());
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!isCode || !isNumber || isLoading) return;
    const body = { code: fields.code.trim(), name: fields.name.trim(), nextNumber: Number(fields.nextNumber) };
    const { error } = said(await add({ companyId: company.id, body }));
    if (error === undefined) setFields({ code: '', name: '', nextNumber: '1' });
  };
  return (
    <form className={styles.form} aria-label="New series" onSubmit={(event) => void submit(event)}>
      <TextField
        label="Code"
        value={fields.code}
        onChange={(event) => setFields({ ...fields, code: event.target.value })}
        error={fields.code !== '' && !isCode}
        helperText={fields.code !== '' && !isCode ? 'a letter, then letters and digits, 10 at most' : 'such as ADJ'}
        required
      />
      <TextField label="Name" value={fields.name} onChange={(event) => setFields({ ...fields, name: event.target.value })} helperText=" " required />
      <TextField
        label="First number"
        value={fields.nextNumber}
        onChange={(event) => setFields({ ...fields, nextNumber: event.target.value })}
        error={!isNumber}
        helperText={isCode && isNumber ? `its first is ${fields.code.trim()}-${fields.nextNumber.trim()}` : ' '}
        required
      />
      <Button type="submit" variant="outlined" disabled={isLoading}>
        Begin it
      </Button>
    </form>
  );
}
