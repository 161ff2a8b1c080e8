import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;
const whole: EntitySchemaColumnOptions = { type: 'int', unsigned: true };
const big: EntitySchemaColumnOptions = { type: 'bigint', unsigned: true };
const minorUnits: EntitySchemaColumnOptions = { type: 'bigint' };
const importId: EntitySchemaColumnOptions = { ...big, name: 'import_id', primary: true };
const entryDate: EntitySchemaColumnOptions = { name: 'entry_date', type: 'date' };
const longText = { type: 'varchar', length: 500 } as const;

export const JournalImportEntity = new EntitySchema({
  name: 'journal_import',
  foreignKeys: [refersTo('journal_import_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId: { ...whole, name: 'company_id', primary: true },
    id: { ...big, primary: true },
    name: { type: 'varchar', length: 200 },
    form: { type: 'text' },
    state: { ...keyText, length: 10 },
    bytes: big,
    bytesReceived: { ...big, name: 'bytes_received', default: 0 },
    bytesRead: { ...big, name: 'bytes_read', default: 0 },
    rowCount: { ...whole, name: 'row_count', default: 0 },
    summary: { type: 'mediumtext', nullable: true },
    begunAt: { name: 'begun_at', type: 'datetime' },
    begunBy: { name: 'begun_by', type: 'varchar', length: 200 },
    begunById: { ...whole, name: 'begun_by_id', nullable: true },
  },
  indices: [
    { name: 'journal_import_by_person', columns: ['begunById', 'begunAt'] },
    { name: 'journal_import_by_state', columns: ['state', 'begunAt'] },
  ],
});

export const StagedLineEntity = new EntitySchema({
  name: 'staged_line',
  columns: {
    importId,
    lineRow: { ...whole, name: 'line_row', primary: true },
    document: { ...keyText, length: 60 },
    date: entryDate,
    layer: { ...keyText, length: 10 },
    description: longText,
    accountId: { ...whole, name: 'account_id' },
    debit: minorUnits,
    credit: minorUnits,
    text: longText,
    facetSetId: { ...whole, name: 'facet_set_id' },
    year: { type: 'smallint' },
    period: { type: 'tinyint', unsigned: true },
  },
  indices: [{ name: 'staged_line_by_document', columns: ['importId', 'document', 'date', 'layer'] }],
});

export const StagedEntryEntity = new EntitySchema({
  name: 'staged_entry',
  columns: {
    importId,
    firstRow: { ...whole, name: 'first_row', primary: true },
    place: { ...whole, default: 0 },
    document: { ...keyText, length: 60 },
    date: entryDate,
    layer: { ...keyText, length: 10 },
    description: longText,
    year: { type: 'smallint' },
    period: { type: 'tinyint', unsigned: true },
    lineCount: { ...whole, name: 'line_count' },
    debit: minorUnits,
    credit: minorUnits,
    knownId: { ...big, name: 'known_id', nullable: true },
  },
  indices: [{ name: 'staged_entry_by_document', columns: ['importId', 'document', 'date', 'layer'], unique: true }],
});
