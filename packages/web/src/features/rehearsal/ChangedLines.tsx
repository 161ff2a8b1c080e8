import { type ChangedLine, type Currency, formatAmount } from '@ivory-ladder/core';
import { BeforeAfterTable } from '../../shared/components/BeforeAfterTable.tsx';

const statements = [
  ['income_statement', 'Income statement'],
  ['balance_sheet', 'Balance sheet'],
] as const;

/** Lines of both statements that show something else, with the figure of the span before and after. */
export function ChangedLines({ lines, currency }: { lines: readonly ChangedLine[]; currency: Currency }) {
  const shown = (amounts: ChangedLine['before']) => (amounts === null ? 'not there' : formatAmount(amounts[0] ?? 0n, currency));
  return statements.flatMap(([kind, title]) => {
    const own = lines.filter((line) => line.kind === kind);
    if (own.length === 0) return [];
    const told = own.map(({ key, role, caption, formerCaption, before, after }) => ({
      key: `${key} ${role}`,
      role,
      caption,
      formerCaption,
      amounts: role === 'heading' ? null : { before: shown(before), after: shown(after) },
    }));
    return [<BeforeAfterTable key={kind} title={title} lines={told} />];
  });
}
