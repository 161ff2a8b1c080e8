import { type Element, naturalSide, otherSide, type Side } from './element.ts';

/** Accounts that are taken off others of their element, by their names; common practice. */
const contra: Readonly<Record<Element, RegExp>> = {
  asset:
    /accumulated (depreciation|amorti[sz]ation|impairment)|(depreciation|amorti[sz]ation)( of .+)? to date|(depreciation|amorti[sz]ation)$|provisions? for (bad|doubtful|depreciation)|allowances?( for|$)|write[- ]down/i,
  liability: /unamorti[sz]ed|discount on/i,
  equity: /drawings?|dividends?|withdrawals?|treasury|own shares|accumulated (loss(es)?|deficit)|private (expenses|use)/i,
  income: /returns?|refunds?|rebates?|credit notes?|(sales|early payment) (discounts?|allowances?)|discounts? allowed/i,
  expense: /returns? outwards?|purchase (returns?|discounts?|allowances?)|discounts? received|recharged|capitalised/i,
};

/** The side that an account of an element has by nature; the other one where its name says that it is taken off. */
export function sideByName(element: Element, name: string): Side {
  const natural = naturalSide(element);
  return contra[element].test(name) ? otherSide(natural) : natural;
}
