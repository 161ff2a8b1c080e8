import { type Outcome, placementColumns, placementOf, placementRows, type ReadPlacement, readPlacementRows, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openClassified } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Ports, StoredFile, WrittenFile } from '../ports/index.ts';

/** Categories with their ranges, and accounts with where they stand, to be changed elsewhere and loaded back. */
export async function exportPlacement(
  ports: Ports,
  { companyId }: Access,
  { kind, classification }: { readonly kind: 'csv' | 'xlsx'; readonly classification?: number | undefined },
): Promise<Outcome<WrittenFile, Failure>> {
  const opened = await openClassified(ports, companyId, classification);
  if (!opened.ok) return opened;
  const { company, categories, categoryTree, places, byRange, tree, classifications, classificationId } = opened.value;
  const name = classifications.length > 1 ? ` ${classifications.find(({ id }) => id === classificationId)?.name ?? ''}` : '';
  const sheet = {
    company: company.name,
    title: `Placement${name}`,
    sheet: 'Placement',
    columns: placementColumns,
    rows: placementRows(placementOf(categories, places), categoryTree, tree.order, byRange, company.numbered),
  };
  return succeed(kind === 'csv' ? ports.writer.guidedToCsv(sheet) : await ports.writer.guidedToWorkbook(sheet));
}

/** What a file makes of the placement, row by row; nothing is changed. */
export async function readPlacementFile(
  ports: Ports,
  { companyId }: Access<'keep_placement'>,
  file: StoredFile,
  classification: number | undefined,
): Promise<Outcome<ReadPlacement, Failure>> {
  const opened = await openClassified(ports, companyId, classification);
  if (!opened.ok) return opened;
  const { company, categories, places, accounts } = opened.value;
  const table = await ports.tables.readOnce(file);
  return table.ok ? succeed(readPlacementRows(table.value, placementOf(categories, places), accounts, company.numbered)) : table;
}
