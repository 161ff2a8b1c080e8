import {
  type AmountColumn,
  type BalanceRow,
  beganWithin,
  type CalculationResult,
  type ColumnsPlan,
  type CompiledLayout,
  changedRows,
  composedOn,
  type Detail,
  equityCategories,
  equityColumns,
  fail,
  followCube,
  type Ground,
  generatedOn,
  groundOfCash,
  mainLanguageOf,
  measureOf,
  type Outcome,
  type OwnLayout,
  periodIndexOf,
  presentedAccounts,
  presentRows,
  type RunColumn,
  ranAmounts,
  runColumns,
  type Span,
  type StatementRow,
  succeed,
  vectorsNeeded,
} from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Books, EntryOfFlows, FlowOfDay, NewEntry, Ports } from '../ports/index.ts';
import { PlanningDesk } from './planningDesk.ts';
import { provideVectors } from './provideVectors.ts';
import { runningLayouts } from './runningLayouts.ts';

/** A statement that was run before and after. */
interface StatementLookedAt {
  /** The title of a generated statement, or the name of a composed layout. */
  readonly title: string;
  /** The name of the classification whose categories it follows, where that is not the main one. */
  readonly classification: string | null;
  /** `null` of a composed layout. */
  readonly generated: (typeof generatedNames)[number] | null;
}

interface EffectRow {
  /** Its statement, by its place among those looked at. */
  readonly statement: number;
  /** In changes in equity with the column that it is of, unless that is the total. */
  readonly caption: string;
  readonly role: StatementRow['role'];
  /** Of its figures; of amounts where it is left out. */
  readonly unit?: CalculationResult;
  /** As shown, in its unit; `null` where the line is not there, or shows no figure. */
  readonly before: bigint | null;
  readonly after: bigint | null;
}

/** What a change does to everything that the company reports: what was looked at, and each line that would show another amount. */
export interface WholeEffect {
  readonly lookedAt: readonly StatementLookedAt[];
  readonly rows: readonly EffectRow[];
}

/** What goes with a change: entries that are posted, and layouts that run as something else. */
interface WithChange {
  readonly entries?: readonly NewEntry[];
  readonly layouts?: ReadonlyMap<number, OwnLayout>;
}

export const noEffect: WholeEffect = { lookedAt: [], rows: [] };

/**
 * The lines whose figure or presence would change in every statement of a span: balance sheet, income statement, cash flow and changes in
 * equity of every classification, and every composed layout that is in use. Cost: two runs of all of them.
 */
export async function wholeEffect(
  ports: Ports,
  before: Books,
  after: Books,
  span: Span,
  { entries = [], layouts = new Map() }: WithChange = {},
): Promise<Outcome<WholeEffect, Failure>> {
  const lookedAt: StatementLookedAt[] = [];
  const rows: EffectRow[] = [];
  const posted = withEntries(ports, after, entries);
  for (const { id, name } of before.classifications) {
    const classification = id === before.company.mainClassification ? null : name;
    const was = await statementsIn(ports, before, id, span, new Map());
    if (!was.ok) return was;
    const is = await statementsIn(posted.ports, posted.books, id, span, layouts);
    if (!is.ok) return is;
    for (const [at, { title, generated, rows: former }] of was.value.entries()) {
      const statement = lookedAt.length;
      lookedAt.push({ title, classification, generated });
      for (const line of changedRows(former, is.value[at]?.rows ?? [])) {
        const [figure, then] = [line.before?.[0] ?? null, line.after?.[0] ?? null];
        if (figure !== then)
          rows.push({ statement, caption: line.caption, role: line.role, ...(line.unit ? { unit: line.unit } : {}), before: figure, after: then });
      }
    }
  }
  return succeed({ lookedAt, rows });
}

interface RunWhole extends Pick<StatementLookedAt, 'title' | 'generated'> {
  readonly rows: readonly StatementRow[];
}

const generatedNames = ['balance_sheet', 'income_statement', 'cash_flow', 'changes_in_equity'] as const;

/** All that follows a classification, in the same order for the same layouts. */
async function statementsIn(
  ports: Ports,
  opened: Books,
  classificationId: number,
  span: Span,
  layouts: ReadonlyMap<number, OwnLayout>,
): Promise<Outcome<RunWhole[], Failure>> {
  const desk = new PlanningDesk(ports, opened);
  const ground = desk.grounds(classificationId);
  if (!ground) return fail({ code: 'not_found', thing: 'classification', id: classificationId });
  const ofCash = groundOfCash(ground);
  const language = mainLanguageOf(ground);
  const statements = [
    ...generatedNames.map((name) => {
      const over = name === 'cash_flow' ? ofCash : ground;
      const compiled = generatedOn(over)[name];
      const measure = name === 'balance_sheet' ? ('closing' as const) : ('movement' as const);
      return { title: compiled.layout.title, generated: name, plan: planOver(over, compiled, measure, span) };
    }),
    ...(await runningLayouts(desk, classificationId)).map(({ id, name, own }) => {
      const over = own.kind === 'cash_flow' ? ofCash : ground;
      return { title: name, generated: null, plan: planOver(over, composedOn(over, layouts.get(id) ?? own, language), measureOf(own), span) };
    }),
  ];
  const vectors = await provideVectors(ports, opened, vectorsNeeded(statements.map(({ plan }) => plan)));
  if (!vectors.ok) return vectors;
  return succeed(statements.map(({ title, generated, plan }) => ({ title, generated, rows: rowsOf(plan, runColumns(plan, vectors.value)) })));
}

