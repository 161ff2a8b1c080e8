import { useEffect, useState } from 'react';
import type { BudgetDraft } from './budgetModel.ts';

export interface DraftSteps {
  readonly draft: BudgetDraft;
  /** What the last step did, if there is one to take back. */
  readonly last: string | null;
  /** `change` begins from the draft itself: what was drawn last may be a change behind. */
  take(change: (draft: BudgetDraft) => BudgetDraft, what: string): void;
  undo(): void;
  clear(): void;
}

interface Step {
  readonly draft: BudgetDraft;
  readonly what: string;
}

const mostSteps = 50;

/** What was typed and not saved, step by step; it keeps itself in this browser, so that nothing is lost with the page. */
export function useBudgetDraft(key: string): DraftSteps {
  const [steps, setSteps] = useState<readonly Step[]>(() => {
    const kept = read(key);
    return kept.size === 0 ? [] : [{ draft: kept, what: 'what was typed here before' }];
  });
  const draft = steps.at(-1)?.draft ?? nothing;
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
    last: steps.at(-1)?.what ?? null,
    take: (change, what) => setSteps((before) => [...before.slice(1 - mostSteps), { draft: change(before.at(-1)?.draft ?? nothing), what }]),
    undo: () => setSteps((before) => before.slice(0, -1)),
    clear: () => setSteps([]),
  };
}

const nothing: BudgetDraft = new Map();

function read(key: string): BudgetDraft {
  try {
    const cells = JSON.parse(localStorage.getItem(key) ?? '[]') as unknown;
    return new Map((Array.isArray(cells) ? (cells as [string, string][]) : []).map(([cell, amount]) => [cell, BigInt(amount)]));
  } catch {
    return nothing;
  }
}
