import { addDays, dayParts, longDay, monthName, yearName } from '@ivory-ladder/core';
import CalendarIcon from '@mui/icons-material/CalendarMonthOutlined';
import ChevronLeft from '@mui/icons-material/ChevronLeft';
import ChevronRight from '@mui/icons-material/ChevronRight';
import Lock from '@mui/icons-material/LockOutlined';
import Button from '@mui/material/Button';
import Popover from '@mui/material/Popover';
import { type KeyboardEvent, type PointerEvent, useState } from 'react';
import { DayInput } from '../shared/components/dayfield/DayInput.tsx';
import { type ShownYear, yearBeside, yearHolding } from '../shared/state/fiscalYears.ts';
import type { SpanInAddress } from '../shared/state/spanInAddress.ts';
import { useCompany } from '../shared/state/useCompany.ts';
import { useSpan } from '../shared/state/useSpan.ts';
import { spanByPeriod, spanToDate } from './chosenSpan.ts';
import styles from './PeriodRibbon.module.css';

/**
 * The months of a fiscal year. A click chooses a month alone; a drag, or Shift and a click, a span of whole months; the year to date is a button, and
 * an exact day is chosen beside it. While the comparison is chosen, the ribbon shows and moves that instead.
 */
export function PeriodRibbon() {
  const company = useCompany();
  const { span, choose } = useSpan();
  const [picksComparison, setPicksComparison] = useState(false);
  const isFixed = span.compare === 'fixed' && span.compareFrom !== undefined && span.compareTo !== undefined;
  const shown = picksComparison && isFixed ? { from: span.compareFrom as string, to: span.compareTo as string } : span;
  const [drag, setDrag] = useState<{ from: number; to: number } | null>(null);
  const [stepped, setStepped] = useState<{ year: ShownYear; from: string } | null>(null);
  const year = stepped && stepped.from === shown.to ? stepped.year : yearHolding(company, shown.to);
  const stored = company.years.find(({ firstDay }) => firstDay === year.firstDay);
  const periods = year.periods.filter(({ number }) => number !== stored?.periods.find(({ isAdjusting }) => isAdjusting)?.number);
  const adjusting = stored?.periods.find(({ isAdjusting }) => isAdjusting);
  const set = (from: string, to: string) => {
    if (picksComparison) choose({ compare: 'fixed', compareFrom: from, compareTo: to });
    else choose({ from, to });
  };
  const step = (by: 1 | -1) => setStepped({ year: yearBeside(company, year, by), from: shown.to });
  const finish = (range: { from: number; to: number }) => {
    const [first, last] = [periods[Math.min(range.from, range.to)], periods[Math.max(range.from, range.to)]];
    setDrag(null);
    if (first && last) set(first.firstDay, last.lastDay);
  };
  const pick = (at: number, isExtending: boolean) => {
    setDrag(null);
    const period = periods[at];
    if (!period) return;
    const { from, to } = spanByPeriod(year, period, shown, isExtending);
    set(from, to);
  };
  const toDate = spanToDate(year, shown);
  const onPointerDown = (at: number) => (event: PointerEvent<HTMLButtonElement>) => {
    if (event.button !== 0) return;
    event.currentTarget.releasePointerCapture(event.pointerId);
    setDrag({ from: at, to: at });
  };
  const onKeyDown = (at: number) => (event: KeyboardEvent<HTMLButtonElement>) => {
    const target = event.key === 'ArrowRight' ? at + 1 : event.key === 'ArrowLeft' ? at - 1 : null;
    if (target === null) return;
    event.preventDefault();
    const next = event.currentTarget.parentElement?.children[target];
    if (next instanceof HTMLButtonElement) next.focus();
  };
  const isMonth = (firstDay: string, lastDay: string) => dayParts(firstDay).dayOfMonth === 1 && dayParts(addDays(lastDay, 1)).dayOfMonth === 1;
  return (
    <div className={styles.whole}>
      <div
        className={styles.ribbon}
        role="group"
        aria-label={picksComparison ? 'Comparison' : 'Period'}
        data-comparison={picksComparison || undefined}
        onPointerLeave={() => setDrag(null)}
      >
        <button type="button" className={styles.step} aria-label="Year before" onClick={() => step(-1)}>
          <ChevronLeft fontSize="inherit" />
        </button>
        <button type="button" className={styles.year} title="The whole year" onClick={() => set(year.firstDay, year.lastDay)}>
          {yearName(year)}
        </button>
        <button type="button" className={styles.step} aria-label="Year after" onClick={() => step(1)}>
          <ChevronRight fontSize="inherit" />
        </button>
        <div className={styles.months} onPointerUp={(event) => drag && (drag.from === drag.to ? pick(drag.from, event.shiftKey) : finish(drag))}>
          {periods.map((period, at) => {
            const inDrag = drag !== null && at >= Math.min(drag.from, drag.to) && at <= Math.max(drag.from, drag.to);
            const isChosen = drag === null ? period.lastDay >= shown.from && period.firstDay <= shown.to : inDrag;
            const hasEntries = company.lastEntryDay !== null && period.firstDay <= company.lastEntryDay && stored !== undefined;
            const lock = stored?.periods.find(({ number }) => number === period.number)?.lock ?? null;
            return (
              <button
                key={period.number}
                type="button"
                className={styles.month}
                aria-pressed={isChosen}
                data-ahead={!hasEntries || undefined}
                title={`${longDay(period.firstDay)} to ${longDay(period.lastDay)}. Click: this ${isMonth(period.firstDay, period.lastDay) ? 'month' : 'period'} alone. Shift and click, or drag: from one to another.${lock ? ` Locked by ${lock.by}.` : ''}`}
                onPointerDown={onPointerDown(at)}
                onPointerEnter={() => drag && setDrag({ ...drag, to: at })}
                onClick={(event) => {
                  // By the keyboard; the pointer has chosen when it was let go.
                  if (event.detail === 0) pick(at, event.shiftKey);
                }}
                onKeyDown={onKeyDown(at)}
              >
                {isMonth(period.firstDay, period.lastDay) ? monthName(dayParts(period.firstDay).month) : period.number}
                {lock && <Lock className={styles.lock} titleAccess="locked" />}
              </button>
            );
          })}
        </div>
        <button
          type="button"
          className={styles.toDate}
          aria-pressed={shown.from === toDate.from && shown.to === toDate.to}
          title={`Year to date: ${longDay(toDate.from)} to ${longDay(toDate.to)}`}
          onClick={() => set(toDate.from, toDate.to)}
        >
          {/* Beside a period for adjustments there is less room. */}
          {adjusting ? (
            <>
              <span className="unseen">Year to date</span>
              <span aria-hidden>To date</span>
            </>
          ) : (
            'Year to date'
          )}
        </button>
        {adjusting && (
          <button
            type="button"
            className={styles.adjusting}
            aria-pressed={span.adjusting === undefined}
            title={`Period ${adjusting.number}, for adjustments, on the year’s last day: ${span.adjusting ? 'left out of what ends there' : 'in what ends there'}. Click to ${span.adjusting ? 'count it in' : 'show what was before it'}.${adjusting.lock ? ` Locked by ${adjusting.lock.by}.` : ''}`}
            onClick={() => choose({}, span.adjusting === undefined)}
          >
            +{adjusting.number}
            <span className="unseen">{span.adjusting ? ' left out' : ' counted in'}</span>
            {adjusting.lock && <Lock className={styles.lock} titleAccess="locked" />}
          </button>
        )}
      </div>
      <ExactDays
        span={shown}
        onChoose={set}
        picksComparison={picksComparison}
        onPickComparison={(picks) => {
          if (picks && !isFixed) choose({ compare: 'fixed', compareFrom: shiftYear(span.from), compareTo: shiftYear(span.to) });
          setPicksComparison(picks);
        }}
      />
    </div>
  );
}

