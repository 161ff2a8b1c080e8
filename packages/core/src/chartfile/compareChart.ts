import { accountsByNumber, referenceKey, withPathsAsNumbers } from '../chart/accountReference.ts';
import { type AccountRole, checkRole, roleRules } from '../chart/accountRole.ts';
import { deepestAccounts } from '../chart/checkAccount.ts';
import { type Element, naturalSide } from '../chart/element.ts';
import type { NumberScheme } from '../chart/numberScheme.ts';
import { pathOf } from '../placement/categoryTree.ts';
import { type Place, placesByAccount } from '../placement/place.ts';
import type { ChangedAccount } from './changedAccount.ts';
import { type ChartState, cellsOf, fieldOfSide, type KeptAccount } from './chartCells.ts';
import { type ChartField, type ChartFile, chartFields } from './chartFields.ts';
import { draftRows, type RowDraft } from './draftRows.ts';
import { faultIn, type RowFault } from './rowFault.ts';
import { newPaths, placeSides, placesOfRow } from './rowPlaces.ts';

export interface ChartFacts extends ChartState {
  /** Whether accounts have numbers; else they are known by their key or the path of their names. */
  readonly numbered: boolean;
  readonly scheme: NumberScheme | null;
  readonly repeatedNames: 'pointed_out' | 'forbidden';
  /** Balance at the end of the last period, debit positive. */
  readonly balanceOf: (accountId: number) => bigint;
}

export interface ComparedRow {
  readonly row: number;
  readonly number: string;
  readonly name: string;
  readonly state: 'same' | 'new' | 'changed' | 'wrong';
  readonly changes: readonly { readonly field: ChartField; readonly before: string; readonly after: string }[];
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
  return new Comparison(draftRows(file, accounts, facts), { ...facts, accounts }).outcome();
}

class Comparison {
  private readonly kept: ReadonlyMap<number, KeptAccount>;
  private readonly draftOf: ReadonlyMap<number, RowDraft>;
  private readonly parentOf = new Map<number, number | null>();
  private readonly elementOf = new Map<number, Element>();
  private readonly placesOf: ReadonlyMap<number, Omit<Place, 'accountId'>[]>;

  constructor(
    private readonly drafts: readonly RowDraft[],
    private readonly facts: ChartFacts,
  ) {
    this.kept = new Map(facts.accounts.map((account) => [account.id, account]));
    this.draftOf = new Map(drafts.map((draft) => [draft.id, draft]));
    this.placesOf = placesByAccount(facts.places);
  }

  outcome(): ChartComparison {
    this.settleParents();
    this.settleElements();
    if (this.facts.numbered) this.judgeNumbersAndNames();
    else this.judgeNamesBeside();
    this.judgeNesting();
    this.judgeRetiring();
    this.judgeRoles();
    const results = this.drafts.map((draft) => this.resultOf(draft));
    const rows = results.map(({ draft, result }) => this.told(draft, result));
    const named = new Set(this.drafts.flatMap(({ account }) => (account ? [account.id] : [])));
    const isWrong = rows.some(({ state }) => state === 'wrong');
    const touched = isWrong ? [] : results.filter((_, at) => rows[at]?.state === 'new' || rows[at]?.state === 'changed').map(({ result }) => result);
    return {
      rows,
      missing: this.facts.tree.order.flatMap(({ id }) => (named.has(id) ? [] : [this.asKept(this.kept.get(id) as KeptAccount)])),
      newCategories: newPaths(touched),
      accounts: touched.toSorted((a, b) => this.depthOf(a.id) - this.depthOf(b.id)),
    };
  }

  /** The one above is named by its number as the chart has it, or as the file gives it to a new account. */
  private settleParents(): void {
    const byNumber = new Map<string, { readonly id: number }>([...accountsByNumber(this.drafts), ...accountsByNumber(this.facts.accounts)]);
    for (const account of this.facts.accounts) this.parentOf.set(account.id, account.parentId);
    for (const draft of this.drafts) {
      const { parentText, account, id } = draft;
      if (parentText === undefined) this.parentOf.set(id, account?.parentId ?? null);
      else if (parentText === '') this.parentOf.set(id, null);
      else {
        const now = this.kept.get(account?.parentId ?? 0);
        // A retired account may have the path of an active one; whose parent's it is already, it stays there.
        const key = referenceKey(parentText);
        const parent = now && referenceKey(now.number) === key ? now : byNumber.get(key);
        if (!parent) draft.faults.push(faultIn('parent', 'parent_unknown', parentText));
        this.parentOf.set(id, parent?.id ?? account?.parentId ?? null);
      }
    }
  }

