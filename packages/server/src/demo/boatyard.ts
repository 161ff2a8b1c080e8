import { daysInMonth, toDay } from '@ivory-ladder/core';
import { accountsIn } from './accountsIn.ts';
import type { Dealing } from './dealing.ts';
import type { DemoCompany } from './demoCompany.ts';
import { type DemoEntry, DemoLedger } from './demoLedger.ts';
import { firstYear, lastMonth } from './ferryFigures.ts';

const seed = 1_907;
const taxRate = 0.22;
const vat = 0.2;

/** Boats are mended in winter, when they are ashore. */
const wintry = [1.5, 1.55, 1.45, 1.2, 0.85, 0.6, 0.45, 0.5, 0.75, 1.0, 1.15, 1.0];

const opening: Readonly<Record<string, number>> = {
  'A-10-100': 188_400,
  'A-20-100': 71_300,
  'A-20-200': 39_600,
  'A-30-100': 84_200,
  'A-40-100': 0,
  'A-50-100': 1_420_000,
  'A-50-200': -612_000,
  'A-50-300': 386_000,
  'A-50-400': -214_000,
  'L-10-100': -48_900,
  'L-20-200': -14_700,
  'L-30-100': -11_200,
  'L-30-200': -8_600,
  'L-40-100': -540_000,
  'L-50-100': -26_400,
  'E-10-100': -300_000,
};

/** What the yard does beside its sister's repairs, and what it costs; euros of an average month of the first year. */
const others: Readonly<Record<string, number>> = { 'R-10-200': 52_000, 'R-20-200': 6_800 };
const shop = 7_400;
const overheads: Readonly<Record<string, number>> = { 'X-10-200': 3_800, 'X-10-300': 2_900, 'X-10-500': 3_300 };

class BoatyardLedger extends DemoLedger {
  month(year: number, month: number, dealings: readonly Dealing[]): void {
    if (month === 1) this.beginYear();
    const prices = 1.024 ** (year - firstYear);
    const at = (day: number): string => toDay(year, month, Math.min(day, daysInMonth(year, month)));
    const works = wintry[month - 1] as number;
    let earned = this.withSister(at, dealings);
    const done = this.spread(others, prices * works, 0.08);
    for (const [number, euros] of Object.entries(done)) {
      for (const [day, share] of [
        [9, 0.3],
        [19, 0.4],
        [29, 0.3],
      ] as const)
        this.post(at(day), number === 'R-10-200' ? 'Repairs invoiced' : 'Moorings and lifts invoiced', {
          'A-20-100': euros * share * (1 + vat),
          [number]: -euros * share,
          'L-30-100': -euros * share * vat,
        });
      earned += euros;
    }
    const sold = this.jitter(shop * prices * (1.4 - works * 0.35), 0.1);
    this.post(at(31), 'Chandlery, takings of the month', { 'A-10-100': sold * (1 + vat), 'R-30-100': -sold, 'L-30-100': -sold * vat });
    earned += sold + this.storage(at, month, prices);
    this.costs(at, prices, earned, sold);
    this.monthEnd(at(31), month, prices);
    const due = this.held('A-20-100') * (0.5 + 0.04 * this.random());
    this.post(at(24), 'Customers pay', { 'A-10-100': due, 'A-20-100': -due });
  }

  /** As the ferry company has it in its books. */
  private withSister(at: (day: number) => string, dealings: readonly Dealing[]): number {
    let earned = 0;
    for (const { date, partner, kind, euroCents } of dealings) {
      if (partner !== 'boatyard' || date < at(1) || date > at(31)) continue;
      const euros = euroCents / 100;
      if (kind === 'payment') this.post(date, 'Eiderholm Ferry Company pays', { 'A-10-100': euros, 'A-20-200': -euros });
      else {
        this.post(date, kind === 'dry_docking' ? 'Dry-docking of the winter, Eiderholm Ferry Company' : 'Repairs, Eiderholm Ferry Company', { 'A-20-200': euros, 'R-10-100': -euros });
        earned += euros;
      }
    }
    return earned;
  }

  /** Paid in October for seven months, earned month by month. */
  private storage(at: (day: number) => string, month: number, prices: number): number {
    if (month === 10) {
      const paid = this.jitter(61_600 * prices, 0.04);
      this.post(at(6), 'Winter storage paid in advance', { 'A-10-100': paid * (1 + vat), 'L-50-100': -paid, 'L-30-100': -paid * vat });
    }
    if (month > 4 && month < 10) return 0;
    const monthsLeft = month >= 10 ? 17 - month : 5 - month;
    const released = -this.held('L-50-100') / monthsLeft;
    this.post(at(30), 'Winter storage of the month', { 'L-50-100': released, 'R-20-100': -released });
    return released;
  }

