import type { StatementEffect } from '@ivory-ladder/contract';
import { type Currency, formatFigure } from '@ivory-ladder/core';
import { listed, titleOf } from '../words/effectWords.ts';
import { BeforeAfterTable } from './BeforeAfterTable.tsx';
import styles from './EffectList.module.css';

type LookedAt = StatementEffect['lookedAt'][number];
type Row = StatementEffect['rows'][number];

const mostShown = 40;

interface EffectListProps {
  readonly effect: StatementEffect;
  readonly currency: Currency;
  /** Those that are told of elsewhere. */
  readonly without?: ((statement: LookedAt) => boolean) | undefined;
}

/** Lines that would show another amount, statement by statement, and what was looked at: that nothing else changes is said of that alone. */
export function EffectList({ effect: { lookedAt, rows }, currency, without }: EffectListProps) {
  const shown = (figure: string | null, unit: Row['unit']) => (figure === null ? 'not there' : formatFigure(figure, unit, currency));
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
          lines={own.map(({ caption, role, unit, before, after }, at) => ({
            key: `${caption} ${at}`,
            role,
            caption,
            amounts: { before: shown(before, unit), after: shown(after, unit) },
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