  private settleElements(): void {
    for (const account of this.facts.accounts) this.elementOf.set(account.id, account.element);
    for (const draft of this.drafts) if (draft.element) this.elementOf.set(draft.id, draft.element);
    for (const draft of this.drafts) {
      const element =
        this.elementOf.get(draft.id) ??
        this.above(draft.id)
          .map((id) => this.elementOf.get(id))
          .find((found) => found !== undefined);
      if (element === undefined) draft.faults.push(faultIn('element', 'missing'));
      else {
        this.elementOf.set(draft.id, element);
        draft.element = element;
        draft.normalSide ??= naturalSide(element);
      }
    }
  }

  private judgeNumbersAndNames(): void {
    const holders = new Map<string, { id: number; row: number | null; name: string }>();
    const names = new Map<string, { id: number; number: string }>();
    for (const { id, number, name, active } of this.facts.accounts) {
      if (this.draftOf.has(id)) continue;
      holders.set(number.toLowerCase(), { id, row: null, name });
      if (active) names.set(name.toLowerCase(), { id, number });
    }
    for (const draft of this.drafts) {
      const number = draft.number.toLowerCase();
      const holder = holders.get(number);
      const field = (draft.cells.newNumber ?? '') === '' ? 'number' : 'newNumber';
      if (holder && holder.id !== draft.id)
        draft.faults.push(holder.row === null ? faultIn(field, 'number_taken', holder.name) : faultIn(field, 'repeated_in_file', holder.row));
      else holders.set(number, { id: draft.id, row: draft.row, name: draft.name });
      if (!draft.active) continue;
      const other = names.get(draft.name.toLowerCase());
      const isOld = draft.account?.active === true && draft.account.name === draft.name;
      if (other && other.id !== draft.id && !isOld && this.facts.repeatedNames === 'forbidden') draft.faults.push(faultIn('name', 'name_taken', other.number));
      else names.set(draft.name.toLowerCase(), { id: draft.id, number: draft.number });
    }
  }

  /** Without numbers, no two active accounts beside each other have one name. */
  private judgeNamesBeside(): void {
    const holders = new Map<string, RowDraft | null>();
    const keyOf = (id: number, name: string): string => `${this.parentOf.get(id) ?? null} ${name.toLowerCase()}`;
    for (const { id, name, active } of this.facts.accounts) if (active && !this.draftOf.has(id)) holders.set(keyOf(id, name), null);
    for (const draft of this.drafts) {
      if (!draft.active) continue;
      const key = keyOf(draft.id, draft.name);
      const holder = holders.get(key);
      if (holder === null) draft.faults.push(faultIn('name', 'name_taken', draft.name));
      else if (holder) draft.faults.push(faultIn('name', 'repeated_in_file', holder.row));
      else holders.set(key, draft);
    }
  }

  private judgeNesting(): void {
    for (const draft of this.drafts) {
      const parent = this.parentOf.get(draft.id) ?? null;
      if (parent === null) continue;
      const above = this.above(draft.id);
      if (above.includes(draft.id)) draft.faults.push(faultIn('parent', 'nested_in_itself'));
      else if (above.length >= deepestAccounts) draft.faults.push(faultIn('parent', 'nested_too_deep', deepestAccounts));
      if (this.elementOf.get(parent) !== this.elementOf.get(draft.id))
        draft.faults.push(faultIn('parent', 'parent_of_other_element', this.elementOf.get(parent) ?? null));
      if (draft.active && !this.isActive(parent)) draft.faults.push(faultIn('parent', 'parent_inactive', this.numberOf(parent)));
    }
    // Those below that the file does not name would stand below another element, or too deep.
    for (const { id, number } of this.facts.accounts) {
      if (this.draftOf.has(id)) continue;
      const above = this.above(id);
      const moved = above.map((parent) => this.draftOf.get(parent)).find((draft) => draft !== undefined);
      if (!moved) continue;
      if (above.some((parent) => this.elementOf.get(parent) !== this.elementOf.get(id)))
        moved.faults.push(faultIn('element', 'sub_accounts_of_other_element', number));
      else if (above.length >= deepestAccounts) moved.faults.push(faultIn('parent', 'nested_too_deep', deepestAccounts));
    }
  }

  private judgeRetiring(): void {
    const activeBelow = new Set<number>();
    for (const id of this.parentOf.keys()) {
      const parent = this.parentOf.get(id) ?? null;
      if (parent !== null && this.isActive(id)) activeBelow.add(parent);
    }
    for (const draft of this.drafts) {
      if (draft.active || !draft.account?.active) continue;
      if (this.facts.balanceOf(draft.id) !== 0n) draft.faults.push(faultIn('active', 'balance_not_zero'));
      if (activeBelow.has(draft.id)) draft.faults.push(faultIn('active', 'sub_accounts_active'));
    }
  }

