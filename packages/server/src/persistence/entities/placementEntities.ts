import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };
const generatedId: EntitySchemaColumnOptions = { type: 'int', unsigned: true, primary: true, generated: 'increment' };
const classificationId: EntitySchemaColumnOptions = { name: 'classification_id', type: 'int', unsigned: true, default: 1 };
const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;

export interface PlacementRecordRow {
  companyId: number;
  id: number;
  at: string;
  by: string;
  byId: number | null;
  reason: string;
  accounts: number;
  categories: number;
  undoes: number | null;
  draft: string;
  effect: string;
  classificationId: number;
}

export const PlacementRecordEntity = new EntitySchema<PlacementRecordRow>({
  name: 'placement_record',
  foreignKeys: [refersTo('placement_record_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    id: generatedId,
    at: { name: 'applied_at', type: 'datetime', precision: 6 },
    by: { name: 'applied_by', type: 'varchar', length: 200 },
    byId: { name: 'applied_by_id', type: 'int', unsigned: true, nullable: true },
    reason: { type: 'varchar', length: 500 },
    accounts: { type: 'int', unsigned: true },
    categories: { type: 'int', unsigned: true },
    undoes: { type: 'int', unsigned: true, nullable: true },
    draft: { type: 'mediumtext' },
    effect: { type: 'mediumtext' },
    classificationId,
  },
  indices: [
    { name: 'placement_record_by_id', columns: ['id'] },
    { name: 'placement_record_undone', columns: ['companyId', 'undoes'], unique: true },
  ],
});

export interface RehearsalRow {
  companyId: number;
  id: number;
  personId: number;
  name: string;
  state: string;
  word: string;
  wordBy: string;
  wordById: number | null;
  draft: string;
  changedAt: string;
  version: number;
  classificationId: number;
}

export const RehearsalEntity = new EntitySchema<RehearsalRow>({
  name: 'rehearsal',
  foreignKeys: [refersTo('rehearsal_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    id: generatedId,
    personId: { name: 'person_id', type: 'int', unsigned: true },
    name: { type: 'varchar', length: 200 },
    state: { ...keyText, length: 10 },
    word: { type: 'varchar', length: 500, default: '' },
    wordBy: { name: 'word_by', type: 'varchar', length: 200, default: '' },
    wordById: { name: 'word_by_id', type: 'int', unsigned: true, nullable: true },
    draft: { type: 'mediumtext' },
    changedAt: { name: 'changed_at', type: 'datetime', precision: 6 },
    version: { type: 'int', unsigned: true, default: 1 },
    classificationId,
  },
  indices: [
    { name: 'rehearsal_by_id', columns: ['id'] },
    { name: 'rehearsal_by_name', columns: ['companyId', 'classificationId', 'personId', 'name'], unique: true },
  ],
});

interface ClassificationRow {
  companyId: number;
  id: number;
  name: string;
  version: number;
}

export const ClassificationEntity = new EntitySchema<ClassificationRow>({
  name: 'classification',
  foreignKeys: [refersTo('classification_of_company', 'company', ['companyId'], ['id'])],
  columns: { companyId, id: generatedId, name: { type: 'varchar', length: 100 }, version: { type: 'int', unsigned: true, default: 1 } },
  indices: [
    { name: 'classification_by_id', columns: ['id'] },
    { name: 'classification_by_name', columns: ['companyId', 'name'], unique: true },
  ],
});

interface CoverageExclusionRow {
  companyId: number;
  scope: string;
  accountId: number;
  reason: string;
  by: string;
  byId: number | null;
  at: string;
}

export const CoverageExclusionEntity = new EntitySchema<CoverageExclusionRow>({
  name: 'coverage_exclusion',
  foreignKeys: [refersTo('coverage_exclusion_of_account', 'account', ['companyId', 'accountId'], ['companyId', 'id'], 'CASCADE')],
  columns: {
    companyId,
    scope: { ...keyText, length: 40, primary: true },
    accountId: { name: 'account_id', type: 'int', unsigned: true, primary: true },
    reason: { type: 'varchar', length: 500 },
    by: { name: 'excluded_by', type: 'varchar', length: 200 },
    byId: { name: 'excluded_by_id', type: 'int', unsigned: true, nullable: true },
    at: { name: 'excluded_at', type: 'datetime' },
  },
  indices: [{ name: 'coverage_exclusion_by_account', columns: ['companyId', 'accountId'] }],
});
