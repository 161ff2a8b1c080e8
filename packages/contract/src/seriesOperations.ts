import type { Operation } from './operation.ts';
import { seriesChange, seriesInput, seriesList } from './series.ts';

/** Series that documents are numbered in. */
export const seriesOperations = {
  listSeries: { needs: 'see', method: 'get', path: '/companies/{companyId}/series', summary: 'Document series with their next numbers', answer: seriesList },
  addSeries: {
    needs: 'prepare_entries',
    method: 'post',
    path: '/companies/{companyId}/series',
    summary: 'Begin a document series',
    body: seriesInput,
    answer: seriesList,
    status: 201,
  },
  changeSeries: {
    needs: 'prepare_entries',
    method: 'patch',
    path: '/companies/{companyId}/series/{seriesId}',
    summary: 'Rename a series, or end and take up its use',
    body: seriesChange,
    answer: seriesList,
  },
  deleteSeries: {
    needs: 'prepare_entries',
    method: 'delete',
    path: '/companies/{companyId}/series/{seriesId}',
    summary: 'Delete a series that no document is numbered in',
    answer: 'none',
  },
} as const satisfies Record<string, Operation>;
