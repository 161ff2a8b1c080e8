import { type BandSpan, type Currency, type Element, formatAmount, type PlaceSide, readRangeText, spanLines, walkCategories } from '@ivory-ladder/core';
import { useState } from 'react';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { rangeFault, usePlacementActions } from '../placement/index.ts';
import { type PlacedAccount, usePlacement } from '../rehearsal/index.ts';
import styles from './RangeTable.module.css';

interface RangeTableProps {
  readonly element: Element;
  /** What overlaps on the band. */
  readonly spans: readonly BandSpan[];
  readonly currency: Currency;
  readonly chosenId: number;
  readonly onChoose: (categoryId: number) => void;
  readonly onChooseAccount: (accountId: number) => void;
}

const sides: readonly PlaceSide[] = ['any', 'debit', 'credit'];
const sideWords = { any: '', debit: 'in debit', credit: 'in credit' } as const;

/** Each category of the element with the numbers it takes as text, changed in its place, and what of it is to be looked at. */
export function RangeTable({ element, spans, currency, chosenId, onChoose, onChooseAccount }: RangeTableProps) {
  const { model, kept, view } = usePlacement();
  const [upper, lower] = spanLines(view.span.firstDay, view.span.lastDay);
  const rows: { id: number; name: string; depth: number }[] = [];
  walkCategories(model.tree.tops.get(element) ?? [], ({ category: { id, name }, depth }) => rows.push({ id, name, depth }));
  const oddIn = new Map<number, PlacedAccount[]>();
  for (const account of model.byId.values()) for (const id of [...account.doubledIn, ...account.oddIn]) oddIn.set(id, [...(oddIn.get(id) ?? []), account]);
  return (
    <div className={styles.scroller}>
      <table className={styles.table} aria-label="Account numbers by category">
        <thead>
          <tr>
            <th scope="col">Category</th>
            <th scope="col">Numbers it takes</th>
            <th scope="col" data-amount>
              Accounts
            </th>
            <th scope="col" data-amount>
              {upper} {lower}
            </th>
            <th scope="col">
              <span className="unseen">To look at</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, name, depth }) => {
            const category = model.placement.categories.get(id);
            const totals = model.totals.get(id);
            const more = (totals?.accounts ?? 0) - (kept.totals.get(id)?.accounts ?? 0);
            const before = kept.totals.get(id)?.accounts ?? 0;
            const odd = oddIn.get(id)?.[0];
            const overlaps = [...new Set(spans.filter((span) => span.categoryId === id).flatMap(({ alsoIn }) => alsoIn))];
            const joined = (model.standing.get(id) ?? []).find(
              ({ account }) => !(kept.standing.get(id) ?? []).some((stood) => stood.account.id === account.id),
            );
            return (
              <tr key={id} data-chosen={id === chosenId || undefined}>
                <th scope="row" style={{ paddingLeft: 6 + depth * 16 }}>
                  <button type="button" onClick={() => onChoose(id)}>
                    {name}
                  </button>
                </th>
                <td>
                  {sides.map((side) => {
                    const text = category?.ranges.find((range) => range.side === side)?.text ?? '';
                    return side === 'any' || text !== '' ? <RangeCell key={`${side} ${text}`} id={id} name={name} side={side} text={text} /> : null;
                  })}
                </td>
                <td data-amount>
                  {before === 0 && more === 0 ? '–' : before}
                  {more !== 0 && ` ${more > 0 ? '+' : '−'} ${Math.abs(more)}`}
                </td>
                <td data-amount>{formatAmount(totals?.amount ?? 0n, currency)}</td>
                <td className={styles.remark}>
                  {odd ? (
                    <button type="button" className={styles.wrong} onClick={() => onChooseAccount(odd.id)}>
                      {odd.number}{' '}
                      {odd.doubledIn.length > 0 ? `is in two: also ${otherNames(odd, id, model.placement.categories)}` : `is ${odd.element}, at odds`}
                    </button>
                  ) : (
                    <>
                      {joined && more > 0 && (
                        <span className={styles.joins}>
                          {more === 1 ? `${joined.account.number} joins` : `${joined.account.number} and ${more - 1} more join`} when applied
                        </span>
                      )}
                      {overlaps.length > 0 && (
                        <span className={styles.overlaps}> overlaps {overlaps.map((other) => model.placement.categories.get(other)?.name).join(', ')}</span>
                      )}
                    </>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
  );
}

function otherNames(account: PlacedAccount, id: number, categories: ReadonlyMap<number, { readonly name: string }>): string {
  return account.doubledIn
    .filter((other) => other !== id)
    .map((other) => categories.get(other)?.name)
    .join(', ');
}

/** Enter or leaving the field takes the text, Escape leaves it as it was; a text that is wrong is kept, and said where. */
function RangeCell({ id, name, side, text }: { id: number; name: string; side: PlaceSide; text: string }) {
  const { digitOrder } = useCompany();
  const mayChange = useMay('keep_placement');
  const { model } = usePlacement();
  const actions = usePlacementActions();
  const [typed, setTyped] = useState(text);
  const read = readRangeText(typed, digitOrder);
  const fault = read.ok ? null : rangeFault(typed, read.failure);
  const take = () => {
    const category = model.placement.categories.get(id);
    if (!read.ok || typed.trim() === text || !category) return;
    const others = category.ranges.filter((range) => range.side !== side);
    actions.change(id, { ranges: typed.trim() === '' ? others : [...others, { side, text: typed.trim() }] });
  };
  if (!mayChange) return <span className={styles.chip}>{text}</span>;
  return (
    <div className={styles.cell}>
      <input
        aria-label={`Account numbers of ${name}${side === 'any' ? '' : ` while ${sideWords[side]}`}`}
        aria-invalid={fault !== null}
        value={typed}
        size={1}
        spellCheck={false}
        placeholder="none"
        maxLength={2000}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Enter') take();
          else if (event.key === 'Escape') setTyped(text);
        }}
      />
      {side !== 'any' && <small>{sideWords[side]}</small>}
      {fault && (
        <p role="alert">
          {fault.before}
          <mark>{fault.wrong}</mark>
          {fault.after}: {fault.said}
        </p>
      )}
    </div>
  );
}
