import type { StatementBody, StatementRowBody } from '@ivory-ladder/contract';
import type { DefinitionNeed, OwnLayout, ScaleUnit } from '@ivory-ladder/core';
import { takeWorker } from '../../shared/workers/earlyWorker.ts';
import { sentLayout } from '../../shared/workers/layoutSent.ts';
import type { PreviewRow } from '../../shared/workers/previewRow.ts';
import type { PreviewAcross, PreviewAnswer, PreviewAsked, PreviewChart, PreviewRest, RowSent } from '../../shared/workers/previewWorker.ts';
import { awaitAnswer, shareAnswer } from '../../shared/workers/sharedAnswer.ts';

/** What is known of the layout that was asked about last; what of it is not known yet is of the one before. */
export interface PreviewKnown extends PreviewRest {
  readonly rows: readonly PreviewRow[];
  readonly columns: StatementBody['columns'];
  /** What the rows are printed in. */
  readonly scale: ScaleUnit;
}

/** Where the worker has from what it cannot know by itself. */
export interface PreviewSources {
  /** `null`: it is not there. */
  definition(need: DefinitionNeed): Promise<unknown>;
  /** Somebody posted, or changed the chart, since it was read. */
  movedOn(): void;
}

/** Milliseconds that the page waits for an answer before it paints an edit. */
const mostWaited = 3;

/** The worker of one composer, and what it said. Whoever shows a part of it subscribes, so that nothing else is drawn anew. */
export class PreviewFigures {
  rows: Pick<PreviewKnown, 'rows' | 'columns' | 'scale'> | null = null;
  rest: PreviewRest | null = null;
  /** Why there are no figures for the columns that were asked for last. */
  refused: unknown = null;
  private columnsText = '';
  private worker: Worker | null = null;
  /** What the worker had before it was taken. */
  private held: PreviewChart | null = null;
  private number = 0;
  private asides = 0;
  private shared: SharedArrayBuffer | null = null;
  /** How many answers to the layout that is composed were heard. */
  private heard = 0;
  private sources: PreviewSources | null = null;
  private asked: { readonly layout: OwnLayout; readonly leftOut: readonly number[] } | null = null;
  private readonly listeners = new Set<() => void>();
  /** Asked for beside it, by their numbers. */
  private readonly others = new Map<number, (rows: readonly StatementRowBody[]) => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  open(sources: PreviewSources): void {
    this.sources = sources;
    const { worker, held } = takeWorker();
    this.worker = worker;
    this.held = held;
    this.worker.onmessage = ({ data }: MessageEvent<PreviewAnswer>) => this.hear(data);
    this.heard = 0;
    this.shared = shareAnswer();
    if (this.shared) this.post({ kind: 'shared', memory: this.shared });
  }

  private hear(answer: PreviewAnswer): void {
    if (answer.kind === 'missing') {
      for (const need of answer.definitions) void this.define(need);
      return;
    }
    if (answer.kind === 'refused') {
      const { failure } = answer;
      const { code, ...facts } = failure;
      if (code === 'ledger_moved_on') this.sources?.movedOn();
      else this.refuse('facts' in failure ? failure : { code, facts });
      return;
    }
    if (answer.kind === 'rest') {
      if (answer.number !== this.number) return;
      this.rest = answer;
    } else {
      const other = this.others.get(answer.number);
      if (other) {
        this.others.delete(answer.number);
        other(this.received(answer.rows));
        return;
      }
      // Rows stand by those of the answer before, so that every answer is taken, in its order and once.
      if (answer.place <= this.heard) return;
      this.heard = answer.place;
      const columns = this.rows && this.columnsText === answer.columns ? this.rows.columns : (JSON.parse(answer.columns) as StatementBody['columns']);
      this.columnsText = answer.columns;
      this.rows = { columns, rows: this.received(answer.rows), scale: answer.scale };
      this.refused = null;
    }
    for (const listener of this.listeners) listener();
  }

  private async define(need: DefinitionNeed): Promise<void> {
    const definition = await this.sources?.definition(need);
    this.post({ kind: 'definition', need, definition: definition ?? null });
  }

  private received(sent: readonly RowSent[]): PreviewRow[] {
    const before = this.rows?.rows ?? [];
    return sent.map((row) => (typeof row === 'number' ? (before[row] as PreviewRow) : row));
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.sources = null;
    this.asked = null;
    this.rows = null;
  }

  hold(chart: PreviewChart): void {
    const { held } = this;
    this.held = null;
    const { view, company, lists, classificationId } = chart;
    if (held?.view === view && held.company === company && held.lists === lists && held.classificationId === classificationId) return;
    this.post({ kind: 'chart', view, company, lists, classificationId });
  }

  printIn(unit: ScaleUnit): void {
    this.post({ kind: 'scale', unit });
  }

  runOver(across: PreviewAcross): void {
    this.post({ kind: 'across', across });
  }

  refuse(failure: unknown): void {
    this.refused = failure;
    for (const listener of this.listeners) listener();
  }

  /** The next answer where it is there, or there within a moment: its message would be heard only after the screen is painted, which takes longer. */
  hearEarly(): void {
    const answer = this.shared && awaitAnswer(this.shared, this.heard + 1, mostWaited);
    if (answer !== null) this.hear(JSON.parse(answer) as PreviewAnswer);
  }

  /** At once when a layout is made, before the screen is drawn with it; `false` where it was asked for before. */
  ask(layout: OwnLayout, leftOut: readonly number[]): boolean {
    if (this.asked?.layout === layout && this.asked.leftOut === leftOut) return false;
    const sent = sentLayout(layout, this.asked?.layout ?? null);
    this.asked = { layout, leftOut };
    this.number++;
    this.post({ kind: 'layout', number: this.number, sent, leftOut });
    return true;
  }

  /** The rows of another layout over the same figures. */
  rowsOf(layout: OwnLayout): Promise<readonly StatementRowBody[]> {
    const number = -1 - this.asides++;
    return new Promise((resolve) => {
      this.others.set(number, resolve);
      this.post({ kind: 'aside', number, layout });
    });
  }

  private post(message: PreviewAsked): void {
    this.worker?.postMessage(message);
  }
}
