import type { AccountRole, Element } from '@ivory-ladder/core';
import { accountsIn } from './accountsIn.ts';

import type { DemoAccount, DemoCategory } from './demoCompany.ts';
/** The category tree of the Eiderholm Ferry Company, in the order of its statements. */
export const ferryCategories: Readonly<Record<Element, readonly DemoCategory[]>> = {
  asset: [
    { name: 'Vessels', term: 'non_current', nature: 'investing', children: [{ name: 'Vessels, at cost' }, { name: 'Depreciation of vessels', contraOf: 'Vessels, at cost' }] },
    { name: 'Quay building, leased', term: 'non_current', nature: 'investing' },
    { name: 'Equipment ashore', term: 'non_current', nature: 'investing', children: [{ name: 'Equipment, at cost' }, { name: 'Depreciation of equipment', contraOf: 'Equipment, at cost' }] },
    { name: 'Booking system', term: 'non_current', nature: 'investing' },
    { name: 'Fuel and stores', term: 'current', nature: 'operating' },
    { name: 'Trade and other receivables', term: 'current', nature: 'operating' },
    { name: 'Prepayments', term: 'current', nature: 'operating' },
    { name: 'Cash at bank and on board', term: 'current', nature: 'operating' },
  ],
  liability: [
    { name: 'Loans', term: 'non_current', nature: 'financing' },
    { name: 'Lease liability', term: 'non_current', nature: 'financing' },
    { name: 'Dry-docking provision', term: 'non_current', nature: 'none' },
    { name: 'Trade and other payables', term: 'current', nature: 'operating', children: [{ name: 'Suppliers' }, { name: 'Crew and staff' }, { name: 'Accruals' }, { name: 'Accrued interest', nature: 'interest' }] },
    { name: 'Season passes not yet sailed', term: 'current', nature: 'operating' },
    { name: 'Taxes payable', term: 'current', nature: 'operating', children: [{ name: 'Income tax payable', nature: 'income_tax' }, { name: 'Value added tax and levies' }] },
  ],
  equity: [
    { name: 'Share capital', nature: 'financing' },
    { name: 'Reserves', nature: 'financing' },
    { name: 'Retained earnings', nature: 'dividends' },
  ],
  income: [
    { name: 'Revenue', step: 'revenue', children: [{ name: 'Foot passengers' }, { name: 'Vehicles' }, { name: 'Freight contracts' }, { name: 'Café on board' }, { name: 'Other sailings' }] },
    { name: 'Mail subsidy', step: 'other_operating' },
    { name: 'Other income', step: 'other_operating' },
    { name: 'Interest received', step: 'investing', nature: 'interest' },
  ],
  expense: [
    { name: 'Cost of sailing', step: 'cost_of_sales', children: [{ name: 'Fuel and lubricants' }, { name: 'Crew wages' }, { name: 'Harbour dues' }, { name: 'Repairs and dry-docking' }, { name: 'Café purchases' }] },
    {
      name: 'Running costs ashore',
      step: 'other_operating',
      children: [{ name: 'Staff ashore' }, { name: 'Insurance', range: '62*' }, { name: 'Premises', range: '6130 to 6199' }, { name: 'Sales and booking' }, { name: 'Administration' }],
    },
    { name: 'Depreciation', step: 'other_operating' },
    { name: 'Finance costs', step: 'financing', children: [{ name: 'Interest and bank charges' }, { name: 'Exchange differences', nature: 'financing' }] },
    { name: 'Income tax', step: 'income_tax' },
  ],
};

