import { daysInMonth, toDay } from '@ivory-ladder/core';
import { accountsIn } from './accountsIn.ts';
import type { Dealing } from './dealing.ts';
import type { DemoCompany } from './demoCompany.ts';
import { type DemoEntry, DemoLedger } from './demoLedger.ts';
import { firstYear, lastMonth } from './ferryFigures.ts';
import { kronerRates } from './kronerRates.ts';

const seed = 3_301;
const taxRate = 0.22;
const months = 33;
const openingRate = 11.3;
const owedAtFirst = 76_400;

/** Fish in spring, building in summer, parcels before Christmas. */
const busy = [0.86, 0.9, 1.08, 1.1, 1.06, 1.02, 0.92, 0.96, 1.04, 1.05, 1.02, 0.99];

const opening: Readonly<Record<string, number>> = {
  1100: 3_180_000,
  1300: 4_260_000,
  1350: 0,
  1500: 14_800_000,
  1590: -6_240_000,
  1700: 240_000,
  2400: -1_150_000,
  2450: -owedAtFirst * openingRate,
  2500: -905_000,
  2600: -640_000,
  2800: -7_300_000,
  2100: -2_000_000,
};

/** Kroner of an average month of the first year. */
const carried: Readonly<Record<string, number>> = { 3000: 2_350_000, 3100: 1_480_000, 3200: 310_000 };
const overheads: Readonly<Record<string, number>> = { 4200: 390_000, 6100: 148_000, 6200: 196_000, 6400: 92_000 };

const texts: Readonly<Record<string, string>> = {
  3000: 'Road freight invoiced',
  3100: 'Sea freight contracts invoiced',
  3200: 'Warehouse invoiced',
  4200: 'Hauliers, invoices',
  6100: 'Rent of the terminal',
  6200: 'Workshop and tyres',
  6400: 'Office and accounts',
};

class FreightLedger extends DemoLedger {
  private euros = owedAtFirst;

  month(year: number, month: number, dealings: readonly Dealing[], rate: { readonly closing: number; readonly average: number }): void {
    const prices = 1.031 ** (year - firstYear);
    const at = (day: number): string => toDay(year, month, Math.min(day, daysInMonth(year, month)));
    const trade = busy[month - 1] as number;
    if (month === 7) this.beginYear();
    const sold = this.spread(carried, prices * trade, 0.05);
    for (const [number, kroner] of Object.entries(sold))
      for (const [day, share] of [
        [8, 0.25],
        [16, 0.25],
        [23, 0.25],
        [30, 0.25],
      ] as const)
        this.post(at(day), texts[number] ?? '', { 1300: kroner * share, [number]: -kroner * share });
    this.crossings(at, dealings, rate);
    const diesel = this.jitter(452_000 * prices * trade, 0.06);
    for (const day of [7, 14, 21, 28]) this.post(at(day), 'Diesel, by the pump', { 4100: diesel / 4, 2400: -diesel / 4 });
    const spent = this.spread(overheads, prices, 0.06);
    for (const [place, [number, kroner]] of Object.entries(spent).entries()) this.post(at(4 + place * 6), texts[number] ?? '', { [number]: kroner, 2400: -kroner });
    this.payroll(at, prices, trade);
    const due = this.held('1300') * (0.47 + 0.04 * this.random());
    this.post(at(20), 'Customers pay', { 1100: due, 1300: -due });
    const paid = -this.held('2400') * (0.52 + 0.03 * this.random());
    this.post(at(25), 'Suppliers paid', { 2400: paid, 1100: -paid });
    this.monthEnd(at(31), month, prices, rate);
  }

  /** Bought and paid in euro, as the ferry company has it; kroner at the average rate of the month. */
  private crossings(at: (day: number) => string, dealings: readonly Dealing[], { average }: { readonly average: number }): void {
    for (const { date, partner, kind, euroCents } of dealings) {
      if (partner !== 'freight' || date < at(1) || date > at(31)) continue;
      const kroner = Math.round(euroCents * average) / 100;
      const foreign = { 2450: { currency: 'EUR', cents: euroCents } };
      if (kind === 'payment') {
        this.euros -= euroCents / 100;
        this.post(date, 'Eiderholm Ferry Company paid in euro', { 2450: kroner, 1100: -kroner }, { foreign });
      } else {
        this.euros += euroCents / 100;
        this.post(date, 'Eiderholm Ferry Company, crossings of the month', { 4000: kroner, 2450: -kroner }, { foreign });
      }
    }
  }

  private payroll(at: (day: number) => string, prices: number, trade: number): void {
    const drivers = this.jitter(1_020_000 * prices * (0.7 + 0.3 * trade), 0.02);
    const office = this.jitter(232_000 * prices, 0.01);
    const gross = drivers + office;
    const social = gross * 0.141;
    const taxes = gross * 0.29;
    this.post(at(12), 'Payroll', { 5000: drivers, 5100: office, 5400: social, 2500: -(taxes + social), 1100: -(gross - taxes) });
    const owed = -this.held('2500') * 0.6;
    this.post(at(15), 'Wage taxes and contributions paid', { 2500: owed, 1100: -owed });
  }

