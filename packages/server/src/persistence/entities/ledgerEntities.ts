import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };
const minorUnits: EntitySchemaColumnOptions = { type: 'bigint' };
const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;

export interface EntryRow {
  companyId: number;
  id: string;
  date: string;
  year: number;
  period: number;
  documentNumber: string;
  description: string;
  layer: string;
  source: string;
  closesYear: number | null;
  reversesEntryId: string | null;
  trialBalanceId: string | null;
  revision: string;
  postedAt: string;
  postedBy: string;
  postedById: number | null;
  originDocument: string;
  seriesId: number;
  opening: number;
}

export const EntryEntity = new EntitySchema<EntryRow>({
  name: 'journal_entry',
  foreignKeys: [refersTo('entry_in_period', 'fiscal_period', ['companyId', 'year', 'period'], ['companyId', 'year', 'number'])],
  columns: {
    companyId,
    id: { type: 'bigint', unsigned: true, primary: true },
    date: { name: 'entry_date', type: 'date' },
    year: { type: 'smallint' },
    period: { type: 'tinyint', unsigned: true },
    documentNumber: { ...keyText, name: 'document_number', length: 40 },
    description: { type: 'varchar', length: 500 },
    layer: { ...keyText, length: 10 },
    source: { ...keyText, length: 20 },
    closesYear: { name: 'closes_year', type: 'smallint', nullable: true },
    reversesEntryId: { name: 'reverses_entry_id', type: 'bigint', unsigned: true, nullable: true },
    trialBalanceId: { name: 'trial_balance_id', type: 'bigint', unsigned: true, nullable: true },
    revision: { type: 'bigint', unsigned: true },
    postedAt: { name: 'posted_at', type: 'datetime' },
    postedBy: { name: 'posted_by', type: 'varchar', length: 200 },
    postedById: { name: 'posted_by_id', type: 'int', unsigned: true, nullable: true },
    originDocument: { ...keyText, name: 'origin_document', length: 60, default: '' },
    seriesId: { name: 'series_id', type: 'int', unsigned: true, default: 0 },
    opening: { type: 'tinyint', unsigned: true, default: 0 },
  },
  indices: [
    { name: 'entry_by_opening', columns: ['companyId', 'opening'] },
    { name: 'entry_by_origin', columns: ['companyId', 'originDocument', 'date'] },
    { name: 'entry_by_document', columns: ['companyId', 'documentNumber'] },
    { name: 'entry_by_revision', columns: ['companyId', 'revision'] },
    { name: 'entry_by_date', columns: ['companyId', 'date', 'id'] },
    { name: 'entry_by_trial_balance', columns: ['companyId', 'trialBalanceId'] },
    { name: 'entry_reversed_once', columns: ['companyId', 'reversesEntryId'], unique: true },
  ],
});

export interface LineRow {
  companyId: number;
  entryId: string;
  lineNumber: number;
  accountId: number;
  date: string;
  layer: string;
  closing: number;
  debit: string;
  credit: string;
  text: string;
  facetSetId: number;
}

