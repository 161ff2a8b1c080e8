import type { AccountLedgerBody, CodeListBody } from '@ivory-ladder/contract';
import { type Currency, formatAmount, isOnSide, shortDay } from '@ivory-ladder/core';
import { Fragment } from 'react';
import { BalanceAmount } from '../../shared/components/BalanceAmount.tsx';
import { ColumnEdge } from '../../shared/components/treegrid/ColumnEdge.tsx';
import styles from './AccountLedgerScreen.module.css';
import { ledgerColumns } from './ledgerColumns.ts';

interface LedgerSectionProps {
  readonly account: AccountLedgerBody['accounts'][number];
  readonly from: string;
  readonly to: string;
  readonly facets: readonly CodeListBody[];
  readonly currency: Currency;
  /** The entry that is open beside it; 0 for none. */
  readonly chosen: number;
  readonly onEntry: (entryId: number) => void;
  /** Its headings are reached by the keyboard, for all that have the same columns. */
  readonly isFirst: boolean;
  /** Pixels that somebody gave to columns, by their ids. */
  readonly widths: ReadonlyMap<string, number>;
  readonly onWidth: (id: string, pixels: number) => void;
}

/** One account: what stood on it before, its lines with the balance after each, the sums of each period, and what stands on it at the end. */
export function LedgerSection({ account, from, to, facets: lists, currency, chosen, onEntry, isFirst, widths, onWidth }: LedgerSectionProps) {
  const { lines, periods, opening, closing } = account;
  const balance = (net: string) => <BalanceAmount net={BigInt(net)} currency={currency} isAgainst={isOnSide(BigInt(net), account.sideAgainst)} />;
  const format = (amount: string) => formatAmount(BigInt(amount), currency);
  const orNothing = (amount: string) => (amount === '0' ? '' : format(amount));
  /** The period that ends with a line: the next one is of another. */
  const endingWith = (at: number) => {
    const [line, next] = [lines[at], lines[at + 1]];
    const own = periods.find(({ lastDay }) => line !== undefined && line.date <= lastDay);
    return own && (next === undefined || next.date > own.lastDay) ? own : null;
  };
  // Where no line has a value, the room is for texts.
  const facets = lists.filter(({ key }) => lines.some((line) => line.facets[key] !== undefined));
  const wide = 4 + facets.length;
  const columns = ledgerColumns(facets);
  return (
    <table className={styles.lines} aria-label={account.label}>
      <caption>{account.label}</caption>
      <colgroup>
        {columns.map(({ id, width }) => (
          <col key={id} style={{ width: widths.get(id) ?? width }} />
        ))}
      </colgroup>
      <thead>
        <tr>
          {columns.map(({ id, caption, isAmount }) => (
            <th key={id} scope="col" data-amount={isAmount || undefined}>
              {caption}
              <ColumnEdge onWidth={(pixels) => onWidth(id, pixels)} {...(isFirst ? { reachedAs: caption } : {})} />
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        <tr className={styles.ends}>
          <th scope="row" colSpan={wide}>
            Before {shortDay(from)}
          </th>
          <td />
          <td />
          <td data-amount>{balance(opening)}</td>
        </tr>
        {lines.map((line, at) => {
          const period = endingWith(at);
          return (
            // biome-ignore lint/suspicious/noArrayIndexKey: lines are told apart by their place
            <Fragment key={at}>
              <tr data-chosen={line.entryId === chosen || undefined}>
                <td>{shortDay(line.date)}</td>
                <td>
                  <button type="button" className={styles.entry} onClick={() => onEntry(line.entryId)}>
                    {line.documentNumber}
                  </button>
                </td>
                <td title={line.text}>
                  {line.layer === 'adjustment' && <span className={styles.adjustment}>adjustment · </span>}
                  {line.closesYear !== null && `closes ${line.closesYear} · `}
                  {line.text}
                </td>
                <td title={line.counterparts.join('; ')}>
                  {line.counterparts[0]}
                  {line.counterparts.length > 1 && ` and ${line.counterparts.length - 1} more`}
                </td>
                {facets.map(({ key }) => (
                  <td key={key}>{line.facets[key]}</td>
                ))}
                <td data-amount>{orNothing(line.debit)}</td>
                <td data-amount>{orNothing(line.credit)}</td>
                <td data-amount>{balance(line.balance)}</td>
              </tr>
              {period && periods.length > 1 && (
                <tr className={styles.period}>
                  <th scope="row" colSpan={wide}>
                    Period {period.number}, to {shortDay(period.lastDay)}
                  </th>
                  <td data-amount>{orNothing(period.debit)}</td>
                  <td data-amount>{orNothing(period.credit)}</td>
                  <td data-amount>{balance(period.closing)}</td>
                </tr>
              )}
            </Fragment>
          );
        })}
      </tbody>
      <tfoot>
        <tr>
          <th scope="row" colSpan={wide}>
            At {shortDay(to)}
          </th>
          <td data-amount>{format(sumOf(periods.map(({ debit }) => debit)))}</td>
          <td data-amount>{format(sumOf(periods.map(({ credit }) => credit)))}</td>
          <td data-amount>{balance(closing)}</td>
        </tr>
      </tfoot>
    </table>
  );
}

function sumOf(amounts: readonly string[]): string {
  return amounts.reduce((sum, amount) => sum + BigInt(amount), 0n).toString();
}
