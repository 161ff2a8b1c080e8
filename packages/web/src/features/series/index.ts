export { SeriesChoice } from './SeriesChoice.tsx';
export { SeriesDialog } from './SeriesDialog.tsx';
