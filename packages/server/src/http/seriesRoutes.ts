import { addSeries, changeSeries, deleteSeries, listSeries } from '../application/ledger/index.ts';
import type { Ports } from '../application/ports/index.ts';
import type { On } from './operationRoutes.ts';

/** Series that documents are numbered in. */
export function seriesRoutes(on: On, ports: Ports): void {
  on('listSeries', ({ access }) => listSeries(ports, access));
  on('addSeries', ({ access, body }) => addSeries(ports, access, body));
  on('changeSeries', ({ access, id, body }) => changeSeries(ports, access, id('seriesId'), body));
  on('deleteSeries', ({ access, id }) => deleteSeries(ports, access, id('seriesId')));
}
