import type { StatementEffect } from '@ivory-ladder/contract';
import { type Currency, formatAmount } from '@ivory-ladder/core';
import { counted } from '../../components/counted.ts';
import styles from './ChartFileScreen.module.css';

const statementNames = { balance_sheet: 'Balance sheet', income_statement: 'Income statement' } as const;
const mostShown = 40;

/** Lines of the statements that would show another amount, before and after; that no line would is said as well. */
export function EffectList({ effect, currency, isAsked }: { effect: StatementEffect; currency: Currency; isAsked: boolean }) {
  if (!isAsked) return null;
  const shown = (amount: string | null) => (amount === null ? 'not there' : formatAmount(BigInt(amount), currency));
  return (
    <div>
      <h3>Effect on the statements</h3>
      {effect.length === 0 && <p className={styles.holds}>✓ No line shows another amount.</p>}
      {(Object.keys(statementNames) as (keyof typeof statementNames)[])
        .filter((kind) => effect.some((row) => row.kind === kind))
        .map((kind) => (
          <table key={kind} className={styles.effect}>
            <caption>{statementNames[kind]}</caption>
            <thead>
              <tr>
                <th scope="col">Line</th>
                <th scope="col">Now</th>
                <th scope="col">Then</th>
              </tr>
            </thead>
            <tbody>
              {effect
                .filter((row) => row.kind === kind)
                .slice(0, mostShown)
                .map(({ caption, role, before, after }, at) => (
                  // biome-ignore lint/suspicious/noArrayIndexKey: captions can repeat, and the list never changes its order
                  <tr key={`${caption} ${at}`} data-role={role}>
                    <th scope="row">{caption}</th>
                    <td>{shown(before)}</td>
                    <td>{shown(after)}</td>
                  </tr>
                ))}
            </tbody>
          </table>
        ))}
      {effect.length > mostShown && <p className={styles.quiet}>and {counted(effect.length - mostShown, 'line')} more</p>}
    </div>
  );
}
