import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };
const generatedId: EntitySchemaColumnOptions = { type: 'int', unsigned: true, primary: true, generated: 'increment' };
const listId: EntitySchemaColumnOptions = { name: 'list_id', type: 'int', unsigned: true };
const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;

export interface CodeListRow {
  companyId: number;
  id: number;
  kind: string;
  name: string;
  version: number;
}

export const CodeListEntity = new EntitySchema<CodeListRow>({
  name: 'code_list',
  columns: {
    companyId,
    id: generatedId,
    kind: { ...keyText, length: 10 },
    name: { type: 'varchar', length: 100 },
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
}

export const ListedCodeEntity = new EntitySchema<ListedCodeRow>({
  name: 'listed_code',
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
  columns: {
    companyId,
    accountId: { name: 'account_id', type: 'int', unsigned: true, primary: true },
    listId: { ...listId, primary: true },
    codeId: { name: 'code_id', type: 'int', unsigned: true },
  },
  indices: [{ name: 'account_code_by_code', columns: ['companyId', 'codeId'] }],
});
