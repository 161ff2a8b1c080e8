import type { StatementQuery } from '@ivory-ladder/contract';
import { type LayoutOptions, mapOutcome } from '@ivory-ladder/core';
import { checkLayoutOptions, setLayoutOptions, viewLayoutOptions } from '../application/companies/index.ts';
import type { Ports } from '../application/ports/index.ts';
import { documentOf, exportWorkbook, findEvidence, giveVectors, proveStatements, runStatement } from '../application/statements/index.ts';
import { toEffect } from './chartAnswers.ts';
import type { On } from './operationRoutes.ts';
import * as answers from './statementAnswers.ts';

/** Statements, what their figures are made of, and the proofs. */
export function statementRoutes(on: On, ports: Ports): void {
  on('getLayoutOptions', async ({ access }) => mapOutcome(await viewLayoutOptions(ports, access), toOptions));
  on('checkLayoutOptions', async ({ access, body: { options, from, to } }) =>
    mapOutcome(await checkLayoutOptions(ports, access, options, { firstDay: from, lastDay: to }), toEffect),
  );
  on('setLayoutOptions', async ({ access, body: { version: expected, ...options } }) =>
    mapOutcome(await setLayoutOptions(ports, access, options, expected), toOptions),
  );
  on('getStatement', async ({ access, kind, query }) =>
    mapOutcome(await runStatement(ports, access, kind(), presented(query)), (ran) => answers.toStatement(documentOf(ran))),
  );
  on('exportCsv', async ({ access, kind, query }) =>
    mapOutcome(await runStatement(ports, access, kind(), { ...presented(query), withAccounts: true }), (ran) => ports.writer.toCsv(documentOf(ran))),
  );
  on('getVectors', ({ access, body }) => giveVectors(ports, access, body));
  on('exportDocument', async ({ access, kind, query }) =>
    mapOutcome(await runStatement(ports, access, kind(), { ...presented(query), withAccounts: true }), (ran) => ports.writer.toJson(documentOf(ran))),
  );
  on('exportWorkbook', ({ access, kind, query }) => exportWorkbook(ports, access, kind(), presented(query)));
  on('getEvidence', async ({ access, kind, query }) => mapOutcome(await findEvidence(ports, access, kind(), presented(query)), answers.toEvidence));
  on('getProofs', async ({ access, query }) => mapOutcome(await proveStatements(ports, access, query), ({ books, proofs }) => answers.toProofs(books, proofs)));
}

const toOptions = ({ options: { subtotalsOff, ...options }, version }: { options: LayoutOptions; version: number }) => ({
  subtotalsOff: [...subtotalsOff],
  ...options,
  version,
});

/** In the currency that is asked for. */
function presented<Query extends Pick<StatementQuery, 'currency' | 'translation'>>({ currency, translation, ...query }: Query) {
  return { ...query, presentation: currency === undefined ? undefined : { currency, method: translation } };
}