  private monthEnd(end: string, month: number, prices: number, { closing }: { readonly closing: number }): void {
    this.post(end, 'Depreciation of the month', { 6000: 151_000, 1590: -151_000 });
    if (month === 7) this.post(end, 'Insurance for the year', { 1700: 420_000 * prices, 1100: -420_000 * prices });
    const premium = this.held('1700') / ((18 - month) % 12 || 12);
    this.post(end, 'Insurance of the month', { 6300: premium, 1700: -premium });
    const interest = -this.held('2800') * (0.058 / 12);
    this.post(end, 'Interest on the truck loan', { 8000: interest, 1100: -interest });
    const moved = -this.held('2450') - this.euros * closing;
    this.post(end, 'Owed in euro, at the closing rate', { 2450: moved, 8100: -moved });
    const provided = this.taxToProvide(taxRate);
    this.post(end, 'Income tax provided for', { 8300: provided, 2600: -provided });
    if (month % 3 !== 0) return;
    this.post(end, 'Repayment of the truck loan', { 2800: 290_000, 1100: -290_000 });
    const tax = -this.held('2600') * 0.6;
    this.post(end, 'Income tax paid', { 2600: tax, 1100: -tax });
    if (month === 9) this.post(end, 'Dividend', { 2200: 1_500_000, 1100: -1_500_000 });
  }
}

function makeEntries(dealings: readonly Dealing[]): DemoEntry[] {
  const partners: Readonly<Record<string, string>> = { 2450: 'FERRY', 4000: 'FERRY' };
  const ledger = new FreightLedger(seed, opening, (number, cents) => [{ number, cents, facets: partners[number] ? { Partner: partners[number] } : {} }], /^([3456]|8[01])/);
  for (const [at, rate] of kronerRates(months).entries()) {
    const [year, month] = [firstYear + Math.floor(at / 12), (at % 12) + 1];
    if (year < lastMonth.year || month <= lastMonth.month) ledger.month(year, month, dealings, rate);
  }
  return ledger.sorted();
}

/** Nordskerry Freight: another chart, another currency, a fiscal year from July, and crossings bought from its sister in euro. */
export const nordskerryFreight = (dealings: readonly Dealing[]): DemoCompany => ({
  name: 'Nordskerry Freight',
  currency: 'NOK',
  fiscalYearFirstMonth: 7,
  retainedEarnings: '2200',
  opening,
  entries: makeEntries(dealings),
  roles: { 1100: 'cash', 8100: 'exchange_differences' },
  categories: {
    asset: [
      { name: 'Trucks and trailers', term: 'non_current', nature: 'investing', children: [{ name: 'Trucks, at cost' }, { name: 'Depreciation of trucks', contraOf: 'Trucks, at cost' }] },
      { name: 'Customers and prepayments', term: 'current', nature: 'operating' },
      { name: 'Bank', term: 'current', nature: 'operating' },
    ],
    liability: [
      { name: 'Truck loan', term: 'non_current', nature: 'financing' },
      { name: 'Suppliers and ferry crossings', term: 'current', nature: 'operating' },
      { name: 'Taxes and contributions', term: 'current', nature: 'operating', children: [{ name: 'Income tax payable', nature: 'income_tax' }, { name: 'Wage taxes and contributions' }] },
    ],
    equity: [
      { name: 'Share capital', nature: 'financing' },
      { name: 'Earnings kept', nature: 'dividends' },
    ],
    income: [
      { name: 'Freight', step: 'revenue' },
      { name: 'Warehouse', step: 'revenue' },
    ],
    expense: [
      { name: 'Cost of transport', step: 'cost_of_sales', children: [{ name: 'Ferries, diesel and hauliers' }, { name: 'Wages' }] },
      { name: 'Running costs', step: 'other_operating' },
      { name: 'Depreciation', step: 'other_operating' },
      { name: 'Interest and exchange', step: 'financing', children: [{ name: 'Interest' }, { name: 'Exchange differences', nature: 'operating' }] },
      { name: 'Income tax', step: 'income_tax' },
    ],
  },
  accounts: accountsIn({
    asset: `
1100|Bank, kroner|Bank
1300|Customers|Customers and prepayments
1350|Other receivables|Customers and prepayments
1500|Trucks and trailers, at cost|Trucks and trailers > Trucks, at cost
1590|Trucks and trailers, accumulated depreciation|Trucks and trailers > Depreciation of trucks
1700|Prepaid insurance|Customers and prepayments`,
    liability: `
2400|Suppliers|Suppliers and ferry crossings
2450|Eiderholm Ferry Company, in euro|Suppliers and ferry crossings
2500|Wage taxes and contributions payable|Taxes and contributions > Wage taxes and contributions
2600|Income tax payable|Taxes and contributions > Income tax payable
2800|Truck loan|Truck loan`,
    equity: `
2100|Share capital|Share capital
2200|Earnings kept|Earnings kept`,
    income: `
3000|Road freight|Freight
3100|Sea freight contracts|Freight
3200|Warehouse|Warehouse`,
    expense: `
4000|Ferry crossings|Cost of transport > Ferries, diesel and hauliers
4100|Diesel|Cost of transport > Ferries, diesel and hauliers
4200|Hauliers|Cost of transport > Ferries, diesel and hauliers
5000|Drivers|Cost of transport > Wages
5100|Salaries, office|Running costs
5400|Employer’s contributions|Cost of transport > Wages
6000|Depreciation, trucks|Depreciation
6100|Rent of the terminal|Running costs
6200|Workshop and tyres|Running costs
6300|Insurance|Running costs
6400|Administration|Running costs
8000|Interest, truck loan|Interest and exchange > Interest
8100|Exchange differences|Interest and exchange > Exchange differences
8300|Income tax|Income tax`,
  }),
});
