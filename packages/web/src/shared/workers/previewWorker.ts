import type { CodeListBody, Company, PlacementView, StatementBody } from '@ivory-ladder/contract';
import {
  type AmountColumn,
  type ChosenPlan,
  type Comparison,
  cashMoved,
  changeByLines,
  type DefinitionNeed,
  Definitions,
  type Detail,
  type Ground,
  groundOfView,
  type LayoutCoverage,
  layoutCoverage,
  needKey,
  needsOf,
  type OwnLayout,
  type OwnTotals,
  ownTotals,
  type PlanFailure,
  type PrintPlan,
  planPrint,
  planStatement,
  presentedAccounts,
  printNeeds,
  type RunColumn,
  readVectors,
  rowInText,
  runRows,
  type ScaleUnit,
  type Span,
  type StatementColumn,
  scopeOf,
  shownValue,
  type VectorNeed,
  Vectors,
} from '@ivory-ladder/core';
import { fetchVectors, type VectorsRefused } from '../api/vectors.ts';
import { isSameRow } from './isSameRow.ts';
import { type LayoutSent, receivedLayout } from './layoutSent.ts';
import type { PreviewRow } from './previewRow.ts';
import { writeAnswer } from './sharedAnswer.ts';

/** What stands across the preview. */
export interface PreviewAcross {
  readonly span: Span;
  readonly comparison: Comparison;
  readonly adjusting?: 'before' | undefined;
  readonly columns: ChosenPlan;
}

/** What the preview is run on. */
export interface PreviewChart {
  readonly view: PlacementView;
  readonly company: Company;
  readonly lists: readonly CodeListBody[];
  readonly classificationId: number;
}

export type PreviewAsked =
  /** Where the latest answer is put beside its message. */
  | { readonly kind: 'shared'; readonly memory: SharedArrayBuffer }
  | ({ readonly kind: 'chart' } & PreviewChart)
  | { readonly kind: 'across'; readonly across: PreviewAcross }
  /** What a plan missed; `null`: it is not there. */
  | { readonly kind: 'definition'; readonly need: DefinitionNeed; readonly definition: unknown }
  /** What figures are printed in, footed as the statement is. */
  | { readonly kind: 'scale'; readonly unit: ScaleUnit }
  /** The one that is composed. */
  | { readonly kind: 'layout'; readonly number: number; readonly sent: LayoutSent; readonly leftOut: readonly number[] }
  /** Beside it, by numbers below zero, answered once. */
  | { readonly kind: 'aside'; readonly number: number; readonly layout: OwnLayout };

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
  | ({ readonly kind: 'rest'; readonly number: number } & PreviewRest)
  | { readonly kind: 'missing'; readonly definitions: readonly DefinitionNeed[] }
  | { readonly kind: 'refused'; readonly failure: PlanFailure | VectorsRefused };

export interface PreviewRest {
  readonly coverage: LayoutCoverage;
  /** By key of the line: its figures, one for each column of amounts, in its unit. */
  readonly values: ReadonlyMap<string, readonly (string | null)[]>;
  /** Of a cash flow, in the first column: what its lines come to, and what was posted to cash. */
  readonly cash: { readonly byLines: bigint; readonly moved: bigint } | null;
  /** Of a balance sheet or an income statement, in the first column: how it ties by its own totals. */
  readonly totals: OwnTotals | null;
  /** Of a layout of movements: what each account moved in the first column, by id, debit positive. */
  readonly movements: ReadonlyMap<number, bigint> | null;
}

/** Its columns as JSON: the same text as long as they stay the same. */
export type PreviewColumns = string;

type Aside = Extract<PreviewAsked, { kind: 'aside' }>;

interface Asked extends Omit<Extract<PreviewAsked, { kind: 'layout' }>, 'sent'> {
  readonly layout: OwnLayout;
}

let companyId = 0;
let ground: Ground | null = null;
let definitions = new Definitions();
/** Of the state of the ground; what is lacking counts as nothing until it comes. */
let vectors = new Vectors();
let across: PreviewAcross | null = null;
let last: Asked | null = null;
/** Not answered yet. */
let asides: readonly Aside[] = [];
let shared: SharedArrayBuffer | null = null;
let answers = 0;
let scale: ScaleUnit = 'exact';
/** Needs that were asked for, by their keys, of the state. */
let wanted = new Set<string>();

