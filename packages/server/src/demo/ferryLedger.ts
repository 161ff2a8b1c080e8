import { daysInMonth, type Layer, toDay } from '@ivory-ladder/core';
import { seededRandom } from './random.ts';

export interface DemoEntry {
  readonly date: string;
  readonly description: string;
  readonly layer: Layer;
  /** Cents by account number, debit positive; they add to zero. */
  readonly lines: ReadonlyMap<string, number>;
}

/** Share of a year's average month: July is six times February. */
const season = [0.31, 0.28, 0.42, 0.68, 0.98, 1.36, 1.68, 1.6, 1.06, 0.64, 0.39, 0.4];
/** Vessels sail in winter too: crossings move less than passengers. */
const sailings = [0.72, 0.7, 0.78, 0.92, 1.05, 1.2, 1.32, 1.3, 1.1, 0.94, 0.78, 0.79];
const firstYear = 2024;
const lastMonth = { year: 2026, month: 9 };

/** Euros of an average month of the first year. */
const ticketSales: Readonly<Record<string, number>> = {
  4010: 322_000,
  4020: 58_000,
  4030: 44_000,
  4040: 47_000,
  4060: 12_500,
  4110: 452_000,
  4120: 121_000,
  4130: 66_000,
  4140: 19_500,
  4150: 31_000,
  4450: 38_000,
  4470: 9_200,
  4480: 2_600,
};
const freight: Readonly<Record<string, number>> = { 4210: 86_000, 4220: 78_000, 4230: 46_000, 4240: 21_000 };
const cafe: Readonly<Record<string, number>> = { 4310: 41_000, 4320: 30_000, 4330: 9_800, 4340: 3_200 };
const crewPay: Readonly<Record<string, number>> = { 5010: 98_000, 5020: 61_000, 5030: 74_000 };
const seasonalPay: Readonly<Record<string, number>> = { 5040: 31_000, 5050: 22_000, 5060: 14_500 };
const officePay: Readonly<Record<string, number>> = { 6000: 24_500, 6010: 31_000, 6020: 38_000 };
/** Invoices that follow the sailings, then those that come every month alike. */
const sailingCosts: Readonly<Record<string, number>> = {
  5100: 7_400,
  5230: 6_100,
  5310: 38_500,
  5320: 34_200,
  5330: 8_800,
  5350: 5_900,
  5410: 14_500,
  5420: 22_800,
  5430: 5_200,
  5440: 6_300,
  5500: 15_800,
  5510: 9_400,
  5520: 4_100,
  5530: 1_200,
  6120: 9_300,
  6320: 11_800,
  6330: 9_700,
};
const steadyCosts: Readonly<Record<string, number>> = {
  5090: 3_800,
  5450: 4_600,
  6050: 1_100,
  6130: 8_200,
  6140: 5_600,
  6150: 3_900,
  6160: 4_800,
  6170: 2_100,
  6180: 1_700,
  6300: 9_800,
  6310: 7_900,
  6340: 1_500,
  6400: 3_900,
  6410: 1_400,
  6420: 2_300,
  6430: 4_700,
  6440: 900,
  6450: 1_300,
  6460: 700,
  6470: 800,
  6480: 2_600,
};
/** Monthly depreciation: expense account, accumulated account, euros. */
const depreciation: readonly (readonly [string, string, number])[] = [
  ['6500', '1610', 37_500],
  ['6500', '1620', 41_200],
  ['6500', '1630', 29_800],
  ['6500', '1640', 24_100],
  ['6500', '1650', 3_400],
  ['6510', '1710', 21_450],
  ['6520', '1820', 8_300],
  ['6520', '1830', 2_900],
  ['6520', '1840', 1_100],
  ['6520', '1850', 2_200],
  ['6530', '1910', 5_600],
];

/** Balances on the eve of the first year, euros, debit positive; retained earnings are what is left. */
export const ferryOpening: Readonly<Record<string, number>> = {
  1000: 1_486_220,
  1010: 9_400,
  1020: 118_450,
  1030: 600_000,
  1040: 14_300,
  1050: 1_800,
  1200: 214_800,
  1210: 38_000,
  1220: 22_400,
  1230: 6_150,
  1240: 4_200,
  1290: -18_600,
  1400: 168_400,
  1410: 24_900,
  1420: 196_300,
  1430: 17_800,
  1440: 21_500,
  1460: 12_600,
  1470: 9_400,
  1510: 11_850_000,
  1520: 13_400_000,
  1530: 8_900_000,
  1540: 6_200_000,
  1550: 640_000,
  1610: -4_740_000,
  1620: -3_960_000,
  1630: -4_310_000,
  1640: -1_150_000,
  1650: -282_000,
  1700: 3_860_000,
  1710: -772_000,
  1720: 1_940_000,
  1730: 318_000,
  1740: 146_000,
  1750: 212_000,
  1820: -706_000,
  1830: -171_000,
  1840: -88_000,
  1850: -74_000,
  1900: 402_000,
  1910: -134_000,
  2000: -412_300,
  2010: -148_700,
  2020: -12_500,
  2100: -46_800,
  2110: -18_400,
  2120: -62_300,
  2150: -182_000,
  2160: -24_600,
  2170: -11_200,
  2200: 0,
  2210: -58_900,
  2220: -49_700,
  2230: -21_300,
  2300: -9_800,
  2310: -108_000,
  2320: -7_300,
  2400: -438_000,
  2410: -40_000,
  2500: -9_240_000,
  2510: -3_120_000,
  2520: -800_000,
  2600: -3_240_000,
  3000: -6_000_000,
  3010: -1_200_000,
  3200: -600_000,
  3210: -900_000,
};

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
    if (lines.size > 1) this.entries.push({ date, description, layer, lines });
  }
}

function negate(amounts: Readonly<Record<string, number>>): Record<string, number> {
  return Object.fromEntries(Object.entries(amounts).map(([number, euros]) => [number, -euros]));
}
