import type { BudgetGridBody } from '@ivory-ladder/contract';
import type { Currency } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { FileButton } from '../../shared/components/FileButton.tsx';
import { Select } from '../../shared/components/Select.tsx';
import styles from './BudgetsScreen.module.css';

/** How a year's amount that is typed goes over the periods. */
export interface BudgetSpread {
  readonly kind: 'even' | 'year_before' | 'pattern';
  readonly pattern: string;
  /** Amounts are in steps of so many minor units. */
  readonly unit: bigint;
}

interface BudgetToolsProps {
  readonly grid: BudgetGridBody;
  readonly currency: Currency;
  readonly isWritten: boolean;
  readonly isReading: boolean;
  readonly find: string;
  readonly onFind: (text: string) => void;
  readonly isAll: boolean;
  readonly onAll: (isAll: boolean) => void;
  readonly spreadBy: BudgetSpread;
  readonly onSpreadBy: (spread: BudgetSpread) => void;
  readonly onFill: (percent: string) => void;
  readonly onLoad: (file: File) => void;
  readonly workbook: string;
}

/** Steps that amounts are made in, from whole units of the currency. */
export function steps({ code, exponent }: Currency): { readonly unit: bigint; readonly name: string }[] {
  const whole = 10n ** BigInt(exponent);
  const named = [
    { unit: whole, name: `in whole ${code}` },
    { unit: whole * 100n, name: 'in hundreds' },
    { unit: whole * 1000n, name: 'in thousands' },
  ];
  return exponent === 0 ? named : [...named, { unit: 1n, name: 'to the minor unit' }];
}

/** What is sought, how year's amounts are spread, and the ways to fill a budget in one go. */
export function BudgetTools({ grid, currency, isWritten, isReading, spreadBy, onSpreadBy, onFill, onLoad, ...tools }: BudgetToolsProps) {
  const [growth, setGrowth] = useState('0');
  const hasYearBefore = grid.accounts.some(({ yearBefore }) => yearBefore.length > 0);
  return (
    <div className={styles.tools}>
      <input
        className={styles.find}
        type="search"
        placeholder="Find account"
        aria-label="Find account"
        value={tools.find}
        onChange={(event) => tools.onFind(event.target.value)}
      />
      <label className={styles.check}>
        <input type="checkbox" checked={tools.isAll} onChange={(event) => tools.onAll(event.target.checked)} /> balance sheet too
      </label>
      {isWritten && (
        <>
          <span className={styles.group}>
            <label htmlFor="spread">Year’s amounts go</label>
            <Select id="spread" value={spreadBy.kind} onChange={(event) => onSpreadBy({ ...spreadBy, kind: event.target.value as BudgetSpread['kind'] })}>
              <option value="even">evenly</option>
              {hasYearBefore && <option value="year_before">as the year before</option>}
              <option value="pattern">by a pattern</option>
            </Select>
            {spreadBy.kind === 'pattern' && (
              <input
                className={styles.short}
                aria-label="Pattern"
                title="Weights of the periods, begun again until each has one: 4 4 5"
                value={spreadBy.pattern}
                onChange={(event) => onSpreadBy({ ...spreadBy, pattern: event.target.value })}
              />
            )}
            <Select aria-label="In steps of" value={String(spreadBy.unit)} onChange={(event) => onSpreadBy({ ...spreadBy, unit: BigInt(event.target.value) })}>
              {steps(currency).map(({ unit, name }) => (
                <option key={name} value={String(unit)}>
                  {name}
                </option>
              ))}
            </Select>
          </span>
          {hasYearBefore && (
            <form
              className={styles.group}
              onSubmit={(event) => {
                event.preventDefault();
                onFill(growth.trim());
              }}
            >
              <label htmlFor="growth">Year before, plus</label>
              <input id="growth" className={styles.short} inputMode="decimal" value={growth} onChange={(event) => setGrowth(event.target.value)} />
              <span>%</span>
              <Button type="submit">Fill</Button>
            </form>
          )}
        </>
      )}
      <span className={styles.group}>
        <Button component="a" href={tools.workbook} download>
          Workbook
        </Button>
        {isWritten && (
          <FileButton label="Workbook of the budget" accept=".xlsx,.csv,.tsv,.txt" disabled={isReading} onFile={onLoad}>
            Load…
          </FileButton>
        )}
      </span>
    </div>
  );
}
