import type { Element } from '../chart/element.ts';

/** A trial balance as files have it, and the element that every account of it has; made for the test, in the words that trades use. */
export interface MadeChart {
  readonly trade: string;
  /** Titles stand between the accounts of some. */
  readonly rows: readonly (MadeAccount | { readonly title: string })[];
}

export interface MadeAccount {
  readonly number: string;
  readonly name: string;
  readonly element: Element;
  /** Debit positive, in minor units; each side is what the account usually has. */
  readonly amount: bigint;
}

const elementOf = { a: 'asset', l: 'liability', q: 'equity', i: 'income', x: 'expense' } as const;

/** A line each: number, name, element, and `-` for a balance in credit; `#` begins a title. */
function made(trade: string, text: string): MadeChart {
  const rows = text
    .trim()
    .split('\n')
    .map((line, at) => {
      if (line.startsWith('#')) return { title: line.slice(1).trim() };
      const [number = '', name = '', mark = 'a'] = line.split('|');
      const amount = BigInt(10_000 + at * 137);
      return { number, name, element: elementOf[mark[0] as keyof typeof elementOf], amount: mark.endsWith('-') ? -amount : amount };
    });
  return { trade, rows };
}

export const madeCharts: readonly MadeChart[] = [
  made(
    'chandler with section titles',
    `
# ASSETS
1000|Petty cash|a
1010|Current account, Harbour Bank|a
1020|Deposit account|a
1100|Trade debtors|a
1110|Provision for doubtful debts|a-
1120|VAT on purchases|a
1200|Stock of rope and canvas|a
1300|Payments in advance|a
1400|Staff advances|a
1500|Fittings, at cost|a
1510|Depreciation of fittings to date|a-
1600|Motor vans|a
1610|Depreciation of motor vans to date|a-
# LIABILITIES
2000|Trade creditors|l-
2010|Accrued charges|l-
2100|VAT on sales|l-
2110|PAYE and social security|l-
2200|Bank loan, five years|l-
2300|Hire purchase|l-
2400|Customer deposits|l-
# EQUITY
3000|Capital introduced|q-
3010|Drawings|q
3020|Profit and loss account|q-
# INCOME
4000|Sales of rope|i-
4010|Sales returns|i
4020|Discounts allowed|i
4100|Commission|i-
4200|Bank interest|i-
# EXPENSES
5000|Purchases|x
5010|Carriage inwards|x
5020|Returns outwards|x-
5030|Opening stock|x
6000|Wages|x
6010|Employer social security|x
6100|Rent and rates|x
6110|Light and heat|x
6200|Van running costs|x
6300|Loan interest|x
6310|Bank charges|x
6400|Depreciation|x
6500|Sundries|x
`,
  ),
  made(
    'consultants, without titles',
    `
100|Cash at bank|a
110|Fees receivable|a
115|Allowance for expected credit losses|a-
120|Work not yet billed|a
130|Prepaid insurance|a
140|Security deposit on office|a
150|Office equipment|a
155|Accumulated depreciation - office equipment|a-
160|Right-of-use asset, office|a
165|Accumulated depreciation - right-of-use asset|a-
170|Computer software|a
175|Accumulated amortisation - software|a-
200|Accounts payable|l-
210|Salaries payable|l-
220|Income taxes payable|l-
230|Unearned fees|l-
240|Lease liability, office|l-
250|Note payable to bank|l-
300|Common stock|q-
310|Retained earnings|q-
320|Dividends|q
400|Consulting fees|i-
410|Reimbursed travel|i-
420|Interest on deposits|i-
430|Gain on sale of equipment|i-
500|Salaries|x
510|Payroll taxes|x
520|Depreciation expense|x
530|Amortisation of software|x
540|Interest on lease liability|x
550|Interest on note|x
560|Professional indemnity insurance|x
570|Software subscriptions|x
580|Travel|x
590|Expected credit losses|x
595|Income tax|x
`,
  ),
  made(
    'bakery, a short list with mixed blocks',
    `
1|Cash register|a
2|Bank|a
3|Flour and sugar in store|a
4|Ovens|a
5|Ovens, accumulated depreciation|a-
6|Delivery van|a
7|Delivery van, accumulated depreciation|a-
8|Rent deposit|a
9|Suppliers|l-
10|Gift vouchers outstanding|l-
11|Loan from the brother of the owner|l-
12|Overdraft|l-
13|Tax office, payroll tax owed|l-
14|Owner capital|q-
15|Withdrawals by owner|q
16|Sales over the counter|i-
17|Sales to cafés|i-
18|Insurance recovery|i-
19|Flour and sugar used|x
20|Packaging|x
21|Bakers’ wages|x
22|Shop rent|x
23|Electricity and gas|x
24|Repairs of ovens|x
25|Interest on overdraft|x
26|Depreciation of ovens|x
27|Van fuel|x
28|Accountant|x
29|Fines|x
`,
  ),
  made(
    'forwarder with parties and taxes',
    `
# Current assets
10100|Bank, euro account|a
10110|Bank, krone account|a
10200|Trade receivables|a
10210|Loss allowance on trade receivables|a-
10300|Receivables from group companies|a
10310|Loan to associate|a
10400|Input VAT|a
10410|Corporation tax recoverable|a
10500|Contract assets|a
10600|Prepayments to carriers|a
# Non-current assets
11000|Trucks|a
11010|Trucks, accumulated depreciation|a-
11100|Goodwill|a
11110|Goodwill, accumulated impairment|a-
11200|Investment in associate|a
11300|Deferred tax asset|a
# Current liabilities
20100|Trade payables|l-
20200|Payables to group companies|l-
20300|Output VAT|l-
20310|Corporation tax|l-
20400|Contract liabilities|l-
20500|Accrued holiday pay|l-
20600|Lease liabilities, due within a year|l-
20700|Current portion of long-term loan|l-
# Non-current liabilities
21000|Long-term loan|l-
21100|Lease liabilities, due later|l-
21200|Pension obligation|l-
21300|Deferred tax|l-
21400|Provision for claims|l-
# Capital and reserves
30000|Share capital|q-
30100|Share premium|q-
30200|Treasury shares|q
30300|Translation reserve|q-
30400|Retained earnings|q-
# Revenue
40000|Freight|i-
40100|Storage|i-
40200|Credit notes|i
# Operating expenses
50000|Carriers|x
50100|Fuel surcharge paid|x
50200|Drivers|x
50300|Pension cost|x
50400|Depreciation of trucks|x
50500|Claims|x
50600|Impairment of goodwill|x
# Finance income and costs
60000|Interest received|i-
60100|Interest paid|x
60200|Exchange gains|i-
60300|Exchange losses|x
60400|Share of profit of associate|i-
# Tax
70000|Current tax|x
70100|Deferred tax charge|x
`,
  ),
  made(
    'landlord',
    `
A10|Land|a
A11|Buildings|a
A12|Buildings accumulated depreciation|a-
A13|Investment property|a
A20|Tenants in arrears|a
A21|Bad debt allowance|a-
A30|Bank current|a
A31|Bank, tenants’ deposits|a
A40|Insurance prepaid|a
L10|Mortgage on Quay Street|l-
L11|Mortgage interest accrued|l-
L20|Tenants’ deposits held|l-
L21|Rent received in advance|l-
L30|Repairs creditors|l-
L31|Property tax owed|l-
E10|Partners’ capital|q-
E11|Partners’ drawings|q
E12|Revaluation reserve|q-
I10|Rent|i-
I11|Service charges to tenants|i-
I12|Fair value gain on investment property|i-
I13|Late fees from tenants|i-
X10|Property tax|x
X11|Mortgage interest|x
X12|Repairs|x
X13|Caretaker|x
X14|Service charge costs|x
X15|Bad debts|x
X16|Depreciation of buildings|x
X17|Letting agents’ commission|x
X18|Building insurance|x
`,
  ),
  made(
    'boatyard, many contra accounts',
    `
110|Cash in hand|a
120|Bank|a
130|Customers|a
131|Allowance for customers in default|a-
140|Boats under construction|a
141|Progress billings|l-
150|Timber and paint|a
151|Write-down of timber and paint|a-
160|Slipway|a
161|Slipway, depreciation|a-
170|Tools|a
171|Tools, depreciation|a-
180|Patents|a
181|Patents, amortisation|a-
210|Suppliers|l-
220|Wages owed|l-
230|Warranty provision|l-
240|Loan, Savings Bank|l-
250|Finance lease of crane|l-
260|Government grant, deferred|l-
310|Founders’ shares|q-
320|Accumulated losses|q
410|New boats|i-
420|Repairs for customers|i-
430|Berths|i-
440|Release of government grant|i-
450|Scrap sales|i-
510|Timber used|x
520|Shipwrights|x
530|Subcontractors|x
540|Warranty costs|x
550|Depreciation of slipway and tools|x
560|Amortisation of patents|x
570|Crane lease interest|x
580|Interest on savings bank loan|x
590|Gain or loss on disposal of tools|x
595|Write-down of stock|x
`,
  ),
  made(
    'club with subscriptions',
    `
# Assets
1|Bank|a
2|Subscriptions in arrears|a
3|Clubhouse|a
4|Accumulated depreciation, clubhouse|a-
5|Bar stock|a
6|Prizes in hand|a
7|Prepaid rates|a
# Liabilities
8|Subscriptions in advance|l-
9|Brewery|l-
10|Members’ loans|l-
11|Accrued wages|l-
12|Life membership fund|l-
# Accumulated fund
13|Accumulated fund|q-
14|Surplus brought forward|q-
# Income
15|Subscriptions|i-
16|Bar takings|i-
17|Donations|i-
18|Regatta entry fees|i-
19|Bank interest|i-
# Expenditure
20|Bar purchases|x
21|Steward|x
22|Ground rent|x
23|Prizes|x
24|Members’ loan interest|x
25|Depreciation|x
26|Newsletter|x
`,
  ),
  made(
    'shop of an online seller',
    `
1001|Bank account|a
1002|Payment provider balance|a
1003|Card receipts in transit|a
1100|Merchandise inventory|a
1101|Inventory reserve|a-
1200|Loans to staff|a
1300|Website, at cost|a
1301|Website, accumulated amortisation|a-
1400|Returned goods asset|a
2001|Suppliers payable|l-
2002|Refund liability|l-
2003|Sales tax collected|l-
2004|Gift card balances|l-
2005|Credit card|l-
2006|Wages and salaries accrued|l-
2100|Term loan|l-
2101|Convertible notes|l-
3001|Ordinary shares|q-
3002|Share-based payment reserve|q-
3003|Accumulated deficit|q
4001|Product sales|i-
4002|Shipping charged to customers|i-
4003|Sales discounts|i
4004|Refunds|i
4100|Affiliate commission earned|i-
5001|Cost of goods sold|x
5002|Inbound freight|x
5003|Inventory write-offs|x
6001|Payment provider fees|x
6002|Shipping to customers|x
6003|Advertising|x
6004|Warehouse lease|x
6005|Share-based payments|x
6006|Hosting|x
6007|Amortisation of website|x
7001|Interest on term loan|x
7002|Interest on convertible notes|x
7003|Foreign exchange difference|x
`,
  ),
  made(
    'practice of a vet, titles in words',
    `
# Fixed assets
0100|Surgery equipment|a
0110|Surgery equipment depreciation|a-
0120|Cars|a
0130|Cars depreciation|a-
# Current assets
1000|Drugs in stock|a
1100|Clients|a
1110|Clients, doubtful|a-
1200|Practice account|a
1300|Rent paid ahead|a
# Creditors
2000|Drug wholesalers|l-
2100|Laboratory unpaid|l-
2200|Taxes withheld from wages|l-
2300|Car finance|l-
# Owners’ equity
3000|Opening capital|q-
3100|Private expenses|q
# Turnover
4000|Consultations|i-
4100|Operations|i-
4200|Drugs sold|i-
# Costs
5000|Drugs used|x
5100|Laboratory|x
6000|Assistants|x
6100|Surgery rent|x
6200|Car finance interest|x
6300|Cars, petrol|x
6400|Depreciation, cars|x
6500|Telephone|x
6600|Professional body|x
`,
  ),
  made(
    'producer with balances by element in blocks',
    `
10000|Machinery|a
10001|Machinery, accumulated depreciation|a-
10010|Moulds|a
10011|Moulds, accumulated depreciation|a-
10020|Assets in course of construction|a
10100|Raw materials|a
10110|Finished goods|a
10120|Goods in transit|a
10200|Receivables, home|a
10210|Receivables, abroad|a
10220|Credit loss allowance|a-
10230|Factored receivables|a
10300|Derivative assets|a
10400|Bank deposits, three months|a
10410|Cash|a
10500|Assets held for sale|a
20000|Payables, home|l-
20010|Payables, abroad|l-
20020|Goods received not invoiced|l-
20100|Bank borrowings|l-
20110|Bonds issued|l-
20120|Unamortised bond discount|l
20200|Restructuring provision|l-
20210|Employee benefits|l-
20300|Derivative liabilities|l-
20400|Dividends payable|l-
30000|Issued capital|q-
30010|Other reserves|q-
30020|Interim dividends|q
30030|Non-controlling interests|q-
40000|Sales, home|i-
40010|Sales, export|i-
40020|Rebates to customers|i
50000|Materials consumed|x
50010|Change in finished goods|x
50020|Factory wages|x
50030|Energy|x
50040|Machinery depreciation|x
60000|Selling and distribution|x
60010|Administration|x
60020|Research|x
60030|Restructuring|x
70000|Interest on bonds|x
70010|Unwinding of discount|x
70020|Dividends received|i-
70030|Other gains and losses|i-
`,
  ),
];

