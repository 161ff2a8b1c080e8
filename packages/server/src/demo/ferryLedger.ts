import { daysInMonth, type Layer, toDay } from '@ivory-ladder/core';
import { cutByFacets, type DemoLine } from './ferryFacets.ts';
import { cafe, crewPay, depreciation, ferryOpening, firstYear, freight, lastMonth, officePay, sailingCosts, sailings, season, seasonalPay, steadyCosts, ticketSales } from './ferryFigures.ts';
import { seededRandom } from './random.ts';

export interface DemoEntry {
  readonly date: string;
  readonly description: string;
  readonly layer: Layer;
  /** They add to zero. */
  readonly lines: readonly DemoLine[];
}

/** Every entry of the company from January 2024 to September 2026, in order of their dates. */
export function makeFerryLedger(seed: number): DemoEntry[] {
  const ledger = new FerryLedger(seed);
  for (let year = firstYear; year <= lastMonth.year; year++) for (let month = 1; month <= (year === lastMonth.year ? lastMonth.month : 12); month++) ledger.month(year, month);
  ledger.flaws();
  return ledger.entries.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}

class FerryLedger {
  readonly entries: DemoEntry[] = [];
  private readonly random: () => number;
  private readonly balance = new Map(Object.entries(ferryOpening).map(([number, euros]) => [number, euros * 100]));

  constructor(seed: number) {
    this.random = seededRandom(seed);
  }

  month(year: number, month: number): void {
    const growth = 1.031 ** (year - firstYear) * (1 + (year === 2026 ? 0.012 : 0));
    const prices = 1.024 ** (year - firstYear);
    const crowd = season[month - 1] as number;
    const crossings = sailings[month - 1] as number;
    const at = (dayOfMonth: number): string => toDay(year, month, Math.min(dayOfMonth, daysInMonth(year, month)));
    const end = at(31);
    this.sales(at, growth, crowd, crossings);
    this.collect(at);
    this.passes(at, month, growth, crowd);
    this.fuel(at, year, crossings);
    this.payroll(at, prices, crowd, crossings);
    this.suppliers(at, prices, crowd, crossings);
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
    const held = (this.balance.get('1020') ?? 0) / 100;
    this.post('2026-09-29', 'Berths and yard bills paid from the harbour office account', { 2000: held + 31_877.05, 1020: -(held + 31_877.05) });
    this.post('2026-09-30', 'Accrued harbour dues', { 5310: 4_200, 2100: -4_200 }, 'adjustment');
    this.post('2026-09-30', 'Release of season passes for September', { 2150: 61_000, 4050: -61_000 }, 'adjustment');
  }

  private sales(at: (day: number) => string, growth: number, crowd: number, crossings: number): void {
    for (const [week, day] of [7, 14, 21, 31].entries()) {
      const weight = crowd * (0.235 + 0.01 * week);
      const sold = this.spread(ticketSales, growth * weight, 0.07);
      const cash = this.sum(sold) * 0.04;
      this.post(at(day), `Ticket takings, week ${week + 1}`, { ...negate(sold), 1000: this.sum(sold) - cash, 1010: cash });
    }
    const eaten = this.spread(cafe, growth * (0.25 + 0.75 * crowd), 0.06);
    const tax = this.sum(eaten) * 0.1;
    this.post(at(31), 'Café takings', { ...negate(eaten), 2300: -tax, 1010: this.sum(eaten) + tax });
    const carried = this.spread(freight, growth * (0.55 + 0.45 * crossings), 0.05);
    this.post(at(28), 'Freight contracts invoiced', { ...negate(carried), 1200: this.sum(carried) });
    const bank = (this.balance.get('1010') ?? 0) / 100 - 9_000;
    this.post(at(30), 'Cash on board taken to the bank', { 1000: bank, 1010: -bank });
  }

  private collect(at: (day: number) => string): void {
    const due = ((this.balance.get('1200') ?? 0) / 100) * (0.46 + 0.05 * this.random());
    this.post(at(19), 'Freight customers pay', { 1000: due, 1200: -due });
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
    const held = -(this.balance.get('2150') ?? 0) / 100;
    const sailed = Math.min(held * 0.9, 62_000 * growth * crowd);
    this.post(at(31), 'Season passes sailed', { 2150: sailed, 4050: -sailed });
  }

  private fuel(at: (day: number) => string, year: number, crossings: number): void {
    const price = ({ 2024: 0.94, 2025: 0.97, 2026: 1.04 } as Record<number, number>)[year] ?? 1;
    const burnt = this.jitter(232_000 * price * crossings, 0.05);
    const stock = (this.balance.get('1400') ?? 0) / 100;
    const bunkered = Math.max(20_000, burnt + (172_000 - stock));
    this.post(at(11), 'Bunkering', { 1400: bunkered, 2010: -bunkered });
    this.post(at(31), 'Marine gas oil burnt', { 5210: burnt, 1400: -burnt });
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
    const net = -(this.balance.get('2200') ?? 0) / 100;
    this.post(at(27), 'Net wages paid', { 2200: net, 1000: -net });
    for (const [number, name] of [
      ['2210', 'Wage taxes'],
      ['2220', 'Social security'],
      ['2230', 'Pension contributions'],
    ] as const) {
      const due = (-(this.balance.get(number) ?? 0) / 100) * 0.52;
      this.post(at(15), `${name} paid`, { [number]: due, 1000: -due });
    }
  }

