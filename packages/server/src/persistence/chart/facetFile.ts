import type { FacetSet, LineOfPast, ListKey } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { ValueOfLine } from '../../application/ports/index.ts';
import { type FacetSets, noFacets, readFacetSets, rebuildTables } from '../books/index.ts';
import { changedRows, Refused, rowsOf } from '../database/index.ts';

const atOnce = 1000;

/** Lines of the entries that bear these numbers, here or in the file that they came from. */
export async function linesOfDocuments(
  database: DataSource,
  companyId: number,
  facet: ListKey,
  documents: readonly string[],
): Promise<(LineOfPast & { readonly net: bigint })[]> {
  const has = new Map((await readFacetSets(database, companyId)).map(({ id, facets }) => [id, facets[facet]]));
  const found = new Map<string, LineOfPast & { readonly net: bigint }>();
  for (let at = 0; at < documents.length; at += atOnce) {
    const some = documents.slice(at, at + atOnce);
    for (const column of ['document_number', 'origin_document'] as const) {
      const rows = await rowsOf<{
        entryId: string;
        lineNumber: number;
        document: string;
        origin: string;
        accountId: number;
        setId: number;
        net: string;
      }>(
        database,
        `SELECT line.entry_id AS entryId, line.line_number AS lineNumber, entry.document_number AS document, entry.origin_document AS origin,
                line.account_id AS accountId, line.facet_set_id AS setId, line.debit - line.credit AS net
           FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
          WHERE entry.company_id = ? AND entry.${column} IN (${some.map(() => '?').join(', ')}) ORDER BY line.entry_id, line.line_number`,
        [companyId, ...some],
      );
      for (const { entryId, lineNumber, document, origin, accountId, setId, net } of rows)
        found.set(`${entryId} ${lineNumber}`, {
          entryId: Number(entryId),
          lineNumber,
          documents: [document, origin],
          accountId,
          has: has.get(setId),
          net: BigInt(net),
        });
    }
  }
  return [...found.values()];
}

/** For each value, the new set of each set that has none of the facet; made before the transaction, as sets of postings are. */
export async function setsWithValues(
  database: DataSource,
  facetSets: FacetSets,
  companyId: number,
  facet: ListKey,
  values: readonly string[],
): Promise<ReadonlyMap<string, ReadonlyMap<number, number>>> {
  const old: FacetSet[] = [{ id: noFacets, facets: {} }, ...(await readFacetSets(database, companyId))].filter(({ facets }) => facets[facet] === undefined);
  const filled = ({ facets }: FacetSet, value: string) => ({ ...facets, [facet]: value }) as Record<ListKey, string>;
  const idOf = await facetSets.idsOf(
    companyId,
    values.flatMap((value) => old.map((set) => filled(set, value))),
  );
  return new Map(values.map((value) => [value, new Map(old.map((set) => [set.id, idOf(filled(set, value))]))]));
}

/** Gives each line its value, and makes the balances by facet set anew; refused where one of them has got another set meanwhile. */
export async function fillListed(
  runner: QueryRunner,
  companyId: number,
  valuesOfLines: readonly ValueOfLine[],
  sets: ReadonlyMap<string, ReadonlyMap<number, number>>,
): Promise<void> {
  for (const [value, newSetOf] of sets) {
    const lines = valuesOfLines.filter((one) => one.value === value);
    const cases = [...newSetOf].map(() => 'WHEN ? THEN ?').join(' ');
    const marks = [...newSetOf].map(() => '?').join(', ');
    for (let at = 0; at < lines.length; at += atOnce) {
      const some = lines.slice(at, at + atOnce);
      const changed = await changedRows(
        runner,
        `UPDATE journal_line SET facet_set_id = CASE facet_set_id ${cases} END
          WHERE company_id = ? AND facet_set_id IN (${marks}) AND (entry_id, line_number) IN (${some.map(() => '(?, ?)').join(', ')})`,
        [...[...newSetOf].flat(), companyId, ...newSetOf.keys(), ...some.flatMap(({ entryId, lineNumber }) => [entryId, lineNumber])],
      );
      if (changed !== some.length) throw new Refused({ code: 'ledger_moved_on' });
    }
  }
  await rebuildTables(runner, companyId);
}
