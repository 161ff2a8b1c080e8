import { CreateCompany1790000000001 } from './001-create-company.ts';
import { CreateFiscalPeriod1790000000002 } from './002-create-fiscal-period.ts';
import { CreateAccount1790000000003 } from './003-create-account.ts';
import { CreateCategory1790000000004 } from './004-create-category.ts';
import { CreatePlace1790000000005 } from './005-create-place.ts';
import { CreateLayoutOptions1790000000006 } from './006-create-layout-options.ts';
import { CreateCounter1790000000007 } from './007-create-counter.ts';
import { CreateIdempotency1790000000008 } from './008-create-idempotency.ts';
import { CreateImportedFile1790000000009 } from './009-create-imported-file.ts';
import { CreateImportedFilePart1790000000010 } from './010-create-imported-file-part.ts';
import { CreateTrialBalance1790000000011 } from './011-create-trial-balance.ts';
import { CreateJournalEntry1790000000012 } from './012-create-journal-entry.ts';
import { CreateJournalLine1790000000013 } from './013-create-journal-line.ts';
import { CreateBalance1790000000014 } from './014-create-balance.ts';
import { CreateAuditEvent1790000000015 } from './015-create-audit-event.ts';
import { AddAccountPurpose1790000000016 } from './016-add-account-purpose.ts';
import { AddAccountExternalNumber1790000000017 } from './017-add-account-external-number.ts';
import { FreeAuditOfCompany1790000000018 } from './018-free-audit-of-company.ts';
import { FreeIdempotencyOfCompany1790000000019 } from './019-free-idempotency-of-company.ts';
import { CreatePerson1790000000020 } from './020-create-person.ts';
import { CreateMembership1790000000021 } from './021-create-membership.ts';
import { CreateSession1790000000022 } from './022-create-session.ts';
import { CreateOneTimeLink1790000000023 } from './023-create-one-time-link.ts';
import { CreateInstallation1790000000024 } from './024-create-installation.ts';
import { AddCompanySettings1790000000025 } from './025-add-company-settings.ts';
import { CreateAccountNote1790000000026 } from './026-create-account-note.ts';
import { CreateSavedView1790000000027 } from './027-create-saved-view.ts';
import { CreateChosenColumns1790000000028 } from './028-create-chosen-columns.ts';
import { CreateAttachment1790000000029 } from './029-create-attachment.ts';
import { CreateAttachmentPart1790000000030 } from './030-create-attachment-part.ts';
import { MakeNumbersOptional1790000000031 } from './031-make-numbers-optional.ts';
import { CreateCategoryRange1790000000032 } from './032-create-category-range.ts';
import { CreateCodeList1790000000033 } from './033-create-code-list.ts';
import { CreateListedCode1790000000034 } from './034-create-listed-code.ts';
import { CreateAccountCode1790000000035 } from './035-create-account-code.ts';
import { AddCompanyLanguages1790000000036 } from './036-add-company-languages.ts';
import { CreateCategoryCaption1790000000037 } from './037-create-category-caption.ts';
import { AddPeriodLock1790000000038 } from './038-add-period-lock.ts';
import { IndexReversals1790000000039 } from './039-index-reversals.ts';
import { RetireListedCode1790000000040 } from './040-retire-listed-code.ts';
import { AddFacetRules1790000000041 } from './041-add-facet-rules.ts';
import { CreateFacetSet1790000000042 } from './042-create-facet-set.ts';
import { CreateFacetSetValue1790000000043 } from './043-create-facet-set-value.ts';
import { AddFacetSetOfLine1790000000044 } from './044-add-facet-set-of-line.ts';
import { CoverFacetSetOfLine1790000000045 } from './045-cover-facet-set-of-line.ts';
import { CreateFacetBalance1790000000046 } from './046-create-facet-balance.ts';
import { CreatePairingRule1790000000047 } from './047-create-pairing-rule.ts';
import { AddOriginDocument1790000000048 } from './048-add-origin-document.ts';
import { CreateJournalImport1790000000049 } from './049-create-journal-import.ts';
import { CreateStagedLine1790000000050 } from './050-create-staged-line.ts';
import { CreateStagedEntry1790000000051 } from './051-create-staged-entry.ts';
import { HoldFacetSets1790000000052 } from './052-hold-facet-sets.ts';
import { CreateBudget1790000000053 } from './053-create-budget.ts';
import { CreateBudgetAmount1790000000054 } from './054-create-budget-amount.ts';
import { CreateExchangeRate1790000000055 } from './055-create-exchange-rate.ts';
import { CreateForeignAmount1790000000056 } from './056-create-foreign-amount.ts';
import { AddYearForms1790000000057 } from './057-add-year-forms.ts';
import { AddAdjustingPeriods1790000000058 } from './058-add-adjusting-periods.ts';
import { AttachToEntries1790000000059 } from './059-attach-to-entries.ts';
import { CreateDocumentSeries1790000000060 } from './060-create-document-series.ts';
import { NumberEntriesBySeries1790000000061 } from './061-number-entries-by-series.ts';
import { CreateEntrySearch1790000000062 } from './062-create-entry-search.ts';
import { FillEntrySearch1790000000063 } from './063-fill-entry-search.ts';
import { DescribeCategories1790000000064 } from './064-describe-categories.ts';
import { CreatePlacementRecord1790000000065 } from './065-create-placement-record.ts';
import { CreateRehearsal1790000000066 } from './066-create-rehearsal.ts';
import { KeepPastOfPlace1790000000067 } from './067-keep-past-of-place.ts';
import { KeepPastOfCategory1790000000068 } from './068-keep-past-of-category.ts';
import { KeepPastOfCategoryRange1790000000069 } from './069-keep-past-of-category-range.ts';
import { KeepPastOfCategoryCaption1790000000070 } from './070-keep-past-of-category-caption.ts';
import { CreateClassification1790000000071 } from './071-create-classification.ts';
import { FillClassification1790000000072 } from './072-fill-classification.ts';
import { NameMainClassification1790000000073 } from './073-name-main-classification.ts';
import { ClassifyCategory1790000000074 } from './074-classify-category.ts';
import { ClassifyPlace1790000000075 } from './075-classify-place.ts';
import { ClassifyPlacementRecord1790000000076 } from './076-classify-placement-record.ts';
import { ClassifyRehearsal1790000000077 } from './077-classify-rehearsal.ts';
import { CreateCoverageExclusion1790000000078 } from './078-create-coverage-exclusion.ts';
import { NeedCodesByElement1790000000079 } from './079-need-codes-by-element.ts';
import { CreateLayout1790000000080 } from './080-create-layout.ts';
import { CreateLayoutVersion1790000000081 } from './081-create-layout-version.ts';
import { CreateColumnPlan1790000000082 } from './082-create-column-plan.ts';
import { CreateStatementSet1790000000083 } from './083-create-statement-set.ts';
import { CreateLineComment1790000000084 } from './084-create-line-comment.ts';
import { WidenOriginOfBalance1790000000085 } from './085-widen-origin-of-balance.ts';
import { WidenOriginOfFacetBalance1790000000086 } from './086-widen-origin-of-facet-balance.ts';
import { NetTrialBalances1790000000087 } from './087-net-trial-balances.ts';
import { MarkOpenings1790000000088 } from './088-mark-openings.ts';
import { MarkEarlierOpenings1790000000089 } from './089-mark-earlier-openings.ts';
import { TakeBackTrialBalances1790000000090 } from './090-take-back-trial-balances.ts';
import { PlacesThatOnlyKeep1790000000091 } from './091-places-that-only-keep.ts';
import { CreateLayoutKeptDraft1790000000092 } from './092-create-layout-kept-draft.ts';
import { DaysOfCash1790000000093 } from './093-days-of-cash.ts';
import { RemoveCompanies1790000000094 } from './094-remove-companies.ts';
import { CreateTurn1790000000095 } from './095-create-turn.ts';
import { ReverseOnce1790000000096 } from './096-reverse-once.ts';
import { CreateInvitation1790000000097 } from './097-create-invitation.ts';
import { BindOneTimeLinks1790000000098 } from './098-bind-one-time-links.ts';
import { CreateMessage1790000000099 } from './099-create-message.ts';
import { CreateJob1790000000100 } from './100-create-job.ts';
import { CreateSignInPause1790000000101 } from './101-create-sign-in-pause.ts';
import { CreateKnownBrowser1790000000102 } from './102-create-known-browser.ts';
import { SeeSessions1790000000103 } from './103-see-sessions.ts';
import { CreateAccessEvent1790000000104 } from './104-create-access-event.ts';
import { NameActorsById1790000000105 } from './105-name-actors-by-id.ts';
import { KeepTheInstallation1790000000106 } from './106-keep-the-installation.ts';
import { SeekActors1790000000107 } from './107-seek-actors.ts';
import { CountWhatIsHandedIn1790000000108 } from './108-count-what-is-handed-in.ts';
import { CountRates1790000000109 } from './109-count-rates.ts';
import { CreateCompanyRole1790000000110 } from './110-create-company-role.ts';
import { NamePeopleById1790000000111 } from './111-name-people-by-id.ts';
import { CreateSecondFactor1790000000112 } from './112-create-second-factor.ts';
import { CreateRecoveryCode1790000000113 } from './113-create-recovery-code.ts';
import { RequireSecondFactor1790000000114 } from './114-require-second-factor.ts';

