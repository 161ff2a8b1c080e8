import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };
const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;
const generatedId: EntitySchemaColumnOptions = { type: 'int', unsigned: true, primary: true, generated: 'increment' };

export interface CompanyRow {
  id: number;
  name: string;
  currency: string;
  fiscalYearFirstMonth: number;
  digitOrder: string;
  revision: string;
  structureVersion: string;
  ratesVersion: string;
  nextDocument: string;
  createdAt: string;
  numberScheme: string | null;
  repeatedNames: string;
  numbered: number;
  settingsVersion: number;
  languages: string;
  yearForm: string;
  mainClassification: number;
  removedAt: string | null;
}

export const CompanyEntity = new EntitySchema<CompanyRow>({
  name: 'company',
  columns: {
    id: generatedId,
    name: { type: 'varchar', length: 200 },
    currency: { ...keyText, length: 3 },
    fiscalYearFirstMonth: { name: 'fiscal_first_month', type: 'tinyint', unsigned: true },
    digitOrder: { ...keyText, name: 'digit_order', length: 20 },
    revision: { type: 'bigint', unsigned: true, default: 0 },
    structureVersion: { name: 'structure_version', type: 'bigint', unsigned: true, default: 0 },
    ratesVersion: { name: 'rates_version', type: 'bigint', unsigned: true, default: 0 },
    nextDocument: { name: 'next_document', type: 'bigint', unsigned: true, default: 1 },
    createdAt: { name: 'created_at', type: 'datetime' },
    numberScheme: { name: 'number_scheme', type: 'varchar', length: 1000, nullable: true },
    repeatedNames: { ...keyText, name: 'repeated_names', length: 20, default: 'pointed_out' },
    numbered: { type: 'tinyint', unsigned: true, default: 1 },
    settingsVersion: { name: 'settings_version', type: 'int', unsigned: true, default: 0 },
    languages: { ...keyText, length: 100, default: 'en' },
    yearForm: { name: 'year_form', type: 'varchar', length: 200, default: '' },
    mainClassification: { name: 'main_classification', type: 'int', unsigned: true, default: 1 },
    removedAt: { name: 'removed_at', type: 'datetime', precision: 6, nullable: true },
  },
});

export interface PeriodRow {
  companyId: number;
  year: number;
  number: number;
  firstDay: string;
  lastDay: string;
  lockedAt: string | null;
  lockedBy: string;
  lockedById: number | null;
  lockReason: string;
  isAdjusting: number;
}

