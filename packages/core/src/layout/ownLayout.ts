import type { Day } from '../calendar/day.ts';
import { type Element, elements, type Side } from '../chart/element.ts';
import type { FacetFilter } from '../facet/facetFilter.ts';
import type { CaptionInLanguage } from '../placement/captionsIn.ts';
import type { Step, Term } from '../placement/category.ts';
import type { PlaceSide } from '../placement/place.ts';
import type { FlowPart } from './flowLines.ts';
import type { AccountReading, CalculationResult, Direction, Layout, LineLook, LineShown } from './line.ts';
import type { Source } from './source.ts';

/** What an author says of any line. */
interface OwnLineBase {
  /** Unique in the layout, also among the lines that follow categories. */
  readonly key: string;
  /** In the company's main language. */
  readonly caption: string;
  readonly captions: readonly CaptionInLanguage[];
  readonly look: LineLook;
  readonly shown: LineShown;
  /** Where it is never shown: the line beside it in whose figure it is, or none for a helper. */
  readonly hiddenIn: string | null;
  /** Number of the note to the statements. */
  readonly note: string;
}

/** Amounts and how they are signed. */
interface Signed {
  /** `null`: its element's, or the layout's direction. */
  readonly side: Side | null;
  readonly reversed: boolean;
}

interface Totalled {
  /** Empty: «Total» and the caption. */
  readonly totalCaption: string;
  readonly totalCaptions: readonly CaptionInLanguage[];
}

/** What a line of accounts takes. */
interface Taking {
  readonly sources: readonly Source[];
  readonly except: readonly Source[];
  readonly takes: PlaceSide;
  readonly facets: FacetFilter;
  readonly measure: Exclude<AccountReading['measure'], 'exchange' | 'without_cash'>;
  /** Of movements: on the normal side of each account alone, or on the other. */
  readonly direction?: Direction;
  readonly byAccount: boolean;
  /** Where it is by account: under those that they are sub-accounts of, down to so many. */
  readonly byTree?: number;
}

/** The part of the category tree that a line grows and shrinks with. */
export type Followed =
  | { readonly of: 'category'; readonly categoryId: number }
  | { readonly of: 'term'; readonly element: 'asset' | 'liability'; readonly term: Term }
  | { readonly of: 'element'; readonly element: Element }
  | { readonly of: 'step'; readonly step: Step }
  /** Of a cash flow: what the balance sheet's categories with such a nature move. */
  | { readonly of: 'flow'; readonly part: FlowPart };

/** What an author changes in a line that follows; what is not said stays as the categories have it. */
export interface Adjustment {
  /** Of the line that follows: `category.12`, `net.12`, `own.12`. */
  readonly key: string;
  readonly caption?: string;
  readonly captions?: readonly CaptionInLanguage[];
  readonly reversed?: boolean;
  readonly look?: LineLook;
  readonly shown?: LineShown;
  readonly note?: string;
  /** Stands behind the line beside it with this key; `null`: first. */
  readonly after?: string | null;
  /** Not shown; its amount is in the figure of this line beside it. */
  readonly hiddenIn?: string;
  /** Left to another line of the layout. */
  readonly apart?: true;
}

/** A line of the author's among lines that follow. */
export interface Inserted {
  /** Key of the group among the lines that follow; `null`: beside the topmost of them. */
  readonly within: string | null;
  /** Key of the line before it; `null`: first. */
  readonly after: string | null;
  readonly line: OwnLine;
}

export type GroupOwnLine = OwnLineBase & Signed & Totalled & { readonly kind: 'group'; readonly children: readonly OwnLine[] };
export type HeadingOwnLine = OwnLineBase & { readonly kind: 'heading'; readonly children: readonly OwnLine[] };
export type FollowsOwnLine = OwnLineBase &
  Signed &
  Totalled & {
    readonly kind: 'follows';
    readonly followed: Followed;
    /** `several`: a group where there is more than one line to add up. */
    readonly frame: 'group' | 'bare' | 'several';
    /** The last of the categories first; what is deducted from one stays behind it. */
    readonly backwards?: true;
    readonly adjustments: readonly Adjustment[];
    readonly inserted: readonly Inserted[];
  };
export type AccountsOwnLine = OwnLineBase & Signed & Taking & { readonly kind: 'accounts' | 'memo' };
export type RemainderOwnLine = OwnLineBase &
  Signed & { readonly kind: 'remainder'; readonly elements: readonly Element[]; readonly byAccount: boolean; readonly byTree?: number };
export type SumOwnLine = OwnLineBase & Signed & { readonly kind: 'sum'; readonly terms: readonly { readonly key: string; readonly sign: 1 | -1 }[] };
export type CalculationOwnLine = OwnLineBase & Signed & { readonly kind: 'calculation'; readonly formula: string; readonly result: CalculationResult };
/**
 * Profit or loss; in a layout of income and expense a memo, since it stands there already. In a cash flow it takes all income and
 * expense accounts but those that `except` holds. `only`: where it is a profit, or a loss, so that of two lines one shows; not of a cash flow.
 */
