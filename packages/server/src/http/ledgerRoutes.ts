import type { operations } from '@ivory-ladder/contract';
import { mapOutcome, succeed } from '@ivory-ladder/core';
import type { z } from 'zod';
import {
  checkTrialBalance,
  keepFile,
  listAccountLines,
  listBroughtIn,
  listEntries,
  postEntry,
  postTrialBalance,
  reverseEntry,
  takeBackTrialBalance,
  viewAccountLedger,
  viewEntry,
  viewEntryClimb,
  viewTakingBack,
} from '../application/ledger/index.ts';
import type { Ports, PostedEntry } from '../application/ports/index.ts';
import { trialBalancePaper, viewAccountClimb, viewAdjustments, viewTrialBalance } from '../application/statements/index.ts';
import * as answers from './ledgerAnswers.ts';
import type { On } from './operationRoutes.ts';

/** Trial balances brought in, balances and entries. */
export function ledgerRoutes(on: On, ports: Ports): void {
  on('uploadTrialBalance', async ({ access, query, file }) => mapOutcome(await keepFile(ports, access, query.name, file), (fileId) => ({ fileId })));
  on('checkTrialBalance', async ({ access, id, body }) =>
    mapOutcome(await checkTrialBalance(ports, access, id('fileId'), body), (check) => answers.toTrialBalanceCheck(id('fileId'), check)),
  );
  on('postTrialBalance', async ({ access, id, body, asked }) =>
    mapOutcome(await postTrialBalance(ports, access, id('fileId'), body, asked), answers.toPosting),
  );
  on('listBroughtIn', async ({ access }) => mapOutcome(await listBroughtIn(ports, access), answers.toBroughtIn));
  on('viewTakingBack', async ({ access, id }) =>
    mapOutcome(await viewTakingBack(ports, access, id('trialBalanceId')), ({ file, reversed, kept }) => ({
      fileName: file.fileName,
      date: file.day,
      reversed: reversed.map((entry) => ({ ...entry, amount: entry.amount.toString() })),
      kept: [...kept],
    })),
  );
  on('takeBackTrialBalance', async ({ access, id, asked }) =>
    mapOutcome(await takeBackTrialBalance(ports, access, id('trialBalanceId'), asked), ({ entries, revision }) => ({ entries: [...entries], revision })),
  );
  on('getTrialBalance', async ({ access, query }) => mapOutcome(await viewTrialBalance(ports, access, query), answers.toTrialBalance));
  on('getAdjustments', async ({ access, query }) => mapOutcome(await viewAdjustments(ports, access, query.to), answers.toAdjustments));
  on('exportTrialBalanceCsv', async ({ access, query }) =>
    mapOutcome(await trialBalancePaper(ports, access, query), (paper) => ports.writer.trialBalanceToCsv(paper)),
  );
  on('exportTrialBalanceWorkbook', async ({ access, query }) => {
    const paper = await trialBalancePaper(ports, access, query);
    return paper.ok ? succeed(await ports.writer.trialBalanceToWorkbook(paper.value)) : paper;
  });
  on('getAccountLedger', async ({ access, query }) => mapOutcome(await viewAccountLedger(ports, access, query, mostLinesShown), answers.toAccountLedger));
  on('exportAccountLedger', async ({ access, query }) =>
    mapOutcome(await viewAccountLedger(ports, access, query, mostLinesExported), (ledger) => ports.writer.accountLedgerToCsv(ledger)),
  );
  on('listAccountLines', async ({ access, query: { account, from = null, to = null, sort, layer = null, facets, after = null, limit } }) =>
    mapOutcome(await listAccountLines(ports, access, { accountId: account, from, to, sort, layer, facets, after, limit }), answers.toAccountLines),
  );
  on('getEntry', async ({ access, id }) => mapOutcome(await viewEntry(ports, access, id('entryId')), answers.toEntry));
  on('getAccountClimb', async ({ access, id, query: { from, to } }) =>
    mapOutcome(await viewAccountClimb(ports, access, id('accountId'), { firstDay: from, lastDay: to }), answers.toAccountClimb),
  );
  on('getEntryClimb', async ({ access, id }) => mapOutcome(await viewEntryClimb(ports, access, id('entryId')), answers.toEntryClimb));
  on('listEntries', async ({ access, query }) =>
    mapOutcome(await listEntries(ports, access, entriesWanted(query, query.after, query.limit)), answers.toEntryList),
  );
  on('exportEntries', async ({ access, query }) =>
    mapOutcome(await listEntries(ports, access, entriesWanted(query, undefined, mostEntriesExported)), (listed) => ports.writer.entriesToCsv(listed)),
  );
  on('reverseEntry', async ({ access, id, body, asked }) => mapOutcome(await reverseEntry(ports, access, id('entryId'), body.date, asked), toPosted));
  on('postEntry', async ({ access, body, asked }) => {
    const lines = body.lines.map((line) => ({
      ...line,
      debit: BigInt(line.debit),
      credit: BigInt(line.credit),
      foreign: line.foreign && { ...line.foreign, amount: BigInt(line.foreign.amount) },
    }));
    return mapOutcome(await postEntry(ports, access, { ...body, lines }, asked), toPosted);
  });
}

const mostEntriesExported = 50_000;

type EntriesQuery = z.infer<(typeof operations)['exportEntries']['query']>;

const entriesWanted = (query: EntriesQuery, after: string | undefined, limit: number) => ({
  from: query.from ?? null,
  to: query.to ?? null,
  text: query.text ?? null,
  amount: query.amount === undefined ? null : BigInt(query.amount),
  layer: query.layer ?? null,
  source: query.source ?? null,
  series: query.series ?? null,
  by: query.by ?? null,
  accountId: query.account ?? null,
  facets: query.facets,
  after: after ?? null,
  limit,
});

const mostLinesShown = 3000;
const mostLinesExported = 100_000;

const toPosted = ({ entryId, documentNumber, revision }: PostedEntry & { revision: number }) => ({ entryId, documentNumber, revision });
