import type { BudgetList, CodeListBody } from '@ivory-ladder/contract';
import { type AmountsPlanColumn, type PeriodChoice, type PlanColumn, periodBases } from '@ivory-ladder/core';
import { DayInput } from '../../shared/components/dayfield/DayInput.tsx';
import field from '../../shared/components/Field.module.css';
import { SelectField } from '../../shared/components/SelectField.tsx';
import styles from './ColumnPlansScreen.module.css';
import { baseNames, measureNames } from './planWords.ts';

interface AmountsFieldsProps {
  readonly column: AmountsPlanColumn;
  readonly lists: readonly CodeListBody[];
  readonly budgets: BudgetList['budgets'];
  readonly disabled: boolean;
  readonly onChange: (column: PlanColumn, what: string, merge?: string) => void;
}

/** What amounts a column shows, over what, and how often it is repeated. */
export function AmountsFields({ column, lists, budgets, disabled, onChange }: AmountsFieldsProps) {
  const change = (changes: Partial<AmountsPlanColumn>, what: string) => onChange({ ...column, ...changes }, what);
  const facets = lists.filter(({ kind }) => kind === 'facet');
  const repeats: readonly { readonly value: NonNullable<AmountsPlanColumn['repeat']> | ''; readonly label: string }[] = [
    { value: '', label: 'not: one column' },
    { value: 'periods', label: 'for each period' },
    { value: 'quarters', label: 'for each quarter' },
    { value: 'equity', label: 'for each category of equity' },
    ...facets.map(({ key, name }) => ({ value: key, label: `for each ${name.toLowerCase()}` })),
  ];
  return (
    <>
      <SelectField
        label="Amounts of"
        value={column.budgetId ?? 0}
        choices={[{ value: 0, label: 'what was posted' }, ...budgets.map(({ id, name, year }) => ({ value: id, label: `budget ${name}, ${year}` }))]}
        disabled={disabled}
        onChange={(id) => {
          // A budget is by the placement of today, and has no field for another.
          const { placement: _, ...others } = column;
          onChange(id === 0 ? { ...column, budgetId: null } : { ...others, budgetId: id }, 'What is shown');
        }}
      />
      <SelectField
        label="Measure"
        value={column.measure}
        choices={choicesOf(measureNames)}
        disabled={disabled}
        onChange={(measure) => change({ measure }, 'Measure')}
      />
      <PeriodFields period={column.period} disabled={disabled} onChange={(changes, what) => change({ period: { ...column.period, ...changes } }, what)} />
      <SelectField
        label="Repeated"
        value={column.repeat ?? ''}
        choices={repeats}
        disabled={disabled}
        onChange={(repeat) => change({ repeat: repeat === '' ? null : repeat }, 'Repeated')}
      />
      {facets.length > 0 && (
        <details open={Object.keys(column.facets).length > 0}>
          <summary className={styles.note}>Only some facet values</summary>
          {facets.map(({ key, name, codes }) => {
            const { [key as keyof typeof column.facets]: chosen, ...others } = column.facets;
            const wanted = chosen?.[0];
            return column.repeat === key ? null : (
              <SelectField
                key={key}
                label={`Only ${name.toLowerCase()}`}
                value={wanted === undefined ? 'all' : `= ${wanted}`}
                choices={[
                  { value: 'all', label: 'all' },
                  ...codes.filter(({ retired }) => !retired).map(({ code, caption }) => ({ value: `= ${code}`, label: caption })),
                  { value: '= ', label: 'lines without one' },
                ]}
                disabled={disabled}
                onChange={(value) => change({ facets: value === 'all' ? others : { ...others, [key]: [value.slice(2)] } }, 'Facets')}
              />
            );
          })}
        </details>
      )}
      <label className={styles.check}>
        <input
          type="checkbox"
          checked={column.withoutAdjustments}
          disabled={disabled}
          onChange={({ target: { checked } }) => change({ withoutAdjustments: checked }, 'Adjustments')}
        />
        without the adjustments made for the statements
      </label>
      {column.budgetId === null && (
        <label className={styles.check}>
          <input
            type="checkbox"
            checked={column.beforeAdjusting === true}
            disabled={disabled}
            onChange={({ target: { checked } }) => {
              const { beforeAdjusting: _, ...others } = column;
              onChange(checked ? { ...others, beforeAdjusting: true } : others, 'Adjusting period');
            }}
          />
          before the period for adjustments, where the column ends a year
        </label>
      )}
      {column.budgetId === null && <PlacementFields column={column} disabled={disabled} onChange={onChange} />}
    </>
  );
}

