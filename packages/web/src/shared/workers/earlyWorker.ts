const begin = () => new Worker(new URL('./previewWorker.ts', import.meta.url), { type: 'module' });
let waiting: Worker | null = null;

/** Begins the worker of the composer that is about to open: its script is read while the page has nothing to do but wait for answers. */
export function beginEarly(): void {
  waiting ??= begin();
}

/** The one that was begun early, once; or another. */
export function takeWorker(): Worker {
  const worker = waiting ?? begin();
  waiting = null;
  return worker;
}

/** Where no composer took it. */
export function endUnused(): void {
  waiting?.terminate();
  waiting = null;
}
