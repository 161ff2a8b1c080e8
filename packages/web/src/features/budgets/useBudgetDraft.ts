import { useCallback, useEffect, useState } from 'react';
import { beginSteps, stepped, steppedBack, steppedForth, type UndoSteps } from '../../shared/state/undoSteps.ts';
import type { BudgetDraft } from './budgetModel.ts';

export interface DraftSteps {
  readonly draft: BudgetDraft;
  /** What a step back or forth is called; `null`: there is none. */
  readonly undoName: string | null;
  readonly redoName: string | null;
  /** `change` begins from the draft itself: what was drawn last may be a change behind. */
  take(change: (draft: BudgetDraft) => BudgetDraft, what: string): void;
  undo(): void;
  redo(): void;
  clear(): void;
}

/** What was typed and not saved, step by step; it keeps itself in this browser, so that nothing is lost with the page. */
export function useBudgetDraft(key: string): DraftSteps {
  const [steps, setSteps] = useState(() => {
    const kept = read(key);
    return kept.size === 0 ? begun : stepped(begun, kept, 'what was typed here before');
  });
  const draft = steps.now;
  useEffect(() => {
    try {
      if (draft.size === 0) localStorage.removeItem(key);
      else localStorage.setItem(key, JSON.stringify([...draft].map(([cell, amount]) => [cell, amount.toString()])));
    } catch {
      // A browser that keeps nothing: the draft lives as long as the page.
    }
  }, [key, draft]);
  return {
    draft,
    undoName: steps.past.at(-1)?.name ?? null,
    redoName: steps.future.at(-1)?.name ?? null,
    take: (change, what) => setSteps((before) => stepped(before, change(before.now), what)),
    undo: useCallback(() => setSteps(steppedBack), []),
    redo: useCallback(() => setSteps(steppedForth), []),
    clear: () => setSteps(begun),
  };
}

const nothing: BudgetDraft = new Map();
const begun: UndoSteps<BudgetDraft> = beginSteps(nothing);

function read(key: string): BudgetDraft {
  try {
    const cells = JSON.parse(localStorage.getItem(key) ?? '[]') as unknown;
    return new Map((Array.isArray(cells) ? (cells as [string, string][]) : []).map(([cell, amount]) => [cell, BigInt(amount)]));
  } catch {
    return nothing;
  }
}
