import { createHash } from 'node:crypto';
import { describeApi, type Operation, type OperationName, operations, statementKind } from '@ivory-ladder/contract';
import { fail, type LayoutKind, type Outcome, succeed } from '@ivory-ladder/core';
import { json, type Request, type Response, Router, raw } from 'express';
import { z } from 'zod';
import { addCategory, changeCategory, deleteCategory } from '../application/categories.ts';
import { addAccount, changeAccount, deleteAccount, renumberAccounts } from '../application/chart.ts';
import { createCompany, makeYear, setLayoutOptions, viewCompany } from '../application/companies.ts';
import type { Failure } from '../application/failure.ts';
import { findEvidence } from '../application/findEvidence.ts';
import { largestUploadBytes } from '../application/limits.ts';
import { openBooks } from '../application/openBooks.ts';
import { changePlaces, viewPlacement } from '../application/placement.ts';
import type { Request as Asked, Ports, WrittenFile } from '../application/ports/index.ts';
import { postEntry } from '../application/postEntry.ts';
import { postTrialBalance } from '../application/postTrialBalance.ts';
import { proveStatements } from '../application/proveStatements.ts';
import { rehearseTrialBalance } from '../application/rehearseTrialBalance.ts';
import { runStatement } from '../application/runStatement.ts';
import { viewChart } from '../application/viewChart.ts';
import { viewHistory } from '../application/viewHistory.ts';
import { viewTrialBalance } from '../application/viewTrialBalance.ts';
import * as answers from './answers.ts';
import { sendProblem } from './problems.ts';

export interface ApiOptions {
  readonly version: string;
  /** Checks every answer against the contract: for tests, since it costs time. */
  readonly checkAnswers: boolean;
}

type QueryOf<Name extends OperationName> = (typeof operations)[Name] extends { query: infer Query extends z.ZodType } ? z.output<Query> : undefined;
type BodyOf<Name extends OperationName> = (typeof operations)[Name] extends { body: infer Body extends z.ZodType } ? z.output<Body> : undefined;
type AnswerOf<Name extends OperationName> = (typeof operations)[Name] extends { answer: infer Answer extends z.ZodType }
  ? z.output<Answer>
  : WrittenFile | null;

interface Call<Name extends OperationName> {
  readonly query: QueryOf<Name>;
  readonly body: BodyOf<Name>;
  readonly file: Buffer;
  readonly asked: Asked;
  /** A path parameter that is a whole number. */
  id(parameter: string): number;
  kind(): LayoutKind;
}

const idempotencyKey = z.string().min(1).max(100).optional();
const mostExported = 10_000;
const wholeNumber = z.coerce.number().int().positive();
/** Until people sign in, everything is done by the one who prepares the accounts. */
const actor = 'Preparer';

