import { EntitySchema, type EntitySchemaColumnOptions } from 'typeorm';
import { refersTo } from './refersTo.ts';

const companyId: EntitySchemaColumnOptions = { name: 'company_id', type: 'int', unsigned: true, primary: true };
const plainText = { type: 'varchar', charset: 'ascii', collation: 'ascii_bin' } as const;
const currency: EntitySchemaColumnOptions = { ...plainText, type: 'char', length: 3 };

interface ExchangeRateRow {
  companyId: number;
  currency: string;
  kind: string;
  accountId: number;
  day: string;
  rate: string;
}

export const ExchangeRateEntity = new EntitySchema<ExchangeRateRow>({
  name: 'exchange_rate',
  foreignKeys: [refersTo('exchange_rate_of_company', 'company', ['companyId'], ['id'])],
  columns: {
    companyId,
    currency: { ...currency, primary: true },
    kind: { ...plainText, length: 10, primary: true },
    accountId: { name: 'account_id', type: 'int', unsigned: true, primary: true, default: 0 },
    day: { type: 'date', primary: true },
    rate: { ...plainText, length: 40 },
  },
});

interface ForeignAmountRow {
  companyId: number;
  entryId: string;
  lineNumber: number;
  currency: string;
  amount: string;
  rate: string;
}

export const ForeignAmountEntity = new EntitySchema<ForeignAmountRow>({
  name: 'foreign_amount',
  foreignKeys: [refersTo('foreign_amount_of_line', 'journal_line', ['companyId', 'entryId', 'lineNumber'], ['companyId', 'entryId', 'lineNumber'])],
  columns: {
    companyId,
    entryId: { name: 'entry_id', type: 'bigint', unsigned: true, primary: true },
    lineNumber: { name: 'line_number', type: 'int', unsigned: true, primary: true },
    currency,
    amount: { type: 'bigint' },
    rate: { ...plainText, length: 40 },
  },
});
