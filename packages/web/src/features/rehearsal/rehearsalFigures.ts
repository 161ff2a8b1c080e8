import type { Company, PlacementView } from '@ivory-ladder/contract';
import type { AccountProposals, PlacedElsewhere, PlacementDraft, PlacementEffect } from '@ivory-ladder/core';
import type { RehearsalAnswer, RehearsalAsked } from '../../shared/workers/rehearsalWorker.ts';

/** What is worked out beside the screen, about the draft that was asked about last; that of the one before stays until then. */
interface Known {
  /** `null` for no draft. */
  readonly effect: PlacementEffect | null;
  /** By account. */
  readonly proposals: ReadonlyMap<number, AccountProposals>;
}

const nothing: Known = { effect: null, proposals: new Map() };

/** The worker of one screen, and what it has answered. Whoever shows a part of it subscribes, so that nothing else is drawn anew. */
export class RehearsalFigures {
  known: Known = nothing;
  private worker: Worker | null = null;
  private number = 0;
  private asked: PlacementDraft | null = null;
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  open(): void {
    this.worker = new Worker(new URL('../../shared/workers/rehearsalWorker.ts', import.meta.url), { type: 'module' });
    this.worker.onmessage = ({ data }: MessageEvent<RehearsalAnswer>) => {
      if (data.number !== this.number) return;
      this.known =
        data.kind === 'effect'
          ? { ...this.known, effect: data.effect }
          : { ...this.known, proposals: new Map(data.proposals.map((one) => [one.accountId, one])) };
      for (const listener of this.listeners) listener();
    };
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.asked = null;
  }

  /** Another placement or other amounts; what was asked is asked anew. */
  hold(view: PlacementView, company: Company): void {
    this.post({ kind: 'ledger', view, company });
    this.askAnew();
  }

  tellElsewhere(placed: readonly PlacedElsewhere[]): void {
    this.post({ kind: 'elsewhere', placed });
    this.askAnew();
  }

  /** At once when a draft is made, before the screen is drawn with it. */
  ask(draft: PlacementDraft): void {
    if (draft === this.asked) return;
    this.asked = draft;
    this.number++;
    this.post({ kind: 'draft', number: this.number, draft });
  }

  private askAnew(): void {
    const draft = this.asked;
    this.asked = null;
    if (draft) this.ask(draft);
  }

  private post(message: RehearsalAsked): void {
    this.worker?.postMessage(message);
  }
}
