import type { StatementBody } from '@ivory-ladder/contract';
import { captionWords, type ScaleUnit, scaleUnits, type UsualColumns } from '@ivory-ladder/core';
import { type CSSProperties, memo, useCallback, useEffect, useMemo, useRef } from 'react';
import { useListColumnPlansQuery } from '../../shared/api/columnPlanApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { StatementTable } from '../statements/index.ts';
import styles from './ComposerScreen.module.css';
import { columnsShown, datesOf, rowsShown, shownOf, writeColumns } from './previewColumns.ts';
import type { Composer } from './useComposer.ts';
import { usePreviewRefused, usePreviewRows } from './usePreview.ts';

const plainNames = { comparison: 'Comparative', periods: 'Each period', quarters: 'Each quarter' } as const;

const scaleNames: Readonly<Record<ScaleUnit, string>> = { exact: 'Exact', units: 'Whole', thousands: 'Thousands', millions: 'Millions' };

interface PreviewProps {
  readonly figures: Composer['figures'];
  readonly title: string;
  readonly kind: StatementBody['kind'];
  readonly chosen: string | null;
  readonly columns: UsualColumns;
  readonly onColumns: (columns: string) => void;
  readonly scale: ScaleUnit;
  readonly onScale: (scale: ScaleUnit) => void;
  readonly onChoose: (key: string) => void;
}

/** The layout as it will be printed, live; a figure or caption leads to its line. */
export const Preview = memo(function Preview({ figures, title, kind, chosen, columns: planned, onColumns, scale, onScale, onChoose }: PreviewProps) {
  const { id: companyId, currency, exponent, languages, lastEntryDay } = useCompany();
  const { data: plans } = useListColumnPlansQuery({ companyId });
  const refused = usePreviewRefused(figures);
  const preview = usePreviewRows(figures);
  const language = languages[0] ?? 'en';
  const page = useRef<HTMLElement>(null);
  const hasRow = chosen !== null && preview?.rows.some(({ lineKey }) => lineKey === chosen) === true;
  // A line that was just added has its row once it takes something.
  useEffect(() => {
    if (chosen !== null && hasRow) page.current?.querySelector(`[data-line-key="${CSS.escape(chosen)}"]`)?.scrollIntoView({ block: 'nearest' });
  }, [chosen, hasRow]);
  const columns = preview?.columns;
  // What was chosen is shown once the figures are there in it.
  const printedIn = preview?.scale ?? 'exact';
  const isShown = shownOf(planned);
  const shownColumns = useMemo(() => columnsShown(columns ?? [], isShown), [columns, isShown]);
  const onOpenCell = useCallback(({ line }: { readonly line: string }) => onChoose(line), [onChoose]);
  const statement = useMemo(
    (): StatementBody | null =>
      preview && {
        kind,
        layoutId: null,
        title,
        language,
        currency,
        exponent: preview.scale === 'exact' ? exponent : 0,
        presentation: null,
        columns: shownColumns,
        rows: rowsShown(preview, isShown),
        rungs: 2,
        transfers: [],
        notes: [],
        exceptions: [],
        isDraft: false,
        plan: { plan: 'comparison', planId: null },
        scale: preview.scale,
        rounding: 'footed',
        revision: 0,
      },
    [preview, shownColumns, isShown, kind, title, language, currency, exponent],
  );
  return (
    // biome-ignore lint/a11y/useKeyWithClickEvents: the figures of the row take the keys
    <section
      ref={page}
      className={styles.preview}
      {...(printedIn === 'exact' ? {} : { 'data-scaled': '' })}
      style={{ '--columns': shownColumns.length + (preview?.rows.some(({ note }) => note !== undefined) ? 1 : 0) } as CSSProperties}
      aria-label="Preview"
      onClick={({ target }) => {
        const key = (target as HTMLElement).closest<HTMLElement>('[data-line-key]')?.dataset.lineKey;
        if (key !== undefined) onChoose(key);
      }}
    >
      <header className={styles.previewHead}>
        <h2 className={styles.previewTitle}>{title}</h2>
        <div className={styles.previewTools}>
          <Select
            className={styles.plan}
            aria-label="Figures of the preview"
            value={scale}
            onChange={({ target: { value } }) => onScale(scaleUnits.find((unit) => unit === value) ?? 'exact')}
          >
            {scaleUnits
              .filter((unit) => unit !== 'units' || exponent > 0)
              .map((unit) => (
                <option key={unit} value={unit}>
                  {scaleNames[unit]}
                </option>
              ))}
          </Select>
          <Select
            className={styles.plan}
            aria-label="Columns of the preview"
            value={writeColumns(planned)}
            onChange={({ target: { value } }) => onColumns(value)}
          >
            {Object.entries(plainNames).map(([value, label]) => (
              <option key={value} value={value}>
                {label}
              </option>
            ))}
            {plans?.plans.map(({ id, name }) => (
              <option key={id} value={writeColumns({ plan: 'composed', planId: id })}>
                {name}
              </option>
            ))}
          </Select>
        </div>
      </header>
      <p className={styles.quiet}>
        {datesOf(shownColumns)} · {currency}
        {printedIn === 'thousands' || printedIn === 'millions' ? ` ${captionWords[language][printedIn]}` : ''}
      </p>
      {lastEntryDay === null && <EmptyState title="No figures yet">The ledger has no entries; lines show once it has.</EmptyState>}
      {refused !== null && <EmptyState title="No figures for these columns">{describeFailure(refused)}</EmptyState>}
      {lastEntryDay !== null && refused === null && statement?.rows.length === 0 && (
        <EmptyState title="No line shows an amount">Lines without amounts are left out here; the outline has them all.</EmptyState>
      )}
      {statement && refused === null && statement.rows.length > 0 && (
        <StatementTable statement={statement} cell={null} chosenLine={chosen} scroller={page} onToggle={onChoose} onOpenCell={onOpenCell} />
      )}
    </section>
  );
});
