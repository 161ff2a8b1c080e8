import { isListed, type ListKey } from '../chart/codeList.ts';
import { type Element, naturalSide, type Side } from '../chart/element.ts';
import { readRangeText } from '../chart/rangeText.ts';
import { checkFormula } from '../formula/checkFormula.ts';
import { readFormula } from '../formula/readFormula.ts';
import { captionWords } from './captionWords.ts';
import { cashPortions } from './cashPortions.ts';
import { captionIn, expandFollowed } from './followedLines.ts';
import { type ExpandedLayout, indexed, type LayoutFacts, type LayoutFinding, type LineOrigin } from './layoutFacts.ts';
import { type AccountReading, type AccountsLine, countsInGroup, type Layout, type Line, type ResultLine, type Selection, type Transfer } from './line.ts';
import type { AccountsOwnLine, CashOwnLine, FollowsOwnLine, OwnLayout, OwnLine, RemainderOwnLine, ResultOwnLine, SumOwnLine } from './ownLayout.ts';
import { elementsIn, idsOf, selected } from './selected.ts';
import { siblingsOf } from './siblings.ts';
import type { Source } from './source.ts';
import { sumsOverLines } from './sumsOverLines.ts';

/** Of lines over several elements, unless their author or the group around them says otherwise. */
const direction: Side = 'credit';

interface Around {
  /** Of the group around. */
  readonly side: Side | null;
  /** Elements that a remainder line takes where it names none. */
  readonly elements: readonly Element[];
}

/**
 * The lines that a composed layout consists of today: what follows categories is made from the tree, sources are looked up
 * in the chart. What does not fit any more is a finding, and the rest of the layout still stands. Keys that another line
 * has already are a bug of whoever stored the layout. Cost: lines × accounts at most; a line that did not change costs nothing anew.
 */
export function expandLayout(own: OwnLayout, facts: LayoutFacts): ExpandedLayout {
  const made = new Expansion(own, facts);
  const lines = made.linesOf(own.lines, { side: null, elements: [] });
  return made.finish(lines);
}

interface MadeOf {
  readonly kind: OwnLayout['kind'];
  readonly side: Side | null;
  readonly made: AccountsLine;
}

/** What lines of accounts without findings were made into last, gone with what they were made over. */
const madeOver = new WeakMap<LayoutFacts, WeakMap<AccountsOwnLine, MadeOf>>();

class Expansion {
  private readonly origins = new Map<string, LineOrigin>();
  private readonly findings: LayoutFinding[] = [];
  private readonly pendingSums: SumOwnLine[] = [];
  private readonly cash: Selection;
  private readonly before: WeakMap<AccountsOwnLine, MadeOf>;

  constructor(
    private readonly own: OwnLayout,
    private readonly facts: LayoutFacts,
  ) {
    this.cash = cashPortions(facts.accounts, own.overdraftsApart === true);
    this.before = madeOver.get(facts) ?? new WeakMap();
    madeOver.set(facts, this.before);
  }

  linesOf(lines: readonly OwnLine[], around: Around): Line[] {
    return lines.flatMap((line) => this.lineOf(line, around));
  }

  private base(line: OwnLine) {
    const { key, look, shown, hiddenIn, note } = line;
    this.origins.set(key, { kind: 'own', line });
    const caption = captionIn(line, this.facts.language);
    return { key, caption, look, shown, note, rung: 0, side: direction, reversed: false, ...(hiddenIn === null || shown !== 'never' ? {} : { hiddenIn }) };
  }

