import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { namedDefinition } from './layoutEntities.ts';
import { refersTo } from './refersTo.ts';

const keyText = { type: 'varchar', charset: 'utf8mb4', collation: 'utf8mb4_bin', primary: true } as const;
const whole: EntitySchemaColumnOptions = { type: 'int', unsigned: true };

export const StatementSetEntity = namedDefinition('statement_set');

interface LineCommentRow {
  companyId: number;
  setId: number;
  partKey: string;
  lineKey: string;
  day: string;
  text: string;
  changedAt: string;
  changedBy: string;
  changedById: number | null;
  version: number;
}

export const LineCommentEntity = new EntitySchema<LineCommentRow>({
  name: 'line_comment',
  foreignKeys: [refersTo('line_comment_of_set', 'statement_set', ['companyId', 'setId'], ['companyId', 'id'], 'CASCADE')],
  columns: {
    companyId: { ...whole, name: 'company_id', primary: true },
    setId: { ...whole, name: 'set_id', primary: true },
    day: { name: 'last_day', type: 'date', primary: true },
    partKey: { ...keyText, name: 'part_key', length: 40 },
    lineKey: { ...keyText, name: 'line_key', length: 100 },
    text: { name: 'content', type: 'text' },
    changedAt: { name: 'changed_at', type: 'datetime', precision: 6 },
    changedBy: { name: 'changed_by', type: 'varchar', length: 200 },
    changedById: { name: 'changed_by_id', type: 'int', unsigned: true, nullable: true },
    version: whole,
  },
});
