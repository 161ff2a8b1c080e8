import { type CalculationOwnLine, formatFigure, type InText, type LayoutFinding, readFormula, renderFormula, writeKey } from '@ivory-ladder/core';
import { type KeyboardEvent, useId, useRef, useState } from 'react';
import { useCompany } from '../../shared/state/useCompany.ts';
import { formulaFaultText } from '../../shared/words/formulaFaultText.ts';
import styles from './LinePanel.module.css';
import { lineCaptions } from './lineCaptions.ts';
import type { Composer } from './useComposer.ts';
import { usePreviewRest, usePreviewRows } from './usePreview.ts';

interface FormulaFieldProps {
  readonly composer: Composer;
  readonly line: CalculationOwnLine;
  readonly disabled: boolean;
  readonly onChange: (formula: string) => void;
}

const wordBefore = /[\p{L}_"][\p{L}\p{N}_." ]*$/u;
const mostOffered = 8;

/** A formula: lines are offered by caption or key as one types, the value stands beside it at once, and a fault is said at its place. */
export function FormulaField({ composer, line, disabled, onChange }: FormulaFieldProps) {
  const { expanded, figures } = composer;
  const { currency, exponent } = useCompany();
  const preview = usePreviewRest(figures);
  const shown = usePreviewRows(figures);
  const field = useRef<HTMLTextAreaElement>(null);
  const [caret, setCaret] = useState<number | null>(null);
  const [at, setAt] = useState(0);
  const listId = useId();
  const captions = lineCaptions(expanded);
  const word = caret === null ? '' : (wordBefore.exec(line.formula.slice(0, caret))?.[0] ?? '');
  const sought = word.replaceAll('"', '').trim().toLowerCase();
  const offered = sought.length < 1 || captions.has(word.trim()) ? [] : offers(captions, line.key, sought);
  const choose = (key: string) => {
    const end = caret ?? line.formula.length;
    const begin = end - word.length;
    const written = `${line.formula.slice(0, begin)}${writeKey(key)}`;
    onChange(`${written}${line.formula.slice(end)}`);
    setCaret(null);
    requestAnimationFrame(() => field.current?.setSelectionRange(written.length, written.length));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (offered.length === 0) return;
    const chosen = offered[Math.min(at, offered.length - 1)];
    if (event.key === 'ArrowDown') setAt((at + 1) % offered.length);
    else if (event.key === 'ArrowUp') setAt((at + offered.length - 1) % offered.length);
    else if ((event.key === 'Enter' || event.key === 'Tab') && chosen) choose(chosen.key);
    else if (event.key === 'Escape') setCaret(null);
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  const read = readFormula(line.formula);
  const fault = expanded.findings.find((finding): finding is LayoutFinding & InText => finding.key === line.key && 'at' in finding);
  const values = preview?.values.get(line.key) ?? [];
  const reason = shown?.rows.find((row) => row.lineKey === line.key)?.faults?.find((one) => one !== null);
  return (
    <div className={styles.field}>
      <label className={styles.label} htmlFor={`${listId}-field`}>
        Formula
      </label>
      <textarea
        id={`${listId}-field`}
        ref={field}
        className={styles.formula}
        rows={3}
        spellCheck={false}
        value={line.formula}
        disabled={disabled}
        aria-invalid={fault !== undefined}
        role="combobox"
        aria-expanded={offered.length > 0}
        aria-controls={listId}
        aria-autocomplete="list"
        placeholder="equity / assets"
        onChange={({ target }) => {
          setCaret(target.selectionStart);
          setAt(0);
          onChange(target.value);
        }}
        onKeyDown={onKeyDown}
        onBlur={() => setCaret(null)}
      />
      {offered.length > 0 && (
        <ul id={listId} role="listbox" aria-label="Lines" className={styles.offered}>
          {offered.map(({ key, caption }, place) => (
            <li
              key={key}
              role="option"
              aria-selected={place === at}
              onPointerDown={(event) => {
                event.preventDefault();
                choose(key);
              }}
            >
              <span>{caption}</span>
              <code>{key}</code>
            </li>
          ))}
        </ul>
      )}
      {fault ? (
        <p className={styles.wrong} role="alert">
          {line.formula.slice(0, fault.at)}
          <mark>{line.formula.slice(fault.at, fault.at + fault.length) || '▯'}</mark>
          {line.formula.slice(fault.at + fault.length)}
          <br />
          {formulaFaultText(fault)}
        </p>
      ) : (
        read.ok && <p className={styles.rendered}>= {renderFormula(read.value, (key) => captions.get(key) ?? key)}</p>
      )}
      {fault === undefined && (
        <p className={styles.values}>
          {values.map((value, place) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: columns have no other identity than their place
            <span key={place}>{formatFigure(value, line.result, { code: currency, exponent })}</span>
          ))}
          {reason && <span className={styles.reason}>{formulaFaultText(reason as Parameters<typeof formulaFaultText>[0], captions)}</span>}
        </p>
      )}
    </div>
  );
}

/** Those whose name begins with it first; of these by key before by caption, so that a total comes before the categories in it. */
function offers(captions: ReadonlyMap<string, string>, own: string, sought: string) {
  const placeIn = (text: string): number => {
    const place = text.toLowerCase().indexOf(sought);
    return place < 0 ? 999 : place;
  };
  const found = [...captions].flatMap(([key, caption]) => {
    const [inKey, inCaption] = [placeIn(key), placeIn(caption)];
    const place = Math.min(inKey, inCaption);
    return key === own || place === 999 ? [] : [{ key, caption, place, inKey }];
  });
  return found.sort((a, b) => a.place - b.place || a.inKey - b.inKey || a.key.length - b.key.length).slice(0, mostOffered);
}