export type ResultOwnLine = OwnLineBase & {
  readonly kind: 'result';
  readonly reversed: boolean;
  readonly except?: readonly Source[];
  readonly only?: 'profit' | 'loss';
  /** Of a cash flow that takes out what moved without cash: the line of accounts where profit is freed of it. */
  readonly freedOn?: string;
};
/** Of a cash flow. `addedBackOn`: of the effect of exchange rates, the line where profit is freed of it. */
export type CashOwnLine = OwnLineBase & { readonly kind: 'cash'; readonly of: 'opening' | 'closing' | 'exchange'; readonly addedBackOn: string | null };
export type TextOwnLine = OwnLineBase & { readonly kind: 'text' | 'space' };

/** A row of a layout that somebody composed. */
export type OwnLine =
  | GroupOwnLine
  | HeadingOwnLine
  | FollowsOwnLine
  | AccountsOwnLine
  | RemainderOwnLine
  | SumOwnLine
  | CalculationOwnLine
  | ResultOwnLine
  | CashOwnLine
  | TextOwnLine;

export type OwnLineKind = OwnLine['kind'];
export const ownLineKinds = [
  'heading',
  'accounts',
  'follows',
  'group',
  'sum',
  'calculation',
  'result',
  'remainder',
  'memo',
  'cash',
  'text',
  'space',
] as const satisfies readonly OwnLineKind[];

/** A double entry between two lines of accounts; what it moves counts in no coverage. */
export interface OwnTransfer {
  /** Unique among those of the layout. */
  readonly key: string;
  /** Why, as it is listed under the statement. */
  readonly text: string;
  readonly on: string;
  readonly from: string;
  readonly amount:
    | { readonly kind: 'living'; readonly sources: readonly Source[]; readonly except: readonly Source[] }
    /** `inflow`: minor units in decimal, as in files. */
    | { readonly kind: 'fixed'; readonly day: Day; readonly inflow: string };
}

/** Columns that a layout is run with where nothing else is asked for. */
export type UsualColumns = { readonly plan: 'comparison' | 'periods' | 'quarters' } | { readonly plan: 'composed'; readonly planId: number };

/** A layout that somebody composed; it is made into lines of its own anew whenever it is run. */
export interface OwnLayout {
  readonly kind: Layout['kind'];
  readonly title: string;
  readonly titles: readonly CaptionInLanguage[];
  /** Of a free layout: what its columns hold, unless a line says otherwise. */
  readonly measure: 'closing' | 'movement';
  /** Of a free layout: the elements whose accounts have to stand in it; none: no coverage is claimed. */
  readonly scope: readonly Element[];
  readonly lines: readonly OwnLine[];
  /** Of a cash flow: cash in debit alone is cash, overdrafts are placed like any other account; else cash is taken whole. */
  readonly overdraftsApart?: boolean;
  /** Of a cash flow: entries that moved between activities without cash are in no line (IAS 7.43); where nothing is said movements count whole. */
  readonly withoutCash?: 'taken_out' | 'counts';
  readonly transfers?: readonly OwnTransfer[];
  readonly columns?: UsualColumns;
}

export const plainLook: LineLook = { weight: 'usual', indent: 0, spaceBefore: false, breakBefore: false };

export function ownChildren(line: OwnLine): readonly OwnLine[] {
  return line.kind === 'group' || line.kind === 'heading' ? line.children : [];
}

/** Every line of the author's, also those inserted among lines that follow, from top to bottom. */
export function walkOwn(lines: readonly OwnLine[], visit: (line: OwnLine) => void): void {
  for (const line of lines) {
    visit(line);
    walkOwn(ownChildren(line), visit);
    if (line.kind === 'follows') for (const { line: inner } of line.inserted) walkOwn([inner], visit);
  }
}

/** Each of the author's lines changed, inner ones first; those that stay the same are the same objects, so that nothing is worked out anew for them. */
export function mapLines(lines: readonly OwnLine[], change: (line: OwnLine) => OwnLine): readonly OwnLine[] {
  return mapped(lines, (line) => {
    let inner = line;
    if (line.kind === 'group' || line.kind === 'heading') {
      const children = mapLines(line.children, change);
      if (children !== line.children) inner = { ...line, children };
    } else if (line.kind === 'follows') {
      const inserted = mapped(line.inserted, (one) => {
        const [own] = mapLines([one.line], change);
        return own === undefined || own === one.line ? one : { ...one, line: own };
      });
      if (inserted !== line.inserted) inner = { ...line, inserted };
    }
    return change(inner);
  });
}

/** The same list where nothing in it is another. */
function mapped<One>(list: readonly One[], change: (one: One) => One): readonly One[] {
  const changed = list.map(change);
  return changed.every((one, at) => one === list[at]) ? list : changed;
}

export function mapOwn(layout: OwnLayout, change: (line: OwnLine) => OwnLine): OwnLayout {
  const lines = mapLines(layout.lines, change);
  return lines === layout.lines ? layout : { ...layout, lines };
}

/** The elements whose accounts a layout has to hold, each once. */
export function scopeOf({ kind, scope }: Pick<OwnLayout, 'kind' | 'scope'>): readonly Element[] {
  switch (kind) {
    case 'balance_sheet':
      return ['asset', 'liability', 'equity'];
    case 'income_statement':
      return ['income', 'expense'];
    case 'cash_flow':
      return elements;
    case 'changes_in_equity':
      return ['equity'];
    case 'free':
      return scope;
  }
}

/** What columns of a layout hold by themselves. */
export function measureOf({ kind, measure }: Pick<OwnLayout, 'kind' | 'measure'>): OwnLayout['measure'] {
  return kind === 'balance_sheet' ? 'closing' : kind === 'free' ? measure : 'movement';
}
