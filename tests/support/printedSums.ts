import type { StatementDocument } from '@ivory-ladder/core';

/**
 * Rows of a document whose printed parts do not come to their printed total, down or across, and which are not listed: added up anew from nothing but the
 * document. Across is looked at where the exact amounts add.
 */
export function notAddingIn({ content, view }: StatementDocument): string[] {
  const held = new Map(content.rows.flatMap((row) => (row.exact ? [[row.key, row] as const] : [])));
  const isListed = new Set(content.exceptions.map(({ key, column }) => `${key} ${column}`));
  const printed = (key: string, column: number): bigint | null => {
    const row = held.get(key);
    const figure = (row?.printed ?? row?.exact)?.[column] ?? null;
    return figure === null ? null : BigInt(figure);
  };
  const exact = (key: string, column: number): bigint => BigInt(held.get(key)?.exact?.[column] ?? 0);
  const found: string[] = [];
  const rows = new Map([...content.rows, ...view.rows].flatMap((row) => (row.role === 'heading' ? [] : [[row.key, row] as const])));
  for (const { key, parts = [] } of rows.values())
    for (const [column, { kind }] of content.columns.entries()) {
      const own = printed(key, column);
      if (kind !== 'amount' || own === null) continue;
      const sum = parts.reduce((all, part) => all + BigInt(part.sign) * (printed(part.key, column) ?? 0n), 0n);
      if (parts.length > 0 && sum !== own && !isListed.has(`${key} ${column}`)) found.push(`${key} down ${column}: ${sum}, printed ${own}`);
      const beside = content.columns.flatMap((one, at) => (one.kind === 'amount' && one.total === column ? [at] : []));
      const exactly = beside.reduce((all, at) => all + exact(key, at), 0n);
      const across = beside.reduce((all, at) => all + (printed(key, at) ?? 0n), 0n);
      if (beside.length > 0 && exactly === exact(key, column) && across !== own && !isListed.has(`${key} ${column}`))
        found.push(`${key} across: ${across}, printed ${own}`);
    }
  return found;
}