/** Of the answer before, to the layout that is composed. */
let rowsBefore: readonly PreviewRow[] = [];
let resting: ReturnType<typeof setTimeout> | undefined;
const say = (answer: PreviewAnswer): void => self.postMessage(answer);

/** The statement that is composed, run as the server runs it; asked anew when anything that it is run on changes. */
self.onmessage = ({ data }: MessageEvent<PreviewAsked>) => {
  if (data.kind === 'shared') {
    shared = data.memory;
    return;
  }
  if (data.kind === 'aside') {
    asides = [...asides, data];
    answerAsides();
    return;
  }
  if (data.kind === 'layout') last = { ...data, layout: receivedLayout(data.sent, last?.layout ?? null) };
  else if (data.kind === 'scale') scale = data.unit;
  else if (data.kind === 'across') across = data.across;
  else if (data.kind === 'definition') {
    definitions.give(data.need, data.definition as never);
    answerAsides();
  } else {
    companyId = data.company.id;
    ground = groundOfView(data.view, data.company, data.lists, data.classificationId);
    definitions = new Definitions();
    vectors = new Vectors(ground.accountIds.length);
    wanted = new Set();
  }
  answer();
};

/** Those asked for beside the one that is composed are answered once, with all that they need: what is lacking of them the composed one may never ask for. */
function answerAsides(): void {
  asides = asides.filter(({ number, layout }) => {
    const print = planned(layout);
    if (!print || printNeeds(print).some((need) => !vectors.has(need))) return true;
    say({ kind: 'rows', number, place: 0, rows: rowsIn(print).rows, columns: columnsText(print), scale });
    return false;
  });
}

/** Asked for from here, since the page may be busy with drawing. */
async function provide(kept: Ground, needs: readonly VectorNeed[]): Promise<void> {
  const { revision, structureVersion } = kept;
  const answered = await fetchVectors(companyId, { revision, structureVersion, needs } as Parameters<typeof fetchVectors>[1]);
  if (ground === null || stateOf(ground) !== stateOf(kept)) return;
  if (!answered.ok) return say({ kind: 'refused', failure: answered.failure });
  readVectors(answered.value, needs, ground.indexOf, vectors);
  answer();
  answerAsides();
  setTimeout(warmUp);
}

/** Run some times once the first figures have gone out, so that the first edit is not the first run. */
function warmUp(): void {
  const print = last && planned(last.layout);
  if (print) for (let run = 0; run < 5; run++) rowsIn(print);
}

function answer(): void {
  const asked = last;
  const print = asked && planned(asked.layout);
  if (!asked || !print || !hasFigures(print)) return;
  const { rows, runs } = rowsIn(print);
  answers++;
  const said: PreviewAnswer = { kind: 'rows', number: asked.number, place: answers, rows: asSent(rows), columns: columnsText(print), scale };
  if (shared) writeAnswer(shared, answers, JSON.stringify(said));
  say(said);
  rowsBefore = rows;
  clearTimeout(resting);
  resting = setTimeout(() => say({ kind: 'rest', number: asked.number, ...restOf(asked, print, runs) }));
}

const detail: Detail = { rungs: 2, opened: new Set(), shut: new Set(), zeroLines: false };

/** Ready to be run; `null` while something is missing, which is asked for, or where it cannot be run, which is said. */
function planned(layout: OwnLayout): PrintPlan | null {
  const kept = ground;
  if (!kept || !across) return null;
  const plan = planStatement(
    { grounds: () => kept, definitions },
    { statement: { drafted: layout }, classificationId: kept.classificationId, facets: {}, ...across },
  );
  if (!plan.ok) {
    if (plan.failure.code !== 'definitions_missing') say({ kind: 'refused', failure: plan.failure });
    else say({ kind: 'missing', definitions: definitions.takeMissing() });
    return null;
  }
  const print = planPrint(plan.value, { detail, scale: { unit: scale, rounding: 'footed' } });
  const lacking = printNeeds(print).filter((need) => !vectors.has(need) && !wanted.has(needKey(need)));
  for (const need of lacking) wanted.add(needKey(need));
  if (lacking.length > 0) void provide(kept, lacking);
  return print;
}

function stateOf({ revision, structureVersion }: Ground): string {
  return `${revision} ${structureVersion}`;
}

