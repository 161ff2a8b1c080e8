import type { Element } from '../chart/element.ts';
import type { Nature } from './category.ts';

/** What cash flows of balance sheet categories mostly are, by the words of their names; the first that fits. Common practice, after IAS 7.14 to 7.17, 7.31 and 7.35. */
const words: readonly (readonly [Element | null, RegExp, Nature])[] = [
  [null, /deferred tax/i, 'none'],
  [null, /(income|corporat\w*|profit) tax(es)?|tax(es)? on (income|profit)/i, 'income_tax'],
  [null, /(interest|coupons?) (payable|accrued|due|receivable|owed)|accrued interest/i, 'interest'],
  [null, /dividends?|distributions? (payable|due)/i, 'dividends'],
  [null, /provisions?\b|pension|employee benefit obligations?/i, 'none'],
  [null, /revaluation|fair value reserve/i, 'none'],
  ['equity', /(retained|undistributed|accumulated|earlier) (earnings|profits?|losses)|earnings kept|profit brought forward/i, 'dividends'],
  ['equity', /capital|shares?\b|premium|own shares|treasury|reserves?\b|funds?\b|current accounts?/i, 'financing'],
  ['liability', /loans?\b|borrowings?|leases?\b|bonds?\b|notes issued|mortgages?|overdrafts?|debt instruments/i, 'financing'],
  ['liability', /payables?\b|suppliers?|creditors?|accruals?|deferred income|advances?|tax|social|wages|staff|customers?|contract liabilit/i, 'operating'],
  [
    'asset',
    /property|plant|equipment|intangible|goodwill|investments?\b|financial assets|securities|vessels?|buildings?|land\b|loans? (given|receivable)/i,
    'investing',
  ],
  ['asset', /receivables?|customers?|debtors?|inventor|stock|prepay|cash|bank|work in progress|contract assets|advances?|tax/i, 'operating'],
];

/** Of a new category of assets, liabilities or equity; `null` where its name says nothing, which is a finding once something moves there. */
export function proposeNature(element: Element, name: string): Nature | null {
  if (element === 'income' || element === 'expense') return null;
  return words.find(([of, word]) => (of === null || of === element) && word.test(name))?.[2] ?? null;
}
