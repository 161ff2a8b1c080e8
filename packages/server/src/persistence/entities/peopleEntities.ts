import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;
const personId: EntitySchemaColumnOptions = { name: 'person_id', type: 'int', unsigned: true };
const hash = { type: 'varbinary', length: 32 } as const;

export interface PersonRow {
  id: number;
  email: string;
  name: string;
  passwordHash: string | null;
  mayAddCompanies: number;
  failedSignIns: number;
  failedSince: string | null;
  lastSignIn: string | null;
  createdAt: string;
  keepsInstallation: number;
}

export const PersonEntity = new EntitySchema<PersonRow>({
  name: 'person',
  columns: {
    id: { type: 'int', unsigned: true, primary: true, generated: 'increment' },
    email: { ...keyText, length: 200 },
    name: { type: 'varchar', length: 200 },
    passwordHash: { ...keyText, name: 'password_hash', length: 300, nullable: true },
    mayAddCompanies: { name: 'may_add_companies', type: 'tinyint', unsigned: true, default: 0 },
    failedSignIns: { name: 'failed_sign_ins', type: 'int', unsigned: true, default: 0 },
    failedSince: { name: 'failed_since', type: 'datetime', nullable: true },
    lastSignIn: { name: 'last_sign_in', type: 'datetime', nullable: true },
    createdAt: { name: 'created_at', type: 'datetime' },
    keepsInstallation: { name: 'keeps_installation', type: 'tinyint', unsigned: true, default: 0 },
  },
  indices: [{ name: 'person_by_email', columns: ['email'], unique: true }],
});

export interface SecondFactorRow {
  personId: number;
  secret: Buffer;
  confirmedAt: string | null;
  lastStep: string;
}

export const SecondFactorEntity = new EntitySchema<SecondFactorRow>({
  name: 'second_factor',
  foreignKeys: [refersTo('second_factor_of_person', 'person', ['personId'], ['id'])],
  columns: {
    personId: { ...personId, primary: true },
    secret: { type: 'varbinary', length: 64 },
    confirmedAt: { name: 'confirmed_at', type: 'datetime', nullable: true },
    lastStep: { name: 'last_step', type: 'bigint', unsigned: true, default: 0 },
  },
});

export interface RecoveryCodeRow {
  personId: number;
  codeHash: Buffer;
}

export const RecoveryCodeEntity = new EntitySchema<RecoveryCodeRow>({
  name: 'recovery_code',
  foreignKeys: [refersTo('recovery_code_of_person', 'person', ['personId'], ['id'])],
  columns: { personId: { ...personId, primary: true }, codeHash: { ...hash, name: 'code_hash', primary: true } },
});

export interface MembershipRow {
  companyId: number;
  personId: number;
  role: string;
  version: number;
}

export const MembershipEntity = new EntitySchema<MembershipRow>({
  name: 'membership',
  foreignKeys: [refersTo('membership_of_company', 'company', ['companyId'], ['id']), refersTo('membership_of_person', 'person', ['personId'], ['id'])],
  columns: {
    companyId: { name: 'company_id', type: 'int', unsigned: true, primary: true },
    personId: { ...personId, primary: true },
    role: { ...keyText, length: 20 },
    version: { type: 'int', unsigned: true, default: 1 },
  },
  indices: [{ name: 'membership_by_person', columns: ['personId', 'companyId'] }],
});

export interface CompanyRoleRow {
  companyId: number;
  id: number;
  name: string;
  permissions: string;
  version: number;
}

export const CompanyRoleEntity = new EntitySchema<CompanyRoleRow>({
  name: 'company_role',
  foreignKeys: [refersTo('company_role_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId: { name: 'company_id', type: 'int', unsigned: true, primary: true },
    id: { type: 'int', unsigned: true, primary: true, generated: 'increment' },
    name: { type: 'varchar', length: 200 },
    permissions: { ...keyText, length: 1000 },
    version: { type: 'int', unsigned: true, default: 1 },
  },
  indices: [
    { name: 'company_role_by_name', columns: ['companyId', 'name'], unique: true },
    { name: 'company_role_by_id', columns: ['id'] },
  ],
});

export interface SessionRow {
  idHash: Buffer;
  personId: number;
  createdAt: string;
  expiresAt: string;
  lastSeen: string | null;
  device: string;
  origin: string;
}

export const SessionEntity = new EntitySchema<SessionRow>({
  name: 'session',
  foreignKeys: [refersTo('session_of_person', 'person', ['personId'], ['id'])],
  columns: {
    idHash: { ...hash, name: 'id_hash', primary: true },
    personId,
    createdAt: { name: 'created_at', type: 'datetime' },
    expiresAt: { name: 'expires_at', type: 'datetime' },
    lastSeen: { name: 'last_seen', type: 'datetime', nullable: true },
    device: { type: 'varchar', length: 200, default: '' },
    origin: { type: 'varchar', length: 45, default: '' },
  },
  indices: [
    { name: 'session_by_person', columns: ['personId'] },
    { name: 'session_by_end', columns: ['expiresAt'] },
  ],
});

export interface OneTimeLinkRow {
  tokenHash: Buffer;
  personId: number | null;
  expiresAt: string;
  usedAt: string | null;
  rights: Buffer | null;
  madeBy: number | null;
}

export const OneTimeLinkEntity = new EntitySchema<OneTimeLinkRow>({
  name: 'one_time_link',
  columns: {
    tokenHash: { ...hash, name: 'token_hash', primary: true },
    personId: { ...personId, nullable: true },
    expiresAt: { name: 'expires_at', type: 'datetime' },
    usedAt: { name: 'used_at', type: 'datetime', nullable: true },
    rights: { ...hash, nullable: true },
    madeBy: { name: 'made_by', type: 'int', unsigned: true, nullable: true },
  },
  indices: [{ name: 'link_by_person', columns: ['personId'] }],
});

export interface InstallationRow {
  id: number;
  sessionSecret: Buffer;
  requiresSecondFactor: number;
}

export const InstallationEntity = new EntitySchema<InstallationRow>({
  name: 'installation',
  columns: {
    id: { type: 'tinyint', unsigned: true, primary: true },
    sessionSecret: { ...hash, name: 'session_secret' },
    requiresSecondFactor: { name: 'requires_second_factor', type: 'tinyint', unsigned: true, default: 0 },
  },
});
