/** An ISO 4217 currency; `exponent` is the number of decimal places of its minor unit (0, 2, 3 or 4). */
export interface Currency {
  readonly code: string;
  readonly exponent: number;
}

/** Codes whose exponent is not 2 (ISO 4217 table A.1). */
const exponents: Readonly<Record<string, number>> = {
  BIF: 0,
  CLP: 0,
  DJF: 0,
  GNF: 0,
  ISK: 0,
  JPY: 0,
  KMF: 0,
  KRW: 0,
  PYG: 0,
  RWF: 0,
  UGX: 0,
  UYI: 0,
  VND: 0,
  VUV: 0,
  XAF: 0,
  XOF: 0,
  XPF: 0,
  BHD: 3,
  IQD: 3,
  JOD: 3,
  KWD: 3,
  LYD: 3,
  OMR: 3,
  TND: 3,
  CLF: 4,
  UYW: 4,
};

const twoPlaces =
  'AED AFN ALL AMD AOA ARS AUD AWG AZN BAM BBD BDT BGN BMD BND BOB BRL BSD BTN BWP BYN BZD CAD CDF CHF CNY COP CRC CUP CVE CZK DKK DOP DZD EGP ERN ETB EUR FJD FKP GBP GEL GHS GIP GMD GTQ GYD HKD HNL HTG HUF IDR ILS INR IRR JMD KES KGS KHR KPW KYD KZT LAK LBP LKR LRD LSL MAD MDL MGA MKD MMK MNT MOP MRU MUR MVR MWK MXN MYR MZN NAD NGN NIO NOK NPR NZD PAB PEN PGK PHP PKR PLN QAR RON RSD RUB SAR SBD SCR SDG SEK SGD SHP SLE SOS SRD SSP STN SVC SYP SZL THB TJS TMT TOP TRY TTD TWD TZS UAH USD UYU UZS VES WST XCD YER ZAR ZMW';

const currencies: ReadonlyMap<string, Currency> = new Map(
  [...twoPlaces.split(' '), ...Object.keys(exponents)].sort().map((code) => [code, { code, exponent: exponents[code] ?? 2 }]),
);

/** All codes in alphabetical order. */
export function currencyCodes(): string[] {
  return [...currencies.keys()];
}

/** `undefined` for a code that ISO 4217 does not list as a currency in use. */
export function findCurrency(code: string): Currency | undefined {
  return currencies.get(code);
}

/** For codes that were checked when they were stored; another one is a bug. */
export function currencyOf(code: string): Currency {
  const currency = currencies.get(code);
  if (!currency) throw new Error(`unknown currency ${code}`);
  return currency;
}