  private lineOf(line: OwnLine, around: Around): Line[] {
    const base = this.base(line);
    switch (line.kind) {
      case 'heading':
        return [{ ...base, kind: 'heading', children: this.linesOf(line.children, around) }];
      case 'group': {
        const side = line.side ?? around.side ?? direction;
        const children = this.linesOf(line.children, { ...around, side: line.side ?? around.side });
        return [{ ...base, kind: 'group', side, reversed: line.reversed, totalCaption: this.totalCaption(line, base.caption), children }];
      }
      case 'follows':
        return [this.followed(line, base, around)];
      case 'accounts':
      case 'memo':
        return [this.accounts(line, base, around)];
      case 'remainder':
        return [this.remainder(line, base, around)];
      case 'sum':
        this.pendingSums.push(line);
        return [{ ...base, kind: 'sum', side: line.side ?? direction, reversed: line.reversed, terms: [], final: line.look.weight === 'final' }];
      case 'calculation': {
        const read = readFormula(line.formula);
        if (!read.ok) this.findings.push({ ...read.failure, key: line.key });
        const formula = read.ok ? read.value : read.failure;
        return [{ ...base, kind: 'calculation', side: line.side ?? direction, reversed: line.reversed, formula, result: line.result }];
      }
      case 'result':
        return this.own.kind === 'cash_flow' || this.own.kind === 'changes_in_equity' ? [this.profit(line, base)] : this.results(line, base);
      case 'cash':
        return [this.cashLine(line, base)];
      case 'text':
      case 'space':
        return [{ ...base, kind: line.kind }];
    }
  }

  private totalCaption(line: Extract<OwnLine, { kind: 'group' | 'follows' }>, caption: string): string {
    const totalCaption = line.totalCaption === '' ? '' : captionIn({ caption: line.totalCaption, captions: line.totalCaptions }, this.facts.language);
    return totalCaption || captionWords[this.facts.language].total(caption);
  }

  private followed(line: FollowsOwnLine, base: ReturnType<Expansion['base']>, around: Around): Line {
    const followed = expandFollowed(line, this.facts, this.own.kind, this.cash, (inner, elements, side) => this.linesOf([inner], { side, elements }));
    for (const [key, origin] of followed.origins) this.origins.set(key, origin);
    this.findings.push(...followed.findings);
    const isBare = line.frame === 'bare' || (line.frame === 'several' && followed.lines.length < 2);
    return {
      ...base,
      kind: 'group',
      side: line.side ?? around.side ?? followed.side,
      reversed: line.reversed,
      totalCaption: this.totalCaption(line, base.caption),
      children: followed.lines,
      ...(isBare ? { bare: true } : {}),
    };
  }

  private accounts(line: AccountsOwnLine, base: ReturnType<Expansion['base']>, around: Around): AccountsLine {
    const { kind } = this.own;
    const before = this.before.get(line);
    if (before && before.kind === kind && before.side === around.side) return before.made;
    const found = this.findings.length;
    this.checkSources(line.key, [...line.sources, ...line.except]);
    const made = this.accountsLine(line, base, around);
    if (this.findings.length === found) this.before.set(line, { kind, side: around.side, made });
    return made;
  }

  private accountsLine(line: AccountsOwnLine, base: ReturnType<Expansion['base']>, around: Around): AccountsLine {
    const selection = selected(line, this.facts);
    const elements = elementsIn(selection, this.facts);
    const [only] = elements;
    const natural = line.takes !== 'any' ? line.takes : elements.size === 1 && only ? naturalSide(only) : (around.side ?? direction);
    const { measure, facets, direction: moving } = line;
    const isPlain = measure === 'column' && Object.keys(facets).length === 0 && moving === undefined;
    return {
      ...base,
      kind: 'accounts',
      categoryId: null,
      selection,
      side: line.side ?? natural,
      reversed: line.reversed,
      ...(isPlain ? {} : { reading: { measure, facets, ...this.moving(line) } }),
      ...(line.kind === 'memo' ? { isMemo: true } : {}),
      ...detailOf(line),
    };
  }

  private moving({ measure, direction: moved }: Pick<AccountsOwnLine, 'measure' | 'direction'>): Pick<AccountReading, 'direction' | 'ofOwners'> {
    const isOfFlows = this.own.kind === 'cash_flow' || (this.own.kind === 'changes_in_equity' && moved !== undefined);
    const isMoved = moved === undefined ? measure === 'column' || measure === 'movement' : moved !== 'transfer';
    return { ...(moved === undefined ? {} : { direction: moved }), ...(isOfFlows && isMoved ? { ofOwners: true } : {}) };
  }

