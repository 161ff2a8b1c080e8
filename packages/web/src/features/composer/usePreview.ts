import { useSyncExternalStore } from 'react';
import type { PreviewAnswer } from '../../workers/previewWorker.ts';
import type { PreviewFigures } from './PreviewFigures.ts';

/** What was worked out of the layout last. */
export function usePreview(figures: PreviewFigures): PreviewAnswer | null {
  return useSyncExternalStore(figures.subscribe, () => figures.known);
}
