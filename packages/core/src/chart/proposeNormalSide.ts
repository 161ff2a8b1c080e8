import { type Element, naturalSide, type Side } from './element.ts';

const contraName =
  /accumulated (depreciation|amorti[sz]ation|impairment)|allowance for|provision for (bad|doubtful)|discounts? (allowed|given)|(treasury|own) shares|drawings|dividends? (paid|declared)/i;

/** A contra account keeps its element and has the other side; told by its name, and by a balance that agrees. */
export function proposeNormalSide(element: Element, name: string, amount: bigint | null): Side {
  const natural = naturalSide(element);
  const isOther = amount !== null && amount !== 0n && amount > 0n !== (natural === 'debit');
  return contraName.test(name) && (isOther || amount === 0n) ? (natural === 'debit' ? 'credit' : 'debit') : natural;
}
