import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';

const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;
const personId: EntitySchemaColumnOptions = { name: 'person_id', type: 'int', unsigned: true };
const generatedId: EntitySchemaColumnOptions = { type: 'int', unsigned: true, primary: true, generated: 'increment' };
const hash = { type: 'varbinary', length: 32 } as const;

export interface InvitationRow {
  id: number;
  companyId: number;
  email: string;
  name: string;
  role: string;
  tokenHash: Buffer;
  invitedAt: string;
  invitedBy: number | null;
  expiresAt: string;
}

export const InvitationEntity = new EntitySchema<InvitationRow>({
  name: 'invitation',
  columns: {
    id: generatedId,
    companyId: { name: 'company_id', type: 'int', unsigned: true },
    email: { ...keyText, length: 200 },
    name: { type: 'varchar', length: 200 },
    role: { ...keyText, length: 20 },
    tokenHash: { ...hash, name: 'token_hash' },
    invitedAt: { name: 'invited_at', type: 'datetime' },
    invitedBy: { name: 'invited_by', type: 'int', unsigned: true, nullable: true },
    expiresAt: { name: 'expires_at', type: 'datetime' },
  },
  indices: [
    { name: 'invitation_by_email', columns: ['companyId', 'email'], unique: true },
    { name: 'invitation_by_token', columns: ['tokenHash'], unique: true },
  ],
});

export const SignInPauseEntity = new EntitySchema({
  name: 'sign_in_pause',
  columns: {
    subject: { ...hash, primary: true },
    failures: { type: 'int', unsigned: true },
    lastFailure: { name: 'last_failure', type: 'datetime', precision: 6 },
  },
  indices: [{ name: 'pause_by_age', columns: ['lastFailure'] }],
});

export interface KnownBrowserRow {
  tokenHash: Buffer;
  personId: number;
  lastUsed: string;
}

export const KnownBrowserEntity = new EntitySchema<KnownBrowserRow>({
  name: 'known_browser',
  columns: { tokenHash: { ...hash, name: 'token_hash', primary: true }, personId, lastUsed: { name: 'last_used', type: 'datetime' } },
  indices: [
    { name: 'browser_by_person', columns: ['personId'] },
    { name: 'browser_by_age', columns: ['lastUsed'] },
  ],
});

export const AccessEventEntity = new EntitySchema({
  name: 'access_event',
  columns: {
    id: { ...generatedId, type: 'bigint' },
    kind: { ...keyText, length: 30 },
    actorId: { name: 'actor_id', type: 'int', unsigned: true, nullable: true },
    personId: { ...personId, nullable: true },
    inCompany: { name: 'in_company', type: 'int', unsigned: true, nullable: true },
    origin: { type: 'varchar', length: 45 },
    facts: { type: 'text' },
    happenedAt: { name: 'happened_at', type: 'datetime', precision: 6 },
  },
  indices: [
    { name: 'access_by_person', columns: ['personId', 'id'] },
    { name: 'access_by_company', columns: ['inCompany', 'id'] },
  ],
});

export const MessageEntity = new EntitySchema({
  name: 'message',
  columns: {
    id: generatedId,
    recipient: { type: 'varchar', length: 200 },
    subject: { type: 'varchar', length: 300 },
    content: { type: 'mediumtext' },
    state: { ...keyText, length: 10 },
    madeAt: { name: 'made_at', type: 'datetime', precision: 6 },
    handedAt: { name: 'handed_at', type: 'datetime', precision: 6, nullable: true },
    failure: { type: 'varchar', length: 500, default: '' },
  },
  indices: [{ name: 'message_by_state', columns: ['state', 'id'] }],
});

export const JobEntity = new EntitySchema({
  name: 'job',
  columns: {
    id: { ...generatedId, type: 'bigint' },
    kind: { ...keyText, length: 30 },
    occurrence: { ...keyText, length: 100 },
    payload: { type: 'mediumtext' },
    state: { ...keyText, length: 10 },
    due: { type: 'datetime', precision: 6 },
    attempt: { type: 'int', unsigned: true, default: 0 },
    owner: { ...keyText, length: 60, default: '' },
    leaseUntil: { name: 'lease_until', type: 'datetime', precision: 6, nullable: true },
    failure: { type: 'varchar', length: 500, default: '' },
    madeAt: { name: 'made_at', type: 'datetime', precision: 6 },
    endedAt: { name: 'ended_at', type: 'datetime', precision: 6, nullable: true },
  },
  indices: [
    { name: 'job_once', columns: ['kind', 'occurrence'], unique: true },
    { name: 'job_by_due', columns: ['state', 'due', 'id'] },
    { name: 'job_by_lease', columns: ['state', 'leaseUntil'] },
  ],
});
