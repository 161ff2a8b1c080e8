import { addDays, type Day, longDay, shiftMonths, shortDay } from '@ivory-ladder/core';
import { type KeyboardEvent, useLayoutEffect, useRef, useState } from 'react';
import { readTypedDay } from '../../words/typedDay.ts';

export interface TypedDayProps {
  /** Empty for none. */
  readonly value: Day | '';
  /** Each time that what is typed is a whole day, and with nothing where the field was emptied; whoever needs a day leaves that alone. */
  readonly onChange: (day: Day | '') => void;
  readonly min?: Day;
}

/** What stands in a day's field while somebody types, and how far it is a day. */
export function useTypedDay({ value, onChange, min }: TypedDayProps) {
  const input = useRef<HTMLInputElement>(null);
  const [typed, setTyped] = useState<{ readonly text: string; readonly over: Day | ''; readonly isLeft: boolean } | null>(null);
  const [isOpen, setOpen] = useState(false);
  // Somebody else has chosen another day meanwhile: what was typed over the one before is over.
  const isStale = typed !== null && value !== typed.over && value !== read(typed.text);
  const text = typed && !isStale ? typed.text : shown(value);
  const fault = faultOf(text, value, min);
  useLayoutEffect(() => input.current?.setCustomValidity(fault ?? ''), [fault]);

  const choose = (day: Day | '') => {
    setTyped(null);
    if (day !== value) onChange(day);
  };
  const type = (written: string) => {
    setTyped({ text: written, over: value, isLeft: false });
    const day = read(written);
    if (day !== null && day !== value) onChange(day);
  };
  /** Takes what leaves the year out, and writes the day as days are written here; what is no day stays, and says so. */
  const settle = () => {
    const day = text.trim() === '' ? value : readTypedDay(text, value || today());
    if (day !== null) choose(day);
    else setTyped({ text, over: value, isLeft: true });
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Enter') return settle();
    const step = steps[event.key];
    if (!step || event.ctrlKey || event.metaKey) return;
    event.preventDefault();
    if (event.key === 'ArrowDown' && event.altKey) return setOpen(true);
    const near = value || today();
    choose(step(readTypedDay(text, near) ?? near));
  };
  // Nobody is told of a fault in what is still being written.
  return { input, text, fault: typed && !typed.isLeft ? null : fault, type, settle, choose, onKeyDown, isOpen, setOpen };
}

const steps: Readonly<Record<string, (day: Day) => Day>> = {
  ArrowUp: (day) => addDays(day, 1),
  ArrowDown: (day) => addDays(day, -1),
  PageUp: (day) => shiftMonths(day, 1),
  PageDown: (day) => shiftMonths(day, -1),
};

const shown = (day: Day | ''): string => (day === '' ? '' : shortDay(day));

const read = (text: string): Day | '' | null => (text.trim() === '' ? '' : readTypedDay(text));

const today = (): Day => new Date().toLocaleDateString('sv');

function faultOf(text: string, value: Day | '', min: Day | undefined): string | null {
  const day = text.trim() === '' ? '' : readTypedDay(text, value || today());
  if (day === null) return 'Write a day, such as 30 Sep 2026';
  return min !== undefined && day !== '' && day < min ? `Not before ${longDay(min)}` : null;
}
