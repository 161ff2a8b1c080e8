import { type DataSource, type EntitySchema, In, IsNull, type ObjectLiteral, type QueryDeepPartialEntity, type QueryRunner } from 'typeorm';

/** A transaction's connection, or any: what it asks for is a statement of its own then. */
export type Asked = QueryRunner | DataSource;

interface OfCompany {
  readonly companyId: number;
}

/** A key that the database gives as text, since it may be greater than a number holds, is taken as a number too. */
type Value<Column> = Column | (Column extends string | null ? number | bigint : never) | (Column extends number ? boolean : never);

/** All of these hold; of several values in an array, one. */
export type Where<Row> = { readonly [Name in keyof Row]?: Value<Row[Name]> | readonly Value<Row[Name]>[] };

/** Moments in UTC, as `timestamp()` writes them; what is left out has the column's default. */
export type Columns<Row> = { readonly [Name in keyof Row]?: Value<Row[Name]> };

type Rest<Row> = Omit<Row, 'companyId'>;

/** Names of the row’s alone, also where several objects are spread into one. */
type Exact<Given, Row> = Given & { readonly [Name in Exclude<keyof Given, keyof Row>]: never };

interface Found<Row> {
  readonly order?: { readonly [Name in keyof Row]?: 'ASC' | 'DESC' };
  /** Until the transaction ends; `shared`: others may read it, and hold it so too. */
  readonly hold?: 'alone' | 'shared';
  readonly most?: number;
}

/**
 * Rows of a company, as the driver gives them: big numbers, days and moments as text.
 *
 * What is plain (one table, named rows) goes through this file; it is the only one that knows TypeORM’s builders, since theirs that look shorter do
 * not do what they say: `save` and `upsert` write over a newer row or into another company, `remove` asks before it deletes, a column kept as a
 * version is raised without being compared. What is not plain is SQL by hand, in the file that is named for why.
 */
export function findIn<Row extends OfCompany>(
  asked: Asked,
  of: EntitySchema<Row>,
  companyId: number,
  where: Where<Rest<Row>> = {},
  found: Found<Row> = {},
): Promise<Row[]> {
  return find(asked, of, { ...where, companyId }, found);
}

/** Gives the id of the first, where the table counts them. */
export function insertIn<Row extends OfCompany, Given extends Columns<Rest<Row>>>(
  asked: Asked,
  of: EntitySchema<Row>,
  companyId: number,
  ...rows: readonly Exact<Given, Rest<Row>>[]
): Promise<number> {
  return insert(
    asked,
    of,
    rows.map((row) => ({ ...row, companyId })),
  );
}

/** False where the row is not there, or not with this version any more; the version is one more now. */
export async function changeVersioned<Row extends OfCompany & { readonly version: number }, Given extends Columns<Omit<Rest<Row>, 'version'>>>(
  asked: Asked,
  of: EntitySchema<Row>,
  companyId: number,
  { version, ...key }: Where<Rest<Row>> & { readonly version: number },
  set: Exact<Given, Omit<Rest<Row>, 'version'>>,
): Promise<boolean> {
  return (await change(asked, of, { ...key, version, companyId }, { ...set, version: () => 'version + 1' })) > 0;
}

/** How many there were; of a table whose rows have no version. */
export function changeIn<Row extends OfCompany, Given extends Columns<Rest<Row>>>(
  asked: Asked,
  of: 'version' extends keyof Row ? never : EntitySchema<Row>,
  companyId: number,
  where: Where<Rest<Row>>,
  set: Exact<Given, Rest<Row>>,
): Promise<number> {
  return change(asked, of as EntitySchema<Row>, { ...where, companyId }, set);
}

/** How many there were. */
export function deleteIn<Row extends OfCompany>(asked: Asked, of: EntitySchema<Row>, companyId: number, where: Where<Rest<Row>>): Promise<number> {
  return remove(asked, of, { ...where, companyId });
}

/** A table of the installation, which belongs to no company. */
type OfInstallation<Row> = 'companyId' extends keyof Row ? never : EntitySchema<Row>;

