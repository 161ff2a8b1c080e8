import {
  type Category,
  type ChangedAccount,
  type ChartComparison,
  type ChartFile,
  chartCells,
  chartColumnsOf,
  chartSheet,
  codesAtOdds,
  compareChart,
  describeColumn,
  type Element,
  fail,
  type ListedCode,
  type Outcome,
  type Place,
  proposeTermAndStep,
  readChartFile,
  type Span,
  succeed,
} from '@ivory-ladder/core';
import { type Access, refuseWithout } from '../access.ts';
import { lastBalance, openBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import { layoutsKeptBy, runningAs } from '../layouts/index.ts';
import { placesKeptBy, renumberedOf } from '../placement/index.ts';
import type { Books, PlacesByHand, Ports, StoredFile, WrittenFile } from '../ports/index.ts';
import { booksAfter, noEffect, type PlacementAfter, placesWith, type WholeEffect, wholeEffect } from '../statements/index.ts';

export interface ChartCheck {
  readonly fileName: string;
  readonly comparison: ChartComparison;
  /** Headings that nobody knows. */
  readonly unknownColumns: readonly string[];
  /** What heads the column of each list. */
  readonly listHeadings: Readonly<Record<string, string>>;
  readonly effect: WholeEffect;
  /** Codes that the file gives to accounts of an element or a side that they are not meant for. */
  readonly codesAtOdds: readonly CodeGivenAtOdds[];
  /** What the check was made against; the file is applied to no other. */
  readonly structureVersion: number;
  readonly revision: number;
}

interface CodeGivenAtOdds {
  readonly list: string;
  readonly account: Pick<Books['accounts'][number], 'number' | 'name' | 'element' | 'normalSide'>;
  readonly code: ListedCode;
  readonly reason: 'element' | 'side';
}

export type ChartFileKind = 'csv' | 'xlsx' | 'template';

export async function exportChart(ports: Ports, { companyId }: Access, kind: ChartFileKind): Promise<Outcome<WrittenFile, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const { company, lists } = opened.value;
  const columns = chartColumnsOf(company.numbered, lists).map((column) => ({ key: column, ...describeColumn(column, lists) }));
  const isTemplate = kind === 'template';
  const rows = isTemplate ? [] : chartCells(opened.value, company.numbered);
  const sheet = { company: company.name, title: isTemplate ? 'Chart template' : 'Chart of accounts', sheet: chartSheet, columns, rows };
  return succeed(kind === 'csv' ? ports.writer.guidedToCsv(sheet) : await ports.writer.guidedToWorkbook(sheet));
}

/** Every row of the file with what it would do, and its effect on the statements; nothing is changed. */
export async function checkChartFile(ports: Ports, access: Access<'keep_chart'>, fileId: number, span: Span): Promise<Outcome<ChartCheck, Failure>> {
  const compared = await compareFile(ports, access, fileId);
  if (!compared.ok) return compared;
  const { books, fileName, comparison, unknownColumns } = compared.value;
  const after = comparison.accounts.length === 0 ? books : booksWith(books, comparison);
  const effect =
    after === books
      ? succeed(noEffect)
      : await wholeEffect(ports, books, after, span, {
          layouts: runningAs(await layoutsKeptBy(ports, books, numbersIn(comparison.accounts))),
        });
  if (!effect.ok) return effect;
  const { structureVersion } = books.company;
  const listHeadings = Object.fromEntries(books.lists.map(({ key }) => [key, describeColumn(key, books.lists).heading]));
  return succeed({
    fileName,
    comparison,
    unknownColumns,
    listHeadings,
    effect: effect.value,
    codesAtOdds: givenAtOdds(books, after),
    structureVersion,
    revision: books.cube.revision,
  });
}

/** Those that stand so already are not the file's. */
function givenAtOdds(books: Books, after: Books): CodeGivenAtOdds[] {
  const stands = new Map(books.accounts.map((account) => [account.id, account]));
  return after.lists.flatMap((list) =>
    codesAtOdds(list, after.accounts, () => null).flatMap(({ account, listed: code, reason }): CodeGivenAtOdds[] => {
      const before = stands.get(account.id);
      const isOld = before?.codes[list.key] === account.codes[list.key] && before?.element === account.element && before?.normalSide === account.normalSide;
      return isOld || reason === 'category' ? [] : [{ list: list.name, account, code, reason }];
    }),
  );
}

/** Whole or not at all, and only against the chart that the check showed. */
export async function applyChartFile(
  ports: Ports,
  access: Access<'keep_chart'>,
  fileId: number,
  seen: { structureVersion: number; revision: number },
): Promise<Outcome<{ added: number; changed: number }, Failure>> {
  const compared = await compareFile(ports, access, fileId);
  if (!compared.ok) return compared;
  const { books, comparison } = compared.value;
  const wrong = comparison.rows.filter(({ state }) => state === 'wrong').length;
  if (wrong > 0) return fail({ code: 'chart_file_wrong', rows: wrong });
  if (books.company.structureVersion !== seen.structureVersion || books.cube.revision !== seen.revision) return fail({ code: 'chart_moved_on' });
  const { accounts, newCategories } = comparison;
  const added = accounts.filter(({ account }) => account === null).length;
  if (accounts.length === 0) return succeed({ added: 0, changed: 0 });
  const refused = accounts.some(({ places }) => places !== null) ? refuseWithout(access, 'keep_placement') : null;
  if (refused) return fail(refused);
  const versions = { structure: books.company.structureVersion, revision: books.cube.revision };
  const applied = await ports.chart.applyChart(
    books,
    { accounts, newCategories, kept: { places: keptIn(books, accounts), layouts: await layoutsKeptBy(ports, books, numbersIn(accounts)) } },
    versions,
    access.actor,
  );
  if (applied.ok) return succeed({ added, changed: accounts.length - added });
  return applied.failure.code === 'ledger_moved_on' ? fail({ code: 'chart_moved_on' }) : applied;
}

