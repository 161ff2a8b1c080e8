import { longDay } from '../calendar/dayText.ts';
import type { KnownWithoutCash, WithoutCash } from '../cash/cashMoves.ts';
import { type Activity, activities } from '../cash/cashPlaces.ts';
import type { CaptionLanguage } from '../layout/captionWords.ts';
import { cashFlowWords } from '../layout/cashFlowWords.ts';
import type { Currency } from '../money/currency.ts';
import { formatAmount } from '../money/formatAmount.ts';
import { noteWords } from './noteWords.ts';

/** The largest of them are named; more would fill the page. */
const mostNamed = 12;

/**
 * What moved no cash and is of investing or financing activities, told under a cash flow (IAS 7.43): day by day, in the currency that it was posted in. Entries with one
 * text and the same activities, such as those of each month, are told together.
 */
export function withoutCashNotes({ entries, broughtIn }: KnownWithoutCash, currency: Currency, language: CaptionLanguage): string[] {
  const words = noteWords[language];
  const bySize = together(entries).sort((a, b) => (a.amount === b.amount ? a.first.entry.id - b.first.entry.id : a.amount > b.amount ? -1 : 1));
  const named = bySize
    .slice(0, mostNamed)
    .sort((a, b) => (a.first.day === b.first.day ? a.first.entry.id - b.first.entry.id : a.first.day < b.first.day ? -1 : 1));
  const rest = bySize.slice(mostNamed);
  const format = (amount: bigint): string => `${formatAmount(amount, currency)} ${currency.code}`;
  return [
    ...named.map(({ first, last, amount, byActivity }) => {
      const { documentNumber, description } = first.entry;
      const days = [...new Set([longDay(first.day, language), longDay(last.day, language)])].join(' – ');
      const what = [days, first === last ? documentNumber : '', description, format(amount)].filter(Boolean).join(', ');
      const between = activities.filter((activity) => byActivity[activity] !== 0n);
      const told = between.map((activity) => `${captionOf(activity, language)} ${formatAmount(byActivity[activity], currency)}`);
      return words.withoutCash(what, (told.length > 0 ? told : first.activities.map((activity) => captionOf(activity, language))).join(', '));
    }),
    ...broughtIn.map((day) => words.withoutCashUnknown(longDay(day, language))),
    ...(rest.length === 0
      ? []
      : [
          words.withoutCashBesides(
            rest.reduce((sum, { count }) => sum + count, 0),
            format(rest.reduce((sum, { amount }) => sum + amount, 0n)),
          ),
        ]),
  ];
}

interface Together extends Pick<WithoutCash, 'amount' | 'byActivity'> {
  readonly first: WithoutCash;
  readonly last: WithoutCash;
  readonly count: number;
}

function together(entries: readonly WithoutCash[]): Together[] {
  const groups = new Map<string, Together>();
  for (const one of entries.toSorted((a, b) => (a.day === b.day ? a.entry.id - b.entry.id : a.day < b.day ? -1 : 1))) {
    const { entry, amount, byActivity } = one;
    const signs = activities.map((activity) => (byActivity[activity] > 0n ? '+' : byActivity[activity] < 0n ? '-' : '0'));
    const key = entry.description === '' ? String(entry.id) : [entry.description, ...signs, ...one.activities].join('\n');
    const there = groups.get(key);
    groups.set(key, {
      first: there?.first ?? one,
      last: one,
      count: (there?.count ?? 0) + 1,
      amount: (there?.amount ?? 0n) + amount,
      byActivity: Object.fromEntries(
        activities.map((activity) => [activity, (there?.byActivity[activity] ?? 0n) + byActivity[activity]]),
      ) as WithoutCash['byActivity'],
    });
  }
  return [...groups.values()];
}

function captionOf(activity: Activity, language: CaptionLanguage): string {
  return cashFlowWords[language][activity];
}
