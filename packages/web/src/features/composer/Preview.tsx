import type { StatementBody } from '@ivory-ladder/contract';
import { longDay, spanText } from '@ivory-ladder/core';
import { type CSSProperties, memo, useCallback, useEffect, useMemo, useRef } from 'react';
import { useCompany } from '../../app/useCompany.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { StatementTable } from '../statements/StatementTable.tsx';
import styles from './ComposerScreen.module.css';
import type { PreviewKnown } from './PreviewFigures.ts';
import type { Composer, PreviewPlan } from './useComposer.ts';
import { usePreviewRows } from './usePreview.ts';

export const previewPlans = [
  { value: 'comparison', label: 'With its comparative' },
  { value: 'periods', label: 'Each period' },
  { value: 'quarters', label: 'Each quarter' },
] as const satisfies readonly { readonly value: PreviewPlan; readonly label: string }[];

interface PreviewProps {
  readonly figures: Composer['figures'];
  readonly title: string;
  readonly kind: StatementBody['kind'];
  readonly chosen: string | null;
  readonly plan: PreviewPlan;
  readonly onPlan: (plan: PreviewPlan) => void;
  readonly onChoose: (key: string) => void;
}

/** The layout as it will be printed, live; a figure or caption leads to its line. */
export const Preview = memo(function Preview({ figures, title, kind, chosen, plan, onPlan, onChoose }: PreviewProps) {
  const { currency, exponent, languages, lastEntryDay } = useCompany();
  const preview = usePreviewRows(figures);
  const language = languages[0] ?? 'en';
  const page = useRef<HTMLElement>(null);
  useEffect(() => {
    if (chosen !== null) page.current?.querySelector(`[data-line-key="${CSS.escape(chosen)}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [chosen]);
  const columns = preview?.columns;
  const shownColumns = useMemo(
    () =>
      (columns ?? []).flatMap((column) =>
        column.kind === 'amount'
          ? [{ kind: 'amount' as const, measure: column.measure, firstDay: column.firstDay, lastDay: column.lastDay, budget: null }]
          : [],
      ),
    [columns],
  );
  const onOpenCell = useCallback(({ line }: { readonly line: string }) => onChoose(line), [onChoose]);
  const statement = useMemo(
    (): StatementBody | null =>
      preview && {
        kind,
        layoutId: null,
        title,
        language,
        currency,
        exponent,
        presentation: null,
        columns: shownColumns,
        rows: shownRows(preview),
        rungs: 2,
        transfers: [],
        plan: { plan: 'comparison', planId: null },
        scale: 'exact',
        rounding: 'footed',
        revision: 0,
      },
    [preview, shownColumns, kind, title, language, currency, exponent],
  );
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the figures of the row take the keys
    <section
      ref={page}
      className={styles.preview}
      style={{ '--columns': shownColumns.length + (preview?.rows.some(({ note }) => note !== undefined) ? 1 : 0) } as CSSProperties}
      aria-label="Preview"
      onClick={({ target }) => {
        const key = (target as HTMLElement).closest<HTMLElement>('[data-line-key]')?.dataset.lineKey;
        if (key !== undefined) onChoose(key);
      }}
    >
      <header className={styles.previewHead}>
        <h2 className={styles.previewTitle}>{title}</h2>
        <select className={styles.plan} aria-label="Columns of the preview" value={plan} onChange={({ target: { value } }) => onPlan(value as PreviewPlan)}>
          {previewPlans.map(({ value, label }) => (
            <option key={value} value={value}>
              {label}
            </option>
          ))}
        </select>
      </header>
      <p className={styles.quiet}>
        {datesOf(shownColumns)} · {currency}
      </p>
      {lastEntryDay === null && <EmptyState title="No figures yet">The ledger has no entries; lines show once it has.</EmptyState>}
      {statement && <StatementTable statement={statement} cell={null} chosenLine={chosen} scroller={page} onToggle={onChoose} onOpenCell={onOpenCell} />}
    </section>
  );
});

/** Of many columns, which have theirs above them, the span they come from. */
function datesOf(columns: readonly { readonly measure: 'closing' | 'movement'; readonly firstDay: string; readonly lastDay: string }[]): string {
  const [first, last] = [columns.at(0), columns.at(-1)];
  if (first && last && columns.length > 2) return spanText(first.firstDay, last.lastDay);
  return columns.map(({ measure, firstDay, lastDay }) => (measure === 'closing' ? longDay(lastDay) : spanText(firstDay, lastDay))).join(' and ');
}

const known = new WeakMap<StatementBody['rows'][number], StatementBody['rows'][number]>();

/** Figures alone, without what is made of them; each row the same object as long as it stays the same. */
function shownRows({ rows, columns }: Pick<PreviewKnown, 'rows' | 'columns'>): StatementBody['rows'] {
  return rows.map((row) => {
    const before = known.get(row);
    if (before) return before;
    const isAmount = (_: unknown, at: number): boolean => columns[at]?.kind === 'amount';
    const shown = { ...row, opens: false, values: row.values.filter(isAmount), ...(row.faults ? { faults: row.faults.filter(isAmount) } : {}) };
    known.set(row, shown);
    return shown;
  });
}
