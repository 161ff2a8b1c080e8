import { AccountCodeEntity, CodeListEntity, ListedCodeEntity } from './codeEntities.ts';
import { AccountEntity, CategoryEntity, CategoryRangeEntity, CompanyEntity, LayoutOptionsEntity, PeriodEntity, PlaceEntity } from './companyEntities.ts';
import { BalanceEntity, EntryEntity, LineEntity, TrialBalanceEntity } from './ledgerEntities.ts';
import { InstallationEntity, MembershipEntity, OneTimeLinkEntity, PersonEntity, SessionEntity } from './peopleEntities.ts';
import {
  AccountNoteEntity,
  AttachmentEntity,
  AttachmentPartEntity,
  AuditEntity,
  ChosenColumnsEntity,
  CounterEntity,
  IdempotencyEntity,
  ImportedFileEntity,
  ImportedFilePartEntity,
  SavedViewEntity,
} from './recordEntities.ts';

export const entities = [
  CompanyEntity,
  PeriodEntity,
  AccountEntity,
  CategoryEntity,
  CategoryRangeEntity,
  PlaceEntity,
  CodeListEntity,
  ListedCodeEntity,
  AccountCodeEntity,
  LayoutOptionsEntity,
  EntryEntity,
  LineEntity,
  BalanceEntity,
  TrialBalanceEntity,
  CounterEntity,
  IdempotencyEntity,
  AuditEntity,
  ImportedFileEntity,
  ImportedFilePartEntity,
  AccountNoteEntity,
  SavedViewEntity,
  ChosenColumnsEntity,
  AttachmentEntity,
  AttachmentPartEntity,
  PersonEntity,
  MembershipEntity,
  SessionEntity,
  OneTimeLinkEntity,
  InstallationEntity,
];