interface ComparedFile {
  readonly books: Books;
  readonly fileName: string;
  readonly comparison: ChartComparison;
  readonly unknownColumns: readonly string[];
}

async function compareFile(ports: Ports, { companyId }: Access<'keep_chart'>, fileId: number): Promise<Outcome<ComparedFile, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  const stored = await ports.files.fetch(companyId, fileId);
  if (!stored) return fail({ code: 'not_found', thing: 'file', id: fileId });
  const read = await readChartTable(ports, `${companyId}/${fileId}`, stored, books.lists);
  if (!read.ok) return read;
  const { numberScheme: scheme, repeatedNames, numbered, digitOrder } = books.company;
  const comparison = compareChart(read.value, {
    ...books,
    scheme,
    repeatedNames,
    numbered,
    digitOrder,
    balanceOf: (accountId) => lastBalance(books, accountId),
  });
  return succeed({ books, fileName: stored.name, comparison, unknownColumns: read.value.unknown });
}

/** Of a workbook the first sheet that heads a column of numbers, ours by its name before the others. */
async function readChartTable({ tables }: Ports, cacheKey: string, stored: StoredFile, lists: Books['lists']): Promise<Outcome<ChartFile, Failure>> {
  const table = await tables.read(cacheKey, stored, {});
  if (!table.ok) return table;
  const { sheet, sheets } = table.value.format;
  const others = sheets.filter((name) => name !== sheet && name !== chartSheet);
  let outcome: Outcome<ChartFile, Failure> | null = null;
  for (const name of [...(sheets.includes(chartSheet) ? [chartSheet] : []), ...(sheet === chartSheet ? [] : [sheet]), ...others]) {
    const chosen = name === null || name === sheet ? table : await tables.read(cacheKey, stored, { sheet: name });
    if (!chosen.ok) return chosen;
    const read = readChartFile(chosen.value.rows, lists);
    if (read.ok) return read;
    outcome ??= read;
  }
  return outcome ?? readChartFile(table.value.rows, lists);
}

function numbersIn(accounts: readonly ChangedAccount[]): Map<number, string> {
  return new Map(accounts.flatMap(({ id, account, number }) => (account && account.number !== number ? [[id, number] as const] : [])));
}

/** Accounts that the file renumbers stay where they stand in every classification, but where it gives them another place. */
function keptIn(books: Books, accounts: readonly ChangedAccount[]): PlacesByHand[] {
  const placed = new Set(accounts.flatMap(({ id, places }) => (places === null ? [] : [id])));
  return placesKeptBy(books, renumberedOf(accounts)).filter(
    ({ accountId, classificationId }) => classificationId !== books.classificationId || !placed.has(accountId),
  );
}

/** The books with the file applied: accounts that are there now, and categories yet to be made under ids of no other. */
function booksWith(books: Books, { accounts, newCategories }: ChartComparison): Books {
  const categories: Category[] = [...books.categories];
  const idOf = (element: Element, path: readonly string[]): number => {
    let parentId: number | null = null;
    for (const name of path) {
      const there = categories.find(
        (category) => category.element === element && category.parentId === parentId && category.name.toLowerCase() === name.toLowerCase(),
      );
      const id: number = there?.id ?? -1 - categories.length;
      const position = Number.MAX_SAFE_INTEGER;
      if (!there) categories.push({ id, parentId, element, name, position, contraOf: null, ...proposeTermAndStep(element, parentId === null, name) });
      parentId = id;
    }
    return parentId ?? 0;
  };
  for (const { element, path } of newCategories) idOf(element, path);
  const placesOf = (id: number, places: ChangedAccount['places']): Place[] =>
    (places ?? []).map(({ side, target }) => ({
      accountId: id,
      side,
      categoryId: 'categoryId' in target ? target.categoryId : idOf(target.element, target.path),
    }));
  const kept = keptIn(books, accounts);
  return booksAfter(books, {
    accounts: accounts.flatMap(({ account, places: _, parentId, ...after }) =>
      account === null ? [] : [{ ...after, parentId: parentId !== null && parentId < 0 ? null : parentId }],
    ),
    placements: new Map(
      books.classifications.map((one): [number, PlacementAfter] => {
        const keeping = kept.filter(({ classificationId }) => classificationId === one.id);
        if (one.id !== books.classificationId) {
          // Under another element an account cannot stand where it stood.
          const gone = accounts.flatMap(({ id, account, element }) => (account && account.element !== element ? [{ accountId: id, after: [] }] : []));
          return [one.id, { categories: one.categories, places: placesWith(one.places, [...gone, ...keeping]) }];
        }
        const placesGiven = accounts.flatMap(({ id, account, places }) => (account && places ? [{ accountId: id, after: placesOf(id, places) }] : []));
        return [one.id, { categories, places: placesWith(one.places, [...placesGiven, ...keeping]) }];
      }),
    ),
  });
}