  private costs(at: (day: number) => string, prices: number, earned: number, sold: number): void {
    const worked = earned - sold;
    const used = worked * this.jitter(0.27, 0.05) + sold * 0.6;
    const bought = Math.max(4_000, used + (84_000 - this.held('A-30-100')));
    for (const [day, share, name] of [
      [5, 0.4, 'Westholm Timber'],
      [15, 0.35, 'Sound Steel'],
      [25, 0.25, 'Paint and Resin'],
    ] as const)
      this.post(at(day), `${name}, invoice`, { 'A-30-100': bought * share, 'L-30-100': bought * share * vat, 'L-10-100': -bought * share * (1 + vat) });
    this.post(at(31), 'Materials used, by the job sheets', { 'C-10-100': used, 'A-30-100': -used });
    const helped = worked * this.jitter(0.08, 0.2);
    this.post(at(22), 'Subcontractors', { 'C-10-200': helped, 'L-30-100': helped * vat, 'L-10-100': -helped * (1 + vat) });
    const wages = this.jitter(26_500 * prices, 0.03) + worked * 0.11;
    const office = this.jitter(7_900 * prices, 0.01);
    const social = (wages + office) * 0.17;
    const taxes = (wages + office) * 0.21;
    this.post(at(23), 'Payroll', {
      'C-20-100': wages,
      'C-20-200': wages * 0.17,
      'X-10-100': office + office * 0.17,
      'L-20-200': -(taxes + social),
      'L-20-100': -(wages + office - taxes),
    });
    this.post(at(27), 'Net wages paid', { 'L-20-100': -this.held('L-20-100'), 'A-10-100': this.held('L-20-100') });
    const owed = -this.held('L-20-200') * 0.62;
    this.post(at(15), 'Wage taxes and social security paid', { 'L-20-200': owed, 'A-10-100': -owed });
    const spread = this.spread(overheads, prices, 0.07);
    for (const [number, euros] of Object.entries(spread))
      this.post(at(17), number === 'X-10-200' ? 'Rent of the land' : number === 'X-10-300' ? 'Sound Power, invoice' : 'Office and accounts', {
        [number]: euros,
        'L-30-100': euros * vat,
        'L-10-100': -euros * (1 + vat),
      });
    const paid = -this.held('L-10-100') * (0.55 + 0.03 * this.random());
    this.post(at(26), 'Suppliers paid', { 'L-10-100': paid, 'A-10-100': -paid });
  }

  private monthEnd(end: string, month: number, prices: number): void {
    this.post(end, 'Depreciation of the month', { 'X-20-100': 5_150, 'A-50-200': -3_350, 'A-50-400': -1_800 });
    if (month === 1) this.post(end, 'Insurance for the year', { 'A-40-100': 21_600 * prices, 'A-10-100': -21_600 * prices });
    const premium = this.held('A-40-100') / (13 - month);
    this.post(end, 'Insurance of the month', { 'X-10-400': premium, 'A-40-100': -premium });
    const interest = -this.held('L-40-100') * (0.045 / 12);
    const charges = this.jitter(95, 0.2);
    this.post(end, 'Interest and bank charges', { 'X-30-100': interest, 'X-30-200': charges, 'A-10-100': -(interest + charges) });
    const provided = this.taxToProvide(taxRate);
    this.post(end, 'Income tax provided for', { 'X-40-100': provided, 'L-30-200': -provided });
    if (month % 3 !== 0) return;
    this.post(end, 'Repayment of the bank loan', { 'L-40-100': 13_500, 'A-10-100': -13_500 });
    const taxes = this.held('L-30-100');
    this.post(end, 'Value added tax settled', { 'L-30-100': -taxes, 'A-10-100': taxes });
    const tax = -this.held('L-30-200') * 0.4;
    this.post(end, 'Income tax paid', { 'L-30-200': tax, 'A-10-100': -tax });
    if (month === 6) this.post(end, 'Dividend', { 'E-20-100': 60_000, 'A-10-100': -60_000 });
  }
}

function makeEntries(dealings: readonly Dealing[]): DemoEntry[] {
  const partners: Readonly<Record<string, string>> = { 'A-20-200': 'FERRY', 'R-10-100': 'FERRY' };
  const ledger = new BoatyardLedger(seed, opening, (number, cents) => [{ number, cents, facets: partners[number] ? { Partner: partners[number] } : {} }], /^(R|C|X-[123])/);
  for (let year = firstYear; year <= lastMonth.year; year++) for (let month = 1; month <= (year === lastMonth.year ? lastMonth.month : 12); month++) ledger.month(year, month, dealings);
  return ledger.sorted();
}

