import {
  balanceAt,
  type Layer,
  layers,
  movementOver,
  type Outcome,
  type PartialLines,
  positionAt,
  positionBefore,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooksOf } from './openBooks.ts';
import type { Books, Ports } from './ports/index.ts';
import { comparisonOf, partialsFor, type SpanChoice } from './prepareStatement.ts';

interface TrialBalanceLine {
  readonly index: number;
  readonly opening: bigint;
  readonly debit: bigint;
  readonly credit: bigint;
  readonly carried: bigint;
  readonly closing: bigint;
  /** The part of it that adjustments make. */
  readonly adjustments: bigint;
}

export interface TrialBalanceView {
  readonly books: Books;
  readonly lines: readonly TrialBalanceLine[];
  readonly notAllotted: bigint;
}

/** Opening + movement + carried over = closing, for every account in chart order; both layers together. */
export async function viewTrialBalance(ports: Ports, { companyId }: Access, choice: SpanChoice): Promise<Outcome<TrialBalanceView, Failure>> {
  const comparison = comparisonOf(choice);
  if (!comparison.ok) return comparison;
  const opened = await openBooksOf(ports, companyId, choice.facets ?? {});
  if (!opened.ok) return opened;
  const books = opened.value;
  const span: Span = { firstDay: choice.from, lastDay: choice.to };
  const partial = await partialsFor(ports, books, [span]);
  const opening = balanceAt(books.cube, books.traits, layers, span.firstDay, partial, { atBeginning: true });
  const closing = balanceAt(books.cube, books.traits, layers, span.lastDay, partial);
  const adjustments = balanceAt(books.cube, books.traits, ['adjustment'], span.lastDay, partial);
  const movement = movementOver(books.cube, layers, span, partial);
  const gross = grossMovement(books, span, partial);
  const lines = books.tree.order.map((account): TrialBalanceLine => {
    const index = books.cube.indexOf.get(account.id) as number;
    const [from, moved, to] = [opening.net[index] as bigint, movement[index] as bigint, closing.net[index] as bigint];
    return {
      index,
      opening: from,
      debit: gross.debit[index] as bigint,
      credit: gross.credit[index] as bigint,
      carried: to - from - moved,
      closing: to,
      adjustments: adjustments.net[index] as bigint,
    };
  });
  return succeed({ books, lines, notAllotted: closing.notAllotted });
}

function grossMovement({ cube }: Books, span: Span, partial: PartialLines): { debit: BigInt64Array; credit: BigInt64Array } {
  const accounts = cube.accountIds.length;
  const sums = { debit: new BigInt64Array(accounts), credit: new BigInt64Array(accounts) };
  for (const [position, sign] of [
    [positionAt(cube.calendar, span.lastDay), 1n],
    [positionBefore(cube.calendar, span.firstDay), -1n],
  ] as const)
    for (const layer of layers as readonly Layer[])
      for (const side of ['debit', 'credit'] as const) {
        const book = cube.books[layer].ordinary[side];
        const within = position.partialFrom === null ? undefined : partial(position, layer)?.[side];
        for (let account = 0; account < accounts; account++) {
          const whole = position.periodIndex < 0 ? 0n : (book[position.periodIndex * accounts + account] as bigint);
          sums[side][account] = (sums[side][account] as bigint) + sign * (whole + (within?.[account] ?? 0n));
        }
      }
  return sums;
}
