import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };
const generatedId: EntitySchemaColumnOptions = { type: 'int', unsigned: true, primary: true, generated: 'increment' };
const listId: EntitySchemaColumnOptions = { name: 'list_id', type: 'int', unsigned: true };
const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;

export interface CodeListRow {
  companyId: number;
  id: number;
  kind: string;
  name: string;
  neededOn: string;
  notAllowedOn: string;
  neededFor: string;
  version: number;
}

export const CodeListEntity = new EntitySchema<CodeListRow>({
  name: 'code_list',
  foreignKeys: [refersTo('code_list_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    id: generatedId,
    kind: { ...keyText, length: 10 },
    name: { type: 'varchar', length: 100 },
    neededOn: { name: 'needed_on', type: 'varchar', length: 1000, default: '' },
    notAllowedOn: { name: 'not_allowed_on', type: 'varchar', length: 1000, default: '' },
    neededFor: { ...keyText, name: 'needed_for', length: 60, default: '' },
    version: { type: 'int', unsigned: true, default: 1 },
  },
  indices: [
    { name: 'code_list_by_id', columns: ['id'] },
    { name: 'code_list_by_name', columns: ['companyId', 'kind', 'name'], unique: true },
  ],
});

export interface ListedCodeRow {
  companyId: number;
  id: number;
  listId: number;
  code: string;
  caption: string;
  element: string | null;
  side: string | null;
  parent: string | null;
  position: number;
  retired: number;
}

export const ListedCodeEntity = new EntitySchema<ListedCodeRow>({
  name: 'listed_code',
  foreignKeys: [refersTo('listed_in_code_list', 'code_list', ['companyId', 'listId'], ['companyId', 'id'])],
  columns: {
    companyId,
    id: generatedId,
    listId,
    code: { ...keyText, length: 50 },
    caption: { type: 'varchar', length: 200 },
    element: { ...keyText, length: 10, nullable: true },
    side: { ...keyText, length: 6, nullable: true },
    parent: { ...keyText, length: 50, nullable: true },
    position: { type: 'int' },
    retired: { type: 'tinyint', unsigned: true, default: 0 },
  },
  indices: [
    { name: 'listed_code_by_id', columns: ['id'] },
    { name: 'listed_code_by_code', columns: ['companyId', 'listId', 'code'], unique: true },
  ],
});

export interface AccountCodeRow {
  companyId: number;
  accountId: number;
  listId: number;
  codeId: number;
}

export const AccountCodeEntity = new EntitySchema<AccountCodeRow>({
  name: 'account_code',
  foreignKeys: [
    refersTo('code_from_list', 'code_list', ['companyId', 'listId'], ['companyId', 'id']),
    refersTo('code_of_account', 'account', ['companyId', 'accountId'], ['companyId', 'id']),
    refersTo('code_that_is_listed', 'listed_code', ['companyId', 'codeId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    accountId: { name: 'account_id', type: 'int', unsigned: true, primary: true },
    listId: { ...listId, primary: true },
    codeId: { name: 'code_id', type: 'int', unsigned: true },
  },
  indices: [{ name: 'account_code_by_code', columns: ['companyId', 'codeId'] }],
});

interface FacetSetRow {
  companyId: number;
  id: number;
  fingerprint: string;
}

export const FacetSetEntity = new EntitySchema<FacetSetRow>({
  name: 'facet_set',
  foreignKeys: [refersTo('facet_set_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    id: generatedId,
    fingerprint: { type: 'varchar', length: 500, charset: 'ascii', collation: 'ascii_bin' },
  },
  indices: [
    { name: 'facet_set_by_id', columns: ['id'] },
    { name: 'facet_set_by_fingerprint', columns: ['companyId', 'fingerprint'], unique: true },
  ],
});

interface FacetSetValueRow {
  companyId: number;
  facetSetId: number;
  listId: number;
  codeId: number;
}

export const FacetSetValueEntity = new EntitySchema<FacetSetValueRow>({
  name: 'facet_set_value',
  foreignKeys: [
    refersTo('value_in_facet_set', 'facet_set', ['companyId', 'facetSetId'], ['companyId', 'id']),
    refersTo('value_of_facet', 'code_list', ['companyId', 'listId'], ['companyId', 'id']),
    refersTo('value_that_is_listed', 'listed_code', ['companyId', 'codeId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    facetSetId: { name: 'facet_set_id', type: 'int', unsigned: true, primary: true },
    listId: { ...listId, primary: true },
    codeId: { name: 'code_id', type: 'int', unsigned: true },
  },
  indices: [{ name: 'facet_set_value_by_code', columns: ['companyId', 'codeId'] }],
});

export interface PairingRuleRow {
  companyId: number;
  id: number;
  firstListId: number;
  firstCodeId: number;
  secondListId: number;
  secondCodeId: number;
  reason: string;
}

export const PairingRuleEntity = new EntitySchema<PairingRuleRow>({
  name: 'pairing_rule',
  foreignKeys: [
    refersTo('pairing_first_facet', 'code_list', ['companyId', 'firstListId'], ['companyId', 'id']),
    refersTo('pairing_first_value', 'listed_code', ['companyId', 'firstCodeId'], ['companyId', 'id']),
    refersTo('pairing_second_facet', 'code_list', ['companyId', 'secondListId'], ['companyId', 'id']),
    refersTo('pairing_second_value', 'listed_code', ['companyId', 'secondCodeId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    id: generatedId,
    firstListId: { name: 'first_list_id', type: 'int', unsigned: true },
    firstCodeId: { name: 'first_code_id', type: 'int', unsigned: true },
    secondListId: { name: 'second_list_id', type: 'int', unsigned: true },
    secondCodeId: { name: 'second_code_id', type: 'int', unsigned: true },
    reason: { type: 'varchar', length: 300 },
  },
  indices: [{ name: 'pairing_rule_by_id', columns: ['id'] }],
});
