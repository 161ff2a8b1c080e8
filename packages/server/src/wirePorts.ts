import type { PlanDefinition, SetDefinition } from '@ivory-ladder/core';
import type { DataSource } from 'typeorm';
import type { Ports } from './application/ports/index.ts';
import { attachmentContent } from './documents/attachmentContent.ts';
import { writeDocument } from './documents/keptDocument.ts';
import { receivedFiles } from './documents/receivedFiles.ts';
import { FileTableReader } from './documents/tableReader.ts';
import { writeAccountLedgerCsv } from './documents/writeAccountLedgerCsv.ts';
import { writeEntriesCsv } from './documents/writeEntriesCsv.ts';
import { writeGuidedCsv } from './documents/writeGuidedCsv.ts';
import { writeHistoryCsv } from './documents/writeHistoryCsv.ts';
import { writeLinesForm } from './documents/writeLinesForm.ts';
import { writeStatementCsv } from './documents/writeStatementCsv.ts';
import { writeTrialBalanceCsv } from './documents/writeTrialBalanceCsv.ts';
import { BooksCache, DayBooks, FacetBooks, FacetSets, LineProofs } from './persistence/books/index.ts';
import { BudgetRepository } from './persistence/budgets/index.ts';
import { AttachmentRepository, ChartRepository, CodeListRepository, NoteRepository, ViewRepository } from './persistence/chart/index.ts';
import { CompanyRepository } from './persistence/companies/index.ts';
import { type Counters, DiskShares, MemoryBudget, type ShareLimits } from './persistence/database/index.ts';
import { JobRepository } from './persistence/jobs/index.ts';
import { LayoutRepository, NamedDefinitionRepository } from './persistence/layouts/index.ts';
import { FileRepository, JournalRepository, LedgerRepository, SeriesRepository } from './persistence/ledger/index.ts';
import {
  AccessLogRepository,
  InvitationRepository,
  KnownBrowserRepository,
  OutboxRepository,
  PeopleRepository,
  RoleRepository,
  SecondFactorRepository,
  SessionRepository,
  SignInPauseRepository,
} from './persistence/people/index.ts';
import { PlacementRepository, RehearsalRepository } from './persistence/placement/index.ts';
import { RateRepository } from './persistence/rates/index.ts';
import { CommentRepository } from './persistence/sets/index.ts';
import { nodeSecrets } from './secrets/nodeSecrets.ts';
import { oneTimeCodes } from './secrets/oneTimeCodes.ts';

export interface PortOptions {
  readonly databaseUrl: string;
  /** A session that nobody uses for so long ends; 0: it stays its day. */
  readonly idleMinutes: number;
  readonly shareLimits: ShareLimits;
  /** The power of two of what a hash of a password takes. */
  readonly passwordWork: number;
  /** Whether letters are handed over; else they stay in the outbox. */
  readonly hasMailServer: boolean;
  /** What is kept of companies in memory by the thread of the requests; each of those for long answers keeps a quarter of it. */
  readonly memoryMegabytes: number;
}

/** Everything that use cases ask of the world, over one database. */
export function wirePorts(
  database: DataSource,
  counters: Counters,
  { databaseUrl, idleMinutes, hasMailServer, shareLimits, passwordWork, memoryMegabytes }: PortOptions,
  address: () => string,
): Ports {
  const jobs = new JobRepository(database);
  const facetSets = new FacetSets(database);
  const shares = new DiskShares(shareLimits);
  const memory = new MemoryBudget(memoryMegabytes * 2 ** 20);
  return {
    companies: new CompanyRepository(database, counters),
    ledger: new LedgerRepository(
      database,
      new BooksCache(database, memory),
      new FacetBooks(database, memory),
      new DayBooks(database, memory),
      new LineProofs(database),
      facetSets,
      counters,
    ),
    journals: new JournalRepository(database, databaseUrl, facetSets, counters, shares),
    chart: new ChartRepository(database, counters),
    codeLists: new CodeListRepository(database, facetSets, counters),
    budgets: new BudgetRepository(database, counters),
    rates: new RateRepository(database, counters),
    series: new SeriesRepository(database, counters),
    notes: new NoteRepository(database, counters),
    views: new ViewRepository(database, counters),
    attachments: new AttachmentRepository(database, counters, shares),
    attachmentContent,
    placement: new PlacementRepository(database, counters),
    rehearsals: new RehearsalRepository(database),
    layouts: new LayoutRepository(database, counters),
    columnPlans: new NamedDefinitionRepository<PlanDefinition>(database, counters, {
      table: 'column_plan',
      nameTaken: (name) => ({ code: 'column_plan_name_taken', name }),
      told: ({ columns }) => ({ columns: columns.length }),
    }),
    sets: new NamedDefinitionRepository<SetDefinition>(database, counters, {
      table: 'statement_set',
      nameTaken: (name) => ({ code: 'set_name_taken', name }),
      told: ({ parts }) => ({ statements: parts.map(({ statement }) => statement) }),
    }),
    comments: new CommentRepository(database, counters),
    people: new PeopleRepository(database, counters),
    sessions: new SessionRepository(database, idleMinutes),
    invitations: new InvitationRepository(database, counters),
    roles: new RoleRepository(database, counters),
    pauses: new SignInPauseRepository(database),
    browsers: new KnownBrowserRepository(database),
    accessLog: new AccessLogRepository(database),
    secondFactors: new SecondFactorRepository(database),
    codes: oneTimeCodes,
    outbox: new OutboxRepository(database, jobs, hasMailServer),
    jobs,
    memory,
    address,
    secrets: nodeSecrets(passwordWork),
    files: new FileRepository(database, counters, shares),
    received: receivedFiles,
    tables: new FileTableReader(),
    writer: {
      toCsv: writeStatementCsv,
      toJson: writeDocument,
      // Workbooks and prints are written by threads alone, and what writes them is large: it is loaded where it is first asked for.
      toWorkbook: async (statement) => (await import('./documents/writeStatementWorkbook.ts')).writeStatementWorkbook(statement),
      printSet: async (set) => (await import('./documents/printSet.ts')).printSet(set),
      trialBalanceToCsv: writeTrialBalanceCsv,
      trialBalanceToWorkbook: async (paper) => (await import('./documents/writeTrialBalanceWorkbook.ts')).writeTrialBalanceWorkbook(paper),
      emptyLinesFile: writeLinesForm,
      budgetToWorkbook: async (grid) => (await import('./documents/writeBudgetWorkbook.ts')).writeBudgetWorkbook(grid),
      accountLedgerToCsv: writeAccountLedgerCsv,
      entriesToCsv: writeEntriesCsv,
      historyToCsv: writeHistoryCsv,
      guidedToCsv: writeGuidedCsv,
      guidedToWorkbook: async (sheet) => (await import('./documents/writeGuidedWorkbook.ts')).writeGuidedWorkbook(sheet),
    },
    isHealthy: () => answersInTime(database),
  };
}

const secondsForAnAnswer = 2;

/** A database that hangs is as little use as one that is gone. */
function answersInTime(database: DataSource): Promise<boolean> {
  const answers = database.query('SELECT 1').then(
    () => true,
    () => false,
  );
  return Promise.race([answers, new Promise<boolean>((resolve) => setTimeout(() => resolve(false), secondsForAnAnswer * 1000).unref())]);
}
