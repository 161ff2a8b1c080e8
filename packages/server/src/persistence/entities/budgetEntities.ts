import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };

export interface BudgetRow {
  companyId: number;
  id: number;
  year: number;
  name: string;
  listId: number | null;
  version: number;
  lockedAt: string | null;
  lockedBy: string | null;
  lockedById: number | null;
  lockReason: string;
}

export const BudgetEntity = new EntitySchema<BudgetRow>({
  name: 'budget',
  foreignKeys: [
    refersTo('budget_by_facet', 'code_list', ['companyId', 'listId'], ['companyId', 'id']),
    refersTo('budget_of_company', 'company', ['companyId'], ['id']),
  ],
  columns: {
    companyId,
    id: { type: 'int', unsigned: true, primary: true, generated: 'increment' },
    year: { type: 'smallint' },
    name: { type: 'varchar', length: 200 },
    listId: { name: 'list_id', type: 'int', unsigned: true, nullable: true },
    version: { type: 'int', unsigned: true, default: 1 },
    lockedAt: { name: 'locked_at', type: 'datetime', nullable: true },
    lockedBy: { name: 'locked_by', type: 'varchar', length: 200, nullable: true },
    lockedById: { name: 'locked_by_id', type: 'int', unsigned: true, nullable: true },
    lockReason: { name: 'lock_reason', type: 'varchar', length: 500, default: '' },
  },
  indices: [
    { name: 'budget_by_id', columns: ['id'] },
    { name: 'budget_by_name', columns: ['companyId', 'year', 'name'], unique: true },
  ],
});

interface BudgetAmountRow {
  companyId: number;
  budgetId: number;
  codeId: number;
  accountId: number;
  period: number;
  net: string;
}

export const BudgetAmountEntity = new EntitySchema<BudgetAmountRow>({
  name: 'budget_amount',
  foreignKeys: [
    refersTo('amount_in_budget', 'budget', ['companyId', 'budgetId'], ['companyId', 'id'], 'CASCADE'),
    refersTo('budget_amount_of_account', 'account', ['companyId', 'accountId'], ['companyId', 'id']),
  ],
  columns: {
    companyId,
    budgetId: { name: 'budget_id', type: 'int', unsigned: true, primary: true },
    codeId: { name: 'code_id', type: 'int', unsigned: true, primary: true },
    accountId: { name: 'account_id', type: 'int', unsigned: true, primary: true },
    period: { type: 'tinyint', unsigned: true, primary: true },
    net: { type: 'bigint' },
  },
  indices: [{ name: 'budget_amount_by_account', columns: ['companyId', 'accountId'] }],
});
