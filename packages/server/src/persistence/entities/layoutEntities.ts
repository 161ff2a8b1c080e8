import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };
const generatedId: EntitySchemaColumnOptions = { type: 'int', unsigned: true, primary: true, generated: 'increment' };
const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin' } as const;

export interface LayoutRow {
  companyId: number;
  id: number;
  classificationId: number;
  name: string;
  kind: string;
  inUse: number | null;
  draft: string | null;
  changedAt: string;
  changedBy: string;
  changedById: number | null;
  version: number;
}

export const LayoutEntity = new EntitySchema<LayoutRow>({
  name: 'layout',
  foreignKeys: [refersTo('layout_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    id: generatedId,
    classificationId: { name: 'classification_id', type: 'int', unsigned: true },
    name: { type: 'varchar', length: 200 },
    kind: { ...keyText, length: 20 },
    inUse: { name: 'in_use', type: 'int', unsigned: true, nullable: true },
    draft: { type: 'mediumtext', nullable: true },
    changedAt: { name: 'changed_at', type: 'datetime', precision: 6 },
    changedBy: { name: 'changed_by', type: 'varchar', length: 200 },
    changedById: { name: 'changed_by_id', type: 'int', unsigned: true, nullable: true },
    version: { type: 'int', unsigned: true, default: 1 },
  },
  indices: [
    { name: 'layout_by_id', columns: ['id'] },
    { name: 'layout_by_name', columns: ['companyId', 'name'], unique: true },
  ],
});

interface LayoutVersionRow {
  companyId: number;
  layoutId: number;
  number: number;
  definition: string;
  reason: string;
  at: string;
  by: string;
  byId: number | null;
}

export const LayoutVersionEntity = new EntitySchema<LayoutVersionRow>({
  name: 'layout_version',
  foreignKeys: [refersTo('version_of_layout', 'layout', ['companyId', 'layoutId'], ['companyId', 'id'], 'CASCADE')],
  columns: {
    companyId,
    layoutId: { name: 'layout_id', type: 'int', unsigned: true, primary: true },
    number: { type: 'int', unsigned: true, primary: true },
    definition: { type: 'mediumtext' },
    reason: { type: 'varchar', length: 500 },
    at: { name: 'made_at', type: 'datetime', precision: 6 },
    by: { name: 'made_by', type: 'varchar', length: 200 },
    byId: { name: 'made_by_id', type: 'int', unsigned: true, nullable: true },
  },
});

interface LayoutKeptDraftRow {
  companyId: number;
  layoutId: number;
  number: number;
  definition: string;
  at: string;
  by: string;
  byId: number | null;
}

export const LayoutKeptDraftEntity = new EntitySchema<LayoutKeptDraftRow>({
  name: 'layout_kept_draft',
  foreignKeys: [refersTo('kept_draft_of_layout', 'layout', ['companyId', 'layoutId'], ['companyId', 'id'], 'CASCADE')],
  columns: {
    companyId,
    layoutId: { name: 'layout_id', type: 'int', unsigned: true, primary: true },
    number: { type: 'int', unsigned: true, primary: true },
    definition: { type: 'mediumtext' },
    at: { name: 'saved_at', type: 'datetime', precision: 6 },
    by: { name: 'saved_by', type: 'varchar', length: 200 },
    byId: { name: 'saved_by_id', type: 'int', unsigned: true, nullable: true },
  },
});

export interface NamedDefinitionRow {
  companyId: number;
  id: number;
  name: string;
  definition: string;
  changedAt: string;
  changedBy: string;
  changedById: number | null;
  version: number;
}

/** A table of things that people compose, name and keep whole. */
export function namedDefinition(table: 'column_plan' | 'statement_set'): EntitySchema<NamedDefinitionRow> {
  return new EntitySchema<NamedDefinitionRow>({
    name: table,
    foreignKeys: [refersTo(`${table}_of_company`, 'company', ['companyId'], ['id'])],
    columns: {
      companyId,
      id: generatedId,
      name: { type: 'varchar', length: 200 },
      definition: { type: 'mediumtext' },
      changedAt: { name: 'changed_at', type: 'datetime', precision: 6 },
      changedBy: { name: 'changed_by', type: 'varchar', length: 200 },
      changedById: { name: 'changed_by_id', type: 'int', unsigned: true, nullable: true },
      version: { type: 'int', unsigned: true, default: 1 },
    },
    indices: [
      { name: `${table}_by_id`, columns: ['id'] },
      { name: `${table}_by_name`, columns: ['companyId', 'name'], unique: true },
    ],
  });
}

export const ColumnPlanEntity = namedDefinition('column_plan');
