import {
  accountsByNumber,
  codeFinder,
  type FacetRowFault,
  fail,
  type LineOfPast,
  matchFacetRows,
  type Outcome,
  readFacetRows,
  referenceKey,
  succeed,
  withPathsAsNumbers,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports, StoredFile } from '../ports/index.ts';

export interface FacetFileView {
  readonly books: Books;
  readonly given: readonly { readonly line: LineOfPast & { readonly net: bigint }; readonly value: string }[];
  /** Lines that have a value, which they keep. */
  readonly kept: number;
  readonly faults: readonly FacetRowFault[];
}

/** Which lines of the past a file would give a value of a facet. Nothing is changed. */
export async function checkFacetFile(
  ports: Ports,
  { companyId }: Access<'keep_chart'>,
  listId: number,
  file: StoredFile,
): Promise<Outcome<FacetFileView, Failure>> {
  const opened = await openBooks(ports, companyId);
  return opened.ok ? look(ports, opened.value, listId, file) : opened;
}

/** Whole or not at all, on record with the file's name; amounts and entries stay as they are. Gives how many lines got a value. */
export function applyFacetFile(ports: Ports, { companyId, actor }: Access<'keep_chart'>, listId: number, file: StoredFile): Promise<Outcome<number, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const seen = await look(ports, books, listId, file);
    if (!seen.ok) return seen;
    const { given, faults } = seen.value;
    if (faults.length > 0) return fail({ code: 'facet_file_wrong', rows: faults.length });
    const facet = books.lists.find(({ id }) => id === listId);
    if (!facet || given.length === 0) return succeed(0);
    const values = given.map(({ line: { entryId, lineNumber }, value }) => ({ entryId, lineNumber, value }));
    return ports.codeLists.fillListed(companyId, facet.key, values, file.name, books.company.structureVersion, actor);
  });
}

async function look(ports: Ports, books: Books, listId: number, file: StoredFile): Promise<Outcome<FacetFileView, Failure>> {
  const facet = books.lists.find(({ id, kind }) => id === listId && kind === 'facet');
  if (!facet) return fail({ code: 'not_found', thing: 'code_list', id: listId });
  const table = await ports.tables.readOnce(file);
  if (!table.ok) return table;
  const { accounts, company } = books;
  const byNumber = accountsByNumber(company.numbered ? accounts : withPathsAsNumbers(accounts));
  const find = codeFinder(facet);
  const read = readFacetRows(
    table.value,
    (reference) => byNumber.get(referenceKey(reference))?.id,
    (typed) => {
      const found = find(typed);
      return found && !found.retired ? found.code : undefined;
    },
  );
  const documents = [...new Set(read.rows.map(({ document }) => document))];
  const lines = await ports.codeLists.linesOfDocuments(company.id, facet.key, documents);
  const { given, kept, faults } = matchFacetRows(read.rows, lines);
  const all = [...read.faults, ...faults].sort((a, b) => a.row - b.row);
  return succeed({ books, given: given as FacetFileView['given'], kept: kept.length, faults: all });
}
