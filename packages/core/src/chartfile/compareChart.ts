import { withPathsAsNumbers } from '../chart/accountReference.ts';
import { type Element, naturalSide } from '../chart/element.ts';
import { writeCategoryPath } from '../placement/categoryPath.ts';
import { placesOf, rangePlacer } from '../placement/categoryRange.ts';
import { pathOf } from '../placement/categoryTree.ts';
import { type Place, placesByAccount } from '../placement/place.ts';
import type { ChangedAccount } from './changedAccount.ts';
import { cellsOf, fieldOfSide, type KeptAccount } from './chartCells.ts';
import type { ChartFacts } from './chartFacts.ts';
import { type ChartColumn, type ChartFile, chartColumnsOf } from './chartFields.ts';
import { ChartOfRows } from './chartOfRows.ts';
import { draftRows, type RowDraft } from './draftRows.ts';
import { judgeRows } from './judgeRows.ts';
import type { RowFault } from './rowFault.ts';
import { newPaths, placesOfRow } from './rowPlaces.ts';

export interface ComparedRow {
  readonly row: number;
  readonly number: string;
  readonly name: string;
  readonly state: 'same' | 'new' | 'changed' | 'wrong';
  readonly changes: readonly { readonly field: ChartColumn; readonly before: string; readonly after: string }[];
  readonly faults: readonly RowFault[];
}

export interface ChartComparison {
  readonly rows: readonly ComparedRow[];
  /** Accounts of the chart that have no row; they stay as they are. */
  readonly missing: readonly KeptAccount[];
  readonly newCategories: readonly { readonly element: Element; readonly path: readonly string[] }[];
  /** New and changed accounts, each above before those below it where both are new; empty while any row is wrong. */
  readonly accounts: readonly ChangedAccount[];
}

/**
 * A chart file against the chart: what each row would do, judged by the rules of the chart as it would stand with all
 * rows applied, so that accounts may swap numbers or move together. Loading a file just written finds nothing to do.
 * Cost: rows × depth.
 */
export function compareChart(file: ChartFile, facts: ChartFacts): ChartComparison {
  const accounts = facts.numbered ? facts.accounts : withPathsAsNumbers(facts.accounts);
  const chart = new ChartOfRows(draftRows(file, accounts, facts), accounts);
  judgeRows(chart, facts);
  return new Comparison(chart, facts).outcome();
}

type OwnPlace = Omit<Place, 'accountId'>;

/** Places yet to be made count as taken. */
function handsOf(places: NonNullable<ChangedAccount['places']>): OwnPlace[] {
  return places.map(({ side, target }) => ({ side, categoryId: 'categoryId' in target ? target.categoryId : notYetMade }));
}

const notYetMade = 0;

class Comparison {
  private readonly placesByHand: ReadonlyMap<number, readonly OwnPlace[]>;
  private readonly placeByRange: ReturnType<typeof rangePlacer>;

  constructor(
    private readonly chart: ChartOfRows,
    private readonly facts: ChartFacts,
  ) {
    this.placesByHand = placesByAccount(facts.places);
    this.placeByRange = rangePlacer(facts.ranges, facts.categoryTree, facts.digitOrder);
  }

  outcome(): ChartComparison {
    const { drafts, kept } = this.chart;
    const results = drafts.map((draft) => this.resultOf(draft));
    const rows = results.map(({ draft, result }) => this.told(draft, result));
    const named = new Set(drafts.flatMap(({ account }) => (account ? [account.id] : [])));
    const isWrong = rows.some(({ state }) => state === 'wrong');
    const touched = isWrong ? [] : results.filter((_, at) => rows[at]?.state === 'new' || rows[at]?.state === 'changed').map(({ result }) => result);
    return {
      rows,
      missing: this.facts.tree.order.flatMap(({ id }) => (named.has(id) ? [] : [this.asKept(kept.get(id) as KeptAccount)])),
      newCategories: newPaths(touched),
      accounts: touched.toSorted((a, b) => this.chart.above(a.id).length - this.chart.above(b.id).length),
    };
  }

  private resultOf(draft: RowDraft): { draft: RowDraft; result: ChangedAccount } {
    const { id, account, number, name, active, role, purpose, externalNumber, codes } = draft;
    const element = draft.element ?? 'asset';
    const isByHand = this.placesByHand.has(id);
    const places = placesOfRow(draft, element, account && this.cellsNow(account), this.facts.categoryTree, isByHand);
    // What stands by range alone has no place to be taken away.
    const byHand = places?.length === 0 && !isByHand ? null : places;
    return {
      draft,
      result: {
        id,
        account: account && this.asKept(account),
        number: this.facts.numbered ? number : '',
        name,
        element,
        normalSide: draft.normalSide ?? naturalSide(element),
        parentId: this.chart.parentOf.get(id) ?? null,
        active,
        role,
        purpose,
        externalNumber,
        codes,
        places: byHand,
      },
    };
  }

  private placesNow(accountId: number): readonly OwnPlace[] {
    return placesOf(accountId, this.placesByHand, this.facts.byRange);
  }

  private cellsNow(account: KeptAccount): Record<ChartColumn, string> {
    return cellsOf(account, this.chart.kept, this.placesNow(account.id), this.facts.categoryTree);
  }

  private told(draft: RowDraft, result: ChangedAccount): ComparedRow {
    const { row, account, faults } = draft;
    const before = account && this.cellsNow(account);
    const after = this.cellsAfter(result);
    const changes = chartColumnsOf(this.facts.numbered, this.facts.lists).flatMap((field) => {
      const [was, is] = [before?.[field] ?? '', after[field] ?? ''];
      return field === 'key' || field === 'newNumber' || was === is ? [] : [{ field, before: was, after: is }];
    });
    const state = faults.length > 0 ? 'wrong' : before === null ? 'new' : changes.length > 0 ? 'changed' : 'same';
    return { row, number: this.facts.numbered ? (account?.number ?? draft.number) : '', name: draft.name, state, changes, faults };
  }

  private cellsAfter(result: ChangedAccount): Record<ChartColumn, string> {
    const { account, places, ...fields } = result;
    const { kept, draftOf } = this.chart;
    const cells = cellsOf({ ...fields, position: 0 }, kept, this.placesAfter(result, account), this.facts.categoryTree);
    // Numbers of those above as they are now: a parent renumbered is no change of those below it.
    cells.parent = result.parentId === null ? '' : (kept.get(result.parentId)?.number ?? draftOf.get(result.parentId)?.number ?? '');
    for (const { side, target } of places ?? [])
      cells[fieldOfSide[side]] = 'categoryId' in target ? this.pathText(target.categoryId) : writeCategoryPath(target.path);
    return cells;
  }

  /** An account that stands somewhere stays there with another number, whatever the ranges make of that. */
  private placesAfter(result: ChangedAccount, account: KeptAccount | null): readonly OwnPlace[] {
    const { id, places, element } = result;
    const now = account === null || account.element !== element ? [] : this.placesNow(id);
    if (places === null && now.length > 0) return now;
    const byHand = places === null ? (this.placesByHand.get(id) ?? []) : [];
    return [...byHand, ...(this.placeByRange(result, places === null ? byHand : handsOf(places))?.places ?? [])];
  }

  /** Without the path that stood in the place of a number. */
  private asKept(account: KeptAccount): KeptAccount {
    return this.facts.numbered ? account : { ...account, number: '' };
  }

  private pathText(categoryId: number): string {
    const node = this.facts.categoryTree.nodes.get(categoryId);
    return node ? writeCategoryPath(pathOf(node)) : '';
  }
}
