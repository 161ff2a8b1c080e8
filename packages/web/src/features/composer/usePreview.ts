import { useSyncExternalStore } from 'react';
import type { PreviewRest } from '../../shared/workers/previewWorker.ts';
import type { PreviewFigures, PreviewKnown } from './PreviewFigures.ts';

/** The rows of the layout as they were worked out last. */
export function usePreviewRows(figures: PreviewFigures): Pick<PreviewKnown, 'rows' | 'columns' | 'scale'> | null {
  return useSyncExternalStore(figures.subscribe, () => figures.rows);
}

/** Why there are no figures for the columns; `null` where there are. */
export function usePreviewRefused(figures: PreviewFigures): unknown {
  return useSyncExternalStore(figures.subscribe, () => figures.refused);
}

/** Its coverage and the figures of all lines, which come a moment after the rows. */
export function usePreviewRest(figures: PreviewFigures): PreviewRest | null {
  return useSyncExternalStore(figures.subscribe, () => figures.rest);
}
