import type { StatementBody } from '@ivory-ladder/contract';
import { memo, useEffect, useMemo, useRef } from 'react';
import { useCompany } from '../../app/useCompany.ts';
import { longDay, spanText } from '../../components/dates.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import type { PreviewAnswer } from '../../workers/previewWorker.ts';
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
  const page = useRef<HTMLElement>(null);
  useEffect(() => {
    if (chosen !== null) page.current?.querySelector(`[data-line-key="${CSS.escape(chosen)}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
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
        columns: preview.columns.flatMap((column) =>
          column.kind === 'amount'
            ? [{ kind: 'amount' as const, measure: column.measure, firstDay: column.firstDay, lastDay: column.lastDay, budget: null }]
            : [],
        ),
        rows: shownRows(preview),
        rungs: 2,
        revision: 0,
      },
    [preview, kind, title, language, currency, exponent],
  );
  const amounts = statement?.columns.flatMap((column) => (column.kind === 'amount' ? [column] : [])) ?? [];
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the figures of the row take the keys
    <section
      ref={page}
      className={styles.preview}
      aria-label="Preview"
      onClick={({ target }) => {
        const key = (target as HTMLElement).closest<HTMLElement>('[data-line-key]')?.dataset.lineKey;
        if (key !== undefined) onChoose(key);
      }}
    >
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

const known = new WeakMap<StatementBody['rows'][number], StatementBody['rows'][number]>();

/** Figures alone, without what is made of them; each row the same object as long as it stays the same. */
function shownRows({ rows, columns }: PreviewAnswer): StatementBody['rows'] {
  return rows.map((row) => {
    const before = known.get(row);
    if (before) return before;
    const isAmount = (_: unknown, at: number): boolean => columns[at]?.kind === 'amount';
    const shown = { ...row, opens: false, values: row.values.filter(isAmount), ...(row.faults ? { faults: row.faults.filter(isAmount) } : {}) };
    known.set(row, shown);
    return shown;
  });
}
