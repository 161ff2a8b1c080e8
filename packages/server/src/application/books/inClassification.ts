import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Books, Ports } from '../ports/index.ts';
import { openBooks } from './openBooks.ts';

/** The books with the categories and places of another classification in the place of the main one's; `undefined`: of the main one. */
export function inClassification(books: Books, id: number | undefined): Outcome<Books, Failure> {
  if (id === undefined || id === books.classificationId) return succeed(books);
  const found = books.classifications.find((classification) => classification.id === id);
  if (!found) return fail({ code: 'not_found', thing: 'classification', id });
  const { id: classificationId, name: _, version: __, ...placement } = found;
  return succeed({ ...books, ...placement, classificationId });
}

export async function openClassified(ports: Pick<Ports, 'ledger'>, companyId: number, id: number | undefined): Promise<Outcome<Books, Failure>> {
  const opened = await openBooks(ports, companyId);
  return opened.ok ? inClassification(opened.value, id) : opened;
}
