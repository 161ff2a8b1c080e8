import { addDays, grow, layers, movementOver, ordinaryPeriods, type Period } from '@ivory-ladder/core';
import { ownAccess } from '../application/access.ts';
import { addBudget, lockBudget, setBudgetCells } from '../application/budgets/index.ts';
import type { Books, BudgetCellChange, Ports, RateChange } from '../application/ports/index.ts';
import { listRates, setRates } from '../application/rates/index.ts';
import { demoActor } from './demoActor.ts';
import { firstKroner, kronerRates } from './kronerRates.ts';
import { must } from './must.ts';
import { seededRandom } from './random.ts';

const seed = 1_126;
const wholeUnit = 100n;
/** Percent more than the year before, by the first digits of the number; others as the year before. */
const growth: Readonly<Record<string, bigint>> = { '4': 30n, '52': 60n, '51': 25n, '60': 25n };
/** What the dollar begins at, for one euro, and how much of it a month moves at most. */
const dollar = { first: 1.095, step: 0.014 };

/** A budget of the last year in two versions, the first of them locked, and exchange rates; made once. */
export async function planFerry(ports: Ports, books: Books): Promise<void> {
  const access = ownAccess(books.company.id, demoActor);
  if ((await ports.budgets.list(books.company.id)).length === 0) await planBudgets(ports, access, books);
  if (must(await listRates(ports, access)).length === 0) must(await setRates(ports, access, ferryRates(books)));
}

async function planBudgets(ports: Ports, access: ReturnType<typeof ownAccess>, books: Books): Promise<void> {
  const year = books.calendar.years.at(-1);
  const before = books.calendar.years.at(-2);
  if (!year || !before) return;
  const moved = ordinaryPeriods(before.periods).map((period) => movementOver(books.cube, layers, period));
  const cells = books.tree.order.flatMap((account, at): BudgetCellChange[] => {
    const index = books.cube.indexOf.get(account.id) as number;
    if (books.tree.isParent[at] || books.traits.resets[index] !== 1) return [];
    const tenths = Object.entries(growth).find(([first]) => account.number.startsWith(first))?.[1] ?? 0n;
    const months = moved.map((net) => net[index] as bigint);
    return grow(months, { units: tenths, scale: 1 }, wholeUnit).flatMap((amount, period) => (amount === 0n ? [] : [{ accountId: account.id, period: period + 1, was: 0n, amount }]));
  });
  const original = must(await addBudget(ports, access, { year: year.year, name: 'Original', facet: null, copyOf: null }));
  const { version } = must(await setBudgetCells(ports, access, original.id, { part: '', cells }));
  must(await lockBudget(ports, access, original.id, { version, reason: 'Approved by the board in December' }));
  const revised = must(await addBudget(ports, access, { year: year.year, name: 'Revised in June', facet: null, copyOf: original.id }));
  // The dry-docking came later, and fuel dearer than was thought.
  const fuel = books.accounts.filter(({ number }) => number.startsWith('521')).map(({ id }) => id);
  const dearer = cells.filter(({ accountId, period }) => period > 6 && fuel.includes(accountId)).map((cell) => ({ ...cell, was: cell.amount, amount: ((cell.amount * 11n) / 10n / wholeUnit) * wholeUnit }));
  if (dearer.length > 0) must(await setBudgetCells(ports, access, revised.id, { part: '', cells: dearer }));
}

/** Rates of the euro for Nordskerry Freight: the same as the ferry company's of the krone, the other way round. */
export async function planFreight(ports: Ports, books: Books): Promise<void> {
  const access = ownAccess(books.company.id, demoActor);
  if (must(await listRates(ports, access)).length > 0) return;
  const months = monthsOf(books);
  const turned = kronerRates(months.length).map(({ closing, average }) => ({ closing: 1 / closing, average: 1 / average }));
  must(await setRates(ports, access, ratesOf('EUR', months, 1 / firstKroner, turned, 6)));
}

/** Closing rates at the ends of months and averages over them; invented, the same each time. */
function ferryRates(books: Books): RateChange[] {
  const months = monthsOf(books);
  const random = seededRandom(seed);
  let rate = dollar.first;
  const dollars = months.map(() => {
    const begun = rate;
    rate += (random() - 0.5) * 2 * dollar.step;
    return { closing: rate, average: (begun + rate) / 2 };
  });
  return [...ratesOf('NOK', months, firstKroner, kronerRates(months.length), 4), ...ratesOf('USD', months, dollar.first, dollars, 4)];
}

/** From January 2024 to September 2026. */
const monthsOf = ({ calendar }: Books): Period[] => ordinaryPeriods(calendar.periods).filter(({ firstDay, lastDay }) => firstDay >= '2024-01-01' && lastDay <= '2026-09-30');

/** `begun`: at the end of the day before the first month, when the books were opened. */
function ratesOf(currency: string, months: readonly Period[], begun: number, rates: readonly { closing: number; average: number }[], places: number): RateChange[] {
  const told = (value = 0) => value.toFixed(places).replace(/\.?0+$/, '');
  const opened: RateChange[] = months.slice(0, 1).map(({ firstDay }) => ({ currency, kind: 'closing', day: addDays(firstDay, -1), accountId: null, rate: told(begun), before: null }));
  return [
    ...opened,
    ...months.flatMap(({ firstDay, lastDay }, at): RateChange[] => [
      { currency, kind: 'closing', day: lastDay, accountId: null, rate: told(rates[at]?.closing), before: null },
      { currency, kind: 'average', day: firstDay, accountId: null, rate: told(rates[at]?.average), before: null },
    ]),
  ];
}