  private remainder(line: RemainderOwnLine, base: ReturnType<Expansion['base']>, around: Around): AccountsLine {
    const elements = line.elements.length > 0 ? line.elements : around.elements.length > 0 ? around.elements : elementsOfSide(around.side, this.facts.scope);
    // In a cash flow what is cash has no line, so none is left for a remainder.
    const asCash = new Map(this.own.kind === 'cash_flow' ? Array.from(this.cash.accounts, (at, place) => [at, this.cash.sides[place] ?? 0]) : []);
    const sidesOf = (at: number): number => 3 & ~(asCash.get(at) ?? 0);
    const accounts = this.facts.accounts.flatMap(({ element }, at) => (elements.includes(element) && sidesOf(at) !== 0 ? [at] : []));
    const [only] = elements;
    return {
      ...base,
      kind: 'accounts',
      categoryId: null,
      isRemainder: true,
      selection: { accounts: Int32Array.from(accounts), sides: Uint8Array.from(accounts, sidesOf) },
      side: line.side ?? (elements.length === 1 && only ? naturalSide(only) : (around.side ?? direction)),
      reversed: line.reversed,
      ...detailOf(line),
    };
  }

  private results(line: Extract<OwnLine, { kind: 'result' }>, base: ReturnType<Expansion['base']>): ResultLine[] {
    const holdsIncome = this.facts.scope.some((element) => element === 'income' || element === 'expense');
    const result: ResultLine = {
      ...base,
      kind: 'result',
      reversed: line.reversed,
      of: 'year_to_date',
      within: null,
      ...(holdsIncome ? { isMemo: true } : {}),
      ...(line.only === undefined ? {} : { only: line.only }),
    };
    // Of a profit line and a loss line the first brings what earlier years left.
    if (this.own.kind !== 'balance_sheet' || this.facts.retainedEarningsId !== null || line.only === 'loss') return [result];
    const key = `${line.key}.earlier`;
    this.origins.set(key, { kind: 'made', by: line.key });
    const { only: _, ...whole } = result;
    return [{ ...whole, key, caption: captionWords[this.facts.language].earlierNotAllotted, of: 'earlier_years', note: '' }, result];
  }

  /** All income and expense accounts, placed or not, but those that have lines of their own. */
  private profit({ key, except = [], reversed, freedOn }: ResultOwnLine, base: ReturnType<Expansion['base']>): AccountsLine {
    this.checkSources(key, except);
    const selection = selected({ sources: [{ kind: 'elements', elements: ['income', 'expense'] }], except, takes: 'any' }, this.facts);
    return { ...base, kind: 'accounts', categoryId: null, selection, reversed, ...(freedOn === undefined ? {} : { freedOn }) };
  }

  private cashLine({ key, of, addedBackOn }: CashOwnLine, base: ReturnType<Expansion['base']>): AccountsLine {
    if (this.cash.accounts.length === 0) this.findings.push({ code: 'no_cash', key });
    const reading = { measure: of, facets: {} };
    const addedBack = of === 'exchange' && addedBackOn !== null ? { addedBackOn } : {};
    return { ...base, kind: 'accounts', categoryId: null, side: 'debit', selection: this.cash, isMemo: true, reading, ...addedBack };
  }

  private checkSources(key: string, sources: readonly Source[]): void {
    for (const source of sources) {
      if (!this.isThere(source)) this.findings.push({ code: 'source_unknown', key, source });
      else if (source.kind === 'code' && !isListed(this.listOf(source.list) ?? { codes: [] }, source.code, source.begins))
        this.findings.push({ code: 'listed_code_unknown', key, list: source.list, named: `${source.code}${source.begins ? '*' : ''}` });
    }
  }

  private listOf(key: ListKey): LayoutFacts['lists'][number] | undefined {
    return this.facts.lists.find((list) => list.key === key);
  }

  private isThere(source: Source): boolean {
    switch (source.kind) {
      case 'category':
        return this.facts.tree.nodes.has(source.categoryId);
      case 'account':
        return idsOf(this.facts).has(source.accountId);
      case 'code':
        return this.listOf(source.list) !== undefined;
      case 'numbers':
        return readRangeText(source.text, null).ok;
      case 'step':
      case 'nature':
      case 'role':
      case 'elements':
        return true;
    }
  }

