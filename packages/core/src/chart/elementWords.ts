import type { Element, Side } from './element.ts';

/** What a name says of its account: for an element each, with how much. Words that stand for one thing in debit and another in credit say so by side. */
export interface WordEvidence {
  readonly word: string;
  readonly element: Element;
  readonly weight: number;
}

type Meaning = Element | Readonly<Record<Side, Element>>;

/** Words that settle it, words that usually do, and words that hint at it. */
const [settles, usually, hints] = [8, 4, 1.5];

const bySide = (debit: Element, credit: Element): Meaning => ({ debit, credit });

/**
 * Words of the trade, in English, common practice; the first that a name has counts, so that `interest on lease liability` is a cost and no liability, and
 * `provision for doubtful debts` stands with the debts. A word in front of another is tried in front of it.
 */
const rules: readonly (readonly [Meaning, number, string])[] = [
  ['liability', settles, 'interest (accrued|payable)|accrued interest( payable)?'],
  ['asset', settles, 'interest receivable|accrued interest receivable'],
  ['income', settles, 'interest on (deposits?|bank (balances|deposits)|savings accounts?)|interest (received|earned|income)|deposit interest'],
  ['expense', settles, 'interest (on|paid|charges?|expense)|(loan|mortgage|overdraft|lease|finance|bond|note|debt)s?( \\w+)? interest'],
  [
    'asset',
    settles,
    'accumulated (depreciation|amorti[sz]ation|impairment)|(depreciation|amorti[sz]ation) (of .+ )?to date|provisions? for (bad|doubtful|depreciation)|(loss|debt|credit) allowance|allowances? for|(inventory|stock|obsolescence) (reserve|provision)|doubtful$',
  ],
  [
    'expense',
    settles,
    'cost of|opening stock|closing stock|change in (stocks?|inventor(y|ies)|finished goods|work in progress)|(inventory|stock) (write[- ](offs?|downs?)|losses|movement)|(bad|expected credit) (debts?|loss(es)?)( expense| written off)?|returns? outwards?|purchase returns?|unwinding of|exchange loss(es)?|share-based payments?$',
  ],
  [bySide('expense', 'asset'), settles, 'write[- ](offs?|downs?)( of)?|impairment( of)?'],
  [bySide('expense', 'income'), settles, '(gains?|profits?)( and| or) loss(es)?( on)?'],
  [
    'asset',
    settles,
    'prepaid|prepayments?|(paid|payments?) (ahead|in advance)|accrued income|deferred tax assets?|input (vat|tax)|vat (on purchases|recoverable|receivable)|tax(es)? (recoverable|receivable|refundable)|recoverable|at (cost|valuation|fair value)|contract assets?|derivative assets?|goods asset|right[- ]of[- ]use|loans? to|(staff|employee) (loans?|advances?)|advances? to|(rent|rental|security) deposits?|deposits? (paid|on office)|under construction|in (course of construction|transit|progress|arrears|store|hand|stock)|not yet billed|unbilled|held for sale',
  ],
  [
    'expense',
    settles,
    'depreciation (expense|charge)|(pension|staff|employment|warranty) costs?|(current|deferred|income) tax (expense|charge)|tax(es)? on income',
  ],
  [
    'liability',
    settles,
    "liabilit(y|ies)|lease obligations?|payables?|(received|billed) in advance|in advance$|deferred (income|revenue|grants?)|deferred$|unearned|output (vat|tax)|vat on sales|sales tax( collected)?|(customer|tenant|client)s?[’']?s? deposits?|deposits? (held|from)|gift (vouchers?|cards?)|owed|unpaid|withheld|loans? from|advances? from|accruals?|accrued|overdraft|borrowings?|not invoiced|progress billings|hire purchase|credit cards?|paye|social security$|unamorti[sz]ed .*discount|bonds? issued|not yet sailed|obligations?",
  ],
  [
    'income',
    settles,
    'dividends? (received|income)|rent(al)? received|gains? (on|from)|value gains?|exchange gains?|profit on|share of profits?|release of|insurance (recovery|recoveries|claims received)|commissions? (earned|received)|sales (returns?|discounts?|rebates?|allowances?)|returns? inwards?|discounts? allowed|(rebates?|charged|charges|repairs) (to|for) (customers|tenants)|refunds?|credit notes?|sold$|(scrap|product) sales|takings',
  ],
  [
    'equity',
    usually,
    "(share|issued|paid[- ]in|capital) (capital|stock|surplus)|(ordinary|preference|treasury|founders[’']?|own) shares|common stock|share premium|retained earnings|reserves?|dividends?|drawings?|withdrawals? by|private (expenses|use)|capital( introduced)?$|(owner|partner|proprietor)s?[’']? .*capital|equity|profit and loss account|(profit|surplus|loss|deficit) brought forward|accumulated (profits?|surplus|loss(es)?|deficit|fund)|non-controlling interests?|minority interests?",
  ],
  [bySide('expense', 'asset'), usually, 'depreciation|amorti[sz]ation'],
  [
    'expense',
    usually,
    'expenses?|costs?|wages?|salar(y|ies)|payroll (taxes|tax)|employer .*security|insurance|repairs?|maintenance|purchases?|(bank|provider|legal|professional|audit|accounting|membership) (charges|fees?)|charges? paid|surcharges?( paid)?|loss(es)?|consumed|consumption|used|fuel|petrol|electricity|gas|energy|heat|postage|travel|advertising|training|cleaning|audit|income tax|current tax|dues|stationery|telephone|utilities|administrati(on|ve)|distribution|research|carriage|inbound|packaging|fines|running|caretaker|subscriptions? to|software subscriptions?|hosting|indemnity|discount (given|lost)',
  ],
  [
    'asset',
    usually,
    'receivables?|debtors?|inventor(y|ies)|stocks?|merchandise|raw materials|finished goods|goodwill|patents?|trade ?marks?|investments?|petty cash|cash (at bank|in hand)|^(bank|cash)$|(bank|current) account',
  ],
  [bySide('asset', 'liability'), usually, '(long[- ]term |term |bank )?loans?|mortgage|vat|notes?|tax office'],
  [
    'liability',
    usually,
    'creditors?|suppliers?|wholesalers?|provisions?|warranty|leases?|finance|debts?|bonds?|benefits|tax(es)? payable|taxes|corporation tax',
  ],
  [bySide('expense', 'income'), hints, 'rent|interest|commissions?|exchange difference|foreign exchange|subscriptions?|grants?|claims|freight|royalties|fees'],
  ['income', usually, 'sales|revenues?|income|fares?|turnover|subsidy|gains?|donations?|services rendered'],
  ['liability', hints, 'deferred tax|tax'],
  [
    'asset',
    hints,
    'bank|cash|petty|account|buildings?|land|vessels?|vehicles?|trucks|vans?|cars|equipment|furniture|fixtures|fittings|plant|machinery|property|computers?|software|website|moulds|tools|clients|customers|tenants|deposits?',
  ],
];

const patterns = rules.map(([meaning, weight, alternatives]) => ({ meaning, weight, pattern: new RegExp(`(?<![a-z])(${alternatives})(?![a-z])`, 'i') }));

/** `side`: of the balance, where there is one. `null`: no word of the name says anything. */
export function evidenceOfName(name: string, side: Side | null): WordEvidence | null {
  for (const { meaning, weight, pattern } of patterns) {
    const found = pattern.exec(name);
    if (found) return { word: (found[1] ?? '').toLowerCase(), element: typeof meaning === 'string' ? meaning : meaning[side ?? 'debit'], weight };
  }
  return null;
}
