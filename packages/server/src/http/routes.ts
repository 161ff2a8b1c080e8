import { describeApi } from '@ivory-ladder/contract';
import { fail, type LayoutOptions, mapOutcome, roles, succeed } from '@ivory-ladder/core';
import { Router } from 'express';
import { addNote, listNotes } from '../application/accountNotes.ts';
import { addCategory, changeCategory, deleteCategory } from '../application/categories.ts';
import { addAccount, changeAccount, deleteAccount, renumberAccounts } from '../application/chart.ts';
import { applyChartFile, exportChart, rehearseChartFile } from '../application/chartFile.ts';
import { createCompany, makeYear, setLayoutOptions, viewCompany, viewLayoutOptions } from '../application/companies.ts';
import { changeSettings } from '../application/companySettings.ts';
import { keepFile, listBroughtIn } from '../application/filesHandedIn.ts';
import { findEvidence } from '../application/findEvidence.ts';
import { mergeAccounts, rehearseMerge } from '../application/mergeAccounts.ts';
import { changePlaces, viewPlacement } from '../application/placement.ts';
import type { HistoryWanted, Ports } from '../application/ports/index.ts';
import { postEntry } from '../application/postEntry.ts';
import { postTrialBalance } from '../application/postTrialBalance.ts';
import { proveStatements } from '../application/proveStatements.ts';
import { rehearseTrialBalance } from '../application/rehearseTrialBalance.ts';
import { runStatement } from '../application/runStatement.ts';
import { viewAccountPeriods } from '../application/viewAccountPeriods.ts';
import { viewChart } from '../application/viewChart.ts';
import { viewHistory } from '../application/viewHistory.ts';
import { listAccountLines, viewEntry } from '../application/viewLines.ts';
import { viewTrialBalance } from '../application/viewTrialBalance.ts';
import * as answers from './answers.ts';
import { operationRoutes } from './operationRoutes.ts';
import { peopleRoutes } from './peopleRoutes.ts';
import { sendProblem } from './problems.ts';

export interface ApiOptions {
  readonly version: string;
  /** Checks every answer against the contract: for tests, since it costs time. */
  readonly checkAnswers: boolean;
  /** Anybody may enter in any role. */
  readonly isDemo: boolean;
}

