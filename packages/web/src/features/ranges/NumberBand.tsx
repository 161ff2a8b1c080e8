import type { NumberBand as Band, BandSpan } from '@ivory-ladder/core';
import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react';
import type { PlacedAccount } from '../rehearsal/index.ts';
import { tickState } from './bandChoice.ts';
import styles from './NumberBand.module.css';

export type SpanEnd = 'first' | 'last';

interface NumberBandProps {
  readonly band: Band;
  readonly accounts: readonly PlacedAccount[];
  readonly nameOf: (categoryId: number) => string;
  readonly chosenCategory: number;
  readonly chosenAccount: number;
  readonly mayChange: boolean;
  readonly onChooseCategory: (id: number) => void;
  readonly onChooseAccount: (id: number) => void;
  readonly onMove: (span: BandSpan, end: SpanEnd, number: string) => void;
}

interface Dragged {
  readonly key: string;
  readonly end: SpanEnd;
  readonly number: string;
}

const percent = (place: number): string => `${(place * 100).toFixed(3)}%`;
const keyOf = ({ categoryId, side, part, first }: BandSpan): string => `${categoryId} ${side} ${part} ${first}`;
const laneHeight = 34;
const stateWords = { placed: 'by range', by_hand: 'by hand', in_no_range: 'in no range', unplaced: 'unplaced', doubled: 'doubled', odd: 'at odds' } as const;

/** Account numbers as a strip: ranges as spans on it, accounts as ticks. The ends of the chosen category's spans are dragged, or moved with the arrow keys. */
export function NumberBand(props: NumberBandProps) {
  const { band, accounts, nameOf, chosenCategory, chosenAccount, mayChange, onChooseCategory, onChooseAccount, onMove } = props;
  const strip = useRef<HTMLDivElement>(null);
  const [dragged, setDragged] = useState<Dragged | null>(null);
  const placeOf = (event: PointerEvent): number => {
    const { left, width } = strip.current?.getBoundingClientRect() ?? { left: 0, width: 1 };
    return (event.clientX - left) / width;
  };
  const onKey = (event: KeyboardEvent, span: BandSpan, end: SpanEnd) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by === 0) return;
    event.preventDefault();
    onMove(span, end, band.moved(span[end], by * (event.shiftKey ? 10 : 1), end));
  };
  return (
    <div className={styles.band} role="group" aria-label="Number band">
      <div ref={strip} className={styles.spans} style={{ height: band.lanes * laneHeight }}>
        {band.spans.map((span) => {
          const key = keyOf(span);
          const held = dragged?.key === key ? dragged : null;
          const from = held?.end === 'first' ? band.at(held.number) : span.from;
          const to = held?.end === 'last' ? band.at(held.number) : span.to;
          const name = nameOf(span.categoryId);
          const label = `${name}${span.side === 'any' ? '' : ` while in ${span.side}`}, ${span.first} to ${span.last}`;
          const handle = (end: SpanEnd) =>
            mayChange &&
            span.categoryId === chosenCategory &&
            (end === 'first' ? span.hasFirst : span.hasLast) && (
              <span
                role="slider"
                tabIndex={0}
                aria-label={`${end === 'first' ? 'Lower' : 'Upper'} end of ${name}`}
                aria-valuenow={Math.round((end === 'first' ? from : to) * 100)}
                aria-valuetext={held?.number ?? span[end]}
                className={end === 'first' ? styles.first : styles.last}
                onKeyDown={(event) => onKey(event, span, end)}
                onPointerDown={(event) => {
                  event.currentTarget.setPointerCapture(event.pointerId);
                  setDragged({ key, end, number: span[end] });
                }}
                onPointerMove={(event) => dragged && setDragged({ key, end, number: band.numberAt(placeOf(event), end) })}
                onPointerUp={() => {
                  if (held && held.number !== span[end]) onMove(span, end, held.number);
                  setDragged(null);
                }}
                onPointerCancel={() => setDragged(null)}
              />
            );
          return (
            <div
              key={key}
              className={styles.span}
              data-chosen={span.categoryId === chosenCategory || undefined}
              data-doubled={span.alsoIn.length > 0 || undefined}
              style={{ left: percent(from), width: percent(Math.max(0.004, to - from)), top: span.lane * laneHeight }}
            >
              <button
                type="button"
                title={`${label}${span.alsoIn.length > 0 ? `; overlaps ${span.alsoIn.map(nameOf).join(' and ')}` : ''}`}
                aria-label={label}
                onClick={() => onChooseCategory(span.categoryId)}
              >
                {name}
              </button>
              {handle('first')}
              {handle('last')}
              {held && <output className={styles.held}>{held.number}</output>}
            </div>
          );
        })}
      </div>
      <div className={styles.ticks}>
        {accounts.map((account) => {
          const state = tickState(account);
          return (
            <button
              key={account.id}
              type="button"
              tabIndex={state === 'placed' || state === 'by_hand' ? -1 : 0}
              className={styles.tick}
              data-state={state}
              data-chosen={account.id === chosenAccount || undefined}
              style={{ left: percent(band.at(account.number)) }}
              title={`${account.label}: ${stateWords[state]}`}
              aria-label={`${account.label}: ${stateWords[state]}`}
              onClick={() => onChooseAccount(account.id)}
            />
          );
        })}
      </div>
      <div className={styles.marks} aria-hidden>
        {band.marks.map(({ at, number }) => (
          <span key={number} style={{ left: percent(at) }}>
            {number}
          </span>
        ))}
      </div>
      <p className={styles.legend} aria-hidden>
        {(['placed', 'by_hand', 'unplaced', 'doubled'] as const)
          .filter((state) => accounts.some((account) => tickState(account) === state))
          .map((state) => (
            <span key={state}>
              <i className={styles.sample} data-state={state} /> {stateWords[state]}
            </span>
          ))}
      </p>
    </div>
  );
}