  private judgeRoles(): void {
    const holders = new Map<AccountRole, RowDraft>();
    const given = new Set(this.drafts.flatMap(({ role }) => role ?? []));
    for (const draft of this.drafts) {
      const { account, role, active, element } = draft;
      if (element === null) continue;
      const before = account?.role ?? null;
      // A needed role may leave where the file gives it to another account.
      const isGivenOn = before !== null && before !== role && given.has(before);
      const refused = checkRole(isGivenOn ? null : before, { role, element, active });
      if (refused)
        draft.faults.push(
          faultIn('role', refused.reason === 'needed' ? 'role_needed' : refused.reason === 'element' ? 'role_not_for_element' : 'role_of_inactive'),
        );
      if (role !== null && !active && before === role) draft.faults.push(faultIn('active', 'role_of_inactive'));
      if (role === null || roleRules[role].isForSeveral) continue;
      const other = holders.get(role);
      if (other) draft.faults.push(faultIn('role', 'role_twice', other.row));
      else holders.set(role, draft);
    }
  }

  private resultOf(draft: RowDraft): { draft: RowDraft; result: ChangedAccount } {
    const { id, account, number, name, active, role, purpose, externalNumber } = draft;
    const element = draft.element ?? 'asset';
    const now = this.placesOf.get(id) ?? [];
    const texts = account ? cellsOf(account, this.kept, now, this.facts.categoryTree) : null;
    const places = placesOfRow(draft, element, texts, this.facts.categoryTree);
    const normalSide = draft.normalSide ?? naturalSide(element);
    return {
      draft,
      result: {
        id,
        account: account && this.asKept(account),
        number: this.facts.numbered ? number : '',
        name,
        element,
        normalSide,
        parentId: this.parentOf.get(id) ?? null,
        active,
        role,
        purpose,
        externalNumber,
        places,
      },
    };
  }

  private told(draft: RowDraft, result: ChangedAccount): ComparedRow {
    const { row, account, faults } = draft;
    const before = account ? cellsOf(account, this.kept, this.placesOf.get(account.id) ?? [], this.facts.categoryTree) : null;
    const after = this.cellsAfter(draft, result);
    const changes = chartFields.flatMap((field) =>
      field === 'key' || field === 'newNumber' || (field === 'number' && !this.facts.numbered) || after[field] === (before?.[field] ?? '')
        ? []
        : [{ field, before: before?.[field] ?? '', after: after[field] }],
    );
    const state = faults.length > 0 ? 'wrong' : before === null ? 'new' : changes.length > 0 ? 'changed' : 'same';
    return { row, number: this.facts.numbered ? (account?.number ?? draft.number) : '', name: draft.name, state, changes, faults };
  }

  private cellsAfter({ placeTexts }: RowDraft, result: ChangedAccount): Record<ChartField, string> {
    const { account, places, ...fields } = result;
    const now = this.placesOf.get(result.id) ?? [];
    const cells = cellsOf({ ...fields, position: 0 }, this.kept, now, this.facts.categoryTree);
    // Numbers of those above as they are now: a parent renumbered is no change of those below it.
    cells.parent = result.parentId === null ? '' : (this.kept.get(result.parentId)?.number ?? this.draftOf.get(result.parentId)?.number ?? '');
    if (places === null || placeTexts === undefined) return cells;
    for (const side of placeSides) {
      const target = places.find((place) => place.side === side)?.target;
      cells[fieldOfSide[side]] = target === undefined ? '' : 'categoryId' in target ? this.pathText(target.categoryId) : target.path.join(' > ');
    }
    return cells;
  }

  /** Without the path that stood in the place of a number. */
  private asKept(account: KeptAccount): KeptAccount {
    return this.facts.numbered ? account : { ...account, number: '' };
  }

  /** From the one above to the top, ended where it comes back to itself. */
  private above(id: number): number[] {
    const ids: number[] = [];
    for (let at = this.parentOf.get(id) ?? null; at !== null && !ids.includes(at) && ids.length <= deepestAccounts; at = this.parentOf.get(at) ?? null)
      ids.push(at);
    return ids;
  }

  private depthOf(id: number): number {
    return this.above(id).length;
  }

  private pathText(categoryId: number): string {
    const node = this.facts.categoryTree.nodes.get(categoryId);
    return node ? pathOf(node).join(' > ') : '';
  }

  private isActive(id: number): boolean {
    return this.draftOf.get(id)?.active ?? this.kept.get(id)?.active ?? true;
  }

  private numberOf(id: number): string {
    return this.draftOf.get(id)?.number ?? this.kept.get(id)?.number ?? '';
  }
}
