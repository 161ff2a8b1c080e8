import {
  type AccountBody,
  type Company,
  type History,
  type LayoutDetail,
  type Operation,
  operations,
  type PlacementView,
  type Problem,
} from '@ivory-ladder/contract';
import { newLine, usualPlans } from '@ivory-ladder/core';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import type { ApiClient } from '../support/apiClient.ts';
import { openFullCompany } from '../support/fullCompany.ts';
import { joinCompany } from '../support/joinCompany.ts';
import { TestServer } from '../support/server.ts';

let server: TestServer;
let stranger: ApiClient;
let own: Company;
let ownAccount: AccountBody;
let theirs: Awaited<ReturnType<typeof openFullCompany>>;
let definition: LayoutDetail['definition'];
let before: unknown;
/** Of one's own books, that vectors are asked of. */
let state: Pick<PlacementView, 'revision' | 'structureVersion'>;

beforeAll(async () => {
  server = await TestServer.shared();
  own = await server.ok<Company>('POST', '/companies', { name: 'Own', currency: 'EUR', fiscalYearFirstMonth: 1 });
  ({ client: stranger } = await joinCompany(server, own.id, { name: 'Stranger', email: 'stranger@example.org', role: 'administrator' }));
  await stranger.ok('POST', `/companies/${own.id}/years`, { day: '2026-01-01' });
  ownAccount = await stranger.ok<AccountBody>('POST', `/companies/${own.id}/accounts`, { number: '1', name: 'Cash', element: 'asset' });
  theirs = await openFullCompany(server);
  ({ definition } = await stranger.ok<LayoutDetail>('POST', `/companies/${own.id}/layouts`, { name: 'Own', from: 'nothing' }));
  const { revision, structureVersion } = await stranger.ok<PlacementView>('GET', `/companies/${own.id}/placement?from=2026-01-01&to=2026-09-30`);
  state = { revision, structureVersion };
  before = await whatTheyHave();
});
afterAll(() => server.stop());

/** Each change of anything stands in it. */
async function whatTheyHave() {
  const { events } = await server.ok<History>('GET', `${theirs.path}/history?limit=500`);
  const { structureVersion, revision } = await server.ok<PlacementView>('GET', `${theirs.path}/placement?from=2026-01-01&to=2026-09-30`);
  return { events: events.length, structureVersion, revision };
}

type IdOf = (parameter: string) => number;
const span = { from: '2026-01-01', to: '2026-09-30' };
const day = '2026-09-30';
const version = 1;
const place = (categoryId: number) => ({ side: 'any', categoryId });
const draftOf = (id: IdOf) => ({ places: [{ accountId: id('accountId'), before: [], after: [place(id('categoryId'))] }], categories: [] });
const layoutOf = (id: IdOf) => ({
  ...definition,
  lines: [{ ...newLine('accounts', 'a', 'A'), sources: [{ kind: 'account', accountId: id('accountId') }] }],
});
const setOf = (id: IdOf) => ({
  name: 'Set',
  definition: {
    parts: [{ key: 'one', statement: `layout-${id('layoutId')}`, title: '', columns: null, detail: 2, zeroLines: false }],
    scale: { unit: 'exact', rounding: 'footed' },
    language: null,
  },
});
const lines = (id: IdOf) => [
  { accountId: id('accountId'), debit: '1' },
  { accountId: id('accountId'), credit: '1' },
];
const fill = { value: 'TERN', accounts: '', from: null, to: null };

