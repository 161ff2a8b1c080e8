import type { StatementBody } from '@ivory-ladder/contract';
import { memo, useMemo } from 'react';
import { useCompany } from '../../app/useCompany.ts';
import { longDay, spanText } from '../../components/dates.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { StatementTable } from '../statements/StatementTable.tsx';
import styles from './ComposerScreen.module.css';
import type { Composer } from './useComposer.ts';
import { usePreview } from './usePreview.ts';

/** The layout as it will be printed, live; a figure or caption leads to its line. */
export const Preview = memo(function Preview({
  composer,
  chosen,
  onChoose,
}: {
  readonly composer: Composer;
  readonly chosen: string | null;
  readonly onChoose: (key: string) => void;
}) {
  const { currency, exponent, languages, lastEntryDay } = useCompany();
  const preview = usePreview(composer.figures);
  const language = languages[0] ?? 'en';
  const { title, kind } = composer.layout;
  const statement = useMemo(
    (): StatementBody | null =>
      preview && {
        kind,
        layoutId: null,
        title,
        language,
        currency,
        exponent,
        columns: preview.columns.map((column) =>
          column.kind === 'amount' ? { kind: 'amount', measure: column.measure, firstDay: column.firstDay, lastDay: column.lastDay, budget: null } : column,
        ),
        rows: [...preview.rows],
        rungs: 2,
        revision: 0,
      },
    [preview, kind, title, language, currency, exponent],
  );
  const amounts = statement?.columns.flatMap((column) => (column.kind === 'amount' ? [column] : [])) ?? [];
  return (
    <section className={styles.preview} aria-label="Preview">
      <h2 className={styles.previewTitle}>{title}</h2>
      <p className={styles.quiet}>
        {amounts
          .slice(0, 2)
          .map((column) => (column.measure === 'closing' ? longDay(column.lastDay) : spanText(column.firstDay, column.lastDay)))
          .join(' and ')}{' '}
        · {currency}
      </p>
      {lastEntryDay === null && <EmptyState title="No figures yet">The ledger has no entries; lines show once it has.</EmptyState>}
      {statement && <StatementTable statement={statement} cell={null} chosenLine={chosen} onToggle={onChoose} onOpenCell={({ line }) => onChoose(line)} />}
    </section>
  );
});
