import {
  bytesOfArrays,
  type FacetBalanceRow,
  type FacetBalances,
  type FacetFilter,
  type FacetSet,
  groupFacetBalances,
  narrowCube,
  selectSets,
} from '@ivory-ladder/core';
import type { DataSource, QueryRunner } from 'typeorm';
import type { Books, KeptInMemory } from '../../application/ports/index.ts';
import { inSnapshot, rowsOf } from '../database/index.ts';
import { balancesIn, mustBeReadAnew, type PostedBalance, postedColumns, postedIn, type StoredBalance } from './balanceRows.ts';
import { readFacetSets } from './facetSets.ts';

interface Kept {
  readonly revision: number;
  readonly structureVersion: number;
  readonly balances: FacetBalances;
  readonly sets: readonly FacetSet[];
  /** Postings that were added to what was read, each a pass more for who adds them up. */
  readonly added: number;
}

/** Of one state of the ledger, which the cube that it is taken from is of. */
interface Filtered extends Pick<Books, 'cube' | 'selected'> {
  readonly of: Books['cube'];
}

/** So many postings later the balances are read anew, in one piece. */
const mostAdded = 500;

/**
 * Copies of the balances by facet set, made when a company's facets are first asked for. They follow the revision by
 * the lines of the entries since, and are made anew with the structure.
 */
export class FacetBooks {
  constructor(
    private readonly database: DataSource,
    private readonly memory: KeptInMemory,
  ) {}

  /** The books as they are with the wanted lines alone; `null` where the ledger has moved on from them. */
  async narrow(books: Books, filter: FacetFilter): Promise<Books | null> {
    const key = `${books.company.id} ${JSON.stringify(Object.entries(filter).sort())}`;
    const before = this.memory.get<Filtered>('filtered', key);
    if (before?.of === books.cube) return { ...books, cube: before.cube, selected: before.selected };
    const current = await this.current(books);
    if (!current) return null;
    const selected = selectSets(current.sets, filter, books.lists);
    const cube = narrowCube(books.cube, current.balances, selected, books.openingLines);
    this.memory.keep('filtered', key, { of: books.cube, cube, selected } satisfies Filtered, bytesOfArrays(cube.books, cube.openings));
    return { ...books, cube, selected };
  }

  /** Of all lines with values, by set; `null` where the ledger has moved on from the books. */
  async balances(books: Books): Promise<FacetBalances | null> {
    return (await this.current(books))?.balances ?? null;
  }

  private async current(books: Books): Promise<Kept | null> {
    const { id, structureVersion } = books.company;
    const kept = this.memory.get<Kept>('facets', String(id));
    const isSameStructure = kept?.structureVersion === structureVersion;
    if (kept && isSameStructure && kept.revision === books.cube.revision) return kept;
    return inSnapshot(this.database, async (runner) => {
      const [row] = await rowsOf<{ revision: string; structureVersion: string }>(
        runner,
        'SELECT revision, structure_version AS structureVersion FROM company WHERE id = ?',
        [id],
      );
      if (Number(row?.revision) !== books.cube.revision || Number(row?.structureVersion) !== structureVersion) return null;
      const canFollow = kept && isSameStructure && kept.revision < books.cube.revision && kept.added < mostAdded;
      const since = canFollow ? await readSince(runner, books, kept.revision) : null;
      const read = groupFacetBalances(books.cube, since ?? (await readAll(runner, books)));
      const balances = since && kept ? merged(kept.balances, read) : read;
      const current: Kept = {
        revision: books.cube.revision,
        structureVersion,
        balances,
        sets: await readFacetSets(runner, id),
        added: since && kept ? kept.added + 1 : 0,
      };
      this.memory.keep('facets', String(id), current, bytesOfArrays(balances, current.sets));
      return current;
    });
  }
}

function merged(before: FacetBalances, more: FacetBalances): FacetBalances {
  const all = new Map(before);
  for (const [id, groups] of more) all.set(id, [...(all.get(id) ?? []), ...groups]);
  return all;
}

async function readAll(runner: QueryRunner, books: Books): Promise<FacetBalanceRow[]> {
  const rows = await rowsOf<StoredBalance>(
    runner,
    'SELECT facet_set_id AS facetSetId, layer, origin, account_id AS accountId, year, period, debit, credit FROM facet_balance WHERE company_id = ?',
    [books.company.id],
  );
  return balancesIn(books.calendar, rows);
}

/** `null` where lines alone do not say what balances have become. */
async function readSince(runner: QueryRunner, books: Books, revision: number): Promise<FacetBalanceRow[] | null> {
  const rows = await rowsOf<PostedBalance>(
    runner,
    `SELECT line.facet_set_id AS facetSetId, ${postedColumns}
       FROM journal_entry AS entry JOIN journal_line AS line ON line.company_id = entry.company_id AND line.entry_id = entry.id
      WHERE entry.company_id = ? AND entry.revision > ? AND line.facet_set_id <> 0`,
    [books.company.id, revision],
  );
  return mustBeReadAnew(rows) ? null : postedIn(books.calendar, rows);
}