type PlacementFieldsProps = Pick<AmountsFieldsProps, 'column' | 'disabled' | 'onChange'>;

/** Whether accounts stand where they stand today, or where they stood. */
function PlacementFields({ column, disabled, onChange }: PlacementFieldsProps) {
  const { placement, ...others } = column;
  const set = (changed: AmountsPlanColumn['placement']) => onChange(changed === undefined ? others : { ...others, placement: changed }, 'Placement');
  const onDay = placement !== undefined && placement !== 'own_day';
  return (
    <>
      <SelectField
        label="Accounts stand"
        value={placement === undefined ? 'today' : onDay ? 'on_day' : 'own_day'}
        choices={[
          { value: 'today', label: 'where they stand today' },
          { value: 'own_day', label: 'where they stood on the last day' },
          { value: 'on_day', label: 'where they stood on a day' },
        ]}
        disabled={disabled}
        onChange={(value) => set(value === 'today' ? undefined : value === 'own_day' ? value : new Date().toISOString().slice(0, 10))}
      />
      {onDay && (
        <label className={field.field}>
          <span className={field.label}>Day of the placement</span>
          <DayInput wide className={field.input} value={placement} disabled={disabled} onChange={(day) => day !== '' && set(day)} />
        </label>
      )}
    </>
  );
}

interface PeriodFieldsProps {
  readonly period: PeriodChoice;
  readonly disabled: boolean;
  readonly onChange: (changes: Partial<PeriodChoice>, what: string) => void;
}

function PeriodFields({ period, disabled, onChange }: PeriodFieldsProps) {
  const whole = (label: string, value: number, least: number, change: (value: number) => void) => (
    <label className={field.field}>
      <span className={field.label}>{label}</span>
      <input
        className={field.input}
        type="number"
        min={least}
        max={60}
        value={value}
        disabled={disabled}
        onChange={({ target }) => change(Math.min(60, Math.max(least, Math.round(Number(target.value)) || Math.max(0, least))))}
      />
    </label>
  );
  return (
    <>
      <SelectField
        label="Over"
        value={period.base}
        choices={periodBases.map((value) => ({ value, label: baseNames[value] }))}
        disabled={disabled}
        onChange={(base) => onChange({ base }, 'Span')}
      />
      {period.base === 'trailing' && whole('How many periods', period.periods, 1, (periods) => onChange({ periods }, 'Periods'))}
      {period.base === 'fixed' && (
        <div className={styles.pair}>
          {(['firstDay', 'lastDay'] as const).map((end) => (
            <label key={end} className={field.field}>
              <span className={field.label}>{end === 'firstDay' ? 'From' : 'To'}</span>
              <DayInput wide className={field.input} value={period[end]} disabled={disabled} onChange={(day) => onChange({ [end]: day }, 'Days')} />
            </label>
          ))}
        </div>
      )}
      {period.base !== 'fixed' && period.base !== 'comparative' && (
        <div className={styles.pair}>
          {whole('Moved by, − is earlier', period.moved.by, -60, (by) => onChange({ moved: { ...period.moved, by } }, 'Moved'))}
          <SelectField
            label="of these"
            value={period.moved.unit}
            choices={choicesOf({ years: 'years', periods: 'periods' })}
            disabled={disabled}
            onChange={(unit) => onChange({ moved: { ...period.moved, unit } }, 'Moved')}
          />
        </div>
      )}
    </>
  );
}

function choicesOf<Value extends string>(names: Readonly<Record<Value, string>>): { readonly value: Value; readonly label: string }[] {
  return (Object.entries(names) as [Value, string][]).map(([value, label]) => ({ value, label }));
}
