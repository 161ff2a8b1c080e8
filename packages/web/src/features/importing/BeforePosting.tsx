import type { TrialBalanceCheckBody, TrialBalanceCheckDraft } from '@ivory-ladder/contract';
import { formatAmount, longDay, shortDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import type { ReactNode } from 'react';
import { Select } from '../../shared/components/Select.tsx';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './BeforePosting.module.css';
import { blockerText } from './blockerText.ts';
import { fileComesTo } from './fileComesTo.ts';
import { problemText } from './problemText.ts';
import { rowLabel } from './rowLabel.ts';

interface BeforePostingProps {
  readonly check: TrialBalanceCheckBody;
  readonly draft: TrialBalanceCheckDraft;
  readonly isBusy: boolean;
  readonly onChange: (changes: Partial<TrialBalanceCheckDraft>) => void;
  readonly onShowRow: (row: number) => void;
  readonly onCancel: () => void;
  readonly onPost: () => void;
}

const problemsShown = 8;

/** They have a card of their own. */
const toldElsewhere = new Set(['rows_with_errors', 'elements_proposed', 'out_of_balance', 'day_unusual']);

/** Debits and credits at all times, what is wrong, what is asked, and what posting will do. */
export function BeforePosting({ check, draft, isBusy, onChange, onShowRow, onCancel, onPost }: BeforePostingProps) {
  const company = useCompany();
  const { numbered } = company;
  const currency = currencyOfCompany(company);
  const format = (amount: string | bigint) => formatAmount(BigInt(amount), currency);
  const difference = BigInt(check.difference);
  const errors = check.problems.filter((problem) => !problem.warning);
  const warnings = check.problems.filter((problem) => problem.warning);
  const own = check.entries.filter((entry) => entry.purpose === 'differences' || entry.purpose === 'closing');
  const later = check.entries.filter((entry) => entry.purpose.startsWith('keeps'));
  const withdrawn = draft.withdraw ?? [];
  const canPost = check.blockers.length === 0 && !isBusy;
  return (
    <aside className={styles.panel} aria-label="Before it is posted">
      <div>
        <h2>Before it is posted</h2>
        <p className={styles.quiet}>nothing has been changed yet</p>
      </div>
      <dl className={styles.sums} aria-live="polite">
        <dt>Debits</dt>
        <dd>{format(check.debits)}</dd>
        <dt>Credits</dt>
        <dd>{format(check.credits)}</dd>
        <dt>Difference</dt>
        <dd className={difference === 0n ? styles.holds : styles.fails}>
          {difference === 0n ? '✓ none' : `${format(difference < 0n ? -difference : difference)} short of ${difference < 0n ? 'debits' : 'credits'}`}
        </dd>
      </dl>
      <div className={styles.cards}>
        {errors.length > 0 && (
          <Card tone="madder" title={`${counted(errors.length, 'thing')} to mend`}>
            {errors.slice(0, problemsShown).map((problem) => (
              <button key={`${problem.row}.${problem.column}.${problem.code}`} type="button" className={styles.row} onClick={() => onShowRow(problem.row)}>
                Row {problem.row}, {problemText(problem)}
              </button>
            ))}
            {errors.length > problemsShown && <p>and {errors.length - problemsShown} more, each under its row.</p>}
            {check.wouldBalance !== null && <p>With {format(check.wouldBalance)} in it the file would balance.</p>}
            <p>Correct the file and drop it again, or correct above what it was taken for.</p>
          </Card>
        )}
        <UnusualDay check={check} draft={draft} onChange={onChange} />
        {check.blockers.some(({ code }) => !toldElsewhere.has(code)) && (
          <Card tone="madder" title="Still to be answered">
            {check.blockers
              .filter(({ code }) => !toldElsewhere.has(code))
              .map((blocker) => (
                <p key={blocker.code}>{blockerText(blocker)}</p>
              ))}
          </Card>
        )}
        {check.elementsProposed > 0 && (
          <Card tone="amber" title={`${counted(check.elementsProposed, 'element is', 'elements are')} proposed`}>
            <p>From parents, titles, words in the names, sides of balances and what stands beside them. Look through them; click one to change it.</p>
            <button type="button" className={styles.action} onClick={() => onChange({ confirmElements: true })}>
              Confirm all
            </button>
          </Card>
        )}
        {warnings.length > 0 && (
          <Card tone="amber" title={`${counted(warnings.length, 'thing')} to look at`}>
            {warnings.slice(0, problemsShown).map((problem) => (
              <button key={`${problem.row}.${problem.code}`} type="button" className={styles.row} onClick={() => onShowRow(problem.row)}>
                Row {problem.row}, {problemText(problem)}
              </button>
            ))}
          </Card>
        )}
        {check.missing.length > 0 && (
          <Card tone="amber" title={`${counted(check.missing.length, 'account is', 'accounts are')} not in the file`}>
            {check.missing.slice(0, problemsShown).map(({ number, name, amount }) => (
              <p key={number} className={styles.named}>
                <span>{rowLabel({ number, name }, numbered)}</span>
                <span>{format(amount)}</span>
              </p>
            ))}
            <div role="radiogroup" aria-label="Accounts that are not in the file">
              <label>
                <input type="radio" name="missing" checked={(draft.missing ?? 'nil') === 'nil'} onChange={() => onChange({ missing: 'nil' })} /> stand at nil
                after this
              </label>
              <label title={check.missingSum === '0' ? undefined : 'Possible only while what is left alone adds to zero'}>
                <input
                  type="radio"
                  name="missing"
                  checked={draft.missing === 'left_alone'}
                  disabled={check.missingSum !== '0'}
                  onChange={() => onChange({ missing: 'left_alone' })}
                />{' '}
                keep their balance
                {check.missingSum !== '0' && ` (not possible: they add to ${format(check.missingSum)})`}
              </label>
            </div>
          </Card>
        )}
        {check.adjustments.length > 0 && (
          <Card tone="brass" title={`${counted(check.adjustments.length, 'adjustment stays', 'adjustments stay')} on top`}>
            <p>Tick one that the file holds by now; it is then withdrawn by a reversal.</p>
            {check.adjustments.map(({ entryId, date, description, documentNumber, amount }) => (
              <label key={entryId} className={styles.named}>
                <span>
                  <input
                    type="checkbox"
                    checked={withdrawn.includes(entryId)}
                    onChange={(event) => onChange({ withdraw: event.target.checked ? [...withdrawn, entryId] : withdrawn.filter((id) => id !== entryId) })}
                  />{' '}
                  {description || `Document ${documentNumber}`}, {shortDay(date)}
                </span>
                <span>{format(amount)}</span>
              </label>
            ))}
          </Card>
        )}
        <LeftOutByHand check={check} onTakeIn={(row) => onChange({ leaveOut: (draft.leaveOut ?? []).filter((one) => one !== row) })} />
        <ComesTo check={check} format={format} />
        <Replaces check={check} />
        <RetainedEarnings check={check} format={format} onChange={onChange} />
        <Card tone="sea" title="What posting does">
          {check.nothingToPost && <p>Nothing: the ledger holds these balances already.</p>}
          {check.newAccounts > 0 && <p>{counted(check.newAccounts, 'account is', 'accounts are')} added.</p>}
          {check.placedByFile > 0 && (
            <p>
              {check.placedByFile} are placed where the file says
              {check.newCategories.length > 0 && `, in ${counted(check.newCategories.length, 'new category', 'new categories')}`}.
            </p>
          )}
          {own.map((entry) => (
            <p key={entry.purpose}>
              {entry.purpose === 'closing' ? 'A closing entry' : 'An entry of the differences'} of {entry.lines.length} lines at {shortDay(entry.day)}.
            </p>
          ))}
          {later.map((entry) => (
            <p key={`${entry.day}.${entry.purpose}`}>
              The later balances of {shortDay(entry.day)} stay: {entry.lines.length} lines bring them back
              {entry.purpose === 'keeps_later_closing' && ' (closing entry)'}.
            </p>
          ))}
        </Card>
        <LeftOut check={check} />
      </div>
      <footer className={styles.foot}>
        <Button onClick={onCancel}>Cancel</Button>
        <Button variant="contained" disabled={!canPost} onClick={onPost}>
          {postCaption(check, withdrawn.length)}
        </Button>
      </footer>
    </aside>
  );
}

/** What the file says of the company, as somebody who knows it would check it; not said while an element or an amount is missing. */
function ComesTo({ check, format }: { check: TrialBalanceCheckBody; format: (amount: bigint) => string }) {
  const comesTo = fileComesTo(check.rows);
  if (comesTo === null) return null;
  const { assets, liabilities, equity, profit } = comesTo;
  return (
    <Card tone="sea" title="What the file comes to">
      {[
        ['Total assets', assets],
        ['Liabilities', liabilities],
        ['Equity, without the profit', equity],
        [profit < 0n ? 'Loss of income and expenses' : 'Profit of income and expenses', profit],
      ].map(([caption, amount]) => (
        <p key={String(caption)} className={styles.named}>
          <span>{String(caption)}</span>
          <span>{format(amount as bigint)}</span>
        </p>
      ))}
    </Card>
  );
}

/** What the button will do, in figures; nothing is promised while something stands in the way. */
function postCaption({ blockers, entries, nothingToPost }: TrialBalanceCheckBody, withdrawn: number): string {
  if (blockers.length > 0) return 'Post';
  if (nothingToPost && withdrawn === 0) return 'Nothing to post: done';
  const count = entries.length + withdrawn;
  const lines = entries.reduce((sum, entry) => sum + entry.lines.length, 0);
  return count === 0 ? 'Apply' : `Post ${counted(count, 'entry', 'entries')} of ${counted(lines, 'line')}`;
}

function RetainedEarnings({
  check,
  format,
  onChange,
}: {
  check: TrialBalanceCheckBody;
  format: (amount: string) => string;
  onChange: BeforePostingProps['onChange'];
}) {
  const { numbered } = useCompany();
  const equity = check.rows.filter((row) => row.element === 'equity');
  if (equity.length === 0 && check.retainedEarnings === null) return null;
  const isListed = equity.some((row) => row.number === check.retainedEarnings);
  return (
    <Card tone={check.retainedEarningsProposed ? 'amber' : 'sea'} title="Retained earnings">
      <label className={styles.select}>
        <span>
          {check.retainedEarningsProposed && check.retainedEarnings ? 'Proposed: profit of completed years stands on' : 'Profit of completed years stands on'}
        </span>
        <Select value={check.retainedEarnings ?? ''} onChange={(event) => onChange({ retainedEarnings: event.target.value || null })}>
          <option value="">no account yet</option>
          {!isListed && check.retainedEarnings !== null && <option value={check.retainedEarnings}>{check.retainedEarnings}</option>}
          {equity.map(({ number, name }) => (
            <option key={number} value={number}>
              {rowLabel({ number, name }, numbered)}
            </option>
          ))}
        </Select>
      </label>
      {check.retainedEarningsMoves !== '0' && (
        <p>
          {check.begins ? 'It begins with' : 'Its own movement in this entry is'} {format(check.retainedEarningsMoves)} (debit positive)
          {check.begins ? ': what earlier years left in it.' : ': dividends, transfers, or profit the ledger does not know of.'}
        </p>
      )}
    </Card>
  );
}

/** Files of the same day that this one takes the place of, and how many accounts that changes. */
/** A slip of the keyboard in the day moves every statement; it is asked about before anything is posted. */
function UnusualDay({
  check,
  draft,
  onChange,
}: {
  check: TrialBalanceCheckBody;
  draft: TrialBalanceCheckDraft;
  onChange: (changes: Partial<TrialBalanceCheckDraft>) => void;
}) {
  const { unusualDay, date } = check;
  if (!unusualDay || date === null) return null;
  const { fileDay, years } = unusualDay;
  return (
    <Card tone="amber" title={`Is it ${longDay(date)}?`}>
      {fileDay !== null && <p>The file itself says {longDay(fileDay)}.</p>}
      {years > 0 && <p>{years} fiscal years would be made for it.</p>}
      {draft.confirmedDay === date ? (
        <p className={styles.holds}>✓ Confirmed</p>
      ) : (
        <button type="button" className={styles.action} onClick={() => onChange({ confirmedDay: date })}>
          The day is right
        </button>
      )}
    </Card>
  );
}

function Replaces({ check }: { check: TrialBalanceCheckBody }) {
  const { replaces, entries, rows } = check;
  if (replaces.length === 0) return null;
  const changed = new Set(entries.filter(({ purpose }) => purpose === 'differences').flatMap(({ lines }) => lines.map(({ number }) => number)));
  const accounts = rows.filter(({ number }) => number !== '').length;
  return (
    <Card tone="amber" title={replaces.length === 1 ? `Replaces ${replaces[0]?.fileName}` : `Replaces ${replaces.length} files of this day`}>
      {replaces.map(({ fileName, postedAt, postedBy }) => (
        <p key={`${fileName}.${postedAt}`}>
          {replaces.length > 1 && `${fileName}, `}posted by {postedBy} on {shortDay(postedAt.slice(0, 10))}
        </p>
      ))}
      <p>
        {counted(accounts, 'account')}, {changed.size === 0 ? 'none changes' : counted(changed.size, 'changes', 'change')}.
      </p>
    </Card>
  );
}

const leftOutReasons: Readonly<Record<string, string>> = {
  title: 'title',
  total: 'total',
  heading_repeated: 'headings again',
  parent_total: 'sum of its sub-accounts',
};

/** What somebody left out here, with the way back beside it. */
function LeftOutByHand({ check, onTakeIn }: { check: TrialBalanceCheckBody; onTakeIn: (row: number) => void }) {
  const rows = check.leftOut.filter(({ reason }) => reason === 'chosen');
  if (rows.length === 0) return null;
  return (
    <Card tone="brass" title={`${counted(rows.length, 'row is', 'rows are')} left out by you`}>
      {rows.map(({ row, text }) => (
        <p key={row} className={styles.named}>
          <span>
            Row {row}: {text}
          </span>
          <button type="button" className={styles.action} onClick={() => onTakeIn(row)}>
            Take it in
          </button>
        </p>
      ))}
    </Card>
  );
}

function LeftOut({ check }: { check: TrialBalanceCheckBody }) {
  const rows = check.leftOut.filter(({ reason }) => reason !== 'blank' && reason !== 'chosen');
  if (rows.length === 0) return null;
  return (
    <details className={styles.leftOut}>
      <summary>{counted(rows.length, 'row is', 'rows are')} left out</summary>
      {rows.map(({ row, reason, text }) => (
        <p key={row}>
          Row {row}, {leftOutReasons[reason] ?? reason}: {text}
        </p>
      ))}
    </details>
  );
}

function Card({ tone, title, children }: { tone: 'madder' | 'amber' | 'brass' | 'sea'; title: string; children: ReactNode }) {
  return (
    <section className={styles.card} data-tone={tone}>
      <h3>{title}</h3>
      {children}
    </section>
  );
}