export function findRows<Row extends ObjectLiteral>(asked: Asked, of: OfInstallation<Row>, where: Where<Row>, found: Found<Row> = {}): Promise<Row[]> {
  return find(asked, of as EntitySchema<Row>, where, found);
}

export function addRows<Row extends ObjectLiteral>(asked: Asked, of: OfInstallation<Row>, ...rows: readonly Columns<Row>[]): Promise<number> {
  return insert(asked, of as EntitySchema<Row>, rows);
}

export function changeRows<Row extends ObjectLiteral>(asked: Asked, of: OfInstallation<Row>, where: Where<Row>, fields: Columns<Row>): Promise<number> {
  return change(asked, of as EntitySchema<Row>, where, fields);
}

export function deleteRows<Row extends ObjectLiteral>(asked: Asked, of: OfInstallation<Row>, where: Where<Row>): Promise<number> {
  return remove(asked, of as EntitySchema<Row>, where);
}

type Fields = Readonly<Record<string, unknown>>;

/** Not as entities, whose moments would become dates of the machine’s zone. */
function find<Row extends ObjectLiteral>(asked: Asked, of: EntitySchema<Row>, where: Fields, { order = {}, hold, most }: Found<Row>): Promise<Row[]> {
  const builder = asked.manager.createQueryBuilder(of, 'row').select([]).where(conditions(where));
  for (const { propertyName } of asked.manager.connection.getMetadata(of).columns) builder.addSelect(`row.${propertyName}`, propertyName);
  for (const [name, way] of Object.entries(order)) builder.addOrderBy(`row.${name}`, way as 'ASC' | 'DESC');
  if (hold) builder.setLock(hold === 'alone' ? 'pessimistic_write' : 'pessimistic_read');
  if (most !== undefined) builder.limit(most);
  return builder.getRawMany<Row>();
}

const rowsAtOnce = 2000;

async function insert<Row extends ObjectLiteral>(asked: Asked, of: EntitySchema<Row>, rows: readonly Fields[]): Promise<number> {
  let first = 0;
  for (let at = 0; at < rows.length; at += rowsAtOnce) {
    const values = rows.slice(at, at + rowsAtOnce).map((row) => prepared(asked, of, row));
    const { raw } = await asked.manager
      .createQueryBuilder()
      .insert()
      .into(of)
      .values(values as QueryDeepPartialEntity<Row>[])
      .updateEntity(false)
      .execute();
    if (at === 0) first = Number((raw as { insertId: number }).insertId);
  }
  return first;
}

async function change<Row extends ObjectLiteral>(asked: Asked, of: EntitySchema<Row>, where: Fields, set: Fields): Promise<number> {
  const { affected } = await asked.manager
    .createQueryBuilder()
    .update(of)
    .set(prepared(asked, of, set) as QueryDeepPartialEntity<Row>)
    .where(conditions(where))
    .execute();
  return affected ?? 0;
}

async function remove<Row extends ObjectLiteral>(asked: Asked, of: EntitySchema<Row>, where: Fields): Promise<number> {
  const { affected } = await asked.manager.createQueryBuilder().delete().from(of).where(conditions(where)).execute();
  return affected ?? 0;
}

/** Nothing is never asked for: a condition that was forgotten would be met by all. */
function conditions(where: Fields): Fields {
  return Object.fromEntries(
    Object.entries(where).map(([name, value]) => {
      if (value === undefined) throw new Error(`no value for the condition on ${name}`);
      return [name, value === null ? IsNull() : Array.isArray(value) ? In(value) : value];
    }),
  );
}

/** A moment as text would be read in the machine’s zone. */
function prepared(asked: Asked, of: EntitySchema<ObjectLiteral> | EntitySchema<never>, row: Fields): Fields {
  const metadata = asked.manager.connection.getMetadata(of);
  return Object.fromEntries(
    Object.entries(row).map(([name, value]) => {
      const column = metadata.findColumnWithPropertyName(name);
      if (!column) throw new Error(`${metadata.tableName} has no ${name}`);
      const isMoment = column.type === 'datetime' && typeof value === 'string';
      return [name, isMoment ? new Date(`${value.replace(' ', 'T')}Z`) : value];
    }),
  );
}
