import { isDay } from '@ivory-ladder/core';
import { isWithinReach, yearsToMake } from '../companies/index.ts';
import type { Books, JournalFault, JournalFaultGroup } from '../ports/index.ts';

/** Kinds that are told one by one; what comes then is counted with the last of its code. */
const mostKinds = 200;
/** Faults that are the same for the same text. */
const byText: ReadonlySet<string> = new Set(['account_unknown', 'account_takes_none', 'layer_unreadable', 'facet_value_unknown']);

/** Faults counted by what mends them: one year that is missing, one account, one kind of mistake. */
export class FaultGroups {
  private readonly groups = new Map<string, Omit<JournalFaultGroup, 'count'> & { count: number }>();
  /** The last of each code, with which those beyond are counted. */
  private readonly lastOf = new Map<string, { count: number }>();
  private readonly yearOf = new Map<string, string>();

  constructor(private readonly books: Books) {}

  add(fault: JournalFault): void {
    const key = this.keyOf(fault);
    const known = this.groups.get(key) ?? (this.groups.size < mostKinds ? undefined : this.lastOf.get(fault.code));
    if (known) {
      known.count++;
      return;
    }
    const facts = fault.code === 'day_outside_calendar' ? this.yearFacts(String(fault.facts.found)) : fault.facts;
    const group = { ...fault, facts, count: 1 };
    this.groups.set(key, group);
    this.lastOf.set(fault.code, group);
  }

  /** `untold`: entries out of balance beyond those that were added. */
  all(untold: number): readonly JournalFaultGroup[] {
    const last = [...this.groups.values()].findLast(({ code }) => code.startsWith('entry_'));
    if (last) last.count += untold;
    return [...this.groups.values()].sort((a, b) => (a.row ?? 0) - (b.row ?? 0));
  }

  private keyOf({ code, facts }: JournalFault): string {
    const found = String(facts.found ?? '');
    if (code === 'day_outside_calendar') return `${code} ${this.yearNamed(found)}`;
    if (code === 'period_locked') return `${code} ${found.slice(0, 7)}`;
    return byText.has(code) ? `${code} ${found.toLowerCase()}` : code;
  }

  /** Of the fiscal year that the day would be in. */
  private yearNamed(day: string): string {
    const known = this.yearOf.get(day);
    if (known !== undefined) return known;
    const last = isDay(day) ? yearsToMake(this.books, day).find(({ firstDay, lastDay }) => firstDay <= day && day <= lastDay) : undefined;
    const name = String(last?.year ?? day.slice(0, 4));
    this.yearOf.set(day, name);
    return name;
  }

  private yearFacts(day: string): JournalFault['facts'] {
    return { found: day, year: this.yearNamed(day), mayMake: isWithinReach(this.books, day) };
  }
}
