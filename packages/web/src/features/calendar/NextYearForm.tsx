import type { YearInput } from '@ivory-ladder/contract';
import {
  addDays,
  checkPeriodEnds,
  type FiscalYear,
  isDay,
  longDay,
  makeYearFrom,
  makeYearOf,
  monthNames,
  shortDay,
  toDay,
  weekPatterns,
  type YearForm,
  yearName,
} from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useMakeYearMutation } from '../../shared/api/companyApi.ts';
import { DayInput } from '../../shared/components/dayfield/DayInput.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './CalendarScreen.module.css';

type WeeksForm = Extract<YearForm, { kind: 'weeks' }>;

const weekdays = ['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday'];

/** The year behind the last: of months, of 52 or 53 weeks, or by the days its periods end on; shown before it is made. */
export function NextYearForm({ onDone }: { readonly onDone: () => void }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [make, { isLoading }] = useMakeYearMutation();
  const last = company.years.at(-1);
  const [firstDay, setFirstDay] = useState(last ? addDays(last.lastDay, 1) : toDay(new Date().getUTCFullYear(), company.fiscalYearFirstMonth, 1));
  const [kind, setKind] = useState<YearForm['kind'] | 'dates'>(company.yearForm.kind);
  const [weeks, setWeeks] = useState<WeeksForm>(
    company.yearForm.kind === 'weeks' ? company.yearForm : { kind: 'weeks', weekday: 7, month: 12, end: 'nearest', pattern: '4 4 5' },
  );
  const [ends, setEnds] = useState(() =>
    makeYearFrom(firstDay, { kind: 'months' })
      .periods.map(({ lastDay }) => lastDay)
      .join('\n'),
  );
  const [isAdjusting, setAdjusting] = useState(last?.periods.some((period) => period.isAdjusting) ?? false);
  const lastDays = ends.split(/\s+/).filter((day) => day !== '');
  const form: YearForm = kind === 'weeks' ? weeks : { kind: 'months' };
  const shown = yearOf();
  function yearOf(): FiscalYear | string {
    if (!isDay(firstDay)) return 'The first day is missing.';
    if (kind !== 'dates') return makeYearFrom(firstDay, form);
    const wrong = lastDays.find((day) => !isDay(day));
    if (wrong !== undefined) return `«${wrong}» is no day such as 2026-09-30.`;
    if (lastDays.length === 0) return 'No period yet: write the last day of each.';
    const refused = checkPeriodEnds(firstDay, lastDays);
    if (refused) return describeFailure({ code: refused.code, facts: { ...refused } });
    return makeYearOf(firstDay, lastDays);
  }
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (typeof shown === 'string') return;
    const body: YearInput = { ...(last ? {} : { firstDay }), ...(kind === 'dates' ? { lastDays } : { form }), adjusting: isAdjusting };
    const { error } = await make({ companyId: company.id, body });
    if (error !== undefined) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    dispatch(noticeGiven({ tone: 'done', text: `Made: the fiscal year ${yearName(shown)}.` }));
    onDone();
  };
  return (
    <form
      className={styles.next}
      aria-label="Next fiscal year"
      onSubmit={(event) => void submit(event)}
      onKeyDown={(event) => event.key === 'Escape' && onDone()}
    >
      {!last && (
        <label>
          First day <DayInput className={styles.field} value={firstDay} required onChange={setFirstDay} />
        </label>
      )}
      <label>
        Periods{' '}
        <Select autoFocus value={kind} onChange={(event) => setKind(event.target.value as typeof kind)}>
          <option value="months">twelve months</option>
          <option value="weeks">52 or 53 weeks</option>
          <option value="dates">by their last days</option>
        </Select>
      </label>
      {kind === 'weeks' && (
        <>
          <label>
            in quarters of{' '}
            <Select value={weeks.pattern} onChange={(event) => setWeeks({ ...weeks, pattern: event.target.value as WeeksForm['pattern'] })}>
              {weekPatterns.map((pattern) => (
                <option key={pattern}>{pattern}</option>
              ))}
            </Select>{' '}
            weeks,
          </label>
          <label>
            ending on the{' '}
            <Select value={weeks.weekday} onChange={(event) => setWeeks({ ...weeks, weekday: Number(event.target.value) })}>
              {weekdays.map((name, at) => (
                <option key={name} value={at + 1}>
                  {name}
                </option>
              ))}
            </Select>
          </label>
          <Select aria-label="Which of them" value={weeks.end} onChange={(event) => setWeeks({ ...weeks, end: event.target.value as WeeksForm['end'] })}>
            <option value="nearest">nearest to the end of</option>
            <option value="last">that is the last in</option>
          </Select>
          <Select aria-label="Month" value={weeks.month} onChange={(event) => setWeeks({ ...weeks, month: Number(event.target.value) })}>
            {monthNames.map((name, at) => (
              <option key={name} value={at + 1}>
                {name}
              </option>
            ))}
          </Select>
        </>
      )}
      {kind === 'dates' && (
        <label className={styles.days}>
          Last day of each period
          <textarea className={styles.field} rows={6} value={ends} onChange={(event) => setEnds(event.target.value)} />
        </label>
      )}
      <label>
        <input type="checkbox" checked={isAdjusting} onChange={(event) => setAdjusting(event.target.checked)} /> a period for adjustments behind the last
      </label>
      <p className={styles.preview} role="status">
        {typeof shown === 'string'
          ? shown
          : `${yearName(shown)}: ${longDay(shown.firstDay)} to ${longDay(shown.lastDay)}. Periods end on ${shown.periods.map(({ lastDay }) => shortDay(lastDay).replace(/ \d{4}$/, '')).join(', ')}.`}
      </p>
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={isLoading || typeof shown === 'string'}>
          Make the year
        </Button>
        <Button onClick={onDone}>Cancel</Button>
      </div>
    </form>
  );
}