  private suppliers(at: (day: number) => string, prices: number, crowd: number, crossings: number): void {
    const sailing = this.spread(sailingCosts, prices * (0.35 * crowd + 0.65 * crossings), 0.08);
    this.post(at(18), 'Suppliers of the vessels', { ...sailing, 2000: -this.sum(sailing) });
    const steady = this.spread(steadyCosts, prices, 0.06);
    this.post(at(22), 'Suppliers ashore', { ...steady, 2000: -this.sum(steady) });
    for (const [number, share, name] of [
      ['2000', 0.44, 'Suppliers paid'],
      ['2010', 0.56, 'Fuel suppliers paid'],
    ] as const) {
      const due = (-(this.balance.get(number) ?? 0) / 100) * (share + 0.03 * this.random());
      this.post(at(26), name, { [number]: due, 1000: -due });
    }
    this.post(at(8), 'Harbour office: dues paid in cash', { 5320: 2_350 * crossings, 6150: 310, 1020: -2_350 * crossings - 310 });
  }

  private monthEnd(end: string, year: number, month: number, prices: number): void {
    const lines: Record<string, number> = {};
    for (const [expense, accumulated, euros] of depreciation) {
      const charge = accumulated === '1610' && (year > 2026 || (year === 2026 && month >= 4)) ? euros + 9_800 : euros;
      lines[expense] = (lines[expense] ?? 0) + charge;
      lines[accumulated] = -charge;
    }
    this.post(end, 'Depreciation of the month', lines);
    const premium = month === 12 ? (this.balance.get('1450') ?? 0) / 100 : (286_000 * prices) / 12;
    this.post(end, 'Insurance of the month', { 6210: premium * 0.58, 6220: premium * 0.31, 6230: premium * 0.11, 1450: -premium });
    this.post(end, 'Dry-docking provided for', { 5400: 36_000 * prices, 2400: -36_000 * prices });
    const vesselInterest = ((-(this.balance.get('2500') ?? 0) - (this.balance.get('2510') ?? 0)) / 100) * (0.041 / 12);
    const leaseInterest = (-(this.balance.get('2600') ?? 0) / 100) * (0.037 / 12);
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
      'ledger',
      '7030',
    );
    const moved = (this.random() * 2 - 0.7) * 8_000;
    this.post(end, 'Vessel loan in kroner at the closing rate', { 7040: moved, 2510: -moved });
    const tax = ({ 2024: 35_000, 2025: 44_000, 2026: 52_000 } as Record<number, number>)[year] ?? 50_000;
    this.post(end, 'Income tax provided for', { 7900: tax, 2310: -tax });
  }

  private quarterEnd(end: string, year: number): void {
    this.post(end, 'Repayment of vessel loans', { 2500: 285_000, 2510: 84_000, 1000: -369_000 });
    const tax = (-(this.balance.get('2310') ?? 0) / 100) * 0.5;
    this.post(end, 'Income tax paid', { 2310: tax, 1000: -tax });
    const vat = -(this.balance.get('2300') ?? 0) / 100;
    this.post(end, 'Value added tax paid', { 2300: vat, 1000: -vat });
    const interest = 600_000 * ({ 2024: 0.031, 2025: 0.024, 2026: 0.021 }[year] ?? 0.02) * 0.25;
    this.post(end, 'Interest on the deposit', { 1000: interest, 4800: -interest });
  }

  private dryDocking(day: string, prices: number): void {
    const cost = this.jitter(396_000 * prices, 0.06);
    this.post(day, 'Dry-docking of the winter', { 2400: cost, 2000: -cost });
  }

  private jitter(euros: number, share: number): number {
    return euros * (1 + (this.random() * 2 - 1) * share);
  }

  private spread(amounts: Readonly<Record<string, number>>, factor: number, share: number): Record<string, number> {
    return Object.fromEntries(Object.entries(amounts).map(([number, euros]) => [number, Math.round(this.jitter(euros * factor, share) * 100) / 100]));
  }

  private sum(amounts: Readonly<Record<string, number>>): number {
    return Object.values(amounts).reduce((total, euros) => total + euros, 0);
  }

  /** Rounds each line to cents; what is left by rounding goes to `last`, or to the last line, a bank or supplier account. */
  private post(date: string, description: string, euros: Readonly<Record<string, number>>, layer: Layer = 'ledger', last?: string): void {
    const lines = new Map(Object.entries(euros).map(([number, amount]) => [number, Math.round(amount * 100)]));
    const difference = [...lines.values()].reduce((total, cents) => total + cents, 0);
    const rest = last ?? [...lines.keys()].at(-1) ?? '';
    lines.set(rest, (lines.get(rest) ?? 0) - difference);
    for (const [number, cents] of lines) {
      if (cents === 0) lines.delete(number);
      else this.balance.set(number, (this.balance.get(number) ?? 0) + cents);
    }
    if (lines.size > 1) this.entries.push({ date, description, layer, lines: [...lines].flatMap(([number, cents]) => cutByFacets(number, cents)) });
  }
}

function negate(amounts: Readonly<Record<string, number>>): Record<string, number> {
  return Object.fromEntries(Object.entries(amounts).map(([number, euros]) => [number, -euros]));
}
