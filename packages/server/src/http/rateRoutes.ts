import { mapOutcome } from '@ivory-ladder/core';
import type { Ports } from '../application/ports/index.ts';
import { listRates, readRateFile, setRates } from '../application/rates/index.ts';
import type { On } from './operationRoutes.ts';

/** Exchange rates of a company's currency. */
export function rateRoutes(on: On, ports: Ports): void {
  on('listRates', async ({ access }) => mapOutcome(await listRates(ports, access), (rates) => ({ rates })));
  on('setRates', async ({ access, body }) => mapOutcome(await setRates(ports, access, body.set), (rates) => ({ rates })));
  on('readRateFile', async ({ access, query, file }) =>
    mapOutcome(await readRateFile(ports, access, { name: query.name, content: file }), ({ rates, faults }) => ({ rates: [...rates], faults: [...faults] })),
  );
}
