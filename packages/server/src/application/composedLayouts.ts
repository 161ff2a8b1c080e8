import {
  type CaptionLanguage,
  type CompiledLayout,
  type CoveredLayout,
  compileLayout,
  expandLayout,
  isMemoLine,
  layoutCoverage,
  measureOf,
  type Outcome,
  type OwnLayout,
  type Span,
  scopeOf,
  succeed,
  translationAccountId,
  withDifferenceLine,
} from '@ivory-ladder/core';
import { accountsCoveredIn } from './coveredAccounts.ts';
import type { Failure } from './failure.ts';
import { layoutFactsOf } from './layoutFacts.ts';
import { mainLanguage } from './mainLanguage.ts';
import type { Books, LayoutRecord, Ports } from './ports/index.ts';
import { booksOfReadings, vectorsOfReadings } from './readingVectors.ts';

/** The version of a composed layout that runs, made ready over books. */
export interface ComposedLayout {
  readonly own: OwnLayout;
  readonly compiled: CompiledLayout;
}

const known = new WeakMap<Books['portions'], Map<string, ComposedLayout>>();

/** Read and made ready once for each state of the chart and placement, as a version never changes; `null` where nothing runs (any more). */
export async function composedLayout(
  { layouts }: Pick<Ports, 'layouts'>,
  books: Books,
  { id, inUse }: Pick<LayoutRecord, 'id' | 'inUse'>,
  language: CaptionLanguage,
): Promise<ComposedLayout | null> {
  if (inUse === null) return null;
  const ready = known.get(books.portions) ?? new Map<string, ComposedLayout>();
  known.set(books.portions, ready);
  const key = `${books.company.id} ${id} ${inUse} ${language}`;
  const there = ready.get(key);
  if (there) return there;
  const version = await layouts.findVersion(books.company.id, id, inUse);
  if (!version) return null;
  const own = version.definition;
  const made = { own, compiled: compileOwn(books, own, language) };
  ready.set(key, made);
  return made;
}

/** Made ready over the chart and placement of the books; in another currency with a line for the difference that translation leaves, where none takes it. */
export function compileOwn(books: Books, own: OwnLayout, language: CaptionLanguage): CompiledLayout {
  const compiled = (layout: OwnLayout): CompiledLayout =>
    compileLayout(expandLayout(layout, layoutFactsOf(books, own, language)).layout, books.cube.accountIds, books.portions);
  if (!books.translation || !scopeOf(own).includes('equity')) return compiled(own);
  const withLine = withDifferenceLine(own, translationAccountId, mainLanguage(books.company));
  // What moves in a cash flow, or in equity, stands on lines of its own; a balance sheet may follow the category that the difference has.
  if (own.kind !== 'balance_sheet' && own.kind !== 'free') return compiled(withLine);
  const plain = compiled(own);
  return takes(plain, books.cube.indexOf.get(translationAccountId) ?? -1) ? plain : compiled(withLine);
}

function takes({ lineOfCredit, takes: taken, lines }: CompiledLayout, account: number): boolean {
  return (lineOfCredit[account] ?? -1) >= 0 || taken.some((take) => take.account === account && !isMemoLine(lines[take.line]));
}

interface RunningLayout extends ComposedLayout {
  readonly record: LayoutRecord;
}

/** The composed layouts that run over the categories which the books show, by name, in the company's main language. */
export async function runningLayouts(ports: Pick<Ports, 'layouts'>, books: Books): Promise<RunningLayout[]> {
  const running: RunningLayout[] = [];
  for (const record of await ports.layouts.list(books.company.id)) {
    if (record.classificationId !== books.classificationId) continue;
    const composed = await composedLayout(ports, books, record, mainLanguage(books.company));
    if (composed) running.push({ record, ...composed });
  }
  return running;
}

/** What stands in each composed layout that runs over the categories which the books show; of lines that take some facet values, by what those hold over the span. */
export async function coveredLayouts(
  ports: Pick<Ports, 'layouts' | 'ledger' | 'rates'>,
  books: Books,
  span: Span,
  amounts: { readonly closing: BigInt64Array; readonly movement: BigInt64Array },
): Promise<Outcome<CoveredLayout[], Failure>> {
  const covered: CoveredLayout[] = [];
  for (const { record, own, compiled } of await runningLayouts(ports, books)) {
    const measure = measureOf(own);
    const parts = await booksOfReadings(ports, books, {}, compiled.readings);
    if (!parts.ok) return parts;
    const readings = await vectorsOfReadings(ports, compiled.readings, parts.value, measure, span);
    const accounts = accountsCoveredIn(books, record.id);
    covered.push({ name: record.name, coverage: layoutCoverage(compiled, scopeOf(own), accounts, amounts[measure], books.lists, readings) });
  }
  return succeed(covered);
}