function shiftYear(day: string): string {
  const { year, month, dayOfMonth } = dayParts(day);
  return `${String(year - 1).padStart(4, '0')}-${String(month).padStart(2, '0')}-${String(month === 2 && dayOfMonth === 29 ? 28 : dayOfMonth).padStart(2, '0')}`;
}

interface ExactDaysProps {
  readonly span: Pick<SpanInAddress, 'from' | 'to'>;
  readonly onChoose: (from: string, to: string) => void;
  readonly picksComparison: boolean;
  readonly onPickComparison: (picks: boolean) => void;
}

function ExactDays({ span, onChoose, picksComparison, onPickComparison }: ExactDaysProps) {
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const [{ from, to }, setDays] = useState(span);
  const [shown, setShown] = useState(span);
  // Another span was chosen meanwhile, or the comparison’s is shown in place of the period’s.
  if (shown.from !== span.from || shown.to !== span.to) {
    setShown(span);
    setDays(span);
  }
  return (
    <>
      <button
        type="button"
        className={styles.exact}
        aria-label="Exact days and comparison"
        aria-haspopup="dialog"
        title="Exact days and comparison"
        onClick={(event) => {
          setDays(span);
          setAnchor(event.currentTarget);
        }}
      >
        <CalendarIcon fontSize="inherit" />
      </button>
      <Popover open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)} anchorOrigin={{ vertical: 'bottom', horizontal: 'left' }}>
        <form
          className={styles.days}
          onSubmit={(event) => {
            event.preventDefault();
            if (from && to && from <= to) onChoose(from, to);
            setAnchor(null);
          }}
        >
          <fieldset className={styles.which}>
            <legend className="unseen">What the ribbon chooses</legend>
            <label>
              <input type="radio" name="which" checked={!picksComparison} onChange={() => onPickComparison(false)} /> Ribbon chooses the period
            </label>
            <label>
              <input type="radio" name="which" checked={picksComparison} onChange={() => onPickComparison(true)} /> Ribbon chooses the comparison
            </label>
          </fieldset>
          <label>
            First day <DayInput className={styles.day} value={from} required onChange={(day) => setDays({ from: day, to })} />
          </label>
          <label>
            Last day <DayInput className={styles.day} value={to} min={from} required onChange={(day) => setDays({ from, to: day })} />
          </label>
          <Button type="submit" variant="contained">
            Show these days
          </Button>
        </form>
      </Popover>
    </>
  );
}
