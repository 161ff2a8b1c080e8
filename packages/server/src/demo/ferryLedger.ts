import { daysInMonth, toDay } from '@ivory-ladder/core';
import type { Dealing } from './dealing.ts';
import { type DemoEntry, DemoLedger, negate } from './demoLedger.ts';
import { cutByFacets } from './ferryFacets.ts';
import { cafe, crewPay, depreciation, ferryOpening, firstYear, freight, lastMonth, officePay, sailingCosts, sailings, season, seasonalPay, steadyCosts, supplierNames, ticketSales, yardCosts } from './ferryFigures.ts';

/** Every entry of the company from January 2024 to September 2026, and what it has to do with its sisters. */
export function makeFerryLedger(seed: number): { readonly entries: DemoEntry[]; readonly dealings: readonly Dealing[] } {
  const ledger = new FerryLedger(seed, ferryOpening, cutByFacets, /^([456]|7[0-8])/);
  for (let year = firstYear; year <= lastMonth.year; year++) for (let month = 1; month <= (year === lastMonth.year ? lastMonth.month : 12); month++) ledger.month(year, month);
  ledger.flaws();
  return { entries: ledger.sorted(), dealings: ledger.dealings };
}

/** Days of the month that takings are posted on, with the share of the month's that they have. */
const takings = [
  [4, 0.105],
  [7, 0.105],
  [11, 0.11],
  [14, 0.11],
  [18, 0.11],
  [21, 0.115],
  [24, 0.115],
  [28, 0.115],
  [31, 0.115],
] as const;

const taxRate = 0.245;

class FerryLedger extends DemoLedger {
  readonly dealings: Dealing[] = [];
  private invoices = 0;

  month(year: number, month: number): void {
    const growth = 1.031 ** (year - firstYear) * (1 + (year === 2026 ? 0.012 : 0));
    const prices = 1.024 ** (year - firstYear);
    const crowd = season[month - 1] as number;
    const crossings = sailings[month - 1] as number;
    const at = (dayOfMonth: number): string => toDay(year, month, Math.min(dayOfMonth, daysInMonth(year, month)));
    const end = at(31);
    if (month === 1) this.beginYear();
    this.collect(at);
    this.sales(at, growth, crowd, crossings);
    this.passes(at, month, growth, crowd);
    this.fuel(at, year, crossings);
    this.payroll(at, prices, crowd, crossings);
    this.suppliers(at, prices, crowd, crossings);
    this.sisters(at, prices, crossings);
    this.monthEnd(end, year, month, prices);
    if (month % 3 === 0) this.quarterEnd(end, year);
    if (month === 1) this.post(at(15), 'Insurance for the year', { 1450: 286_000 * prices, 1000: -286_000 * prices });
    if (month === 2) this.dryDocking(at(20), prices);
    if (month === 5) this.post(at(28), 'Dividend', { 3100: 640_000 + 160_000 * (year - firstYear), 1000: -640_000 - 160_000 * (year - firstYear) });
    if (month === 10 && year === 2025) this.post(at(14), 'Linkspan at Outer Holm renewed', { 1720: 412_000, 1000: -412_000 });
    if (month === 3 && year === 2026) this.post(at(9), 'Engines of MV Tern renewed', { 1510: 1_180_000, 2500: -900_000, 1000: -280_000 });
    if (month === 4) this.post(at(22), 'Ticket machines', { 1750: 28_400 * prices, 2000: -28_400 * prices });
  }

  /** What the product is there to catch; see docs/demo.md. */
  flaws(): void {
    this.post('2026-07-08', 'Slipway hire, workboat', { 5340: 420, 1020: -420 });
    this.post('2026-08-03', 'Slipway hire, workboat', { 5340: 380, 1020: -380 });
    this.post('2026-09-17', 'Slipway hire, workboat', { 5340: 180, 1020: -180 });
    this.post('2026-08-22', 'Charter, birthday party', { 1010: 260, 4460: -260 });
    this.post('2026-06-30', 'Insurance, cover note not yet allotted', { 6200: 412, 1000: -412 });
    const held = this.held('1020');
    this.post('2026-09-29', 'Berths and yard bills paid from the harbour office account', { 2000: held + 31_877.05, 1020: -(held + 31_877.05) });
    this.post('2026-09-30', 'Accrued harbour dues', { 5310: 4_200, 2100: -4_200 }, { layer: 'adjustment' });
    this.post('2026-09-30', 'Release of season passes for September', { 2150: 61_000, 4050: -61_000 }, { layer: 'adjustment' });
  }

