import type { LayoutFigures, PlacementView, StatementRowBody, TriedColumn } from '@ivory-ladder/contract';
import {
  type Account,
  type AccountAmounts,
  amountOfReading,
  type CodeList,
  type ColumnInput,
  type CompiledLayout,
  cashMoved,
  changeByLines,
  compileLayout,
  type Detail,
  type DigitOrder,
  equityColumnOf,
  expandLayout,
  facetKey,
  footStatement,
  type LayoutCoverage,
  type LayoutFacts,
  layoutCoverage,
  maskColumn,
  needsFlows,
  type OwnLayout,
  type OwnTotals,
  ownTotals,
  type PresentedAccount,
  presentRows,
  type RunColumn,
  readFormula,
  resultOf,
  rowInText,
  runColumn,
  type ScaleUnit,
  type StatementColumn,
  type StatementRow,
  shownUnit,
  shownValue,
} from '@ivory-ladder/core';
import { layoutFacts } from '../api/layoutFacts.ts';
import { isSameRow } from './isSameRow.ts';
import { writeAnswer } from './sharedAnswer.ts';

export type PreviewAsked =
  /** Where the latest answer is put beside its message. */
  | { readonly kind: 'shared'; readonly memory: SharedArrayBuffer }
  | {
      readonly kind: 'chart';
      readonly view: PlacementView;
      readonly order: DigitOrder;
      readonly language: LayoutFacts['language'];
      readonly lists: readonly CodeList[];
      readonly exponent: number;
    }
  /** `facets`: of lines with these values alone; the empty text for all lines. Answers may come in any order: those with one `round` belong together. */
  | { readonly kind: 'figures'; readonly round: number; readonly facets: string; readonly figures: LayoutFigures }
  /** What figures are printed in, footed as a statement is where nothing else gives it figures. */
  | { readonly kind: 'scale'; readonly unit: ScaleUnit }
  /** Below zero: beside the one that is composed, answered once. */
  | { readonly kind: 'layout'; readonly number: number; readonly layout: OwnLayout; readonly leftOut: readonly number[] };

/** `printed`: its figures in the unit that is printed, where that is not the minor unit. */
export type PreviewRow = StatementRowBody & { readonly printed?: StatementRowBody['values'] };

/** A row that is as it was stands as its place among the rows of the answer before. */
export type RowSent = PreviewRow | number;

/** To the layout with the number: first its rows, then what else is known of it. */
export type PreviewAnswer =
  /** `place`: in the order of answers to the layout that is composed; 0 for what was asked for beside it. */
  | {
      readonly kind: 'rows';
      readonly number: number;
      readonly place: number;
      readonly rows: readonly RowSent[];
      readonly columns: PreviewColumns;
      readonly scale: ScaleUnit;
    }
  | ({ readonly kind: 'rest'; readonly number: number } & PreviewRest);

export interface PreviewRest {
  readonly coverage: LayoutCoverage;
  /** By key of the line: its figures, one for each column of amounts, in its unit. */
  readonly values: ReadonlyMap<string, readonly (string | null)[]>;
  /** Of a cash flow, in the first column: what its lines come to, and what was posted to cash. */
  readonly cash: { readonly byLines: bigint; readonly moved: bigint } | null;
  /** Of a balance sheet or an income statement, in the first column: how it ties by its own totals. */
  readonly totals: OwnTotals | null;
}

/** Without the amounts of every account; the same text as long as they stay the same. */
export type PreviewColumns = string;

type Chart = Extract<PreviewAsked, { kind: 'chart' }>;
type Asked = Extract<PreviewAsked, { kind: 'layout' }>;

let chart: (Chart & { readonly accounts: readonly PresentedAccount[]; readonly resets: Uint8Array; readonly creditNormal: Uint8Array }) | null = null;
const figures = new Map<string, { readonly round: number; readonly given: LayoutFigures; readonly vectors: readonly AccountAmounts[] }>();
let last: Asked | null = null;
let shared: SharedArrayBuffer | null = null;
let answers = 0;
let scale: ScaleUnit = 'exact';

/** Of the answer before, to the layout that is composed. */
let rowsBefore: readonly PreviewRow[] = [];
let resting: ReturnType<typeof setTimeout> | undefined;
const say = (answer: PreviewAnswer): void => self.postMessage(answer);

