import { type ChangedLine, type Currency, formatAmount } from '@ivory-ladder/core';
import styles from './ChangedLines.module.css';

const statements = [
  ['income_statement', 'Income statement'],
  ['balance_sheet', 'Balance sheet'],
] as const;

/** Lines of both statements that show something else, with the figure of the span before and after. */
export function ChangedLines({ lines, currency }: { lines: readonly ChangedLine[]; currency: Currency }) {
  return statements.map(([kind, title]) => <Lines key={kind} title={title} lines={lines.filter((line) => line.kind === kind)} currency={currency} />);
}

function Lines({ title, lines, currency }: { title: string; lines: readonly ChangedLine[]; currency: Currency }) {
  if (lines.length === 0) return null;
  const amount = (amounts: ChangedLine['before']) => (amounts === null ? 'not there' : formatAmount(amounts[0] ?? 0n, currency));
  return (
    <table className={styles.lines}>
      <caption>{title}</caption>
      <thead>
        <tr>
          <th scope="col">Line</th>
          <th scope="col">Before, after</th>
        </tr>
      </thead>
      <tbody>
        {lines.map(({ key, role, caption, formerCaption, before, after }) => (
          <tr key={`${key} ${role}`} data-total={role === 'total' || role === 'final' || undefined}>
            <th scope="row">
              {caption}
              {formerCaption !== null && <small>before: {formerCaption}</small>}
            </th>
            <td>
              {role !== 'heading' && (
                <>
                  <small>{amount(before)}</small>
                  {amount(after)}
                </>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