/** Written once the words were settled; what they showed of the order of charts was mended, no word was added for them. */
export const laterCharts: readonly MadeChart[] = [
  made(
    'farm',
    `
1000|Cash box|a
1010|Farmers Bank|a
1100|Milk cheques due|a
1110|Bad debt provision|a-
1200|Seed and fertiliser on hand|a
1210|Growing crops|a
1220|Cattle for sale|a
1300|Breeding herd|a
1400|Fields|a
1410|Barns|a
1411|Barns, accumulated depreciation|a-
1420|Tractors|a
1421|Tractors, accumulated depreciation|a-
1500|Prepaid land rent|a
2000|Feed merchant|l-
2010|Vet bills unpaid|l-
2100|Seasonal overdraft|l-
2200|Tractor loan|l-
2210|Farm mortgage|l-
2300|Deferred subsidy|l-
3000|Family capital|q-
3010|Family living drawings|q
3020|Profits kept|q-
4000|Milk|i-
4010|Grain|i-
4020|Calves|i-
4030|Area subsidy|i-
4040|Contract work for neighbours|i-
5000|Feed|x
5010|Seed|x
5020|Vet|x
5030|Contractors|x
5040|Diesel|x
5050|Casual labour|x
6000|Land rent|x
6010|Mortgage interest|x
6020|Tractor loan interest|x
6030|Depreciation|x
6040|Loss on sale of cattle|x
`,
  ),
  made(
    'software house',
    `
# Assets
1|Operating account|a
2|Trade receivables|a
3|Expected credit loss allowance|a-
4|Contract costs capitalised|a
5|Capitalised development|a
6|Capitalised development, amortised to date|a-
7|Laptops|a
8|Laptops, depreciated to date|a-
9|Deferred tax|a
# Liabilities
10|Trade payables|l-
11|Subscriptions billed in advance|l-
12|Bonuses accrued|l-
13|Research credit repayable|l-
14|Shareholder loan|l-
# Equity
15|A shares|q-
16|Option reserve|q-
17|Result brought forward|q
# Revenue
18|Licences|i-
19|Support|i-
20|Credits to customers|i
# Expenses
21|Cloud servers|x
22|Developers|x
23|Share options charge|x
24|Amortisation of development|x
25|Interest on shareholder loan|x
26|Currency differences|x
`,
  ),
  made(
    'school',
    `
10|Fees account|a
11|Savings account|a
12|Parents, fees outstanding|a
13|Parents, not expected to pay|a-
14|Uniforms for sale|a
15|School house|a
16|School house, wear to date|a-
17|Minibus|a
18|Minibus, wear to date|a-
20|Book suppliers|l-
21|Fees for next term|l-
22|Pension contributions due|l-
23|Loan for the school house|l-
30|Endowment|q-
31|Surplus of earlier years|q-
40|School fees|i-
41|State contribution|i-
42|Uniform sales|i-
43|Interest on savings account|i-
50|Teachers|x
51|Pension contributions|x
52|Books|x
53|Uniforms|x
54|Heating|x
55|Interest on loan|x
56|Minibus fuel|x
57|Wear of house and minibus|x
`,
  ),
];