/** In the order in which they run; each holds one change that can be run again. */
export const migrations = [
  CreateCompany1790000000001,
  CreateFiscalPeriod1790000000002,
  CreateAccount1790000000003,
  CreateCategory1790000000004,
  CreatePlace1790000000005,
  CreateLayoutOptions1790000000006,
  CreateCounter1790000000007,
  CreateIdempotency1790000000008,
  CreateImportedFile1790000000009,
  CreateImportedFilePart1790000000010,
  CreateTrialBalance1790000000011,
  CreateJournalEntry1790000000012,
  CreateJournalLine1790000000013,
  CreateBalance1790000000014,
  CreateAuditEvent1790000000015,
  AddAccountPurpose1790000000016,
  AddAccountExternalNumber1790000000017,
  FreeAuditOfCompany1790000000018,
  FreeIdempotencyOfCompany1790000000019,
  CreatePerson1790000000020,
  CreateMembership1790000000021,
  CreateSession1790000000022,
  CreateOneTimeLink1790000000023,
  CreateInstallation1790000000024,
  AddCompanySettings1790000000025,
  CreateAccountNote1790000000026,
  CreateSavedView1790000000027,
  CreateChosenColumns1790000000028,
  CreateAttachment1790000000029,
  CreateAttachmentPart1790000000030,
  MakeNumbersOptional1790000000031,
  CreateCategoryRange1790000000032,
  CreateCodeList1790000000033,
  CreateListedCode1790000000034,
  CreateAccountCode1790000000035,
  AddCompanyLanguages1790000000036,
  CreateCategoryCaption1790000000037,
  AddPeriodLock1790000000038,
  IndexReversals1790000000039,
  RetireListedCode1790000000040,
  AddFacetRules1790000000041,
  CreateFacetSet1790000000042,
  CreateFacetSetValue1790000000043,
  AddFacetSetOfLine1790000000044,
  CoverFacetSetOfLine1790000000045,
  CreateFacetBalance1790000000046,
  CreatePairingRule1790000000047,
  AddOriginDocument1790000000048,
  CreateJournalImport1790000000049,
  CreateStagedLine1790000000050,
  CreateStagedEntry1790000000051,
  HoldFacetSets1790000000052,
  CreateBudget1790000000053,
  CreateBudgetAmount1790000000054,
  CreateExchangeRate1790000000055,
  CreateForeignAmount1790000000056,
  AddYearForms1790000000057,
  AddAdjustingPeriods1790000000058,
  AttachToEntries1790000000059,
  CreateDocumentSeries1790000000060,
  NumberEntriesBySeries1790000000061,
  CreateEntrySearch1790000000062,
  FillEntrySearch1790000000063,
  DescribeCategories1790000000064,
  CreatePlacementRecord1790000000065,
  CreateRehearsal1790000000066,
  KeepPastOfPlace1790000000067,
  KeepPastOfCategory1790000000068,
  KeepPastOfCategoryRange1790000000069,
  KeepPastOfCategoryCaption1790000000070,
  CreateClassification1790000000071,
  FillClassification1790000000072,
  NameMainClassification1790000000073,
  ClassifyCategory1790000000074,
  ClassifyPlace1790000000075,
  ClassifyPlacementRecord1790000000076,
  ClassifyRehearsal1790000000077,
  CreateCoverageExclusion1790000000078,
  NeedCodesByElement1790000000079,
  CreateLayout1790000000080,
  CreateLayoutVersion1790000000081,
  CreateColumnPlan1790000000082,
  CreateStatementSet1790000000083,
  CreateLineComment1790000000084,
  WidenOriginOfBalance1790000000085,
  WidenOriginOfFacetBalance1790000000086,
  NetTrialBalances1790000000087,
  MarkOpenings1790000000088,
  MarkEarlierOpenings1790000000089,
  TakeBackTrialBalances1790000000090,
  PlacesThatOnlyKeep1790000000091,
  CreateLayoutKeptDraft1790000000092,
  DaysOfCash1790000000093,
  RemoveCompanies1790000000094,
  CreateTurn1790000000095,
  ReverseOnce1790000000096,
  CreateInvitation1790000000097,
  BindOneTimeLinks1790000000098,
  CreateMessage1790000000099,
  CreateJob1790000000100,
  CreateSignInPause1790000000101,
  CreateKnownBrowser1790000000102,
  SeeSessions1790000000103,
  CreateAccessEvent1790000000104,
  NameActorsById1790000000105,
  KeepTheInstallation1790000000106,
  SeekActors1790000000107,
  CountWhatIsHandedIn1790000000108,
  CountRates1790000000109,
  CreateCompanyRole1790000000110,
  NamePeopleById1790000000111,
  CreateSecondFactor1790000000112,
  CreateRecoveryCode1790000000113,
  RequireSecondFactor1790000000114,
];
