import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };
const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;

export interface CounterRow {
  name: string;
  nextValue: string;
}

export const CounterEntity = new EntitySchema<CounterRow>({
  name: 'counter',
  columns: { name: { ...keyText, length: 30, primary: true }, nextValue: { name: 'next_value', type: 'bigint', unsigned: true } },
});

export const TurnEntity = new EntitySchema({
  name: 'turn',
  columns: { companyId, what: { ...keyText, length: 20, primary: true } },
});

export interface IdempotencyRow {
  companyId: number;
  key: string;
  requestHash: Buffer;
  outcome: string | null;
  createdAt: string;
}

export const IdempotencyEntity = new EntitySchema<IdempotencyRow>({
  name: 'idempotency',
  columns: {
    companyId,
    key: { ...keyText, name: 'request_key', length: 100, primary: true },
    requestHash: { name: 'request_hash', type: 'varbinary', length: 32 },
    outcome: { type: 'mediumtext', nullable: true },
    createdAt: { name: 'created_at', type: 'datetime' },
  },
  indices: [{ name: 'idempotency_by_age', columns: ['createdAt'] }],
});

export interface AuditRow {
  companyId: number;
  id: string;
  thing: string;
  thingId: string;
  action: string;
  before: string | null;
  after: string | null;
  at: string;
  actor: string;
  actorId: number | null;
}

export const AuditEntity = new EntitySchema<AuditRow>({
  name: 'audit_event',
  columns: {
    companyId,
    id: { type: 'bigint', unsigned: true, primary: true },
    thing: { ...keyText, length: 30 },
    thingId: { name: 'thing_id', type: 'bigint', unsigned: true },
    action: { ...keyText, length: 30 },
    before: { name: 'state_before', type: 'mediumtext', nullable: true },
    after: { name: 'state_after', type: 'mediumtext', nullable: true },
    at: { name: 'happened_at', type: 'datetime', precision: 3 },
    actor: { type: 'varchar', length: 200 },
    actorId: { name: 'actor_id', type: 'int', unsigned: true, nullable: true },
  },
  indices: [
    { name: 'audit_by_thing', columns: ['companyId', 'thing', 'thingId', 'at'] },
    { name: 'audit_by_actor', columns: ['companyId', 'actor', 'actorId'] },
  ],
});

export interface ImportedFileRow {
  companyId: number;
  id: string;
  name: string;
  size: number;
  sha256: Buffer;
  uploadedAt: string;
  uploadedBy: string;
  uploadedById: number | null;
}