/** Once the columns' own amounts are there, an edit shows at once, with nothing on lines whose parts are still to come. */
function hasFigures({ plan }: PrintPlan): boolean {
  return plan.columns.every((column) => {
    if (column.kind !== 'amount') return true;
    const needs = needsOf(plan, column);
    return needs.of === 'budget' ? [needs.moved, needs.before].every((need) => need === null || vectors.has(need)) : vectors.has(needs.own);
  });
}

function rowsIn(print: PrintPlan): { readonly rows: PreviewRow[]; readonly runs: readonly RunColumn[] } {
  const { exactRows, rows, runs } = runRows(print, vectors);
  const made = exactRows.map((row, at): PreviewRow => {
    const text = rowInText(row);
    return print.unit ? { ...text, printed: rows[at]?.values.map((value) => value?.toString() ?? null) ?? [] } : text;
  });
  return { rows: made, runs };
}

function asSent(rows: readonly PreviewRow[]): RowSent[] {
  let places: ReadonlyMap<string, number> | null = null;
  const placeOf = ({ key, role }: PreviewRow, at: number): number | undefined => {
    const there = rowsBefore[at];
    if (there && there.key === key && there.role === role) return at;
    places ??= new Map(rowsBefore.map((row, place) => [`${row.key} ${row.role}`, place]));
    return places.get(`${key} ${role}`);
  };
  return rows.map((row, at) => {
    const place = placeOf(row, at);
    return place !== undefined && isSameRow(rowsBefore[place] as PreviewRow, row) ? place : row;
  });
}

function restOf({ layout, leftOut }: Asked, { plan }: PrintPlan, runs: readonly RunColumn[]): PreviewRest {
  const { ground: over, compiled, columns } = plan;
  const [run] = runs;
  const held = columns.find((column): column is AmountColumn => column.kind === 'amount');
  const excluded = new Set(leftOut);
  const covered = presentedAccounts(over).map(({ account, index, isParent }) => ({
    account: index,
    element: account.element,
    isParent,
    isLeftOut: excluded.has(account.id),
  }));
  const net = run?.net ?? new BigInt64Array(over.accountIds.length);
  // Until what lines of some facet values take is there, all that they may take twice is told.
  const needs = held && needsOf(plan, held);
  const isKnown =
    needs?.of === 'posted' &&
    [...needs.parts.values()].every(({ over: part }) => vectors.has(part.opening) || vectors.has(part.movement) || vectors.has(part.closing));
  return {
    cash:
      run && compiled.layout.cash ? { byLines: changeByLines(compiled, run), moved: cashMoved(compiled, run.sides?.opening ?? net.map(() => 0n), net) } : null,
    totals: run && held?.measure === (compiled.layout.kind === 'balance_sheet' ? 'closing' : 'movement') ? ownTotals(compiled, run) : null,
    coverage: layoutCoverage(compiled, scopeOf(layout), covered, net, over.lists, isKnown ? run?.readings : []),
    values: new Map(compiled.lines.map((line, index) => [line.key, runs.map((one) => shownValue(compiled, one, index)?.toString() ?? null)])),
    movements: held?.measure === 'movement' ? new Map(over.accountIds.map((id, at) => [id, net[at] as bigint])) : null,
  };
}

const textOfColumns = new WeakMap<readonly StatementColumn[], PreviewColumns>();

function columnsText({ plan: { columns } }: PrintPlan): PreviewColumns {
  const before = textOfColumns.get(columns);
  if (before !== undefined) return before;
  const text = JSON.stringify(columns.map(shownColumn));
  textOfColumns.set(columns, text);
  return text;
}

function shownColumn(column: StatementColumn): StatementBody['columns'][number] {
  const { heading, group, width, format } = column;
  const head = {
    ...(heading === undefined ? {} : { heading }),
    ...(group === undefined ? {} : { group }),
    ...(width === undefined ? {} : { width }),
    ...(format === undefined ? {} : { format }),
  };
  if (column.kind === 'calculation') return { kind: column.kind, text: column.text, result: column.result, ...head };
  if (column.kind !== 'amount') return column;
  const { kind, measure, span, budget = null, began, adjusting } = column;
  return {
    kind,
    measure,
    firstDay: span.firstDay,
    lastDay: span.lastDay,
    budget,
    ...(began === undefined ? {} : { began }),
    ...(adjusting === undefined ? {} : { adjusting }),
    ...head,
  };
}