export const PeriodEntity = new EntitySchema<PeriodRow>({
  name: 'fiscal_period',
  foreignKeys: [refersTo('period_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    year: { type: 'smallint', primary: true },
    number: { type: 'tinyint', unsigned: true, primary: true },
    firstDay: { name: 'first_day', type: 'date' },
    lastDay: { name: 'last_day', type: 'date' },
    lockedAt: { name: 'locked_at', type: 'datetime', nullable: true },
    lockedBy: { name: 'locked_by', type: 'varchar', length: 200, default: '' },
    lockedById: { name: 'locked_by_id', type: 'int', unsigned: true, nullable: true },
    lockReason: { name: 'lock_reason', type: 'varchar', length: 500, default: '' },
    isAdjusting: { name: 'is_adjusting', type: 'tinyint', unsigned: true, default: 0 },
  },
});

export interface AccountRow {
  companyId: number;
  id: number;
  number: string | null;
  numberKey: Buffer;
  name: string;
  element: string;
  normalSide: string;
  parentId: number | null;
  position: number;
  active: number;
  role: string | null;
  version: number;
  purpose: string;
  externalNumber: string;
  cashFrom: string | null;
  cashUntil: string | null;
}

export const AccountEntity = new EntitySchema<AccountRow>({
  name: 'account',
  foreignKeys: [
    refersTo('account_of_company', 'company', ['companyId'], ['id']),
    refersTo('account_parent', 'account', ['companyId', 'parentId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    id: generatedId,
    number: { ...keyText, length: 50, nullable: true },
    numberKey: { name: 'number_key', type: 'varbinary', length: 500 },
    name: { type: 'varchar', length: 200 },
    element: { ...keyText, length: 10 },
    normalSide: { ...keyText, name: 'normal_side', length: 6 },
    parentId: { name: 'parent_id', type: 'int', unsigned: true, nullable: true },
    position: { type: 'int' },
    active: { type: 'tinyint', unsigned: true, default: 1 },
    role: { ...keyText, length: 30, nullable: true },
    version: { type: 'int', unsigned: true, default: 0 },
    purpose: { type: 'varchar', length: 2000, default: '' },
    externalNumber: { name: 'external_number', type: 'varchar', length: 50, default: '' },
    cashFrom: { name: 'cash_from', type: 'date', nullable: true },
    cashUntil: { name: 'cash_until', type: 'date', nullable: true },
  },
  indices: [
    { name: 'account_by_id', columns: ['id'] },
    { name: 'account_by_number', columns: ['companyId', 'number'], unique: true },
    { name: 'account_by_key', columns: ['companyId', 'numberKey'] },
  ],
});

export interface CategoryRow {
  companyId: number;
  id: number;
  parentId: number | null;
  element: string;
  name: string;
  position: number;
  term: string | null;
  step: string | null;
  contraOf: number | null;
  nature: string | null;
  note: string;
  description: string;
  version: number;
  classificationId: number;
}

export const CategoryEntity = new EntitySchema<CategoryRow>({
  name: 'category',
  foreignKeys: [
    refersTo('category_contra', 'category', ['companyId', 'contraOf'], ['companyId', 'id']),
    refersTo('category_of_company', 'company', ['companyId'], ['id']),
    refersTo('category_parent', 'category', ['companyId', 'parentId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    id: generatedId,
    parentId: { name: 'parent_id', type: 'int', unsigned: true, nullable: true },
    element: { ...keyText, length: 10 },
    name: { type: 'varchar', length: 200 },
    position: { type: 'int' },
    term: { ...keyText, length: 20, nullable: true },
    step: { ...keyText, length: 20, nullable: true },
    contraOf: { name: 'contra_of', type: 'int', unsigned: true, nullable: true },
    nature: { ...keyText, length: 10, nullable: true },
    note: { type: 'varchar', length: 20, default: '' },
    description: { type: 'varchar', length: 2000, default: '' },
    version: { type: 'int', unsigned: true, default: 0 },
    classificationId: { name: 'classification_id', type: 'int', unsigned: true, default: 1 },
  },
  indices: [{ name: 'category_by_id', columns: ['id'] }],
});

export interface PlaceRow {
  companyId: number;
  accountId: number;
  classificationId: number;
  side: string;
  categoryId: number;
  kept: number;
}

export const PlaceEntity = new EntitySchema<PlaceRow>({
  name: 'place',
  foreignKeys: [
    refersTo('place_in_category', 'category', ['companyId', 'categoryId'], ['companyId', 'id']),
    refersTo('place_of_account', 'account', ['companyId', 'accountId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    accountId: { name: 'account_id', type: 'int', unsigned: true, primary: true },
    classificationId: { name: 'classification_id', type: 'int', unsigned: true, primary: true, default: 1 },
    side: { ...keyText, length: 6, primary: true },
    categoryId: { name: 'category_id', type: 'int', unsigned: true },
    kept: { type: 'tinyint', unsigned: true, default: 0 },
  },
  indices: [{ name: 'place_by_category', columns: ['companyId', 'categoryId'] }],
});

export interface CategoryRangeRow {
  companyId: number;
  categoryId: number;
  side: string;
  content: string;
}

export const CategoryRangeEntity = new EntitySchema<CategoryRangeRow>({
  name: 'category_range',
  foreignKeys: [refersTo('range_of_category', 'category', ['companyId', 'categoryId'], ['companyId', 'id'])],
  columns: {
    companyId,
    categoryId: { name: 'category_id', type: 'int', unsigned: true, primary: true },
    side: { ...keyText, length: 6, primary: true },
    content: { type: 'varchar', length: 2000 },
  },
});

export interface CategoryCaptionRow {
  companyId: number;
  categoryId: number;
  language: string;
  caption: string;
}

export const CategoryCaptionEntity = new EntitySchema<CategoryCaptionRow>({
  name: 'category_caption',
  foreignKeys: [refersTo('caption_of_category', 'category', ['companyId', 'categoryId'], ['companyId', 'id'])],
  columns: {
    companyId,
    categoryId: { name: 'category_id', type: 'int', unsigned: true, primary: true },
    language: { ...keyText, length: 10, primary: true },
    caption: { type: 'varchar', length: 200 },
  },
});

export interface LayoutOptionsRow {
  companyId: number;
  options: string;
  version: number;
}

export const LayoutOptionsEntity = new EntitySchema<LayoutOptionsRow>({
  name: 'layout_options',
  foreignKeys: [refersTo('layout_options_of_company', 'company', ['companyId'], ['id'])],
  columns: { companyId, options: { type: 'varchar', length: 1000 }, version: { type: 'int', unsigned: true, default: 0 } },
});