export const LineEntity = new EntitySchema<LineRow>({
  name: 'journal_line',
  checks: [{ name: 'line_amounts', expression: '`debit` >= 0 and `credit` >= 0' }],
  foreignKeys: [
    refersTo('line_of_entry', 'journal_entry', ['companyId', 'entryId'], ['companyId', 'id']),
    refersTo('line_on_account', 'account', ['companyId', 'accountId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    entryId: { name: 'entry_id', type: 'bigint', unsigned: true, primary: true },
    lineNumber: { name: 'line_number', type: 'int', unsigned: true, primary: true },
    accountId: { name: 'account_id', type: 'int', unsigned: true },
    date: { name: 'entry_date', type: 'date' },
    layer: { ...keyText, length: 10 },
    closing: { type: 'tinyint', unsigned: true },
    debit: minorUnits,
    credit: minorUnits,
    text: { type: 'varchar', length: 500 },
    facetSetId: { name: 'facet_set_id', type: 'int', unsigned: true, default: 0 },
  },
  indices: [
    { name: 'line_by_account', columns: ['companyId', 'accountId', 'date'] },
    { name: 'line_by_day', columns: ['companyId', 'date', 'closing', 'layer', 'accountId', 'facetSetId', 'debit', 'credit'] },
  ],
});

export interface DocumentSeriesRow {
  companyId: number;
  id: number;
  code: string;
  name: string;
  firstNumber: string;
  nextNumber: string;
  active: number;
  version: number;
}

export const DocumentSeriesEntity = new EntitySchema<DocumentSeriesRow>({
  name: 'document_series',
  foreignKeys: [refersTo('document_series_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    id: { type: 'int', unsigned: true, primary: true, generated: 'increment' },
    code: { ...keyText, length: 10 },
    name: { type: 'varchar', length: 200 },
    firstNumber: { name: 'first_number', type: 'bigint', unsigned: true, default: 1 },
    nextNumber: { name: 'next_number', type: 'bigint', unsigned: true, default: 1 },
    active: { type: 'tinyint', unsigned: true, default: 1 },
    version: { type: 'int', unsigned: true, default: 1 },
  },
  indices: [
    { name: 'document_series_by_code', columns: ['companyId', 'code'], unique: true },
    { name: 'document_series_by_id', columns: ['id'] },
  ],
});

interface EntrySearchRow {
  companyId: number;
  date: string;
  entryId: string;
  layer: string;
  source: string;
  seriesId: number;
  postedBy: string;
  texts: Buffer;
  marks: Buffer;
}

export const EntrySearchEntity = new EntitySchema<EntrySearchRow>({
  name: 'entry_search',
  columns: {
    companyId,
    date: { name: 'entry_date', type: 'date', primary: true },
    entryId: { name: 'entry_id', type: 'bigint', unsigned: true, primary: true },
    layer: { ...keyText, length: 10 },
    source: { ...keyText, length: 20 },
    seriesId: { name: 'series_id', type: 'int', unsigned: true },
    postedBy: { name: 'posted_by', type: 'varchar', length: 200 },
    texts: { type: 'mediumblob' },
    marks: { type: 'mediumblob' },
  },
});

export interface BalanceTableRow {
  companyId: number;
  scenario: number;
  layer: string;
  origin: string;
  accountId: number;
  year: number;
  period: number;
  debit: string;
  credit: string;
}

export const BalanceEntity = new EntitySchema<BalanceTableRow>({
  name: 'balance',
  foreignKeys: [
    refersTo('balance_in_period', 'fiscal_period', ['companyId', 'year', 'period'], ['companyId', 'year', 'number']),
    refersTo('balance_of_account', 'account', ['companyId', 'accountId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    scenario: { type: 'int', unsigned: true, primary: true },
    layer: { ...keyText, length: 10, primary: true },
    origin: { ...keyText, length: 20, primary: true },
    accountId: { name: 'account_id', type: 'int', unsigned: true, primary: true },
    year: { type: 'smallint', primary: true },
    period: { type: 'tinyint', unsigned: true, primary: true },
    debit: minorUnits,
    credit: minorUnits,
  },
});

interface FacetBalanceTableRow {
  companyId: number;
  facetSetId: number;
  layer: string;
  origin: string;
  accountId: number;
  year: number;
  period: number;
  debit: string;
  credit: string;
}

export const FacetBalanceEntity = new EntitySchema<FacetBalanceTableRow>({
  name: 'facet_balance',
  foreignKeys: [refersTo('facet_balance_of_set', 'facet_set', ['companyId', 'facetSetId'], ['companyId', 'id'])],
  columns: {
    companyId,
    facetSetId: { name: 'facet_set_id', type: 'int', unsigned: true, primary: true },
    layer: { ...keyText, length: 10, primary: true },
    origin: { ...keyText, length: 20, primary: true },
    accountId: { name: 'account_id', type: 'int', unsigned: true, primary: true },
    year: { type: 'smallint', primary: true },
    period: { type: 'tinyint', unsigned: true, primary: true },
    debit: minorUnits,
    credit: minorUnits,
  },
});

export interface TrialBalanceRecordRow {
  companyId: number;
  id: string;
  fileId: string;
  fileName: string;
  day: string;
  figures: string;
  postedAt: string;
  postedBy: string;
  postedById: number | null;
  takenBackAt: string | null;
  takenBackBy: string;
  takenBackById: number | null;
}

export const TrialBalanceEntity = new EntitySchema<TrialBalanceRecordRow>({
  name: 'trial_balance',
  foreignKeys: [refersTo('trial_balance_file', 'imported_file', ['companyId', 'fileId'], ['companyId', 'id'])],
  columns: {
    companyId,
    id: { type: 'bigint', unsigned: true, primary: true },
    fileId: { name: 'file_id', type: 'bigint', unsigned: true },
    fileName: { name: 'file_name', type: 'varchar', length: 200 },
    day: { name: 'balance_day', type: 'date' },
    figures: { type: 'varchar', length: 200 },
    postedAt: { name: 'posted_at', type: 'datetime' },
    postedBy: { name: 'posted_by', type: 'varchar', length: 200 },
    postedById: { name: 'posted_by_id', type: 'int', unsigned: true, nullable: true },
    takenBackAt: { name: 'taken_back_at', type: 'datetime', nullable: true },
    takenBackBy: { name: 'taken_back_by', type: 'varchar', length: 200, default: '' },
    takenBackById: { name: 'taken_back_by_id', type: 'int', unsigned: true, nullable: true },
  },
  indices: [{ name: 'trial_balance_by_day', columns: ['companyId', 'day', 'id'] }],
});