/** A layout over the chart and the figures that were given last; asked anew when either changes. */
self.onmessage = ({ data }: MessageEvent<PreviewAsked>) => {
  if (data.kind === 'shared') {
    shared = data.memory;
    return;
  }
  if (data.kind === 'layout' && data.number < 0) {
    // Asked for beside the one that is composed.
    const aside = runOver(data);
    if (aside) say({ kind: 'rows', number: data.number, place: 0, rows: aside.rows(), columns: aside.columns, scale });
    return;
  }
  if (data.kind === 'layout') last = data;
  else if (data.kind === 'scale') scale = data.unit;
  else if (data.kind === 'chart') {
    chart = hold(data);
    // In the order of the accounts that are there now.
    for (const [facets, { round, given }] of figures) figures.set(facets, { round, given, vectors: vectorsOf(given) });
  } else {
    const { round, facets, figures: given } = data;
    if (facets === '') for (const [key, before] of figures) if (before.round < round) figures.delete(key);
    figures.set(facets, { round, given, vectors: vectorsOf(given) });
    // Run some times, so that the first edit is not the first run.
    if (last && chart) for (let run = 0; run < 5; run++) runOver(last)?.rows();
  }
  const asked = last;
  const done = asked && chart ? runOver(asked) : null;
  if (!asked || !done) return;
  const rows = done.rows();
  answers++;
  const answer: PreviewAnswer = { kind: 'rows', number: asked.number, place: answers, rows: asSent(rows), columns: done.columns, scale };
  if (shared) writeAnswer(shared, answers, answer);
  say(answer);
  rowsBefore = rows;
  clearTimeout(resting);
  resting = setTimeout(() => say({ kind: 'rest', number: asked.number, ...done.rest() }));
};

function asSent(rows: readonly PreviewRow[]): RowSent[] {
  const places = new Map(rowsBefore.map((row, at) => [`${row.key} ${row.role}`, at]));
  return rows.map((row) => {
    const at = places.get(`${row.key} ${row.role}`);
    return at !== undefined && isSameRow(rowsBefore[at] as PreviewRow, row) ? at : row;
  });
}

function hold(given: Chart) {
  const { accounts } = given.view;
  return {
    ...given,
    accounts: accounts.map((account, index) => ({
      account: { ...account, position: index } satisfies Account,
      label: account.label,
      index,
      isParent: account.isParent,
    })),
    resets: Uint8Array.from(accounts, ({ element }) => (element === 'income' || element === 'expense' ? 1 : 0)),
    creditNormal: Uint8Array.from(accounts, ({ normalSide }) => (normalSide === 'credit' ? 1 : 0)),
  };
}

/** In the order of the placement's accounts. */
function vectorsOf({ accountIds, columns }: LayoutFigures): AccountAmounts[] {
  const at = new Map(accountIds.map((id, index) => [id, index]));
  const order = chart?.view.accounts.map(({ id }) => at.get(id)) ?? [];
  const vector = (amounts: readonly string[]) => BigInt64Array.from(order, (index) => BigInt(index === undefined ? 0 : (amounts[index] ?? 0)));
  return columns.flatMap((column) =>
    column.kind === 'amount'
      ? [
          {
            opening: vector(column.opening),
            movement: vector(column.movement),
            closing: vector(column.closing),
            notAllotted: BigInt(column.notAllotted),
            ...(column.flows
              ? {
                  flows: {
                    increases: vector(column.flows.increases),
                    raised: vector(column.flows.raised),
                    exchange: vector(column.flows.exchange),
                    transfers: { raised: vector(column.flows.transfers.raised), lowered: vector(column.flows.transfers.lowered) },
                  },
                }
              : {}),
          },
        ]
      : [],
  );
}

