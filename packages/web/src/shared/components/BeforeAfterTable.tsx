import { counted } from '../words/counted.ts';
import styles from './BeforeAfterTable.module.css';

interface BeforeAfterLine {
  readonly key: string;
  readonly role: string;
  readonly caption: string;
  readonly formerCaption?: string | null;
  /** As they are shown; `null` for a line without amounts. */
  readonly amounts: { readonly before: string; readonly after: string } | null;
}

interface BeforeAfterTableProps {
  readonly title: string;
  readonly lines: readonly BeforeAfterLine[];
  /** How many lines are shown at most; the others are counted. */
  readonly most?: number;
}

/** Lines of a statement that would show something else, the amount before above that after. */
export function BeforeAfterTable({ title, lines, most = lines.length }: BeforeAfterTableProps) {
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
        {lines.slice(0, most).map(({ key, role, caption, formerCaption, amounts }) => (
          <tr key={key} data-total={role === 'total' || role === 'final' || undefined}>
            <th scope="row">
              {caption}
              {formerCaption != null && <small>before: {formerCaption}</small>}
            </th>
            <td>
              {amounts && (
                <>
                  <small>{amounts.before}</small>
                  {amounts.after}
                </>
              )}
            </td>
          </tr>
        ))}
        {lines.length > most && (
          <tr>
            <th scope="row" colSpan={2}>
              and {counted(lines.length - most, 'line')} more
            </th>
          </tr>
        )}
      </tbody>
    </table>
  );
}
