import type { BudgetList, CodeListBody, StatementBody } from '@ivory-ladder/contract';
import {
  type AmountsPlanColumn,
  betweenKeys,
  checkFormula,
  columnResults,
  type PeriodChoice,
  type PlanColumn,
  type PlanDefinition,
  periodBases,
  readFormula,
} from '@ivory-ladder/core';
import { formulaFaultText } from '../../components/formulaFaultText.ts';
import styles from './ColumnPlansScreen.module.css';
import { baseNames, headingText, measureNames } from './planWords.ts';

interface ColumnFieldsProps {
  readonly column: PlanColumn;
  readonly plan: PlanDefinition;
  readonly lists: readonly CodeListBody[];
  readonly budgets: BudgetList['budgets'];
  /** Of the sample, whose lines a share can be of. */
  readonly rows: StatementBody['rows'];
  readonly disabled: boolean;
  readonly onChange: (column: PlanColumn, what: string, merge?: string) => void;
}

/** What one column is: its heading, and what stands in it. */
export function ColumnFields({ column, plan, lists, budgets, rows, disabled, onChange }: ColumnFieldsProps) {
  const amounts = plan.columns.filter((one) => one.kind === 'amounts');
  const typed = (field: 'heading' | 'group', label: string, placeholder: string) => (
    <label className={styles.field}>
      <span>{label}</span>
      <input
        value={column[field]}
        placeholder={placeholder}
        maxLength={100}
        disabled={disabled}
        onChange={({ target: { value } }) => onChange({ ...column, [field]: value }, label, `${field} ${column.key}`)}
      />
    </label>
  );
  const other = (field: 'of' | 'against', label: string, value: string, change: (key: string) => PlanColumn) => (
    <label key={field} className={styles.field}>
      <span>{label}</span>
      <select value={value} disabled={disabled} onChange={({ target }) => onChange(change(target.value), label)}>
        {!amounts.some(({ key }) => key === value) && <option value={value}>choose a column</option>}
        {amounts.map((one) => (
          <option key={one.key} value={one.key}>
            {headingText(one)} ({one.key})
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <>
      {typed('heading', 'Heading', '{from}, {to} and {year} stand for its dates')}
      {typed('group', 'Above it, over columns beside each other', 'none')}
      {column.kind === 'amounts' && <AmountsFields column={column} lists={lists} budgets={budgets} disabled={disabled} onChange={onChange} />}
      {(column.kind === 'change' || column.kind === 'percent') && (
        <>
          {other('of', 'Of', column.of, (of) => ({ ...column, of }))}
          {other('against', 'Less', column.against, (against) => ({ ...column, against }))}
          {column.kind === 'percent' && <p className={styles.note}>By the size of what is taken off; a dash where that is nil.</p>}
        </>
      )}
      {column.kind === 'calculation' && <CalculationFields column={column} amounts={amounts} disabled={disabled} onChange={onChange} />}
      <label className={styles.field}>
        <span>Width</span>
        <select
          value={column.width ?? ''}
          disabled={disabled}
          onChange={({ target: { value } }) => {
            const { width: _, ...others } = column;
            onChange(value === 'narrow' || value === 'wide' ? { ...others, width: value } : others, 'Width');
          }}
        >
          <option value="">usual</option>
          <option value="narrow">narrow</option>
          <option value="wide">wide</option>
        </select>
      </label>
      {column.kind === 'share' && (
        <>
          {other('of', 'In', column.of, (of) => ({ ...column, of }))}
          <label className={styles.field}>
            <span>Share of the line</span>
            <select value={column.line} disabled={disabled} onChange={({ target }) => onChange({ ...column, line: target.value }, 'Line')}>
              <option value={column.line}>
                {rows.find(({ key, role }) => key === column.line && role !== 'heading')?.caption ?? (column.line || 'choose a line')}
              </option>
              {rows
                .filter(({ role, accountId, key }) => accountId === null && key !== column.line && (role === 'line' || role === 'total' || role === 'final'))
                .map(({ key, role, caption }) => (
                  <option key={`${key} ${role}`} value={key}>
                    {caption}
                  </option>
                ))}
            </select>
          </label>
          <p className={styles.note}>A layout without this line shows a dash.</p>
        </>
      )}
    </>
  );
}

interface CalculationFieldsProps extends Pick<ColumnFieldsProps, 'disabled' | 'onChange'> {
  readonly column: Extract<PlanColumn, { kind: 'calculation' }>;
  readonly amounts: readonly PlanColumn[];
}

const resultNames = { amount: 'an amount', ratio: 'a ratio', percent: 'a percent' } as const;

function CalculationFields({ column, amounts, disabled, onChange }: CalculationFieldsProps) {
  const read = readFormula(column.formula);
  const keys = amounts.map(({ key }) => key);
  const fault = read.ok ? checkFormula(read.value, { has: (key) => keys.includes(key), between: betweenKeys(keys) })[0] : read.failure;
  return (
    <>
      <label className={styles.field}>
        <span>Formula over columns</span>
        <input
          value={column.formula}
          maxLength={500}
          spellCheck={false}
          disabled={disabled}
          aria-invalid={fault !== undefined}
          onChange={({ target: { value } }) => onChange({ ...column, formula: value }, 'Formula', `formula ${column.key}`)}
        />
      </label>
      {fault && (
        <p className={styles.wrong} role="alert">
          {formulaFaultText(fault).replaceAll('line', 'column')}
        </p>
      )}
      <p className={styles.note}>Columns of amounts by key: {keys.join(', ') || 'none yet'}. As in lines: + − × ÷, min, max, abs, sum, if.</p>
      <label className={styles.field}>
        <span>It comes to</span>
        <select
          value={column.result}
          disabled={disabled}
          onChange={({ target: { value } }) => onChange({ ...column, result: columnResults.find((one) => one === value) ?? 'amount' }, 'Result')}
        >
          {columnResults.map((one) => (
            <option key={one} value={one}>
              {resultNames[one]}
            </option>
          ))}
        </select>
      </label>
    </>
  );
}

function AmountsFields({
  column,
  lists,
  budgets,
  disabled,
  onChange,
}: Pick<ColumnFieldsProps, 'lists' | 'budgets' | 'disabled' | 'onChange'> & { readonly column: AmountsPlanColumn }) {
  const { period } = column;
  const change = (changes: Partial<AmountsPlanColumn>, what: string, merge?: string) => onChange({ ...column, ...changes }, what, merge);
  const setPeriod = (changes: Partial<PeriodChoice>, what: string) => change({ period: { ...period, ...changes } }, what);
  const facets = lists.filter(({ kind }) => kind === 'facet');
  return (
    <>
      <label className={styles.field}>
        <span>Amounts of</span>
        <select
          value={column.budgetId ?? ''}
          disabled={disabled}
          onChange={({ target: { value } }) => change({ budgetId: value === '' ? null : Number(value) }, 'What is shown')}
        >
          <option value="">what was posted</option>
          {budgets.map(({ id, name, year }) => (
            <option key={id} value={id}>
              budget {name}, {year}
            </option>
          ))}
        </select>
      </label>
      <label className={styles.field}>
        <span>Measure</span>
        <select
          value={column.measure}
          disabled={disabled}
          onChange={({ target: { value } }) => change({ measure: value as AmountsPlanColumn['measure'] }, 'Measure')}
        >
          {Object.entries(measureNames).map(([value, name]) => (
            <option key={value} value={value}>
              {name}
            </option>
          ))}
        </select>
      </label>
      <label className={styles.field}>
        <span>Over</span>
        <select value={period.base} disabled={disabled} onChange={({ target: { value } }) => setPeriod({ base: value as PeriodChoice['base'] }, 'Span')}>
          {periodBases.map((base) => (
            <option key={base} value={base}>
              {baseNames[base]}
            </option>
          ))}
        </select>
      </label>
      {period.base === 'trailing' && (
        <label className={styles.field}>
          <span>How many periods</span>
          <input
            type="number"
            min={1}
            max={60}
            value={period.periods}
            disabled={disabled}
            onChange={({ target: { value } }) => setPeriod({ periods: Math.min(60, Math.max(1, Math.round(Number(value)) || 1)) }, 'Periods')}
          />
        </label>
      )}
      {period.base === 'fixed' && (
        <div className={styles.pair}>
          {(['firstDay', 'lastDay'] as const).map((end) => (
            <label key={end} className={styles.field}>
              <span>{end === 'firstDay' ? 'From' : 'To'}</span>
              <input type="date" value={period[end]} disabled={disabled} onChange={({ target: { value } }) => setPeriod({ [end]: value }, 'Days')} />
            </label>
          ))}
        </div>
      )}
      {period.base !== 'fixed' && period.base !== 'comparative' && (
        <div className={styles.pair}>
          <label className={styles.field}>
            <span>Moved by, − is earlier</span>
            <input
              type="number"
              min={-60}
              max={60}
              value={period.moved.by}
              disabled={disabled}
              onChange={({ target: { value } }) =>
                setPeriod({ moved: { ...period.moved, by: Math.min(60, Math.max(-60, Math.round(Number(value)) || 0)) } }, 'Moved')
              }
            />
          </label>
          <label className={styles.field}>
            <span>of these</span>
            <select
              value={period.moved.unit}
              disabled={disabled}
              onChange={({ target: { value } }) => setPeriod({ moved: { ...period.moved, unit: value as PeriodChoice['moved']['unit'] } }, 'Moved')}
            >
              <option value="years">years</option>
              <option value="periods">periods</option>
            </select>
          </label>
        </div>
      )}
      <label className={styles.field}>
        <span>Repeated</span>
        <select
          value={column.repeat ?? ''}
          disabled={disabled}
          onChange={({ target: { value } }) => change({ repeat: value === '' ? null : (value as AmountsPlanColumn['repeat']) }, 'Repeated')}
        >
          <option value="">not: one column</option>
          <option value="periods">for each period</option>
          <option value="quarters">for each quarter</option>
          <option value="equity">for each category of equity</option>
          {facets.map(({ key, name }) => (
            <option key={key} value={key}>
              for each {name.toLowerCase()}
            </option>
          ))}
        </select>
      </label>
      {facets.length > 0 && (
        <details open={Object.keys(column.facets).length > 0}>
          <summary className={styles.note}>Only some facet values</summary>
          {facets.map(({ key, name, codes }) => {
            const listKey = key as keyof typeof column.facets;
            const { [listKey]: chosen, ...others } = column.facets;
            return column.repeat === key ? null : (
              <label key={key} className={styles.field}>
                <span>Only {name.toLowerCase()}</span>
                <select
                  value={chosen?.[0] ?? 'all'}
                  disabled={disabled}
                  onChange={({ target: { value } }) => change({ facets: value === 'all' ? others : { ...others, [listKey]: [value] } }, 'Facets')}
                >
                  <option value="all">all</option>
                  {codes
                    .filter(({ retired }) => !retired)
                    .map(({ code, caption }) => (
                      <option key={code} value={code}>
                        {caption}
                      </option>
                    ))}
                  <option value="">lines without one</option>
                </select>
              </label>
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
    </>
  );
}
