import { AccountEntity, CategoryEntity, CompanyEntity, LayoutOptionsEntity, PeriodEntity, PlaceEntity } from './companyEntities.ts';
import { BalanceEntity, EntryEntity, LineEntity, TrialBalanceEntity } from './ledgerEntities.ts';
import { InstallationEntity, MembershipEntity, OneTimeLinkEntity, PersonEntity, SessionEntity } from './peopleEntities.ts';
import {
  AccountNoteEntity,
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
  PlaceEntity,
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
  PersonEntity,
  MembershipEntity,
  SessionEntity,
  OneTimeLinkEntity,
  InstallationEntity,
];
