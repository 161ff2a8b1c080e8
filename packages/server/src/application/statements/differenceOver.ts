import { balanceAt, type DifferenceExplained, explainDifference, type Layer, layers, type Span, translationAccountId } from '@ivory-ladder/core';
import { partialsFor } from '../books/index.ts';
import type { Books, Ports } from '../ports/index.ts';

/** What the difference of translation moved by over a span, a gain positive, and what explains it; `null` for books in the company's own currency. */
export async function differenceOver(
  ports: Pick<Ports, 'ledger'>,
  books: Books,
  span: Span,
  chosen: readonly Layer[] = layers,
): Promise<{ readonly moved: bigint; readonly explained: DifferenceExplained } | null> {
  const { translation, cube, traits } = books;
  if (!translation) return null;
  const explained = explainDifference(translation.given, span, await partialsFor(ports, translation.of, [span]), chosen);
  if (!explained) return null;
  const partial = await partialsFor(ports, books, [span]);
  const at = cube.indexOf.get(translationAccountId) as number;
  const opening = balanceAt(cube, traits, chosen, span.firstDay, partial, { atBeginning: true }).net[at] as bigint;
  const closing = balanceAt(cube, traits, chosen, span.lastDay, partial).net[at] as bigint;
  return { moved: opening - closing, explained };
}
