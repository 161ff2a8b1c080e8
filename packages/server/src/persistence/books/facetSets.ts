import { type FacetSet, type FacetsOfLine, type ListKey, listKey } from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import { insertRows, Refused, repeated, rowsOf } from '../database/index.ts';

/** Of lines without any value. */
export const noFacets = 0;

/**
 * The set of each combination of facet values, made where it is new. Made outside every transaction of a posting, so that
 * none waits for another's new set; a set that nothing uses in the end does no harm. Known ones are kept for as long as the
 * company's structure is the same, since a value may be renamed.
 */
export class FacetSets {
  private readonly kept = new Map<number, { structureVersion: string; ids: Map<string, number> }>();

  constructor(private readonly database: DataSource) {}

  /** A function from a line's facets to its set. */
  async idsOf(companyId: number, combinations: readonly (FacetsOfLine | undefined)[]): Promise<(facets: FacetsOfLine | undefined) => number> {
    const wanted = new Map<string, FacetsOfLine>();
    for (const facets of combinations) if (facets) wanted.set(keyOf(facets), facets);
    wanted.delete('');
    if (wanted.size === 0) return () => noFacets;
    const runner = this.database.createQueryRunner();
    try {
      const [row] = await rowsOf<{ structureVersion: string }>(runner, 'SELECT structure_version AS structureVersion FROM company WHERE id = ?', [companyId]);
      const kept = this.kept.get(companyId);
      const ids = kept && kept.structureVersion === row?.structureVersion ? kept.ids : new Map<string, number>();
      this.kept.set(companyId, { structureVersion: row?.structureVersion ?? '', ids });
      for (const key of ids.keys()) wanted.delete(key);
      // A value that somebody takes away in this moment takes rows of its sets with it.
      if (wanted.size > 0) await repeated(() => internSets(runner, companyId, wanted, ids));
      return (facets) => (facets ? (ids.get(keyOf(facets)) ?? noFacets) : noFacets);
    } finally {
      await runner.release();
    }
  }

  /** Where one of them has gone meanwhile. */
  forget(companyId: number): void {
    this.kept.delete(companyId);
  }
}

async function internSets(runner: QueryRunner, companyId: number, wanted: ReadonlyMap<string, FacetsOfLine>, ids: Map<string, number>): Promise<void> {
  const values = new Map<string, { listId: number; codeId: number }>();
  const listed = await rowsOf<{ id: number; listId: number; code: string }>(
    runner,
    `SELECT value.id, value.list_id AS listId, value.code FROM listed_code AS value JOIN code_list AS list ON list.company_id = value.company_id AND list.id = value.list_id
      WHERE value.company_id = ? AND list.kind = 'facet'`,
    [companyId],
  );
  for (const { id, listId, code } of listed) values.set(`${listKey('facet', listId)} ${code}`, { listId, codeId: id });
  for (const [key, facets] of wanted) {
    const parts = Object.entries(facets)
      .map(([facet, value]) => values.get(`${facet} ${value}`) ?? refuse(value))
      .sort((a, b) => a.listId - b.listId);
    const fingerprint = parts.map(({ listId, codeId }) => `${listId}=${codeId}`).join(' ');
    await runner.query('INSERT IGNORE INTO facet_set (company_id, fingerprint) VALUES (?, ?)', [companyId, fingerprint]);
    const [row] = await rowsOf<{ id: number }>(runner, 'SELECT id FROM facet_set WHERE company_id = ? AND fingerprint = ?', [companyId, fingerprint]);
    if (!row) throw new Refused({ code: 'ledger_moved_on' });
    await insertRows(
      runner,
      'facet_set_value (company_id, facet_set_id, list_id, code_id)',
      parts.map(({ listId, codeId }) => [companyId, row.id, listId, codeId]),
      'ON DUPLICATE KEY UPDATE code_id = VALUES(code_id)',
    );
    ids.set(key, Number(row.id));
  }
}

function refuse(value: string): never {
  throw new Refused({ code: 'list_code_unknown', listed: value });
}

function keyOf(facets: FacetsOfLine): string {
  return Object.entries(facets)
    .map(([facet, value]) => `${facet} ${value}`)
    .sort()
    .join('\n');
}

/** All of a company, or those asked for. */
export async function readFacetSets(runner: QueryRunner | DataSource, companyId: number, ids?: readonly number[]): Promise<FacetSet[]> {
  if (ids?.length === 0) return [];
  const rows = await rowsOf<{ setId: number; listId: number; code: string }>(
    runner,
    `SELECT held.facet_set_id AS setId, held.list_id AS listId, value.code
       FROM facet_set_value AS held JOIN listed_code AS value ON value.company_id = held.company_id AND value.id = held.code_id
      WHERE held.company_id = ? ${ids ? `AND held.facet_set_id IN (${ids.map(() => '?').join(', ')})` : ''}`,
    [companyId, ...(ids ?? [])],
  );
  const byId = new Map<number, Record<ListKey, string>>();
  for (const { setId, listId, code } of rows) byId.set(setId, { ...byId.get(setId), [listKey('facet', listId)]: code });
  return [...byId].map(([id, facets]) => ({ id, facets }));
}

/** What each line has of facets, from the set that it names. */
export async function facetsOfLines(runner: QueryRunner | DataSource, companyId: number, setIds: readonly number[]): Promise<(setId: number) => FacetsOfLine> {
  const sets = new Map(
    (
      await readFacetSets(
        runner,
        companyId,
        [...new Set(setIds)].filter((id) => id !== noFacets),
      )
    ).map(({ id, facets }) => [id, facets]),
  );
  return (setId) => sets.get(setId) ?? {};
}