  private sales(at: (day: number) => string, growth: number, crowd: number, crossings: number): void {
    for (const [day, share] of takings) {
      const sold = this.spread(ticketSales, growth * crowd * share, 0.07);
      const cash = this.sum(sold) * 0.04;
      this.post(at(day), `Ticket takings up to the ${day > 30 ? 'end of the month' : `${day}th`}`, { ...negate(sold), 1000: this.sum(sold) - cash, 1010: cash });
    }
    for (const day of [7, 14, 21, 31]) {
      const eaten = this.spread(cafe, growth * (0.25 + 0.75 * crowd) * 0.25, 0.06);
      const tax = this.sum(eaten) * 0.1;
      this.post(at(day), 'Café takings', { ...negate(eaten), 2300: -tax, 1010: this.sum(eaten) + tax });
    }
    for (const [number, euros] of Object.entries(this.spread(freight, growth * (0.55 + 0.45 * crossings), 0.05))) {
      const isSister = number === '4220';
      this.post(at(28), isSister ? `Crossings of Nordskerry Freight, invoice F${this.nextInvoice()}` : `Freight contract invoiced, F${this.nextInvoice()}`, { [number]: -euros, [isSister ? '1250' : '1200']: euros });
      if (isSister) this.deal(at(28), 'freight', 'crossings', euros);
    }
    const bank = this.held('1010') - 9_000;
    this.post(at(30), 'Cash on board taken to the bank', { 1000: bank, 1010: -bank });
  }

  private collect(at: (day: number) => string): void {
    const due = this.held('1200') * (0.46 + 0.05 * this.random());
    this.post(at(19), 'Freight customers pay', { 1000: due, 1200: -due });
    const crossed = this.held('1250');
    if (crossed > 0) {
      this.post(at(18), 'Nordskerry Freight pays', { 1000: crossed, 1250: -crossed });
      this.deal(at(18), 'freight', 'payment', crossed);
    }
    this.post(at(12), 'Mail subsidy for last month received', { 1000: 38_000, 1210: -38_000 });
    this.post(at(31), 'Mail subsidy for the month', { 1210: 38_000, 4700: -38_000 });
    this.post(at(5), 'Kiosk rents and advertising', { 1000: 5_450, 4720: -3_900, 4730: -1_550 });
  }

  private passes(at: (day: number) => string, month: number, growth: number, crowd: number): void {
    const sold = ({ 11: 62_000, 12: 118_000, 1: 92_000, 2: 104_000, 3: 146_000, 4: 128_000, 5: 54_000 } as Record<number, number>)[month];
    if (sold !== undefined) {
      const euros = this.jitter(sold * growth, 0.05);
      this.post(at(25), 'Season passes sold', { 1000: euros, 2150: -euros });
    }
    const held = -this.held('2150');
    const sailed = Math.min(held * 0.9, 62_000 * growth * crowd);
    this.post(at(31), 'Season passes sailed', { 2150: sailed, 4050: -sailed });
  }

  private fuel(at: (day: number) => string, year: number, crossings: number): void {
    const price = ({ 2024: 0.94, 2025: 0.97, 2026: 1.04 } as Record<number, number>)[year] ?? 1;
    const burnt = this.jitter(232_000 * price * crossings, 0.05);
    const stock = this.held('1400');
    const bunkered = Math.max(20_000, burnt + (172_000 - stock));
    for (const [day, share] of [
      [9, 0.55],
      [23, 0.45],
    ] as const)
      this.post(at(day), `Bunkering, delivery note ${1_000 + this.nextInvoice()}`, { 1400: bunkered * share, 2010: -bunkered * share });
    for (const day of [8, 15, 22, 31]) this.post(at(day), 'Marine gas oil burnt, by the engine logs', { 5210: burnt / 4, 1400: -burnt / 4 });
    const oil = this.jitter(25_500 * price * crossings, 0.06);
    this.post(at(16), 'Lubricants bought', { 1410: oil, 2010: -oil });
    this.post(at(31), 'Lubricants used', { 5220: oil * 0.99, 1410: -oil * 0.99 });
  }

  private payroll(at: (day: number) => string, prices: number, crowd: number, crossings: number): void {
    const crew = { ...this.spread(crewPay, prices, 0.015), ...this.spread(seasonalPay, prices * (0.2 + 0.8 * crowd) * (0.6 + 0.4 * crossings), 0.03) };
    const office = this.spread(officePay, prices, 0.01);
    const gross = this.sum(crew) + this.sum(office);
    const taxes = gross * 0.214;
    const employer = { 5070: this.sum(crew) * 0.118, 6030: this.sum(office) * 0.118, 5080: this.sum(crew) * 0.051, 6040: this.sum(office) * 0.051 };
    this.post(at(24), 'Payroll', {
      ...crew,
      ...office,
      ...employer,
      2210: -taxes,
      2220: -(gross * 0.062 + employer[5070] + employer[6030]),
      2230: -(gross * 0.03 + employer[5080] + employer[6040]),
      2200: -(gross - taxes - gross * 0.092),
    });
    const net = -this.held('2200');
    this.post(at(27), 'Net wages paid', { 2200: net, 1000: -net });
    for (const [number, name] of [
      ['2210', 'Wage taxes'],
      ['2220', 'Social security'],
      ['2230', 'Pension contributions'],
    ] as const) {
      const due = -this.held(number) * 0.52;
      this.post(at(15), `${name} paid`, { [number]: due, 1000: -due });
    }
  }

