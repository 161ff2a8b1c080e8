import {
  addDays,
  type Day,
  type FigureKind,
  findCategoryPath,
  type Outcome,
  type ProposedEntry,
  pathOf,
  periodIndexOf,
  proposeRetainedEarnings,
  rangePlacer,
  succeed,
  type TrialBalanceRow,
  withPathsAsNumbers,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { layField, type NamedAmount, namedLines, openBooks } from '../books/index.ts';
import { isWithinReach, lockedOn, yearsToMake } from '../companies/index.ts';
import type { Failure } from '../failure.ts';
import { type Blocker, Blockers } from '../placement/index.ts';
import type { Books, BroughtInRecord, OpenAdjustment, Ports, TrialBalancePlan } from '../ports/index.ts';
import { planPosting } from './planPosting.ts';
import type { PostingAnswers } from './postingAnswers.ts';
import { type ReadFile, readTrialBalanceFile } from './readTrialBalanceFile.ts';
import { workOutPosting } from './workOutPosting.ts';

export interface TrialBalanceCheck extends ReadFile {
  readonly books: Books;
  readonly date: Day | null;
  readonly begins: boolean;
  readonly unusualDay: UnusualDay | null;
  readonly replaces: readonly BroughtInRecord[];
  readonly figures: FigureKind;
  readonly retainedEarnings: string | null;
  readonly retainedEarningsProposed: boolean;
  readonly rows: readonly (TrialBalanceRow & { readonly isNew: boolean; readonly placedIn: readonly string[]; readonly difference: bigint | null })[];
  readonly elementsProposed: number;
  readonly missing: readonly NamedAmount[];
  readonly adjustments: readonly OpenAdjustment[];
  readonly entries: readonly { readonly entry: ProposedEntry; readonly lines: readonly NamedAmount[] }[];
  readonly newCategories: readonly (readonly string[])[];
  readonly placedByFile: number;
  readonly retainedEarningsMoves: bigint;
  readonly blockers: readonly Blocker[];
  readonly plan: TrialBalancePlan | null;
}

/** Reads the file and works out everything that posting would do, without changing anything. */
export async function checkTrialBalance(
  ports: Ports,
  { companyId }: Access<'prepare_entries'>,
  fileId: number,
  answers: PostingAnswers,
): Promise<Outcome<TrialBalanceCheck, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value.company.numbered ? opened.value : { ...opened.value, accounts: withPathsAsNumbers(opened.value.accounts) };
  const read = await readTrialBalanceFile(ports, books, fileId, answers);
  if (!read.ok) return read;
  const { file, reading } = read.value;
  const charted = new Map(books.accounts.map((account) => [account.number, account]));
  const retained = chooseRetainedEarnings(books, file.rows, answers.retainedEarnings);
  const date = answers.date ?? reading.day;
  const field = layField(books, file.rows, retained.number);
  const blockers = new Blockers();
  const elementsProposed = answers.confirmElements ? 0 : file.rows.filter(({ elementFrom }) => elementFrom !== null && typeof elementFrom === 'object').length;
  blockers.add('columns_missing', missingColumns(read.value, books.company.numbered));
  blockers.add('decimal_sign_unclear', reading.isSignUnclear ? 1 : 0);
  blockers.add('no_rows', file.rows.length === 0 ? 1 : 0);
  blockers.add('rows_with_errors', file.problems.filter((problem) => !problem.warning).length);
  blockers.add('elements_proposed', elementsProposed);
  blockers.add('out_of_balance', file.debits === file.credits ? 0 : 1);
  blockers.add('date_needed', date === null ? 1 : 0);
  if (date !== null && !isWithinReach(books, date)) blockers.add('day_out_of_reach', 1);
  const unusualDay = date === null || !isWithinReach(books, date) ? null : unusual(books, date, reading.day);
  if (unusualDay && answers.confirmedDay !== date) blockers.add('day_unusual', 1);
  const period = date === null ? undefined : books.calendar.periods[periodIndexOf(books.calendar, date)];
  blockers.add('period_locked', date !== null && period && lockedOn(books, period, date) ? 1 : 0);
  const worked = date === null || !isWithinReach(books, date) ? null : await workOutPosting(ports, books, field, file.rows, date, answers, blockers);
  const places = placesOf(books, file.rows);
  const differences = worked?.entries.find((entry) => entry.purpose === 'differences' && entry.closesYear === null)?.lines;
  const isReadable = blockers.list.every(({ code }) => code !== 'rows_with_errors' && code !== 'out_of_balance' && code !== 'columns_missing');
  const inRange = byRange(books);
  const rows = file.rows.map((row) => {
    const account = charted.get(row.number);
    const standing = account ? standingOf(books, account.id) : [];
    const at = field.at.get(row.number);
    const before = at === undefined ? undefined : worked?.before.balance[at];
    const difference =
      at !== undefined && isReadable && worked?.isDerived
        ? (differences?.[at] ?? 0n)
        : row.amount !== null && before !== undefined && worked?.figures.kind === 'year_to_date'
          ? row.amount - before
          : null;
    return { ...row, isNew: !account, placedIn: standing.length > 0 ? standing : row.categoryPath.length > 0 ? row.categoryPath : inRange(row), difference };
  });
  const newCategories = places.flatMap(({ element, path }) => {
    const { found } = findCategoryPath(books.categoryTree, element, path);
    return found < path.length ? [path] : [];
  });
  return succeed({
    ...read.value,
    books,
    date,
    unusualDay,
    begins: worked?.before.balance.every((amount) => amount === 0n) ?? false,
    replaces: worked?.earlier.filter(({ day }) => day === date) ?? [],
    figures: worked?.figures ?? answers.figures ?? { kind: 'year_to_date' },
    retainedEarnings: retained.number,
    retainedEarningsProposed: retained.proposed,
    rows,
    elementsProposed,
    missing: worked?.missing ?? [],
    adjustments: worked?.adjustments ?? [],
    entries: (worked?.entries ?? []).map((entry) => ({ entry, lines: namedLines(field, entry.lines) })),
    newCategories,
    placedByFile: places.reduce((count, { numbers }) => count + numbers.length, 0),
    retainedEarningsMoves: field.traits.retainedEarnings < 0 ? 0n : (differences?.[field.traits.retainedEarnings] ?? 0n),
    blockers: blockers.list,
    plan:
      worked && blockers.list.length === 0 && date !== null
        ? planPosting(books, field, file.rows, fileId, date, worked, places, retained.number, answers.withdraw, read.value.fileName)
        : null,
  });
}

