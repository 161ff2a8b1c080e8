import type { PreviewAsked, PreviewChart } from './previewWorker.ts';

const begin = () => new Worker(new URL('./previewWorker.ts', import.meta.url), { type: 'module' });
let waiting: Worker | null = null;
let held: PreviewChart | null = null;

/** Begins the worker of the composer that is about to open: its script is read while the page has nothing to do but wait for answers. */
export function beginEarly(): void {
  waiting ??= begin();
}

/** Gives it the chart as soon as that is there: it makes it ready while the screen is drawn. */
export function holdEarly(chart: PreviewChart): void {
  if (!waiting) return;
  held = chart;
  waiting.postMessage({ kind: 'chart', ...chart } satisfies PreviewAsked);
}

/** The one that was begun early, once, with the chart that it has; or another. */
export function takeWorker(): { readonly worker: Worker; readonly held: PreviewChart | null } {
  const taken = { worker: waiting ?? begin(), held };
  [waiting, held] = [null, null];
  return taken;
}

/** Where no composer took it. */
export function endUnused(): void {
  waiting?.terminate();
  [waiting, held] = [null, null];
}
