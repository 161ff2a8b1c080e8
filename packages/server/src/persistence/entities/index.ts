import { AccountEntity, CategoryEntity, CompanyEntity, LayoutOptionsEntity, PeriodEntity, PlaceEntity } from './companyEntities.ts';
import { BalanceEntity, EntryEntity, LineEntity, TrialBalanceEntity } from './ledgerEntities.ts';
import { AuditEntity, CounterEntity, IdempotencyEntity, ImportedFileEntity, ImportedFilePartEntity } from './recordEntities.ts';

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
];
