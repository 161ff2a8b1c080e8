import type { StatementEffect } from '@ivory-ladder/contract';
import { type Currency, formatAmount } from '@ivory-ladder/core';
import { BeforeAfterTable } from './BeforeAfterTable.tsx';
import styles from './EffectList.module.css';

type LookedAt = StatementEffect['lookedAt'][number];

const mostShown = 40;

interface EffectListProps {
  readonly effect: StatementEffect;
  readonly currency: Currency;
  /** Those that are told of elsewhere. */
  readonly without?: ((statement: LookedAt) => boolean) | undefined;
}

/** Lines that would show another amount, statement by statement, and what was looked at: that nothing else changes is said of that alone. */
export function EffectList({ effect: { lookedAt, rows }, currency, without }: EffectListProps) {
  const shown = (amount: string | null) => (amount === null ? 'not there' : formatAmount(BigInt(amount), currency));
  const told = lookedAt.flatMap((statement, at) => (without?.(statement) ? [] : [{ statement, own: rows.filter((row) => row.statement === at) }]));
  const changed = told.filter(({ own }) => own.length > 0);
  const same = told.flatMap(({ statement, own }) => (own.length === 0 ? [statement] : []));
  return (
    <div className={styles.list}>
      {changed.map(({ statement, own }) => (
        <BeforeAfterTable
          key={titleOf(statement)}
          title={titleOf(statement)}
          most={mostShown}
          lines={own.map(({ caption, role, before, after }, at) => ({
            key: `${caption} ${at}`,
            role,
            caption,
            amounts: { before: shown(before), after: shown(after) },
          }))}
        />
      ))}
      {same.length > 0 && (
        <p className={styles.holds}>
          ✓ No line shows another amount in {changed.length > 0 && 'the others: '}
          {listed(same)}.
        </p>
      )}
    </div>
  );
}

/** Names in a row, each classification once: `balance sheet and cash flow; of Management: balance sheet`. */
function listed(statements: readonly LookedAt[]): string {
  const of = new Map<string | null, string[]>();
  for (const one of statements) of.set(one.classification, [...(of.get(one.classification) ?? []), one.generated === null ? `«${one.title}»` : one.title]);
  return [...of].map(([classification, names]) => `${classification === null ? '' : `of ${classification}: `}${inWords(names)}`).join('; ');
}

function inWords(names: readonly string[]): string {
  return names.length < 2 ? names.join('') : `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`;
}

function titleOf({ title, classification }: LookedAt): string {
  return classification === null ? title : `${title} (${classification})`;
}
