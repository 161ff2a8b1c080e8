import { describeApi } from '@ivory-ladder/contract';
import { fail, roles, succeed } from '@ivory-ladder/core';
import { Router } from 'express';
import type { Ports } from '../application/ports/index.ts';
import { budgetRoutes } from './budgetRoutes.ts';
import { chartRoutes } from './chartRoutes.ts';
import { companyRoutes } from './companyRoutes.ts';
import { journalRoutes } from './journalRoutes.ts';
import { layoutRoutes } from './layoutRoutes.ts';
import { ledgerRoutes } from './ledgerRoutes.ts';
import { operationRoutes } from './operationRoutes.ts';
import { originOf } from './origin.ts';
import { peopleRoutes } from './peopleRoutes.ts';
import { placementRoutes } from './placementRoutes.ts';
import { sendProblem } from './problems.ts';
import { rateRoutes } from './rateRoutes.ts';
import { seriesRoutes } from './seriesRoutes.ts';
import { setRoutes } from './setRoutes.ts';
import { statementRoutes } from './statementRoutes.ts';

export interface ApiOptions {
  readonly version: string;
  /** Checks every answer against the contract: for tests, since it costs time. */
  readonly checkAnswers: boolean;
  /** Anybody may enter in any role. */
  readonly isDemo: boolean;
}

/** Every operation of the contract, checked on the way in, with failures as problem documents on the way out. */
export function apiRoutes(ports: Ports, { version, checkAnswers, isDemo }: ApiOptions): Router {
  const router = Router();
  const on = operationRoutes(router, checkAnswers, (operation, { identity, access, request }) =>
    ports.accessLog.note({
      kind: 'exported',
      actorId: identity?.person.id ?? null,
      personId: null,
      companyId: access?.companyId ?? null,
      origin: originOf(request),
      facts: { operation, path: request.path.slice(0, 300) },
    }),
  );
  peopleRoutes(on, ports, isDemo ? roles : []);
  on('health', async () => ((await ports.isHealthy()) ? succeed({ ok: true as const }) : fail({ code: 'busy' })));
  for (const routes of [
    companyRoutes,
    chartRoutes,
    placementRoutes,
    ledgerRoutes,
    journalRoutes,
    budgetRoutes,
    rateRoutes,
    seriesRoutes,
    statementRoutes,
    layoutRoutes,
    setRoutes,
  ])
    routes(on, ports);

  const description = describeApi(version);
  router.get('/openapi.json', (_request, response) => void response.json(description));
  router.use((_request, response) => sendProblem(response, { code: 'route_unknown' }));
  return router;
}