function planOver(ground: Ground, compiled: CompiledLayout, measure: AmountColumn['measure'], span: Span): ColumnsPlan {
  return { ground, compiled, columns: columnsOf(ground, compiled, measure, span), facets: {}, presented: null };
}

/** The span alone; of changes in equity each category, and the total behind them. */
function columnsOf(ground: Ground, { layout }: CompiledLayout, measure: AmountColumn['measure'], span: Span): AmountColumn[] {
  const began = beganWithin(ground.calendar, ground.firstBalances, span);
  const days = began === null ? {} : { began };
  if (layout.kind !== 'changes_in_equity') return [{ kind: 'amount', measure, span, ...days }];
  const language = mainLanguageOf(ground);
  return equityColumns([span], equityCategories({ ...ground, tree: ground.categoryTree }, language), language).map((column) => ({ ...column, ...days }));
}

const everyRung: Detail = { rungs: Number.MAX_SAFE_INTEGER, opened: new Set(), shut: new Set(), zeroLines: false };

/** Those that show a figure, each with one: a row of several columns is one for each of them, known by the category that its column is of. */
function rowsOf(plan: ColumnsPlan, runs: readonly RunColumn[]): StatementRow[] {
  const { compiled, columns, ground } = plan;
  const rows = presentRows({ compiled, columns, runs, accounts: presentedAccounts(ground), detail: everyRung });
  if (columns.length === 1) return rows.filter(({ values }) => (values[0] ?? null) !== null);
  return ranAmounts(plan, runs).flatMap(({ column }, at) =>
    rows.flatMap((row): StatementRow[] => {
      const value = row.values[at] ?? null;
      if (column.equity === undefined) return [{ ...row, values: [value] }];
      return value === null || value === 0n
        ? []
        : [{ ...row, key: `${row.key} ${column.equity}`, caption: `${row.caption} · ${column.heading ?? ''}`, values: [value] }];
    }),
  );
}

/** Books and ledger as they would be with the entries posted; none of them touches a closed year or a facet value. */
function withEntries(ports: Ports, books: Books, entries: readonly NewEntry[]): { readonly ports: Ports; readonly books: Books } {
  if (entries.length === 0) return { ports, books };
  const lines = entries.flatMap(({ date, layer, lines: own }) => own.map((line) => ({ ...line, day: date, layer })));
  const rows = lines.map(({ day, ...line }): BalanceRow => ({ ...line, origin: 'ordinary', periodIndex: periodIndexOf(books.calendar, day) }));
  const cube = followCube(books.cube, books.cube.revision, rows);
  const flows = lines.map(
    ({ accountId, day, layer, debit, credit }): FlowOfDay => ({ account: cube.indexOf.get(accountId) as number, day, layer, debit, credit }),
  );
  const isEquity = new Set(books.accounts.flatMap(({ id, element }) => (element === 'equity' ? [cube.indexOf.get(id)] : [])));
  const { ledger } = ports;
  const made = entries.map(
    ({ date: day, layer, lines: own }, at): EntryOfFlows => ({
      ...{ id: -1 - at, day, layer, isReversing: false, documentNumber: '', description: '' },
      lines: own.map(({ accountId, debit, credit }) => ({ account: cube.indexOf.get(accountId) as number, debit, credit, partner: 0, isCounted: true })),
    }),
  );
  const own: Pick<Ports['ledger'], 'linesWithin' | 'withinEquity' | 'entriesOn'> = {
    entriesOn: async (of, span, accounts, but) => [
      ...(await ledger.entriesOn(of, span, accounts, but)),
      ...made.filter(({ day, lines }) => day >= span.firstDay && day <= span.lastDay && lines.some(({ account }) => accounts.includes(account))),
    ],
    linesWithin: async (of, positions) => {
      const posted = await ledger.linesWithin(of, positions);
      return (position, layer) => {
        const sums = posted(position, layer);
        const { partialFrom, day } = position;
        if (!sums || partialFrom === null) return sums;
        const [debit, credit] = [sums.debit.slice(), sums.credit.slice()];
        for (const flow of flows) {
          if (flow.layer !== layer || flow.day < partialFrom || flow.day > day) continue;
          debit[flow.account] = (debit[flow.account] as bigint) + flow.debit;
          credit[flow.account] = (credit[flow.account] as bigint) + flow.credit;
        }
        return { debit, credit };
      };
    },
    // An account is merged into another of its element: such an entry is on equity whole, or not at all.
    withinEquity: async (of, span) => [
      ...(await ledger.withinEquity(of, span)),
      ...flows
        .filter(({ account, day }) => isEquity.has(account) && day >= span.firstDay && day <= span.lastDay)
        .map((flow) => ({ ...flow, isReversing: false })),
    ],
  };
  return { ports: { ...ports, ledger: Object.assign(Object.create(ledger) as Ports['ledger'], own) }, books: { ...books, cube } };
}