export const ImportedFileEntity = new EntitySchema<ImportedFileRow>({
  name: 'imported_file',
  foreignKeys: [refersTo('imported_file_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    id: { type: 'bigint', unsigned: true, primary: true },
    name: { type: 'varchar', length: 200 },
    size: { type: 'int', unsigned: true },
    sha256: { type: 'varbinary', length: 32 },
    uploadedAt: { name: 'uploaded_at', type: 'datetime' },
    uploadedBy: { name: 'uploaded_by', type: 'varchar', length: 200 },
    uploadedById: { name: 'uploaded_by_id', type: 'int', unsigned: true, nullable: true },
  },
  indices: [
    { name: 'imported_file_by_person', columns: ['uploadedById', 'uploadedAt'] },
    { name: 'imported_file_by_age', columns: ['uploadedAt'] },
  ],
});

export interface ImportedFilePartRow {
  companyId: number;
  fileId: string;
  part: number;
  content: Buffer;
}

export const ImportedFilePartEntity = new EntitySchema<ImportedFilePartRow>({
  name: 'imported_file_part',
  foreignKeys: [refersTo('part_of_imported_file', 'imported_file', ['companyId', 'fileId'], ['companyId', 'id'])],
  columns: {
    companyId,
    fileId: { name: 'file_id', type: 'bigint', unsigned: true, primary: true },
    part: { type: 'int', unsigned: true, primary: true },
    content: { type: 'mediumblob' },
  },
});

export interface AccountNoteRow {
  companyId: number;
  id: string;
  accountId: number;
  content: string;
  writtenAt: string;
  writtenBy: string;
  writtenById: number | null;
}

export const AccountNoteEntity = new EntitySchema<AccountNoteRow>({
  name: 'account_note',
  foreignKeys: [refersTo('note_of_account', 'account', ['companyId', 'accountId'], ['companyId', 'id'], 'CASCADE')],
  columns: {
    companyId,
    id: { type: 'bigint', unsigned: true, primary: true },
    accountId: { name: 'account_id', type: 'int', unsigned: true },
    content: { type: 'varchar', length: 4000 },
    writtenAt: { name: 'written_at', type: 'datetime' },
    writtenBy: { name: 'written_by', type: 'varchar', length: 200 },
    writtenById: { name: 'written_by_id', type: 'int', unsigned: true, nullable: true },
  },
  indices: [{ name: 'note_by_account', columns: ['companyId', 'accountId', 'id'] }],
});

export interface SavedViewRow {
  companyId: number;
  id: string;
  personId: number;
  name: string;
  shared: number;
  content: string;
  version: number;
}

export const SavedViewEntity = new EntitySchema<SavedViewRow>({
  name: 'saved_view',
  foreignKeys: [refersTo('view_of_company', 'company', ['companyId'], ['id'], 'CASCADE')],
  columns: {
    companyId,
    id: { type: 'bigint', unsigned: true, primary: true },
    personId: { name: 'person_id', type: 'int', unsigned: true },
    name: { type: 'varchar', length: 100 },
    shared: { type: 'tinyint' },
    content: { type: 'text' },
    version: { type: 'int', unsigned: true },
  },
});

export interface ChosenColumnsRow {
  companyId: number;
  personId: number;
  columnsShown: string;
}

export const ChosenColumnsEntity = new EntitySchema<ChosenColumnsRow>({
  name: 'chosen_columns',
  foreignKeys: [refersTo('columns_in_company', 'company', ['companyId'], ['id'], 'CASCADE')],
  columns: { companyId, personId: { name: 'person_id', type: 'int', unsigned: true, primary: true }, columnsShown: { name: 'columns_shown', type: 'text' } },
});

export interface AttachmentRow {
  companyId: number;
  id: string;
  accountId: number | null;
  entryId: string | null;
  name: string;
  bytes: number;
  sha256: Buffer | null;
  addedAt: string;
  addedBy: string;
  addedById: number | null;
}

export const AttachmentEntity = new EntitySchema<AttachmentRow>({
  name: 'attachment',
  foreignKeys: [
    refersTo('attachment_of_account', 'account', ['companyId', 'accountId'], ['companyId', 'id'], 'CASCADE'),
    refersTo('attachment_of_entry', 'journal_entry', ['companyId', 'entryId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    id: { type: 'bigint', unsigned: true, primary: true },
    accountId: { name: 'account_id', type: 'int', unsigned: true, nullable: true },
    entryId: { name: 'entry_id', type: 'bigint', unsigned: true, nullable: true },
    name: { type: 'varchar', length: 200 },
    bytes: { type: 'int', unsigned: true },
    sha256: { type: 'varbinary', length: 32, nullable: true },
    addedAt: { name: 'added_at', type: 'datetime' },
    addedBy: { name: 'added_by', type: 'varchar', length: 200 },
    addedById: { name: 'added_by_id', type: 'int', unsigned: true, nullable: true },
  },
  indices: [
    { name: 'attachment_by_person', columns: ['addedById', 'addedAt'] },
    { name: 'attachment_by_account', columns: ['companyId', 'accountId', 'id'] },
    { name: 'attachment_by_entry', columns: ['companyId', 'entryId', 'id'] },
    { name: 'attachment_by_age', columns: ['sha256', 'addedAt'] },
  ],
});

export interface AttachmentPartRow {
  companyId: number;
  attachmentId: string;
  part: number;
  content: Buffer;
}

export const AttachmentPartEntity = new EntitySchema<AttachmentPartRow>({
  name: 'attachment_part',
  foreignKeys: [refersTo('part_of_attachment', 'attachment', ['companyId', 'attachmentId'], ['companyId', 'id'], 'CASCADE')],
  columns: {
    companyId,
    attachmentId: { name: 'attachment_id', type: 'bigint', unsigned: true, primary: true },
    part: { type: 'int', unsigned: true, primary: true },
    content: { type: 'mediumblob' },
  },
});
