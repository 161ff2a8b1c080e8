import { describeApi, operations } from '@ivory-ladder/contract';
import { fail, mapOutcome, type Outcome, roles, succeed } from '@ivory-ladder/core';
import { Router } from 'express';
import type { Failure } from '../application/failure.ts';
import { withLastChange } from '../application/history/index.ts';
import type { Ports, WrittenFile } from '../application/ports/index.ts';
import { budgetRoutes } from './budgetRoutes.ts';
import { chartRoutes } from './chartRoutes.ts';
import { companyRoutes } from './companyRoutes.ts';
import { journalRoutes } from './journalRoutes.ts';
import { layoutRoutes } from './layoutRoutes.ts';
import { ledgerRoutes } from './ledgerRoutes.ts';
import { callOf, type On, operationRoutes } from './operationRoutes.ts';
import { originOf } from './origin.ts';
import { peopleRoutes } from './peopleRoutes.ts';
import { PersonTurns } from './personTurns.ts';
import { placementRoutes } from './placementRoutes.ts';
import type { AnswerElsewhere, PlainAnswer, PlainCall } from './plainCall.ts';
import { sendProblem } from './problems.ts';
import { rateRoutes } from './rateRoutes.ts';
import { seriesRoutes } from './seriesRoutes.ts';
import { setRoutes } from './setRoutes.ts';
import { statementRoutes } from './statementRoutes.ts';

export interface ApiOptions {
  readonly version: string;
  /** Checks every answer against the contract: for tests, since it costs time. */
  readonly checkAnswers: boolean;
  /** Where calls that take long are answered; `null`: here. */
  readonly elsewhere: AnswerElsewhere | null;
  /** Of what is heavy, by one person; 0: as much as there comes. */
  readonly mostHeavyAMinute: number;
  /** Anybody may enter in any role. */
  readonly isDemo: boolean;
}

const ofCompanies = [
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
];

/** Answers calls that came as plain data, in a thread of their own. */
export function plainAnswers(ports: Ports): (call: PlainCall) => Promise<Outcome<PlainAnswer, Failure>> {
  const handlers = new Map<string, (call: never) => Promise<Outcome<unknown, Failure>>>();
  const on: On = (name, handle) => void handlers.set(name, handle as (call: never) => Promise<Outcome<unknown, Failure>>);
  for (const routes of ofCompanies) routes(on, ports);
  return async (call) => {
    const handle = handlers.get(call.name);
    if (!handle) throw new Error(`nobody answers ${call.name}`);
    const outcome = await handle(callOf(call) as never);
    return mapOutcome(outcome, (value) =>
      operations[call.name].answer === 'file' ? { file: value as WrittenFile } : { json: new TextEncoder().encode(JSON.stringify(value)) },
    );
  };
}

/** Every operation of the contract, checked on the way in, with failures as problem documents on the way out. */
export function apiRoutes(ports: Ports, { version, checkAnswers, isDemo, elsewhere, mostHeavyAMinute }: ApiOptions): Router {
  const router = Router();
  const exported: Parameters<typeof operationRoutes>[1]['exported'] = (operation, { identity, access, request }) =>
    ports.accessLog.note({
      kind: 'exported',
      actorId: identity?.person.id ?? null,
      personId: null,
      companyId: access?.companyId ?? null,
      origin: originOf(request),
      facts: { operation, path: request.path.slice(0, 300) },
    });
  const told: Parameters<typeof operationRoutes>[1]['told'] = async (failure, access) =>
    failure.code === 'version_conflict' && access ? withLastChange(ports, access.companyId, failure) : failure;
  const on = operationRoutes(router, { checkAnswers, exported, elsewhere, turns: new PersonTurns(mostHeavyAMinute), told });
  peopleRoutes(on, ports, isDemo ? roles : []);
  on('health', async () => ((await ports.isHealthy()) ? succeed({ ok: true as const }) : fail({ code: 'busy' })));
  for (const routes of ofCompanies) routes(on, ports);

  const description = describeApi(version);
  router.get('/openapi.json', (_request, response) => void response.json(description));
  router.use((_request, response) => sendProblem(response, { code: 'route_unknown' }));
  return router;
}