function runOver({ layout, leftOut }: Asked) {
  const whole = figures.get('');
  if (!chart || !whole) return null;
  const { view, order, language, lists, exponent, accounts, resets, creditNormal } = chart;
  const facts = layoutFacts(view, order, language, lists, layout);
  const compiled = compileLayout(
    expandLayout(layout, facts).layout,
    view.accounts.map(({ id }) => id),
    facts.portions,
  );
  const { columns } = whole.given;
  const amountColumns = columns.flatMap((column) => (column.kind === 'amount' ? [column] : []));
  const runs = whole.vectors.map((vectors, at) => {
    const column = amountColumns[at] as (typeof amountColumns)[number];
    const net = vectors[column.measure];
    const readings = compiled.readings.map((reading) => {
      const part = figures.get(facetKey(reading.facets));
      const own = part?.round === whole.round ? part.vectors[at] : undefined;
      // Flows are asked for once a line wants them.
      return own && (own.flows || !needsFlows(reading)) ? amountOfReading(reading, column.measure, own) : new BigInt64Array(net.length);
    });
    const input: ColumnInput = {
      net,
      result: resultOf(net, resets),
      notAllotted: column.measure === 'movement' ? 0n : vectors.notAllotted,
      ...(column.measure === 'movement' ? { sides: { opening: vectors.opening, resets, creditNormal } } : { sides: { resets, creditNormal } }),
      readings,
      exponent,
      span: { firstDay: column.firstDay, lastDay: column.lastDay },
      ...(column.began === undefined ? {} : { began: { day: column.began, own: column.measure, resets } }),
    };
    return runColumn(compiled, column.equity === undefined ? input : borneBy(column.equity, facts, resets, input));
  });
  const shown = columns.map(toColumn);
  return {
    columns: columnsText(columns),
    rows: () => inPrint(compiled, runs, presentRows({ compiled, columns: shown, runs, accounts, detail }), shown, exponent),
    rest: (): PreviewRest => {
      const [first] = whole.vectors;
      const [run] = runs;
      const excluded = new Set(leftOut);
      const covered = accounts.map(({ account, index, isParent }) => ({
        account: index,
        element: account.element,
        isParent,
        isLeftOut: excluded.has(account.id),
      }));
      // Until what lines of some facet values take is there, all that they may take twice is told.
      const isKnown = compiled.readings.every(({ facets }) => figures.get(facetKey(facets))?.round === whole.round);
      const [held] = amountColumns;
      const balances = (held ? first?.[held.measure] : first?.closing) ?? new BigInt64Array(accounts.length);
      return {
        cash:
          first && run && compiled.layout.cash ? { byLines: changeByLines(compiled, run), moved: cashMoved(compiled, first.opening, first.movement) } : null,
        totals: run && held?.measure === (compiled.layout.kind === 'balance_sheet' ? 'closing' : 'movement') ? ownTotals(compiled, run) : null,
        coverage: layoutCoverage(compiled, facts.scope, covered, balances, lists, isKnown ? run?.readings : []),
        values: new Map(compiled.lines.map((line, index) => [line.key, runs.map((run) => shownValue(compiled, run, index)?.toString() ?? null)])),
      };
    },
  };
}

const detail: Detail = { rungs: 2, opened: new Set(), shut: new Set(), zeroLines: false };

function inPrint(
  compiled: CompiledLayout,
  runs: readonly RunColumn[],
  rows: readonly StatementRow[],
  columns: readonly StatementColumn[],
  exponent: number,
): PreviewRow[] {
  if (scale === 'exact') return rows.map(rowInText);
  const { rows: printed } = footStatement({ compiled, columns, runs, rows, unit: shownUnit(scale, exponent) });
  return rows.map((row, at) => ({ ...rowInText(row), printed: printed[at]?.values.map((value) => value?.toString() ?? null) ?? [] }));
}

/** As the core knows it. */
function toColumn(column: TriedColumn): StatementColumn {
  if (column.kind === 'amount') {
    const { measure, firstDay, lastDay, total } = column;
    return { kind: 'amount', measure, span: { firstDay, lastDay }, ...(total === undefined ? {} : { total }) };
  }
  if (column.kind !== 'calculation') return column;
  const { operands, ...rest } = column;
  const read = readFormula(column.text);
  // The server has read it before.
  return read.ok ? { ...rest, formula: read.value, operands: new Map(operands) } : { kind: 'text' };
}

const equityColumns = new WeakMap<LayoutFacts, Int32Array>();

/** What the column of a category of equity bears. */
function borneBy(category: number, facts: LayoutFacts, resets: Uint8Array, input: ColumnInput): ColumnInput {
  const columnOf =
    equityColumns.get(facts) ??
    equityColumnOf(
      facts,
      facts.accounts.map(({ id }) => id),
      resets,
    );
  equityColumns.set(facts, columnOf);
  const ofResult = resets.findIndex((reset, account) => reset === 1 && columnOf[account] === category) >= 0;
  return maskColumn(input, (account) => columnOf[account] === category, ofResult);
}

const textOfColumns = new WeakMap<LayoutFigures['columns'], PreviewColumns>();

function columnsText(columns: LayoutFigures['columns']): PreviewColumns {
  const before = textOfColumns.get(columns);
  if (before !== undefined) return before;
  const text = JSON.stringify(
    columns.map((column) => (column.kind === 'amount' ? { ...column, opening: [], movement: [], closing: [], flows: null } : column)),
  );
  textOfColumns.set(columns, text);
  return text;
}