/** The Eiderholm Boatyard: account numbers of letters and digits in three parts, and repairs for its sister. */
export const boatyard = (dealings: readonly Dealing[]): DemoCompany => ({
  name: 'Eiderholm Boatyard',
  currency: 'EUR',
  fiscalYearFirstMonth: 1,
  retainedEarnings: 'E-20-100',
  opening,
  entries: makeEntries(dealings),
  roles: { 'A-10-100': 'cash' },
  categories: {
    asset: [
      { name: 'Slipway, sheds and cranes', term: 'non_current', nature: 'investing', children: [{ name: 'At cost' }, { name: 'Depreciation so far', contraOf: 'At cost' }] },
      { name: 'Materials', term: 'current', nature: 'operating' },
      { name: 'Receivables and prepayments', term: 'current', nature: 'operating' },
      { name: 'Cash', term: 'current', nature: 'operating' },
    ],
    liability: [
      { name: 'Bank loan', term: 'non_current', nature: 'financing' },
      { name: 'Payables', term: 'current', nature: 'operating' },
      { name: 'Storage paid in advance', term: 'current', nature: 'operating' },
      { name: 'Taxes payable', term: 'current', nature: 'operating', children: [{ name: 'Income tax payable', nature: 'income_tax' }, { name: 'Value added tax' }] },
    ],
    equity: [
      { name: 'Share capital', nature: 'financing' },
      { name: 'Retained earnings', nature: 'dividends' },
    ],
    income: [{ name: 'Revenue', step: 'revenue', children: [{ name: 'Repairs' }, { name: 'Storage and moorings' }, { name: 'Chandlery' }] }],
    expense: [
      { name: 'Cost of the yard', step: 'cost_of_sales', children: [{ name: 'Materials and subcontractors' }, { name: 'Yard wages' }] },
      { name: 'Running costs', step: 'other_operating', children: [{ name: 'Office and site' }, { name: 'Depreciation' }] },
      { name: 'Finance costs', step: 'financing' },
      { name: 'Income tax', step: 'income_tax' },
    ],
  },
  accounts: accountsIn({
    asset: `
A-10-100|Bank, current account|Cash
A-20-100|Customers|Receivables and prepayments
A-20-200|Eiderholm Ferry Company|Receivables and prepayments
A-30-100|Timber, steel and paint in stock|Materials
A-40-100|Prepaid insurance|Receivables and prepayments
A-50-100|Slipway and sheds, at cost|Slipway, sheds and cranes > At cost
A-50-200|Slipway and sheds, accumulated depreciation|Slipway, sheds and cranes > Depreciation so far
A-50-300|Cranes and machines, at cost|Slipway, sheds and cranes > At cost
A-50-400|Cranes and machines, accumulated depreciation|Slipway, sheds and cranes > Depreciation so far`,
    liability: `
L-10-100|Suppliers|Payables
L-20-100|Net wages payable|Payables
L-20-200|Wage taxes and social security payable|Payables
L-30-100|Value added tax payable|Taxes payable > Value added tax
L-30-200|Income tax payable|Taxes payable > Income tax payable
L-40-100|Bank loan|Bank loan
L-50-100|Winter storage paid in advance|Storage paid in advance`,
    equity: `
E-10-100|Share capital|Share capital
E-20-100|Retained earnings|Retained earnings`,
    income: `
R-10-100|Repairs, Eiderholm Ferry Company|Revenue > Repairs
R-10-200|Repairs, other vessels|Revenue > Repairs
R-20-100|Winter storage|Revenue > Storage and moorings
R-20-200|Moorings and lifts|Revenue > Storage and moorings
R-30-100|Chandlery sales|Revenue > Chandlery`,
    expense: `
C-10-100|Materials used|Cost of the yard > Materials and subcontractors
C-10-200|Subcontractors|Cost of the yard > Materials and subcontractors
C-20-100|Wages, yard|Cost of the yard > Yard wages
C-20-200|Social security and pensions, yard|Cost of the yard > Yard wages
X-10-100|Salaries, office|Running costs > Office and site
X-10-200|Rent of land|Running costs > Office and site
X-10-300|Electricity and water|Running costs > Office and site
X-10-400|Insurance|Running costs > Office and site
X-10-500|Administration|Running costs > Office and site
X-20-100|Depreciation|Running costs > Depreciation
X-30-100|Interest, bank loan|Finance costs
X-30-200|Bank charges|Finance costs
X-40-100|Income tax|Income tax`,
  }),
});