/** `number | name | category path | parent`, by element. Two accounts stand in no category, one in a wrong one: flaws to be caught. */
const lists: Readonly<Record<Element, string>> = {
  asset: `
1000|Bank, current account|Cash at bank and on board
1010|Cash on board|Cash at bank and on board
1020|Harbour office account|Cash at bank and on board
1030|Bank, deposit account|Cash at bank and on board
1040|Card takings in transit|Cash at bank and on board
1050|Petty cash, booking offices|Cash at bank and on board
1200|Freight customers|Trade and other receivables
1210|Mail subsidy receivable|Trade and other receivables
1220|Travel agents|Trade and other receivables
1230|Other receivables|Trade and other receivables
1240|Loans to staff|Trade and other receivables
1250|Nordskerry Freight|Trade and other receivables
1290|Allowance for bad debts|Trade and other receivables
1400|Marine gas oil in stock|Fuel and stores
1410|Lubricants in stock|Fuel and stores
1420|Spare parts|Fuel and stores
1430|Café stock|Fuel and stores
1440|Uniforms and safety stores|Fuel and stores
1450|Prepaid insurance|Prepayments
1460|Prepaid software and licences|Prepayments
1470|Prepaid berths|Prepayments
1500|Vessels at cost||
1510|MV Tern, at cost|Vessels > Vessels, at cost|1500
1520|MV Eider, at cost|Vessels > Vessels, at cost|1500
1530|MV Skua, at cost|Vessels > Vessels, at cost|1500
1540|MV Petrel, at cost|Vessels > Vessels, at cost|1500
1550|Tenders and workboat, at cost|Vessels > Vessels, at cost|1500
1600|Depreciation of vessels||
1610|MV Tern, accumulated depreciation|Vessels > Depreciation of vessels|1600
1620|MV Eider, accumulated depreciation|Vessels > Depreciation of vessels|1600
1630|MV Skua, accumulated depreciation|Vessels > Depreciation of vessels|1600
1640|MV Petrel, accumulated depreciation|Vessels > Depreciation of vessels|1600
1650|Tenders and workboat, accumulated depreciation|Vessels > Depreciation of vessels|1600
1700|Right of use, quay building|Quay building, leased
1710|Quay building, accumulated depreciation|Quay building, leased
1720|Linkspans and ramps, at cost|Equipment ashore > Equipment, at cost
1730|Vehicles and forklifts, at cost|Equipment ashore > Equipment, at cost
1740|Office equipment, at cost|Equipment ashore > Equipment, at cost
1750|Ticket machines, at cost|Equipment ashore > Equipment, at cost
1820|Linkspans and ramps, accumulated depreciation|Equipment ashore > Depreciation of equipment
1830|Vehicles and forklifts, accumulated depreciation|Equipment ashore > Depreciation of equipment
1840|Office equipment, accumulated depreciation|Equipment ashore > Depreciation of equipment
1850|Ticket machines, accumulated depreciation|Equipment ashore > Depreciation of equipment
1900|Booking system, at cost|Booking system
1910|Booking system, accumulated amortisation|Booking system`,
  liability: `
2000|Trade payables|Trade and other payables > Suppliers
2010|Fuel suppliers|Trade and other payables > Suppliers
2020|Goods received, not invoiced|Trade and other payables > Accruals
2030|Eiderholm Boatyard|Trade and other payables > Suppliers
2100|Accrued expenses|Trade and other payables > Accruals
2110|Accrued interest|Trade and other payables > Accrued interest
2120|Accrued holiday pay|Trade and other payables > Crew and staff
2150|Season passes not yet sailed|Season passes not yet sailed
2160|Gift vouchers not yet redeemed|Season passes not yet sailed
2170|Deposits for group sailings|Season passes not yet sailed
2200|Net wages payable|Trade and other payables > Crew and staff
2210|Wage taxes payable|Taxes payable > Value added tax and levies
2220|Social security payable|Trade and other payables > Crew and staff
2230|Pension contributions payable|Trade and other payables > Crew and staff
2300|Value added tax payable|Taxes payable > Value added tax and levies
2310|Income tax payable|Taxes payable > Income tax payable
2320|Harbour passenger levy payable|Taxes payable > Value added tax and levies
2400|Provision for dry-docking|Dry-docking provision
2410|Provision for claims|Dry-docking provision
2500|Vessel loan, Nordskerry Bank|Loans
2510|Vessel loan in Norwegian kroner|Loans
2520|Shareholder loan|Loans
2600|Lease liability, quay building|Lease liability`,
  equity: `
3000|Share capital|Share capital
3010|Share premium|Share capital
3100|Retained earnings|Retained earnings
3200|Statutory reserve|Reserves
3210|Vessel renewal reserve|Reserves`,
  income: `
4010|Foot passengers, adults|Revenue > Foot passengers
4020|Foot passengers, children|Revenue > Foot passengers
4030|Foot passengers, island residents|Revenue > Foot passengers
4040|Foot passengers, groups|Revenue > Foot passengers
4050|Season passes, sailed|Revenue > Foot passengers
4060|Bicycles|Revenue > Foot passengers
4110|Cars|Revenue > Vehicles
4120|Vans and motorhomes|Revenue > Vehicles
4130|Lorries and coaches|Revenue > Vehicles
4140|Motorcycles|Revenue > Vehicles
4150|Trailers and caravans|Revenue > Vehicles
4210|Freight, building materials|Revenue > Freight contracts
4220|Freight, groceries and parcels|Revenue > Freight contracts
4230|Freight, fish and farm produce|Revenue > Freight contracts
4240|Freight, refuse and recycling|Revenue > Freight contracts
4310|Café, food|Revenue > Café on board
4320|Café, drinks|Revenue > Café on board
4330|Souvenirs and maps|Revenue > Café on board
4340|Vending machines|Revenue > Café on board
4450|Seal and seabird trips|Revenue > Other sailings
4460|Charter sailings|
4470|Wedding and event sailings|Revenue > Other sailings
4480|Late and cancellation fees|Revenue > Other sailings
4700|Mail subsidy|Mail subsidy
4710|Insurance recoveries|Other income
4720|Rent of quay kiosks|Other income
4730|Advertising on board|Other income
4740|Sundry income|Other income
4750|Gain on sale of equipment|Other income
4800|Interest received|Interest received`,
  expense: `
5000|Crew wages||
5010|Masters and mates|Cost of sailing > Crew wages|5000
5020|Engineers|Cost of sailing > Crew wages|5000
5030|Deck crew|Cost of sailing > Crew wages|5000
5040|Seasonal crew|Cost of sailing > Crew wages|5000
5050|Café crew|Cost of sailing > Crew wages|5000
5060|Overtime and weekend pay|Cost of sailing > Crew wages|5000
5070|Social security, crew|Cost of sailing > Crew wages|5000
5080|Pension contributions, crew|Cost of sailing > Crew wages|5000
5090|Crew training and certificates|Cost of sailing > Crew wages|5000
5100|Crew travel and victualling|Cost of sailing > Crew wages|5000
5210|Marine gas oil|Cost of sailing > Fuel and lubricants
5220|Lubricants|Cost of sailing > Fuel and lubricants
5230|Shore power|Cost of sailing > Fuel and lubricants
5310|Harbour dues, mainland|Cost of sailing > Harbour dues
5320|Harbour dues, islands|Cost of sailing > Harbour dues
5330|Pilotage and mooring|Cost of sailing > Harbour dues
5340|Slipway hire|
5350|Waste and sewage disposal|Cost of sailing > Harbour dues
5400|Dry-docking, provided for|Cost of sailing > Repairs and dry-docking
5410|Repairs, hull|Cost of sailing > Repairs and dry-docking
5420|Repairs, engines|Cost of sailing > Repairs and dry-docking
5430|Repairs, electronics and radio|Cost of sailing > Repairs and dry-docking
5440|Safety equipment and lifeboats|Cost of sailing > Repairs and dry-docking
5450|Class and flag surveys|Cost of sailing > Repairs and dry-docking
5500|Café purchases, food|Cost of sailing > Café purchases
5510|Café purchases, drinks|Cost of sailing > Café purchases
5520|Souvenirs, purchases|Cost of sailing > Café purchases
5530|Café equipment hire|Cost of sailing > Café purchases
6000|Salaries, management|Running costs ashore > Staff ashore
6010|Salaries, offices|Running costs ashore > Staff ashore
6020|Wages, quay and ticket staff|Running costs ashore > Staff ashore
6030|Social security, ashore|Running costs ashore > Staff ashore
6040|Pension contributions, ashore|Running costs ashore > Staff ashore
6050|Training, ashore|Running costs ashore > Staff ashore
6120|Chandlery|Running costs ashore > Premises
6130|Rent of booking offices|
6140|Electricity and water|
6150|Cleaning|
6160|Repairs, buildings and linkspans|
6170|Property tax|
6180|Security|
6200|Insurance||
6210|Insurance, hull and machinery||6200
6220|Insurance, passengers and liability||6200
6230|Insurance, buildings and vehicles||6200
6300|Advertising and leaflets|Running costs ashore > Sales and booking
6310|Booking system fees|Running costs ashore > Sales and booking
6320|Card and payment fees|Running costs ashore > Sales and booking
6330|Commission to travel agents|Running costs ashore > Sales and booking
6340|Website and photographs|Running costs ashore > Sales and booking
6350|Bad debts|Running costs ashore > Sales and booking
6400|Audit and accounts|Running costs ashore > Administration
6410|Legal advice|Running costs ashore > Administration
6420|Telephone and data|Running costs ashore > Administration
6430|Computers and software|Running costs ashore > Administration
6440|Stationery and printing|Running costs ashore > Administration
6450|Travel, ashore|Running costs ashore > Administration
6460|Subscriptions|Running costs ashore > Administration
6470|Donations and island events|Running costs ashore > Administration
6480|Vehicles, running costs|Running costs ashore > Administration
6500|Depreciation, vessels|Depreciation
6510|Depreciation, quay building|Depreciation
6520|Depreciation, equipment ashore|Depreciation
6530|Amortisation, booking system|Depreciation
7000|Interest, vessel loans|Finance costs > Interest and bank charges
7010|Interest, lease|Finance costs > Interest and bank charges
7020|Interest, shareholder loan|Finance costs > Interest and bank charges
7030|Bank charges|Finance costs > Interest and bank charges
7040|Exchange differences|Finance costs > Exchange differences
7900|Income tax, current|Income tax
7910|Income tax, earlier years|Income tax`,
};

export const ferryAccounts: readonly DemoAccount[] = accountsIn(lists);

/** What the company keeps as cash, and where exchange differences go. */
export const ferryRoles: Readonly<Record<string, AccountRole>> = {
  '1000': 'cash',
  '1010': 'cash',
  '1020': 'cash',
  '1030': 'cash',
  '1040': 'cash',
  '1050': 'cash',
  '7040': 'exchange_differences',
};
