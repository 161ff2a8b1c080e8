import type { Company, PlacementView } from '@ivory-ladder/contract';
import type { AccountProposals, PlacedElsewhere, PlacementDraft, PlacementEffect } from '@ivory-ladder/core';
import { readEffect } from '../../shared/workers/effectText.ts';
import type { RehearsalAnswer, RehearsalAsked } from '../../shared/workers/rehearsalWorker.ts';
import { awaitAnswer, shareAnswer } from '../../shared/workers/sharedAnswer.ts';

/** What is worked out beside the screen, about the draft that was asked about last; that of the one before stays until then. */
interface Known {
  /** `null` for no draft. */
  readonly effect: PlacementEffect | null;
  /** By account. */
  readonly proposals: ReadonlyMap<number, AccountProposals>;
}

const nothing: Known = { effect: null, proposals: new Map() };

/** Milliseconds that the page waits for the figures of a move before it paints it. */
const mostWaited = 2;

/** The worker of one screen, and what it has answered. Whoever shows a part of it subscribes, so that nothing else is drawn anew. */
export class RehearsalFigures {
  known: Known = nothing;
  private worker: Worker | null = null;
  private number = 0;
  private shared: SharedArrayBuffer | null = null;
  /** The number whose effect was heard. */
  private heard = 0;
  private asked: PlacementDraft | null = null;
  private readonly listeners = new Set<() => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  open(): void {
    this.worker = new Worker(new URL('../../shared/workers/rehearsalWorker.ts', import.meta.url), { type: 'module' });
    this.worker.onmessage = ({ data }: MessageEvent<RehearsalAnswer>) => this.hear(data);
    this.shared = shareAnswer();
    if (this.shared) this.post({ kind: 'shared', memory: this.shared });
  }

  private hear(answer: RehearsalAnswer): void {
    if (answer.number !== this.number) return;
    if (answer.kind === 'effect') {
      if (this.heard === answer.number) return;
      this.heard = answer.number;
    }
    this.known =
      answer.kind === 'effect'
        ? { ...this.known, effect: answer.effect }
        : { ...this.known, proposals: new Map(answer.proposals.map((one) => [one.accountId, one])) };
    for (const listener of this.listeners) listener();
  }

  /** The effect of what was asked last, where it is there, or there within a moment: its message would be heard only after the screen is painted. */
  hearEarly(): void {
    if (!this.shared || this.heard === this.number) return;
    const effect = awaitAnswer(this.shared, this.number, mostWaited);
    if (effect !== null) this.hear({ kind: 'effect', number: this.number, effect: readEffect(effect) });
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
