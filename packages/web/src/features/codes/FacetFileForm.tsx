import type { CodeListBody, FacetFileFound } from '@ivory-ladder/contract';
import { facetHeadings, formatAmount } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { useApplyFacetFileMutation, useCheckFacetFileMutation } from '../../shared/api/codeListApi.ts';
import { FileButton } from '../../shared/components/FileButton.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './CodeListsScreen.module.css';

const mostShown = 12;

const faultTexts: Readonly<Record<FacetFileFound['faults'][number]['code'], (found: string) => string>> = {
  document_missing: () => 'names no document',
  account_unknown: (found) => `«${found}» is no account`,
  value_unknown: (found) => `«${found}» is no value in use`,
  line_unreadable: (found) => `«${found}» is no number of a line`,
  line_missing: (found) => `document ${found} has no such line`,
  given_twice: (found) => `a row above gives a line of document ${found} another value`,
};

/** Values for lines of the past from a file: what it would do, by value, before it is applied whole. */
export function FacetFileForm({ list }: { list: CodeListBody }) {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const dispatch = useDispatch();
  const [check, checking] = useCheckFacetFileMutation();
  const [apply, applying] = useApplyFacetFileMutation();
  const [seen, setSeen] = useState<{ file: File; found: FacetFileFound } | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const look = async (file: File) => {
    const { data, error } = await check({ companyId: company.id, listId: list.id, file });
    setSeen(data ? { file, found: data } : null);
    setRefused(error === undefined ? null : describeFailure(error));
  };
  const give = async (file: File) => {
    const { data, error } = await apply({ companyId: company.id, listId: list.id, file });
    setSeen(null);
    if (data) dispatch(noticeGiven({ tone: 'done', text: `Values of ${list.name} given to ${counted(data.lines, 'line')}.` }));
    else setRefused(describeFailure(error));
  };
  const lines = seen?.found.given.reduce((sum, { lines: some }) => sum + some, 0) ?? 0;
  return (
    <section className={styles.form} aria-label="Values from a file">
      <h3>Lines of the past from a file</h3>
      <p className={styles.quiet}>Columns: {facetHeadings.join(', ').toLowerCase()}; without a line, every line of the document on the account.</p>
      <div className={styles.buttons}>
        <FileButton label={`File of values of ${list.name}`} accept=".csv,.tsv,.txt,.xlsx" disabled={checking.isLoading} onFile={(file) => void look(file)}>
          Choose a file…
        </FileButton>
        {seen && lines > 0 && seen.found.faultCount === 0 && (
          <Button variant="contained" disabled={applying.isLoading} onClick={() => void give(seen.file)}>
            Give them to {counted(lines, 'line')}
          </Button>
        )}
      </div>
      {refused !== null && <p role="alert">{refused}</p>}
      {seen && (
        <>
          <p role="status" className={styles.quiet}>
            {seen.found.faultCount > 0
              ? `${counted(seen.found.faultCount, 'row')} of ${seen.file.name} cannot be applied, so nothing is.`
              : lines === 0
                ? `${seen.file.name} gives no line a value.`
                : `${seen.file.name}: no amount changes.`}
            {seen.found.kept > 0 &&
              ` ${counted(seen.found.kept, 'line has', 'lines have')} a value already and ${seen.found.kept === 1 ? 'keeps' : 'keep'} it.`}
          </p>
          <ul className={styles.rules}>
            {seen.found.faultCount === 0 &&
              seen.found.given.slice(0, mostShown).map(({ value, lines: some, net }) => (
                <li key={value}>
                  <span>
                    {value} <small>{counted(some, 'line')}</small>
                  </span>
                  {formatAmount(BigInt(net), currency)}
                </li>
              ))}
            {seen.found.faults.slice(0, mostShown).map(({ row, code, found }) => (
              <li key={`${row} ${code}`}>
                <span>Row {row}</span>
                <small>{faultTexts[code](found)}</small>
              </li>
            ))}
          </ul>
        </>
      )}
    </section>
  );
}
