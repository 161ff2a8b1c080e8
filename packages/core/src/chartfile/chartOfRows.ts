import { accountsByNumber, referenceKey } from '../chart/accountReference.ts';
import { deepestAccounts } from '../chart/checkAccount.ts';
import { type Element, naturalSide } from '../chart/element.ts';
import type { KeptAccount } from './chartCells.ts';
import type { RowDraft } from './draftRows.ts';
import { faultIn } from './rowFault.ts';

/** The chart as it would stand with all rows applied: which account each row is, what is above it, of which element it is. */
export class ChartOfRows {
  readonly kept: ReadonlyMap<number, KeptAccount>;
  readonly draftOf: ReadonlyMap<number, RowDraft>;
  readonly parentOf = new Map<number, number | null>();
  readonly elementOf = new Map<number, Element>();

  constructor(
    readonly drafts: readonly RowDraft[],
    readonly accounts: readonly KeptAccount[],
  ) {
    this.kept = new Map(accounts.map((account) => [account.id, account]));
    this.draftOf = new Map(drafts.map((draft) => [draft.id, draft]));
    this.settleParents();
    this.settleElements();
  }

  /** The one above is named by its number as the chart has it, or as the file gives it to a new account. */
  private settleParents(): void {
    const byNumber = new Map<string, { readonly id: number }>([...accountsByNumber(this.drafts), ...accountsByNumber(this.accounts)]);
    for (const account of this.accounts) this.parentOf.set(account.id, account.parentId);
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
    for (const account of this.accounts) this.elementOf.set(account.id, account.element);
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

  /** From the one above to the top, ended where it comes back to itself. */
  above(id: number): number[] {
    const ids: number[] = [];
    for (let at = this.parentOf.get(id) ?? null; at !== null && !ids.includes(at) && ids.length <= deepestAccounts; at = this.parentOf.get(at) ?? null)
      ids.push(at);
    return ids;
  }

  depthOf(id: number): number {
    return this.above(id).length;
  }

  isActive(id: number): boolean {
    return this.draftOf.get(id)?.active ?? this.kept.get(id)?.active ?? true;
  }

  numberOf(id: number): string {
    return this.draftOf.get(id)?.number ?? this.kept.get(id)?.number ?? '';
  }
}
