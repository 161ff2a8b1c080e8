import {
  type BandSpan,
  type Currency,
  type DescribedCategory,
  type Element,
  formatAmount,
  type PlaceSide,
  spanLines,
  walkCategories,
} from '@ivory-ladder/core';
import { type ClipboardEvent, Fragment, type KeyboardEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { usePaste } from '../../shared/components/usePaste.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { numbersUnknown, rangeFault, readTypedRange, useChartNumbers, usePlacementActions } from '../placement/index.ts';
import { elementName, type PlacedAccount, usePlacement } from '../rehearsal/index.ts';
import { pastedRanges } from './pastedRanges.ts';
import styles from './RangeTable.module.css';

interface RangeTableProps {
  /** Whose categories are shown. */
  readonly elements: readonly Element[];
  /** What overlaps on the band. */
  readonly spans: readonly BandSpan[];
  readonly currency: Currency;
  readonly chosenId: number;
  readonly onChoose: (categoryId: number) => void;
  readonly onChooseAccount: (accountId: number) => void;
}

const sides: readonly PlaceSide[] = ['any', 'debit', 'credit'];
const sideWords = { any: '', debit: 'in debit', credit: 'in credit' } as const;

/**
 * Each category with the numbers it takes as text, changed in its place, and what of it is to be looked at. Enter and the arrow keys go
 * from field to field; a block of a spreadsheet is pasted as a whole.
 */
export function RangeTable({ elements, spans, currency, chosenId, onChoose, onChooseAccount }: RangeTableProps) {
  const { model, kept, view } = usePlacement();
  const [upper, lower] = spanLines(view.span.firstDay, view.span.lastDay);
  const mayChange = useMay('keep_placement');
  const paste = usePastedRanges();
  const groups = elements.map((element) => {
    const rows: { id: number; name: string; depth: number }[] = [];
    walkCategories(model.tree.tops.get(element) ?? [], ({ category: { id, name }, depth }) => rows.push({ id, name, depth }));
    return { element, rows };
  });
  const keys = groups.flatMap(({ rows }) => rows.map(({ id }) => id));
  usePaste(mayChange, (text) => paste(text, null));
  /** A single value goes into the field as ever. */
  const onPaste = (event: ClipboardEvent) => {
    const text = event.clipboardData.getData('text/plain');
    const [id, side] = ((event.target as HTMLElement).dataset.cell ?? '').split(' ');
    if (!/[\t\n]/.test(text.trim()) || !side) return;
    if (paste(text, { keys: keys.slice(keys.indexOf(Number(id))), sides: sides.slice(sides.indexOf(side as PlaceSide)) })) event.preventDefault();
  };
  const oddIn = new Map<number, PlacedAccount[]>();
  const keptFrom = new Map<number, PlacedAccount[]>();
  for (const account of model.byId.values()) {
    for (const id of [...account.doubledIn, ...account.oddIn]) oddIn.set(id, [...(oddIn.get(id) ?? []), account]);
    for (const id of model.byRange.get(account.id)?.keptFrom ?? []) {
      const there = keptFrom.get(id);
      if (there) there.push(account);
      else keptFrom.set(id, [account]);
    }
  }
  return (
    <div className={styles.scroller}>
      <table className={styles.table} aria-label="Account numbers by category" onPaste={onPaste} onKeyDown={walkFields}>
        <thead>
          <tr>
            <th scope="col">Category</th>
            <th scope="col" className={styles.numbers}>
              Numbers it takes
            </th>
            <th scope="col" className={styles.side} title="Only while its balance is a debit">
              In debit
            </th>
            <th scope="col" className={styles.side} title="Only while its balance is a credit">
              In credit
            </th>
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
          {groups.map(({ element, rows }) => (
            <Fragment key={element}>
              {elements.length > 1 && (
                <tr className={styles.element}>
                  <th scope="rowgroup" colSpan={7}>
                    {elementName(element)}
                  </th>
                </tr>
              )}
              {rows.map(({ id, name, depth }) => {
                const category = model.placement.categories.get(id);
                const totals = model.totals.get(id);
                const more = (totals?.accounts ?? 0) - (kept.totals.get(id)?.accounts ?? 0);
                const before = kept.totals.get(id)?.accounts ?? 0;
                const odd = oddIn.get(id)?.[0];
                const overlaps = [...new Set(spans.filter((span) => span.categoryId === id).flatMap(({ alsoIn }) => alsoIn))];
                const [elsewhere, ...others] = keptFrom.get(id) ?? [];
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
                    {sides.map((side) => {
                      const text = category?.ranges.find((range) => range.side === side)?.text ?? '';
                      return (
                        <td key={side}>
                          <RangeCell key={text} id={id} name={name} side={side} text={text} />
                        </td>
                      );
                    })}
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
                          {elsewhere && (
                            <button type="button" className={styles.held} onClick={() => onChooseAccount(elsewhere.id)}>
                              {elsewhere.number} {others.length === 0 ? 'stands' : `and ${others.length.toLocaleString('en-GB')} more stand`} elsewhere by hand
                            </button>
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
            </Fragment>
          ))}
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

/** Up and down from one field to the one in the next row; Enter takes and goes down. */
function walkFields(event: KeyboardEvent<HTMLTableElement>) {
  const { key, target, currentTarget } = event;
  const [, side] = ((target as HTMLElement).dataset.cell ?? '').split(' ');
  const step = key === 'ArrowDown' || (key === 'Enter' && !event.shiftKey) ? 1 : key === 'ArrowUp' || key === 'Enter' ? -1 : 0;
  if (!side || step === 0) return;
  event.preventDefault();
  const fields = [...currentTarget.querySelectorAll<HTMLInputElement>(`input[data-cell$=" ${side}"]`)];
  const next = fields[fields.indexOf(target as HTMLInputElement) + step];
  // What was wrong is kept where it is; the keyboard stays with it.
  if ((target as HTMLInputElement).getAttribute('aria-invalid') === 'true') return;
  if (next) next.focus();
  else if (key === 'Enter') (target as HTMLInputElement).blur();
}

/** Takes a block into the rehearsal as one step; `false` for text that is none. A block with faults changes nothing and says them. */
function usePastedRanges(): (text: string, at: Parameters<typeof pastedRanges>[1]) => boolean {
  const { digitOrder } = useCompany();
  const { model, amend } = usePlacement();
  const numbers = useChartNumbers();
  const dispatch = useDispatch();
  const say = (tone: 'done' | 'refused', text: string) => void dispatch(noticeGiven({ tone, text }));
  return (text, at) => {
    const pasted = pastedRanges(text, at, { tree: model.tree, digitOrder, numbers });
    if (!pasted) return false;
    if (pasted.faults.length > 0) {
      const told = pasted.faults.slice(0, 3).map(({ row, said }) => `row ${row}: ${said}`);
      const more = pasted.faults.length - told.length;
      say('refused', `Nothing was pasted. ${told.join('; ')}${more > 0 ? `; and ${more} more` : ''}.`);
      return true;
    }
    const changed = [...pasted.texts].flatMap(([id, texts]): [number, DescribedCategory][] => {
      const category = model.placement.categories.get(id);
      if (!category || [...texts].every(([side, own]) => category.ranges.some((range) => range.side === side && range.text === own))) return [];
      const others = category.ranges.filter(({ side }) => !texts.has(side));
      return [[id, { ...category, ranges: [...others, ...[...texts].map(([side, own]) => ({ side, text: own }))] }]];
    });
    if (changed.length === 0) say('done', 'What was pasted stands here already.');
    else if (amend({ categories: new Map(changed) }, `paste the numbers of ${counted(changed.length, 'category', 'categories')}`))
      say('done', `Pasted: the numbers of ${counted(changed.length, 'category', 'categories')}. Nothing is applied yet.`);
    return true;
  };
}

/** Enter or leaving the field takes the text, Escape leaves it as it was; a text that is wrong is kept, and said where. */
function RangeCell({ id, name, side, text }: { id: number; name: string; side: PlaceSide; text: string }) {
  const { digitOrder } = useCompany();
  const mayChange = useMay('keep_placement');
  const { model } = usePlacement();
  const actions = usePlacementActions();
  const [typed, setTyped] = useState(text);
  const numbers = useChartNumbers();
  const read = readTypedRange(typed, numbers, digitOrder);
  const fault = read.ok ? null : rangeFault(typed, read.failure);
  const take = () => {
    const category = model.placement.categories.get(id);
    if (!read.ok || read.value.text === text || !category) return;
    const others = category.ranges.filter((range) => range.side !== side);
    actions.change(id, { ranges: read.value.text === '' ? others : [...others, { side, text: read.value.text }] });
  };
  const unknown = read.ok ? numbersUnknown(read.value.ranges, numbers) : [];
  if (!mayChange) return <span className={styles.chip}>{text}</span>;
  return (
    <div className={styles.cell}>
      <input
        aria-label={`Account numbers of ${name}${side === 'any' ? '' : ` while ${sideWords[side]}`}`}
        aria-invalid={fault !== null}
        value={typed}
        data-cell={`${id} ${side}`}
        data-untouched={typed === text || undefined}
        size={1}
        spellCheck={false}
        placeholder={side === 'any' ? 'none' : ' '}
        maxLength={2000}
        onChange={(event) => setTyped(event.target.value)}
        onBlur={take}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setTyped(text);
        }}
      />
      {unknown.length > 0 && <small>no account {unknown.join(', ')}</small>}
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