/** Written last, and nothing was changed for them: what another chart may expect. */
export const unseenCharts: readonly MadeChart[] = [
  made(
    'hotel',
    `
1100|Front desk float|a
1110|Merchant Bank|a
1200|Guest ledger|a
1210|Travel agents|a
1220|Provision for bad guests|a-
1300|Linen and china|a
1310|Cellar|a
1400|Hotel building|a
1410|Depreciation of hotel building to date|a-
1500|Licence fee paid ahead|a
2100|Laundry unpaid|l-
2110|Room deposits from guests|l-
2120|City tax to be passed on|l-
2130|Tips held for staff|l-
2200|Bank loan for the lift|l-
2300|Untaken leave|l-
3100|Partners’ capital|q-
3200|Undrawn profit|q-
4100|Rooms|i-
4110|Restaurant|i-
4120|Spa|i-
4130|Cancelled stays kept|i-
5100|Kitchen supplies|x
5110|Linen wash|x
5200|Reception pay|x
5210|Chambermaids|x
5300|Travel agent commission|x
5400|Lift loan interest|x
5500|Depreciation of hotel building|x
5600|Pest control|x
`,
  ),
  made(
    'contractor with titles',
    `
# Current assets
1|Site cash|a
2|Retentions due from clients|a
3|Amounts due on contracts|a
4|Bricks and sand|a
# Fixed assets
5|Cranes|a
6|Cranes, written off to date|a-
# Current liabilities
7|Subcontractors|l-
8|Retentions held from subcontractors|l-
9|Billed beyond work done|l-
10|Holiday stamps|l-
# Long-term liabilities
11|Crane finance|l-
12|Provision for defects|l-
# Equity
13|Paid-in capital|q-
14|Result of earlier years|q-
# Turnover
15|Contracts|i-
16|Crane hire to others|i-
# Costs
17|Subcontractors used|x
18|Site labour|x
19|Site huts|x
20|Crane drivers|x
21|Finance interest|x
22|Making good of defects|x
`,
  ),
];