  private suppliers(at: (day: number) => string, prices: number, crowd: number, crossings: number): void {
    const sailing = this.spread(sailingCosts, prices * (0.35 * crowd + 0.65 * crossings), 0.08);
    const steady = this.spread(steadyCosts, prices, 0.06);
    for (const [place, [number, euros]] of Object.entries({ ...sailing, ...steady }).entries())
      this.post(at(2 + ((place * 5) % 26)), `${supplierNames[number] ?? 'Supplier ashore'}, invoice ${20_000 + this.nextInvoice()}`, { [number]: euros, 2000: -euros });
    for (const [number, share, name] of [
      ['2000', 0.44, 'Suppliers paid'],
      ['2010', 0.56, 'Fuel suppliers paid'],
    ] as const) {
      const due = -this.held(number) * (share + 0.03 * this.random());
      this.post(at(26), name, { [number]: due, 1000: -due });
    }
    this.post(at(8), 'Harbour office: dues paid in cash', { 5320: 2_350 * crossings, 6150: 310, 1020: -2_350 * crossings - 310 });
  }

  /** The boatyard repairs the vessels and is paid in the month after, as Nordskerry Freight pays its crossings. */
  private sisters(at: (day: number) => string, prices: number, crossings: number): void {
    const owed = -this.held('2030');
    if (owed > 0) {
      this.post(at(10), 'Eiderholm Boatyard paid', { 2030: owed, 1000: -owed });
      this.deal(at(10), 'boatyard', 'payment', owed);
    }
    const repairs = this.spread(yardCosts, prices * (0.5 + 0.5 * crossings), 0.12);
    this.post(at(20), `Eiderholm Boatyard, repairs, invoice B${this.nextInvoice()}`, { ...repairs, 2030: -this.sum(repairs) });
    this.deal(at(20), 'boatyard', 'repairs', this.sum(repairs));
  }

  private deal(date: string, partner: Dealing['partner'], kind: Dealing['kind'], euros: number): void {
    this.dealings.push({ date, partner, kind, euroCents: Math.round(euros * 100) });
  }

  private nextInvoice(): number {
    this.invoices++;
    return this.invoices;
  }

  private monthEnd(end: string, year: number, month: number, prices: number): void {
    const lines: Record<string, number> = {};
    for (const [expense, accumulated, euros] of depreciation) {
      const charge = accumulated === '1610' && (year > 2026 || (year === 2026 && month >= 4)) ? euros + 9_800 : euros;
      lines[expense] = (lines[expense] ?? 0) + charge;
      lines[accumulated] = -charge;
    }
    this.post(end, 'Depreciation of the month', lines);
    const premium = month === 12 ? this.held('1450') : (286_000 * prices) / 12;
    this.post(end, 'Insurance of the month', { 6210: premium * 0.58, 6220: premium * 0.31, 6230: premium * 0.11, 1450: -premium });
    this.post(end, 'Dry-docking provided for', { 5400: 36_000 * prices, 2400: -36_000 * prices });
    const vesselInterest = -(this.held('2500') + this.held('2510')) * (0.041 / 12);
    const leaseInterest = -this.held('2600') * (0.037 / 12);
    this.post(
      end,
      'Interest and lease of the month',
      {
        7000: vesselInterest,
        7010: leaseInterest,
        7020: 2_000,
        7030: this.jitter(1_150, 0.1),
        2600: 22_600 - leaseInterest,
        1000: -(vesselInterest + 2_000 + 22_600 + 1_150),
      },
      { last: '7030' },
    );
    const moved = (this.random() * 2 - 0.7) * 8_000;
    this.post(end, 'Vessel loan in kroner at the closing rate', { 7040: moved, 2510: -moved });
    const tax = this.taxToProvide(taxRate);
    this.post(end, 'Income tax provided for', { 7900: tax, 2310: -tax });
  }

  private quarterEnd(end: string, year: number): void {
    this.post(end, 'Repayment of vessel loans', { 2500: 285_000, 2510: 84_000, 1000: -369_000 });
    const tax = -this.held('2310') * 0.5;
    this.post(end, 'Income tax paid', { 2310: tax, 1000: -tax });
    const vat = -this.held('2300');
    this.post(end, 'Value added tax paid', { 2300: vat, 1000: -vat });
    const interest = 600_000 * ({ 2024: 0.031, 2025: 0.024, 2026: 0.021 }[year] ?? 0.02) * 0.25;
    this.post(end, 'Interest on the deposit', { 1000: interest, 4800: -interest });
  }

  private dryDocking(day: string, prices: number): void {
    const cost = Math.round(this.jitter(396_000 * prices, 0.06) * 100) / 100;
    this.post(day, `Eiderholm Boatyard, dry-docking of the winter, invoice B${this.nextInvoice()}`, { 2400: cost, 2030: -cost });
    this.deal(day, 'boatyard', 'dry_docking', cost);
  }
}