/** Every operation of the contract, checked on the way in, with failures as problem documents on the way out. */
export function apiRoutes(ports: Ports, { version, checkAnswers }: ApiOptions): Router {
  const router = Router();
  const readJson = json({ limit: '20mb' });
  const on = <Name extends OperationName>(name: Name, handle: (call: Call<Name>) => Promise<Outcome<AnswerOf<Name>, Failure>>): void => {
    const operation: Operation = operations[name];
    const path = operation.path.replaceAll(/\{(\w+)\}/g, ':$1');
    const answer = async (request: Request, response: Response): Promise<void> => {
      const outcome = await handle(readCall<Name>(name, operation, request));
      if (!outcome.ok) return sendProblem(response, outcome.failure);
      response.setHeader('Cache-Control', 'no-store');
      if (operation.answer === 'none') return void response.status(204).end();
      if (operation.answer === 'file') {
        const file = outcome.value as WrittenFile;
        response.setHeader('Content-Disposition', `attachment; filename*=UTF-8''${encodeURIComponent(file.name)}`);
        return void response.type(file.type).send(file.content);
      }
      const body = checkAnswers ? operation.answer.parse(outcome.value) : outcome.value;
      response.status(operation.status ?? 200).json(body);
    };
    const readers = operation.takesFile ? [raw({ type: () => true, limit: largestUploadBytes })] : operation.body ? [readJson] : [];
    router[operation.method](path, ...readers, answer);
  };

  on('health', async () => ((await ports.isHealthy()) ? succeed({ ok: true as const }) : fail({ code: 'busy' })));
  on('listCompanies', async () => succeed(answers.toCompanies(await ports.companies.list())));
  on('createCompany', async ({ body }) => map(await createCompany(ports, body, actor), answers.toCompany));
  on('getCompany', async ({ id }) => map(await viewCompany(ports, id('companyId')), answers.toCompany));
  on('makeYear', async ({ id, body }) => {
    const made = await makeYear(ports, id('companyId'), body.day, actor);
    return made.ok ? map(await viewCompany(ports, id('companyId')), answers.toCompany) : made;
  });
  on('getLayoutOptions', async ({ id }) => map(await openBooks(ports, id('companyId')), ({ options, optionsVersion }) => toOptions(options, optionsVersion)));
  on('setLayoutOptions', async ({ id, body: { version: expected, ...options } }) =>
    map(await setLayoutOptions(ports, id('companyId'), options, expected, actor), ({ options: set, version: next }) => toOptions(set, next)),
  );
  on('uploadTrialBalance', async ({ id, query, file }) => {
    const books = await openBooks(ports, id('companyId'));
    if (!books.ok) return books;
    if (file.length === 0) return fail({ code: 'file_not_a_table', found: 'empty' });
    return succeed({ fileId: await ports.files.keep(id('companyId'), query.name, file, actor) });
  });
  on('rehearseTrialBalance', async ({ id, body }) =>
    map(await rehearseTrialBalance(ports, id('companyId'), id('fileId'), body), (rehearsal) => answers.toRehearsal(id('fileId'), rehearsal)),
  );
  on('postTrialBalance', async ({ id, body, asked }) => map(await postTrialBalance(ports, id('companyId'), id('fileId'), body, asked), answers.toPosting));
  on('listBroughtIn', async ({ id }) => {
    const books = await openBooks(ports, id('companyId'));
    return books.ok ? succeed(answers.toBroughtIn(await ports.ledger.broughtIn(id('companyId')))) : books;
  });
  on('getChart', async ({ id, query }) => map(await viewChart(ports, id('companyId'), query), answers.toChart));
  on('addAccount', async ({ id, body }) => map(await addAccount(ports, id('companyId'), body, actor), answers.toAccount));
  on('changeAccount', async ({ id, body }) => map(await changeAccount(ports, id('companyId'), id('accountId'), body, actor), answers.toAccount));
  on('renumberAccounts', async ({ id, body }) => map(await renumberAccounts(ports, id('companyId'), body.changes, actor), (renumbered) => ({ renumbered })));
  on('deleteAccount', async ({ id }) => deleteAccount(ports, id('companyId'), id('accountId'), actor));
  on('listHistory', async ({ id, query: { thing = null, thingId = null, before = null, limit } }) =>
    map(await viewHistory(ports, id('companyId'), { thing, thingId, before, limit }), ({ events, next }) => ({ events: [...events], next })),
  );
  on('exportHistory', async ({ id, query: { thing = null, thingId = null } }) =>
    map(await viewHistory(ports, id('companyId'), { thing, thingId, before: null, limit: mostExported }), ({ books, events }) =>
      ports.writer.historyToCsv(books.company.name, events),
    ),
  );
  on('getPlacement', async ({ id, query }) => map(await viewPlacement(ports, id('companyId'), query), answers.toPlacement));
  on('setPlaces', async ({ id, body }) => map(await changePlaces(ports, id('companyId'), body.changes, actor), (moved) => ({ moved })));
  on('addCategory', async ({ id, body }) => map(await addCategory(ports, id('companyId'), body, actor), answers.toCategory));
  on('changeCategory', async ({ id, body }) => map(await changeCategory(ports, id('companyId'), id('categoryId'), body, actor), answers.toCategory));
  on('deleteCategory', async ({ id }) => deleteCategory(ports, id('companyId'), id('categoryId'), actor));
  on('getTrialBalance', async ({ id, query }) => map(await viewTrialBalance(ports, id('companyId'), query), answers.toTrialBalance));
  on('getStatement', async ({ id, kind, query }) => map(await runStatement(ports, id('companyId'), kind(), query), answers.toStatement));
  on('exportCsv', async ({ id, kind, query }) => map(await runStatement(ports, id('companyId'), kind(), query), (statement) => ports.writer.toCsv(statement)));
  on('exportWorkbook', async ({ id, kind, query }) => {
    const statement = await runStatement(ports, id('companyId'), kind(), query);
    return statement.ok ? succeed(await ports.writer.toWorkbook(statement.value)) : statement;
  });
  on('getEvidence', async ({ id, kind, query }) => map(await findEvidence(ports, id('companyId'), kind(), query), answers.toEvidence));
  on('getProofs', async ({ id, query }) => map(await proveStatements(ports, id('companyId'), query), ({ books, proofs }) => answers.toProofs(books, proofs)));
  on('listAccountLines', async ({ id, query }) => {
    const books = await openBooks(ports, id('companyId'));
    if (!books.ok) return books;
    if (!books.value.cube.indexOf.has(query.account)) return fail({ code: 'account_unknown', accountId: query.account });
    const { account, from = null, to = null, sort, after = null, limit } = query;
    return succeed(answers.toAccountLines(await ports.ledger.accountLines(id('companyId'), { accountId: account, from, to, sort, after, limit })));
  });
  on('getEntry', async ({ id }) => {
    const entry = await ports.ledger.entry(id('companyId'), id('entryId'));
    return entry ? succeed(answers.toEntry(entry)) : fail({ code: 'not_found', thing: 'entry', id: id('entryId') });
  });
  on('postEntry', async ({ id, body, asked }) => {
    const lines = body.lines.map((line) => ({ ...line, debit: BigInt(line.debit), credit: BigInt(line.credit) }));
    return map(await postEntry(ports, id('companyId'), { ...body, lines }, asked), ({ entryId, documentNumber, revision }) => ({
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

const toOptions = (options: { subtotalsOff: readonly string[]; result: 'own_line' | 'within_retained_earnings' }, version: number) => ({
  subtotalsOff: [...options.subtotalsOff] as z.output<typeof operations.getLayoutOptions.answer>['subtotalsOff'],
  result: options.result,
  version,
});

function map<From, To>(outcome: Outcome<From, Failure>, to: (value: From) => To): Outcome<To, Failure> {
  return outcome.ok ? succeed(to(outcome.value)) : outcome;
}

function readCall<Name extends OperationName>(name: Name, operation: Operation, request: Request): Call<Name> {
  const file = operation.takesFile && Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
  const body = operation.body?.parse(request.body);
  return {
    query: operation.query?.parse(request.query) as QueryOf<Name>,
    body: body as BodyOf<Name>,
    file,
    asked: {
      actor,
      idempotencyKey: operation.idempotent ? (idempotencyKey.parse(request.headers['idempotency-key']) ?? null) : null,
      requestHash: createHash('sha256')
        .update(JSON.stringify([name, request.path, body]))
        .digest(),
    },
    id: (parameter) => wholeNumber.parse(request.params[parameter]),
    kind: () => (statementKind.parse(request.params.kind) === 'balance-sheet' ? 'balance_sheet' : 'income_statement'),
  };
}
