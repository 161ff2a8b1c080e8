import type { Element } from '../chart/element.ts';
import type { CategoryNode } from './categoryTree.ts';

/** What an account or a category is about, by words of the trade in English; common practice. Said of the elements where it tells one from another. */
const subjects: readonly (readonly [name: string, of: readonly Element[], words: RegExp])[] = [
  [
    'property',
    ['asset'],
    /\b(propert(y|ies)|land|buildings?|premises|plant|machiner(y|ies)|equipment|furniture|fixtures?|fittings?|vehicles?|vessels?|ships?|tools?)\b/,
  ],
  ['intangible', ['asset'], /\b(intangibles?|software|licen[cs]es?|patents?|trade ?marks?|goodwill|concessions?|copyrights?|development costs?)\b/],
  ['stock', ['asset'], /\b(inventor(y|ies)|stocks?|raw materials?|merchandise|finished goods|work in progress|spare parts?)\b/],
  ['receivable', ['asset'], /\b(receivables?|debtors?|customers?|prepayments?|prepaid|deferred tax)\b/],
  ['cash', ['asset'], /\b(cash|banks?|tills?)\b/],
  ['borrowing', ['liability'], /\b(loans?|borrowings?|bonds?|debentures?|overdrafts?|mortgages?|lease liabilit(y|ies))\b/],
  ['payable', ['liability'], /\b(payables?|creditors?|suppliers?|accruals?|accrued)\b/],
  ['provision', ['liability'], /\bprovisions?\b/],
  ['tax', ['liability', 'expense'], /\b(tax(es|ation)?|vat|dut(y|ies))\b/],
  ['personnel', ['liability', 'expense'], /\b(wages?|salar(y|ies)|staff|personnel|payroll|pensions?|social security|employees?|bonus(es)?)\b/],
  ['energy', ['expense'], /\b(energy|electric(ity)?|power|gas|fuels?|heating|lubricants?|diesel|utilit(y|ies))\b/],
  ['depreciation', ['expense'], /\b(depreciation|amorti[sz]ation|impairments?)\b/],
  ['rent', ['expense'], /\b(rents?|rental|leases?|hire)\b/],
  ['insurance', ['expense'], /\binsurances?\b/],
  ['repair', ['expense'], /\b(repairs?|maintenance)\b/],
  ['advertising', ['expense'], /\b(advertising|marketing|promotion)\b/],
  ['travel', ['expense'], /\b(travel(ling)?|accommodation)\b/],
  ['advice', ['expense'], /\b(audit|legal|consult(ing|ancy|ants?)|professional|accountancy|advice|advisers?)\b/],
  ['interest', ['income', 'expense'], /\b(interest|finance (costs?|income)|bank charges?)\b/],
  ['sales', ['income'], /\b(sales?|revenues?|turnover|fares?|tickets?|freight)\b/],
];

/** What a name says that it is about, among things of its element; empty where it says nothing. */
export function subjectsOf(element: Element, name: string): ReadonlySet<string> {
  const plain = name.toLowerCase();
  return new Set(subjects.flatMap(([subject, of, words]) => (of.includes(element) && words.test(plain) ? [subject] : [])));
}

/** A tree stays the same while accounts are moved in it, which is when proposals are made anew. */
const known = new WeakMap<CategoryNode, ReadonlySet<string>>();

/** What a category is about: by its own name, else by that of the nearest above it that says something. */
export function subjectsOfCategory(node: CategoryNode): ReadonlySet<string> {
  const found = known.get(node) ?? subjectsAbove(node);
  known.set(node, found);
  return found;
}

function subjectsAbove(node: CategoryNode): ReadonlySet<string> {
  for (let at: CategoryNode | null = node; at; at = at.parent) {
    const own = subjectsOf(at.category.element, at.category.name);
    if (own.size > 0) return own;
  }
  return new Set();
}

/** Whether both say what they are about, and it is nothing in common. */
export function areAtOdds(some: ReadonlySet<string>, others: ReadonlySet<string>): boolean {
  return some.size > 0 && others.size > 0 && ![...some].some((subject) => others.has(subject));
}