const mostExported = 10_000;
/** Every operation of the contract, checked on the way in, with failures as problem documents on the way out. */
export function apiRoutes(ports: Ports, { version, checkAnswers, isDemo }: ApiOptions): Router {
  const router = Router();
  const on = operationRoutes(router, checkAnswers);
  peopleRoutes(on, ports, isDemo ? roles : []);
  on('health', async () => ((await ports.isHealthy()) ? succeed({ ok: true as const }) : fail({ code: 'busy' })));
  on('listCompanies', async ({ identity }) => succeed(answers.toCompanies(await ports.companies.list(identity.person.id))));
  on('createCompany', async ({ identity, body }) => mapOutcome(await createCompany(ports, identity, body), answers.toCompany));
  on('getCompany', async ({ access }) => mapOutcome(await viewCompany(ports, access), answers.toCompany));
  on('changeSettings', async ({ access, body }) => mapOutcome(await changeSettings(ports, access, body), answers.toCompany));
  on('makeYear', async ({ access, body }) => {
    const made = await makeYear(ports, access, body.day);
    return made.ok ? mapOutcome(await viewCompany(ports, access), answers.toCompany) : made;
  });
  on('getLayoutOptions', async ({ access }) => mapOutcome(await viewLayoutOptions(ports, access), toOptions));
  on('setLayoutOptions', async ({ access, body: { version: expected, ...options } }) =>
    mapOutcome(await setLayoutOptions(ports, access, options, expected), toOptions),
  );
  on('uploadTrialBalance', async ({ access, query, file }) => mapOutcome(await keepFile(ports, access, query.name, file), (fileId) => ({ fileId })));
  on('rehearseTrialBalance', async ({ access, id, body }) =>
    mapOutcome(await rehearseTrialBalance(ports, access, id('fileId'), body), (rehearsal) => answers.toRehearsal(id('fileId'), rehearsal)),
  );
  on('postTrialBalance', async ({ access, id, body, asked }) =>
    mapOutcome(await postTrialBalance(ports, access, id('fileId'), body, asked), answers.toPosting),
  );
  on('listBroughtIn', async ({ access }) => mapOutcome(await listBroughtIn(ports, access), answers.toBroughtIn));
  on('getChart', async ({ access, query }) => mapOutcome(await viewChart(ports, access, query), answers.toChart));
  on('addAccount', async ({ access, body }) => mapOutcome(await addAccount(ports, access, body), answers.toAccount));
  on('changeAccount', async ({ access, id, body }) => mapOutcome(await changeAccount(ports, access, id('accountId'), body), answers.toAccount));
  on('listNotes', async ({ access, id }) => mapOutcome(await listNotes(ports, access, id('accountId')), answers.toNotes));
  on('addNote', async ({ access, id, body }) => mapOutcome(await addNote(ports, access, id('accountId'), body.content), answers.toNotes));
  on('listAccountPeriods', async ({ access, id }) => mapOutcome(await viewAccountPeriods(ports, access, id('accountId')), answers.toAccountPeriods));
  on('rehearseMerge', async ({ access, id, body: { into, day, from, to } }) =>
    mapOutcome(await rehearseMerge(ports, access, id('accountId'), into, day, { firstDay: from, lastDay: to }), answers.toMergeRehearsal),
  );
  on('mergeAccounts', async ({ access, id, body: { into, ...body }, asked }) =>
    mapOutcome(await mergeAccounts(ports, access, id('accountId'), { intoId: into, ...body }, asked), answers.toPosting),
  );
  on('renumberAccounts', async ({ access, body }) => mapOutcome(await renumberAccounts(ports, access, body.changes), (renumbered) => ({ renumbered })));
  on('exportChart', async ({ access, query }) => exportChart(ports, access, query.kind));
  on('uploadChartFile', async ({ access, query, file }) => mapOutcome(await keepFile(ports, access, query.name, file), (fileId) => ({ fileId })));
  on('rehearseChartFile', async ({ access, id, body: { from, to } }) =>
    mapOutcome(await rehearseChartFile(ports, access, id('fileId'), { firstDay: from, lastDay: to }), answers.toChartRehearsal),
  );
  on('applyChartFile', async ({ access, id, body }) => applyChartFile(ports, access, id('fileId'), body));
  on('deleteAccount', async ({ access, id }) => deleteAccount(ports, access, id('accountId')));
  on('listHistory', async ({ access, query }) =>
    mapOutcome(await viewHistory(ports, access, historyWanted(query, query.before ?? null, query.limit)), ({ events, next }) => ({
      events: [...events],
      next,
    })),
  );
  on('exportHistory', async ({ access, query }) =>
    mapOutcome(await viewHistory(ports, access, historyWanted(query, null, mostExported)), ({ books, events }) =>
      ports.writer.historyToCsv(books.company.name, events),
    ),
  );
  on('getPlacement', async ({ access, query }) => mapOutcome(await viewPlacement(ports, access, query), answers.toPlacement));
  on('setPlaces', async ({ access, body }) => mapOutcome(await changePlaces(ports, access, body.changes), (moved) => ({ moved })));
  on('addCategory', async ({ access, body }) => mapOutcome(await addCategory(ports, access, body), answers.toCategory));
  on('changeCategory', async ({ access, id, body }) => mapOutcome(await changeCategory(ports, access, id('categoryId'), body), answers.toCategory));
  on('deleteCategory', async ({ access, id }) => deleteCategory(ports, access, id('categoryId')));
  on('getTrialBalance', async ({ access, query }) => mapOutcome(await viewTrialBalance(ports, access, query), answers.toTrialBalance));
  on('getStatement', async ({ access, kind, query }) => mapOutcome(await runStatement(ports, access, kind(), query), answers.toStatement));
  on('exportCsv', async ({ access, kind, query }) =>
    mapOutcome(await runStatement(ports, access, kind(), query), (statement) => ports.writer.toCsv(statement)),
  );
  on('exportWorkbook', async ({ access, kind, query }) => {
    const statement = await runStatement(ports, access, kind(), query);
    return statement.ok ? succeed(await ports.writer.toWorkbook(statement.value)) : statement;
  });
  on('getEvidence', async ({ access, kind, query }) => mapOutcome(await findEvidence(ports, access, kind(), query), answers.toEvidence));
  on('getProofs', async ({ access, query }) => mapOutcome(await proveStatements(ports, access, query), ({ books, proofs }) => answers.toProofs(books, proofs)));
  on('listAccountLines', async ({ access, query: { account, from = null, to = null, sort, after = null, limit } }) =>
    mapOutcome(await listAccountLines(ports, access, { accountId: account, from, to, sort, after, limit }), answers.toAccountLines),
  );
  on('getEntry', async ({ access, id }) => mapOutcome(await viewEntry(ports, access, id('entryId')), answers.toEntry));
  on('postEntry', async ({ access, body, asked }) => {
    const lines = body.lines.map((line) => ({ ...line, debit: BigInt(line.debit), credit: BigInt(line.credit) }));
    return mapOutcome(await postEntry(ports, access, { ...body, lines }, asked), ({ entryId, documentNumber, revision }) => ({
      entryId,
      documentNumber,
      revision,
    }));
  });

  const description = describeApi(version);
  router.get('/openapi.json', (_request, response) => void response.json(description));
  router.use((_request, response) => sendProblem(response, { code: 'route_unknown' }));
  return router;
}

type HistoryQuery = Partial<Pick<HistoryWanted, 'thing' | 'thingId' | 'actor' | 'from' | 'to'>>;

const historyWanted = (
  { thing = null, thingId = null, actor = null, from = null, to = null }: { [Key in keyof HistoryQuery]: HistoryQuery[Key] | undefined },
  before: number | null,
  limit: number,
): HistoryWanted => ({ thing, thingId, actor, from, to, before, limit });

const toOptions = ({ options: { subtotalsOff, result }, version }: { options: LayoutOptions; version: number }) => ({
  subtotalsOff: [...subtotalsOff],
  result,
  version,
});