  /** Those between lines of accounts that are there. */
  private transfers(byKey: ReadonlyMap<string, Line>): Transfer[] {
    return (this.own.transfers ?? []).flatMap((transfer): Transfer[] => {
      const { key, text, on, from, amount } = transfer;
      const unknown = [on, from].filter((named) => !holdsAccounts(byKey.get(named)));
      for (const named of unknown) this.findings.push({ code: 'transfer_line_unknown', key, named });
      if (amount.kind === 'living') this.checkSources(key, [...amount.sources, ...amount.except]);
      if (unknown.length > 0) return [];
      if (amount.kind === 'fixed') return [{ key, text, on, from, amount: { ...amount, inflow: BigInt(amount.inflow) } }];
      const selection = selected({ ...amount, takes: 'any' }, this.facts);
      return [{ key, text, on, from, amount: { kind: 'living', selection } }];
    });
  }

  /** Sums and formulas name lines that may stand anywhere, so they are looked at last. */
  finish(lines: readonly Line[]): ExpandedLayout {
    const { byKey } = indexed(lines);
    const { sums, findings } = sumsOverLines(this.pendingSums, byKey, direction);
    this.findings.push(...findings);
    const between = siblingsOf({ lines });
    for (const line of byKey.values()) {
      if (line.kind === 'calculation' && 'kind' in line.formula)
        for (const fault of checkFormula(line.formula, { has: (key) => byKey.has(key), between })) this.findings.push({ ...fault, key: line.key });
      if (line.hiddenIn !== undefined && !this.standBeside(line, byKey.get(line.hiddenIn), between))
        this.findings.push({ code: 'hidden_in_unknown', key: line.key, named: line.hiddenIn });
      if (line.shown === 'never' && line.hiddenIn === undefined && countsInGroup(line)) this.findings.push({ code: 'hidden_nowhere', key: line.key });
    }
    const withTerms = (line: Line): Line => {
      if (line.kind === 'sum') return { ...line, ...sums.get(line.key) };
      return line.kind === 'group' || line.kind === 'heading' ? { ...line, children: line.children.map(withTerms) } : line;
    };
    const title = captionIn({ caption: this.own.title, captions: this.own.titles }, this.facts.language);
    for (const line of byKey.values())
      for (const named of line.kind === 'accounts' ? [line.addedBackOn, line.freedOn] : [])
        if (named !== undefined && !holdsAccounts(byKey.get(named))) this.findings.push({ code: 'transfer_line_unknown', key: line.key, named });
    const transfers = this.transfers(byKey);
    const layout: Layout = {
      kind: this.own.kind,
      language: this.facts.language,
      title,
      lines: sums.size === 0 ? lines : lines.map(withTerms),
      ...(this.own.kind === 'cash_flow' ? { cash: this.cash, ...(this.own.withoutCash === 'taken_out' ? { withoutCash: this.own.withoutCash } : {}) } : {}),
      ...(transfers.length > 0 ? { transfers } : {}),
    };
    return { layout, ...indexed(layout.lines), origins: this.origins, findings: this.findings };
  }

  private standBeside(line: Line, host: Line | undefined, between: (from: string, to: string) => readonly string[] | null): boolean {
    return host !== undefined && host !== line && (between(line.key, host.key) ?? between(host.key, line.key)) !== null;
  }
}

/** How its accounts are shown. */
function detailOf({ byAccount, byTree }: Pick<AccountsOwnLine, 'byAccount' | 'byTree'>): Pick<AccountsLine, 'byAccount' | 'byTree'> {
  return byAccount ? { byAccount: true, ...(byTree === undefined ? {} : { byTree }) } : {};
}

/** Whether a transfer may move an amount to or from it. */
function holdsAccounts(line: Line | undefined): boolean {
  return line?.kind === 'accounts' && line.isMemo !== true;
}

function elementsOfSide(side: Side | null, scope: readonly Element[]): readonly Element[] {
  return side === null ? scope : scope.filter((element) => naturalSide(element) === side);
}
