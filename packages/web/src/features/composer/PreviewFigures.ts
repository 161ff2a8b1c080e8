import type { CodeListBody, LayoutFigures, PlacementView } from '@ivory-ladder/contract';
import type { CaptionLanguage, DigitOrder, OwnLayout } from '@ivory-ladder/core';
import type { PreviewAnswer, PreviewAsked } from '../../workers/previewWorker.ts';
import { reuseRows } from './reuseRows.ts';

/** The worker of one composer, and what it said of the layout that it was asked about last. Whoever shows a part of it subscribes. */
export class PreviewFigures {
  known: PreviewAnswer | null = null;
  private worker: Worker | null = null;
  private number = 0;
  private asides = 0;
  private asked: { readonly layout: OwnLayout; readonly zero: boolean; readonly leftOut: readonly number[] } | null = null;
  private readonly listeners = new Set<() => void>();
  /** Asked for beside it, by their numbers. */
  private readonly others = new Map<number, (answer: PreviewAnswer) => void>();

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => void this.listeners.delete(listener);
  };

  open(): void {
    this.worker = new Worker(new URL('../../workers/previewWorker.ts', import.meta.url), { type: 'module' });
    this.worker.onmessage = ({ data }: MessageEvent<PreviewAnswer>) => {
      this.others.get(data.number)?.(data);
      this.others.delete(data.number);
      if (data.number !== this.number) return;
      this.known = { ...data, rows: reuseRows(this.known?.rows ?? [], data.rows) };
      for (const listener of this.listeners) listener();
    };
  }

  close(): void {
    this.worker?.terminate();
    this.worker = null;
    this.asked = null;
  }

  hold(view: PlacementView, order: DigitOrder, language: CaptionLanguage, lists: readonly CodeListBody[], exponent: number): void {
    this.post({ kind: 'chart', view, order, language, lists, exponent });
  }

  holdFigures(facets: string, figures: LayoutFigures): void {
    this.post({ kind: 'figures', facets, figures });
  }

  /** At once when a layout is made, before the screen is drawn with it. */
  ask(layout: OwnLayout, zero: boolean, leftOut: readonly number[]): void {
    if (this.asked?.layout === layout && this.asked.zero === zero && this.asked.leftOut === leftOut) return;
    this.asked = { layout, zero, leftOut };
    this.number++;
    this.post({ kind: 'layout', number: this.number, layout, zero, leftOut });
  }

  /** The rows of another layout over the same figures. */
  async rowsOf(layout: OwnLayout): Promise<PreviewAnswer['rows']> {
    const number = -1 - this.asides++;
    const answer = await new Promise<PreviewAnswer>((resolve) => {
      this.others.set(number, resolve);
      this.post({ kind: 'layout', number, layout, zero: false, leftOut: [] });
    });
    return answer.rows;
  }

  private post(message: PreviewAsked): void {
    this.worker?.postMessage(message);
  }
}