/** A day that looks like a slip: far from the one that the file itself names, or beyond the years in sight. */
interface UnusualDay {
  readonly fileDay: Day | null;
  /** So many fiscal years would be made; 0: that is not why. */
  readonly years: number;
}

/** A file may be of the day after, or of the month's last day though it was written a little later. */
const mostDaysApart = 31;
/** The next year, and one that was missed. */
const mostYearsMade = 2;

function unusual(books: Books, date: Day, fileDay: Day | null): UnusualDay | null {
  const isFar = fileDay !== null && (date < addDays(fileDay, -mostDaysApart) || date > addDays(fileDay, mostDaysApart));
  const years = yearsToMake(books, date).length;
  if (!isFar && years <= mostYearsMade) return null;
  return { fileDay: isFar ? fileDay : null, years: years > mostYearsMade ? years : 0 };
}

function missingColumns({ reading: { columns, amounts } }: ReadFile, numbered: boolean): number {
  const columnsNeeded = numbered ? (['number', 'name'] as const) : (['name'] as const);
  const needed = [...columnsNeeded, ...(amounts === 'debit_and_credit' ? (['debit', 'credit'] as const) : (['amount'] as const))];
  return needed.filter((meaning) => columns[meaning] === undefined).length;
}

function chooseRetainedEarnings(
  books: Books,
  rows: readonly TrialBalanceRow[],
  answer: string | null | undefined,
): { number: string | null; proposed: boolean } {
  const elementOf = new Map<string, TrialBalanceRow['element']>([
    ...books.accounts.map((account) => [account.number, account.element] as const),
    ...rows.map((row) => [row.number, row.element] as const),
  ]);
  if (answer !== undefined) return { number: answer !== null && elementOf.get(answer) === 'equity' ? answer : null, proposed: false };
  const current = books.accounts.find((account) => account.id === books.retainedEarningsId);
  if (current) return { number: current.number, proposed: false };
  return { number: proposeRetainedEarnings([...rows, ...books.accounts])?.number ?? null, proposed: true };
}

/** Where a range will put a new account that the file does not place. */
function byRange({ ranges, categoryTree, company }: Books): (row: Pick<TrialBalanceRow, 'number' | 'element'>) => string[] {
  // Without numbers ranges hold nothing.
  const place = rangePlacer(company.numbered ? ranges : [], categoryTree, company.digitOrder);
  return ({ number, element }) => {
    const node = element === null ? undefined : categoryTree.nodes.get(place({ id: 0, number, element }, [])?.places[0]?.categoryId ?? 0);
    return node ? pathOf(node) : [];
  };
}

function standingOf(books: Books, accountId: number): string[] {
  const portions = books.portions.get(accountId);
  const node = books.categoryTree.nodes.get(portions?.debit ?? portions?.credit ?? -1);
  return node ? pathOf(node) : [];
}

/** Accounts that the file itself places and that stand nowhere yet, by category path. */
function placesOf(
  books: Books,
  rows: readonly TrialBalanceRow[],
): { element: NonNullable<TrialBalanceRow['element']>; path: readonly string[]; numbers: string[] }[] {
  const charted = new Map(books.accounts.map((account) => [account.number, account.id]));
  const places = new Map<string, { element: NonNullable<TrialBalanceRow['element']>; path: readonly string[]; numbers: string[] }>();
  for (const { number, element, categoryPath } of rows) {
    const id = charted.get(number);
    if (element === null || categoryPath.length === 0 || (id !== undefined && books.portions.has(id))) continue;
    const key = JSON.stringify([element, categoryPath.map((name) => name.toLowerCase())]);
    const place = places.get(key) ?? { element, path: categoryPath, numbers: [] };
    place.numbers.push(number);
    places.set(key, place);
  }
  return [...places.values()];
}
