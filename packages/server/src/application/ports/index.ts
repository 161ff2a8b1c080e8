import type { PlanDefinition, SetDefinition } from '@ivory-ladder/core';
import type { AccessLog, InvitationStore, KnownBrowsers, SignInPauses } from './access.ts';
import type { AttachmentContent, AttachmentStore } from './attachmentStore.ts';
import type { BudgetStore } from './budgetStore.ts';
import type { ChartStore } from './chartStore.ts';
import type { CodeListStore } from './codeListStore.ts';
import type { CommentStore } from './commentStore.ts';
import type { CompanyStore } from './companyStore.ts';
import type { FileStore, FileWriter, ReceivedFiles, TableReader } from './files.ts';
import type { JournalStore } from './journalStore.ts';
import type { KeptInMemory } from './keptInMemory.ts';
import type { LayoutStore } from './layoutStore.ts';
import type { LedgerStore } from './ledgerStore.ts';
import type { NamedDefinitionStore } from './namedDefinitionStore.ts';
import type { NoteStore } from './noteStore.ts';
import type { PeopleStore, Secrets, SessionStore } from './peopleStore.ts';
import type { PlacementStore } from './placementStore.ts';
import type { RateStore } from './rateStore.ts';
import type { RehearsalStore } from './rehearsalStore.ts';
import type { RoleStore } from './roleStore.ts';
import type { OneTimeCodes, SecondFactorStore } from './secondFactor.ts';
import type { SeriesStore } from './seriesStore.ts';
import type { ViewStore } from './viewStore.ts';
import type { Jobs, Outbox } from './work.ts';

export type {
  AccessEvent,
  AccessEventRecord,
  AccessLog,
  Invitation,
  InvitationFound,
  InvitationStore,
  Invited,
  KnownBrowsers,
  PauseSubject,
  SignInPauses,
} from './access.ts';
export type { Actor } from './actor.ts';
export type { Attachment, AttachmentContent, AttachmentOwner, AttachmentStore } from './attachmentStore.ts';
export {
  type Books,
  type ChartAccount,
  type Classification,
  type CoverageExclusion,
  type PeriodLock,
  type PlacesByHand,
  periodKey,
  type Structure,
  type Translation,
  type VersionedCategory,
} from './books.ts';
export type { Budget, BudgetAmount, BudgetCellChange, BudgetStore } from './budgetStore.ts';
export type { AccountFields, AccountUse, ChartPlan, ChartStore } from './chartStore.ts';
export type { CodeListStore, CodesChange, FacetFill, FacetFillFound, ListFields, StoredCodeList, ValueOfLine } from './codeListStore.ts';
export type { CommentRecord, CommentStore } from './commentStore.ts';
export type { CompanyRecord } from './companyRecord.ts';
export type { BegunCompany, BegunPlacements, ChangedNumber, CompanySettings, CompanyStore } from './companyStore.ts';
export type {
  DelimitedForm,
  FileStore,
  GuidedSheet,
  PlacedRow,
  PrintedSet,
  ReceivedFile,
  ReceivedFiles,
  StoredFile,
  StreamedFile,
  TableChoices,
  TableFormat,
  TableReader,
  WrittenFile,
} from './files.ts';
export type { HistoryEvent, HistoryWanted } from './history.ts';
export type {
  JournalFault,
  JournalFaultGroup,
  JournalForm,
  JournalImportRecord,
  JournalPosted,
  JournalStore,
  JournalSummary,
  StagedLine,
  UnjudgedDocument,
} from './journalStore.ts';
export type { KeptInMemory, KeptKind, KeptShare } from './keptInMemory.ts';
export type { JoinedDraft, Kept, KeptDraft, KeptLayout, LayoutRecord, LayoutStore, LayoutVersion, StoredLayout } from './layoutStore.ts';
export type {
  AccountLineRecord,
  BroughtInRecord,
  EntriesWanted,
  EntryOfFlows,
  EntryRecord,
  FlowOfDay,
  LedgerStore,
  LinesWanted,
  ListedEntry,
  OpenAdjustment,
} from './ledgerStore.ts';
export type { ColumnPlanRecord, NameAndDefinition, NamedDefinition, NamedDefinitionStore, StatementSetRecord } from './namedDefinitionStore.ts';
export type { AccountNote, NoteStore } from './noteStore.ts';
export type {
  AccountLedger,
  AdjustmentsView,
  BudgetGrid,
  BudgetGridAccount,
  BudgetWithResult,
  LedgerLine,
  LedgerOfAccount,
  ListedEntries,
  ToldEvent,
  TrialBalanceLine,
  TrialBalancePaper,
  TrialBalanceView,
} from './papers.ts';
export type { Identity, LinkTerms, Member, Membership, OneTimeLink, PeopleStore, Person, Secrets, SessionRecord, SessionStore } from './peopleStore.ts';
export type {
  ClassificationChange,
  PastPlacement,
  PlacementRecord,
  PlacementRecordDetail,
  PlacementStore,
  PlacementToApply,
  ReasonChange,
} from './placementStore.ts';
export type { ForeignAmount, MergePlan, NewEntry, NewLine, PostedEntry, PostingOutcome, Request, TakingBackPlan, TrialBalancePlan } from './posting.ts';
export type { RateChange, RateStore } from './rateStore.ts';
export type { RehearsalKept, RehearsalSaved, RehearsalState, RehearsalStore } from './rehearsalStore.ts';
export type { OwnRole, RoleStore } from './roleStore.ts';
export type { DocumentSeries, SeriesStore } from './seriesStore.ts';
export type { ChosenColumn, SavedView, ViewFields, ViewStore } from './viewStore.ts';
export type { HandOver, JobKind, JobRecord, Jobs, JobToDo, Letter, LetterRecord, Outbox } from './work.ts';

export interface Ports {
  readonly companies: CompanyStore;
  readonly ledger: LedgerStore;
  readonly journals: JournalStore;
  readonly chart: ChartStore;
  readonly codeLists: CodeListStore;
  readonly budgets: BudgetStore;
  readonly rates: RateStore;
  readonly series: SeriesStore;
  readonly notes: NoteStore;
  readonly views: ViewStore;
  readonly attachments: AttachmentStore;
  readonly attachmentContent: AttachmentContent;
  readonly placement: PlacementStore;
  readonly rehearsals: RehearsalStore;
  readonly layouts: LayoutStore;
  readonly columnPlans: NamedDefinitionStore<PlanDefinition>;
  readonly sets: NamedDefinitionStore<SetDefinition>;
  readonly comments: CommentStore;
  readonly people: PeopleStore;
  readonly sessions: SessionStore;
  readonly invitations: InvitationStore;
  readonly roles: RoleStore;
  readonly pauses: SignInPauses;
  readonly browsers: KnownBrowsers;
  readonly accessLog: AccessLog;
  readonly secondFactors: SecondFactorStore;
  readonly codes: OneTimeCodes;
  readonly outbox: Outbox;
  readonly jobs: Jobs;
  readonly memory: KeptInMemory;
  /** The application's own address, for links in letters; without a slash at its end. */
  readonly address: () => string;
  readonly secrets: Secrets;
  readonly files: FileStore;
  readonly received: ReceivedFiles;
  readonly tables: TableReader;
  readonly writer: FileWriter;
  /** Whether the database answers. */
  isHealthy(): Promise<boolean>;
}

export type { OneTimeCodes, SecondFactor, SecondFactorStore } from './secondFactor.ts';
