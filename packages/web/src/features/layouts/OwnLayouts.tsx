import type { LayoutInput, ListedLayout } from '@ivory-ladder/contract';
import { longDay } from '@ivory-ladder/core';
import Add from '@mui/icons-material/Add';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { Link, useLocation, useNavigate } from 'react-router';
import type { ApiFailure } from '../../shared/api/ivoryApi.ts';
import { useAddLayoutFileMutation, useAddLayoutMutation, useListLayoutsQuery } from '../../shared/api/layoutApi.ts';
import type { ArgsOf } from '../../shared/api/operationTypes.ts';
import { FileButton } from '../../shared/components/FileButton.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './LayoutsScreen.module.css';
import { notCarriedText } from './notCarriedText.ts';

const kindWords: Readonly<Record<ListedLayout['kind'], string>> = {
  balance_sheet: 'balance sheet',
  income_statement: 'income statement',
  cash_flow: 'cash flow',
  changes_in_equity: 'changes in equity',
  free: 'own lines',
};

/** Layouts that were composed, and the beginning of a new one. */
export function OwnLayouts() {
  const company = useCompany();
  const mayCompose = useMay('keep_layouts');
  const { search } = useLocation();
  const { data } = useListLayoutsQuery({ companyId: company.id });
  const [isAdding, setAdding] = useState(false);
  const [addFile] = useAddLayoutFileMutation();
  const { asked } = useClassification();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const base = `/companies/${company.id}`;
  const bring = async (file: File) => {
    const { data: read, error } = await addFile({ companyId: company.id, body: parsed(await file.text()) as ArgsOf<'addLayoutFile'>['body'], ...asked });
    if (!read)
      return void dispatch(
        noticeGiven({
          tone: 'refused',
          text: error && (error as ApiFailure).code !== 'request_invalid' ? describeFailure(error) : `${file.name} is no layout file.`,
        }),
      );
    if (read.missing.length > 0) dispatch(noticeGiven({ tone: 'refused', text: notCarriedText(read.missing) }));
    else dispatch(noticeGiven({ tone: 'done', text: `Brought in: ${read.layout.name}, as a draft.` }));
    void navigate({ pathname: `${base}/layouts/${read.layout.id}`, search });
  };
  return (
    <section className={styles.own} aria-labelledby="own-layouts">
      <header className={styles.ownHead}>
        <h2 id="own-layouts">Composed layouts</h2>
        {mayCompose && !isAdding && (
          <div className={styles.acts}>
            <FileButton label="A layout file" accept=".json,application/json" onFile={(file) => void bring(file)}>
              Bring in a file…
            </FileButton>
            <Button variant="contained" startIcon={<Add />} onClick={() => setAdding(true)}>
              New layout
            </Button>
          </div>
        )}
      </header>
      {isAdding && <NewLayoutForm layouts={data?.layouts ?? []} onClose={() => setAdding(false)} />}
      {data?.layouts.length === 0 && !isAdding && (
        <p className={styles.quiet}>
          None yet. Begin one as the balance sheet or the income statement is, and rename, move and add lines on top; or with nothing, for a tax return or a
          page of indicators.
        </p>
      )}
      {data !== undefined && data.layouts.length > 0 && (
        <table className={styles.list}>
          <thead>
            <tr>
              <th scope="col">Layout</th>
              <th scope="col">Kind</th>
              <th scope="col">Runs</th>
              <th scope="col">Changed</th>
              <th scope="col">
                <span className="unseen">Run it</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {data.layouts.map(({ id, name, kind, inUse, hasDraft, changedAt, changedBy }) => (
              <tr key={id}>
                <th scope="row">
                  <Link to={{ pathname: `${base}/layouts/${id}`, search }}>{name}</Link>
                </th>
                <td>{kindWords[kind]}</td>
                <td>
                  {inUse === null ? 'draft only' : `version ${inUse}`}
                  {inUse !== null && hasDraft && ', with a draft'}
                </td>
                <td>
                  {longDay(changedAt.slice(0, 10))}, {changedBy}
                </td>
                <td>{inUse !== null && <Link to={{ pathname: `${base}/statements/layout-${id}`, search }}>Run it</Link>}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return {};
  }
}

function NewLayoutForm({ layouts, onClose }: { readonly layouts: readonly ListedLayout[]; readonly onClose: () => void }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const { search } = useLocation();
  const { asked } = useClassification();
  const [name, setName] = useState('');
  const [from, setFrom] = useState('balance_sheet');
  const [add, { isLoading }] = useAddLayoutMutation();
  const begin = async () => {
    const wanted = /^\d+$/.test(from) ? Number(from) : (from as Exclude<LayoutInput['from'], number>);
    const of = asked.classification === undefined ? {} : { classificationId: asked.classification };
    const { data, error } = await add({ companyId: company.id, body: { name: name.trim(), from: wanted, ...of } });
    if (data) void navigate({ pathname: `/companies/${company.id}/layouts/${data.id}`, search });
    else dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
  };
  return (
    <form
      className={styles.newForm}
      onSubmit={(event) => {
        event.preventDefault();
        if (name.trim() !== '') void begin();
      }}
    >
      <label>
        Name
        {/* biome-ignore lint/a11y/noAutofocus: whoever asked for a layout names it first */}
        <input autoFocus required maxLength={200} value={name} onChange={({ target: { value } }) => setName(value)} />
      </label>
      <label>
        Begins as
        <Select value={from} onChange={({ target: { value } }) => setFrom(value)}>
          <option value="balance_sheet">the balance sheet, and follows the categories</option>
          <option value="income_statement">the income statement, and follows the categories</option>
          <option value="cash_flow">the cash flow, and follows the categories</option>
          <option value="changes_in_equity">the changes in equity, by categories of equity</option>
          <option value="trial_balance">the trial balance by category, and follows the categories</option>
          <option value="nothing">nothing: own lines</option>
          {layouts.map(({ id, name: other }) => (
            <option key={id} value={id}>
              a copy of {other}
            </option>
          ))}
        </Select>
      </label>
      <Button type="submit" variant="contained" disabled={isLoading || name.trim() === ''}>
        Begin
      </Button>
      <Button onClick={onClose}>Cancel</Button>
    </form>
  );
}