/** A body that the operation would take, were the ids in its path and in it those of one’s own company. */
const bodies: Readonly<Record<string, (id: IdOf) => unknown>> = {
  addAccount: (id) => ({ number: '9', name: 'Ninth', element: 'asset', parentId: id('accountId') }),
  changeAccount: () => ({ version, name: 'Mine' }),
  checkAccountChange: () => ({ change: { version, name: 'Mine' }, ...span }),
  addNote: () => ({ content: 'Mine' }),
  checkMerge: () => ({ into: ownAccount.id, day, ...span }),
  mergeAccounts: () => ({ into: ownAccount.id, day, structureVersion: 1, revision: 1 }),
  checkRenumbering: (id) => ({ changes: [{ accountId: id('accountId'), version, number: '77' }], ...span }),
  renumberAccounts: (id) => ({ changes: [{ accountId: id('accountId'), version, number: '77' }] }),
  checkChartFile: () => span,
  applyChartFile: () => ({ structureVersion: 1, revision: 1 }),
  changeChartView: () => ({ name: 'Mine', isShared: false, content: { columns: [], order: '' }, version }),
  addClassification: (id) => ({ name: 'Copy', copyOf: id('classificationId') }),
  changeClassification: () => ({ version, name: 'Mine' }),
  setExclusions: (id) => ({ scope: 'classification:1', accountIds: [id('accountId')], reason: 'Mine' }),
  setPlaces: (id) => ({ changes: [{ accountId: ownAccount.id, before: [], after: [place(id('categoryId'))] }] }),
  addCategory: (id) => ({ parentId: id('categoryId'), element: 'asset', name: 'Mine' }),
  changeCategory: () => ({ version, name: 'Mine' }),
  applyPlacement: (id) => ({ draft: draftOf(id), reason: '', ...span }),
  rehearsePlacement: (id) => ({ draft: draftOf(id), ...span }),
  saveRehearsal: (id) => ({ draft: draftOf(id) }),
  changeRehearsal: () => ({ version, name: 'Mine' }),
  changeCodeList: () => ({ version, name: 'Mine' }),
  addPairingRule: () => ({ first: theirs.facet, firstValue: 'TERN', second: theirs.secondFacet, secondValue: 'N', reason: '' }),
  checkFacetFill: () => fill,
  applyFacetFill: () => fill,
  checkTrialBalance: () => ({ date: day }),
  postTrialBalance: () => ({ date: day }),
  reverseEntry: () => ({ date: day }),
  postEntry: (id) => ({ date: day, lines: lines(id) }),
  addBudget: (id) => ({ year: 2026, name: 'Copy', copyOf: id('budgetId') }),
  changeBudget: () => ({ version, name: 'Mine' }),
  lockBudget: () => ({ version, reason: '' }),
  unlockBudget: () => ({ version, reason: 'Mine' }),
  setBudgetCells: () => ({ part: '', cells: [{ accountId: ownAccount.id, period: 1, was: '0', amount: '5' }] }),
  setRates: (id) => ({ set: [{ currency: 'USD', kind: 'historical', day, accountId: id('accountId'), rate: '1.1' }] }),
  getVectors: (id) => ({
    ...state,
    needs: [
      {
        amounts: { of: 'budget', id: id('budgetId') },
        filter: {},
        layers: 'all',
        take: { take: 'movement', span: { firstDay: span.from, lastDay: span.to } },
        money: { in: 'own' },
      },
    ],
  }),
  changeSeries: () => ({ version, name: 'Mine' }),
  addLayout: (id) => ({ name: 'Copy', from: id('layoutId') }),
  renameLayout: () => ({ version, name: 'Mine' }),
  saveLayoutDraft: (id) => ({ version, definition: layoutOf(id) }),
  putLayoutInUse: () => ({ version }),
  changeColumnPlan: () => ({
    name: 'Mine',
    version,
    definition: usualPlans[1]?.definition,
  }),
  addSet: setOf,
  changeSet: (id) => ({ ...setOf(id), version }),
  setComment: () => ({ partKey: 'sheet', lineKey: 'assets', day, text: 'Mine', version: 0 }),
  changeRole: (id) => ({ role: `own:${id('roleId')}`, version }),
  invitePerson: (id) => ({ name: 'Asked', email: 'foreign.role@example.org', role: `own:${id('roleId')}` }),
  changeOwnRole: () => ({ name: 'Theirs', permissions: ['see'], version }),
  grantCompanies: () => ({ may: true }),
};

/** Files that would be taken, were they handed in for something of one’s own. */
const files: Readonly<Record<string, string>> = {
  addAttachment: 'A note',
  addEntryAttachment: 'A note',
  checkFacetFile: 'Code,Caption\nMINE,Mine',
  applyFacetFile: 'Code,Caption\nMINE,Mine',
  readBudgetWorkbook: 'Account,1\n1,5',
  readJournal: 'Date,Document,Account,Debit,Credit\n2026-09-30,1,1000,1,\n2026-09-30,1,6300,,1\n',
};

/** Bodies that name nothing of a company by an id. */
const nameNothing = [
  ...['changeSettings', 'removeCompany', 'checkSettings', 'makeYear', 'lockPeriods', 'unlockPeriod', 'addOwnRole', 'chooseChartColumns', 'saveChartView'],
  ...[
    'addCodeList',
    'beginJournalImport',
    'addSeries',
    'setLayoutOptions',
    'checkLayoutOptions',
    'addLayoutFile',
    'addColumnPlan',
    'uploadChartFile',
    'uploadTrialBalance',
  ],
  ...['readPlacementFile', 'lookAtJournal', 'readRateFile'],
];

const ofBodies = Object.entries(operations as Record<string, Operation>).filter(
  ([name, { path, body, takesFile, takesStream }]) => path.includes('{companyId}') && (body || takesFile || takesStream) && !nameNothing.includes(name),
);

describe('ids of another company in a body, or beside one that is sound', () => {
  it('are tried with every operation that takes one', () => {
    expect(ofBodies.map(([name]) => name).sort()).toEqual([...Object.keys(bodies), ...Object.keys(files)].sort());
  });

  it.each(ofBodies.map(([name]) => name))('%s does with them what it does with ids that nobody has', async (name) => {
    const { method, path, takesFile, takesStream } = (operations as Record<string, Operation>)[name] as Operation;
    const query = takesFile || takesStream ? '?name=x.txt' : '';
    const ask = (idOf: (parameter: string) => number | string) => {
      const address = path.replace('{companyId}', String(own.id)).replaceAll(/\{(\w+)\}/g, (_, parameter: string) => String(idOf(parameter)));
      const body = files[name] === undefined ? bodies[name]?.((parameter) => Number(idOf(parameter))) : new TextEncoder().encode(files[name]);
      return stranger.call<Problem>(method.toUpperCase(), `${address}${query}`, body);
    };
    const real = await ask((parameter) => theirs.ids[parameter] ?? 0);
    const nobodys = await ask((parameter) => (/Id$/.test(parameter) ? 99_999_999 : (theirs.ids[parameter] ?? 0)));
    expect([name, real.status, real.body?.code]).toEqual([name, nobodys.status, nobodys.body?.code]);
    // The body is not what is wrong.
    expect([name, real.body?.code, real.body?.facts]).not.toEqual([name, 'request_invalid', expect.anything()]);
    expect(await whatTheyHave()).toEqual(before);
  });
});
