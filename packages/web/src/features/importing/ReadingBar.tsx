import type { TrialBalanceCheckBody, TrialBalanceCheckDraft } from '@ivory-ladder/contract';
import { dayParts, longDay, toDay } from '@ivory-ladder/core';
import Popover from '@mui/material/Popover';
import { type ReactNode, useState } from 'react';
import { DayInput } from '../../shared/components/dayfield/DayInput.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { figuresText } from '../ledger/index.ts';
import { columnNames } from './problemText.ts';
import styles from './ReadingBar.module.css';

interface ReadingBarProps {
  readonly check: TrialBalanceCheckBody;
  readonly onChange: (changes: Partial<TrialBalanceCheckDraft>) => void;
}

const separators = { ';': 'semicolon', ',': 'comma', '\t': 'tab', '|': 'bar' } as const;
const encodings = { 'utf-8': 'UTF-8', 'utf-16le': 'UTF-16', 'windows-1252': 'Windows-1252' } as const;
const forms = { signed: 'one signed column', debit_and_credit: 'debit and credit columns', marked: 'one column with marks' } as const;

/** What the file was taken for; each part opens to be corrected, and the rows follow at once. */
export function ReadingBar({ check, onChange }: ReadingBarProps) {
  const { format, figures, date } = check;
  const isSignUnclear = check.blockers.some(({ code }) => code === 'decimal_sign_unclear');
  return (
    <div className={styles.bar}>
      {format.kind === 'delimited' && format.separator && format.encoding && (
        <>
          <Field label="Separator">
            <Select value={format.separator} onChange={(event) => onChange({ separator: event.target.value as keyof typeof separators, columns: undefined })}>
              {Object.entries(separators).map(([value, text]) => (
                <option key={value} value={value}>
                  {text}
                </option>
              ))}
            </Select>
          </Field>
          <Field label="Letters">
            <Select value={format.encoding} onChange={(event) => onChange({ encoding: event.target.value as keyof typeof encodings })}>
              {Object.entries(encodings).map(([value, text]) => (
                <option key={value} value={value}>
                  {text}
                </option>
              ))}
            </Select>
          </Field>
        </>
      )}
      {format.kind === 'workbook' && (
        <Field label="Sheet">
          <Select value={format.sheet ?? ''} onChange={(event) => onChange({ sheet: event.target.value, columns: undefined, headingRow: undefined })}>
            {format.sheets.map((sheet) => (
              <option key={sheet}>{sheet}</option>
            ))}
          </Select>
        </Field>
      )}
      <Field label="Decimal sign">
        <Select
          value={isSignUnclear ? '' : check.decimalSign}
          aria-invalid={isSignUnclear}
          onChange={(event) => onChange({ decimalSign: event.target.value as '.' | ',' })}
        >
          {isSignUnclear && <option value="">choose…</option>}
          <option value=",">comma</option>
          <option value=".">point</option>
        </Select>
      </Field>
      <Field label="Amounts">
        <Select value={check.amounts} onChange={(event) => onChange({ amounts: event.target.value as keyof typeof forms })}>
          {Object.entries(forms).map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </Select>
      </Field>
      <Field label="Headings in">
        <input
          type="number"
          min={0}
          max={1000}
          value={check.headingRow}
          title="Row of the headings; 0 for a file without"
          onChange={(event) => onChange({ headingRow: Number(event.target.value), columns: undefined })}
          className={styles.row}
        />
      </Field>
      <Columns check={check} onChange={onChange} />
      <Field label="Balances at" asks={date === null}>
        <DayInput
          value={date ?? ''}
          onChange={(day) => onChange({ date: day || undefined })}
          title={date ? longDay(date) : 'The day of the balances is not in the file'}
        />
      </Field>
      <Figures figures={figures} date={date} onChange={onChange} />
    </div>
  );
}

function Field({ label, asks = false, children }: { label: string; asks?: boolean; children: ReactNode }) {
  return (
    // biome-ignore lint/a11y/noLabelWithoutControl: the control is the child
    <label className={styles.field} data-asks={asks || undefined}>
      <span>{asks ? `${label}: choose` : label}</span>
      {children}
    </label>
  );
}

function Figures({ figures, date, onChange }: { figures: TrialBalanceCheckBody['figures']; date: string | null; onChange: ReadingBarProps['onChange'] }) {
  const choose = (kind: TrialBalanceCheckBody['figures']['kind']) => {
    const day = date ?? toDay(2000, 1, 1);
    const { year, month } = dayParts(day);
    const chosen = kind === 'period' ? { kind, firstDay: toDay(year, month, 1) } : kind === 'cumulative' ? { kind, since: toDay(year - 1, 12, 31) } : { kind };
    onChange({ figures: chosen });
  };
  return (
    <>
      <Field label="Income and expense are">
        <Select value={figures.kind} onChange={(event) => choose(event.target.value as TrialBalanceCheckBody['figures']['kind'])} title={figuresText(figures)}>
          <option value="year_to_date">fiscal year to date</option>
          <option value="cumulative">cumulative since a closing</option>
          <option value="period">the period alone</option>
          <option value="after_closing">taken after closing</option>
        </Select>
      </Field>
      {figures.kind === 'cumulative' && (
        <Field label="since the closing of">
          <DayInput value={figures.since} onChange={(since) => since && onChange({ figures: { kind: 'cumulative', since } })} />
        </Field>
      )}
      {figures.kind === 'period' && (
        <Field label="from">
          <DayInput value={figures.firstDay} onChange={(firstDay) => firstDay && onChange({ figures: { kind: 'period', firstDay } })} />
        </Field>
      )}
    </>
  );
}

function Columns({ check, onChange }: ReadingBarProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { columns, headings } = check;
  const set = (meaning: keyof typeof columnNames, text: string) => onChange({ columns: { ...columns, [meaning]: text === '' ? undefined : Number(text) } });
  const told = Object.keys(columns).length;
  return (
    <div className={styles.field}>
      <span>Columns</span>
      <button type="button" aria-haspopup="dialog" onClick={(event) => setAnchor(event.currentTarget)}>
        {told} of {headings.length} known
      </button>
      <Popover open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)} anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}>
        <div className={styles.columns} role="group" aria-label="Which column is which">
          {(Object.keys(columnNames) as (keyof typeof columnNames)[]).map((meaning) => (
            <label key={meaning}>
              <span>{columnNames[meaning]}</span>
              <Select value={columns[meaning] ?? ''} onChange={(event) => set(meaning, event.target.value)}>
                <option value="">not in the file</option>
                {headings.map((heading, at) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: a column is its place
                  <option key={at} value={at}>
                    {columnLetter(at)}
                    {heading && `: ${heading}`}
                  </option>
                ))}
              </Select>
            </label>
          ))}
        </div>
      </Popover>
    </div>
  );
}

function columnLetter(at: number): string {
  return at < 26 ? String.fromCharCode(65 + at) : `${columnLetter(Math.floor(at / 26) - 1)}${columnLetter(at % 26)}`;
}
