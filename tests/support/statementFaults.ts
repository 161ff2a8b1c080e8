import { entities } from '@ivory-ladder/server';

interface Table {
  readonly hasCompany: boolean;
  readonly hasVersion: boolean;
}

/** What the entities say of the tables, by name. */
const tables: ReadonlyMap<string, Table> = new Map(
  entities.map(({ options: { name, columns } }) => [name, { hasCompany: 'companyId' in columns, hasVersion: 'version' in columns }]),
);

/** The tables that a statement reads or changes, each by the name that it goes by there. */
const reference =
  /\b(?:FROM|JOIN|UPDATE)\s+`?(\w+)`?(?:\s+(?:AS\s+)?`?(?!(?:WHERE|SET|ON|JOIN|LEFT|ORDER|GROUP|LIMIT|FORCE|USING|FOR|LOCK|INNER|STRAIGHT_JOIN|USE|IGNORE|HAVING|UNION|WINDOW|CROSS)\b)(\w+)`?)?/gi;

/**
 * What is wrong with a statement: a table of companies that no condition on `company_id` narrows, or a row that has a version and is changed without
 * raising it. Read by its words and not by its grammar: a condition counts wherever it stands in the statement.
 */
export function statementFaults(statement: string): string[] {
  return partsOf(statement).flatMap((sql) => [...withoutCompany(sql), ...withoutVersion(sql)]);
}

function partsOf(statement: string): string[] {
  const plain = statement.replaceAll(/'(?:[^']|'')*'|"(?:[^"]|"")*"/g, "''").replaceAll(/\s+/g, ' ');
  return plain
    .replace(/^BEGIN NOT ATOMIC /i, '')
    .replace(/; END$/i, '')
    .split('; ');
}

function withoutCompany(sql: string): string[] {
  if (/^\s*(?:INSERT|REPLACE)\b(?!.*\bSELECT\b)/i.test(sql) || /\bUSING \(company_id\b/i.test(sql)) return [];
  const bare = [...sql.matchAll(/(?<![.\w`])`?company_id`? ?(?:=|<=>|IN\b)|(?:=|<=>) ?`?company_id`?(?![.\w`])/gi)].length;
  const open = [...sql.matchAll(reference)]
    .filter(([, name = '']) => tables.get(name)?.hasCompany)
    .map(([, name = '', alias]) => ({ name, called: alias ?? name }))
    .filter(
      ({ called }) => !new RegExp(`\\b\`?${called}\`?\\.\`?company_id\`? ?(?:=|<=>|IN\\b|\\))|(?:=|<=>) ?\`?${called}\`?\\.\`?company_id\`?`, 'i').test(sql),
    );
  return open.slice(bare).map(({ name }) => `${name} without company_id`);
}

function withoutVersion(sql: string): string[] {
  const [, name = ''] = /^\s*UPDATE `?(\w+)`?/i.exec(sql) ?? [];
  if (!tables.get(name)?.hasVersion) return [];
  return /\bversion`? = (?:`?\w+`?\.)?`?version`? \+ (?:1|\?)/i.test(sql) ? [] : [`${name} without its version`];
}
