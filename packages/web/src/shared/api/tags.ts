import type { ArgsOf, MutationName, QueryName } from './operationTypes.ts';

/** Things of the installation, or of whoever is signed in. */
const ofAll = ['Session', 'SecondFactor', 'Sessions', 'Companies', 'Installation'] as const;
/** Things of one company. */
const ofCompany = [
  'Company',
  'People',
  'History',
  'Chart',
  'Notes',
  'Attachments',
  'Views',
  'Placement',
  'PlacementRecords',
  'Rehearsals',
  'Ledger',
  'Budgets',
  'Rates',
  'Series',
  'Options',
  'Layouts',
  'ColumnPlans',
  'Sets',
  'Statement',
  'Proofs',
] as const;

export type TagType = (typeof ofAll)[number] | (typeof ofCompany)[number];
/** A thing of the company that is asked about, or `Thing/parameter`: the one of it whose id that argument is. */
export type Tag = TagType | `${(typeof ofCompany)[number]}/${string}`;

export const tagTypes: readonly TagType[] = [...ofAll, ...ofCompany];

/** `7`: of the company 7; `7/12`: one of its things. */
export function tagOf(tag: Tag, args: unknown): { type: TagType; id: string } {
  const [type, parameter] = tag.split('/') as [TagType, string | undefined];
  if ((ofAll as readonly string[]).includes(type)) return { type, id: 'all' };
  const named = args as Readonly<Record<string, unknown>>;
  return { type, id: parameter === undefined ? String(named.companyId) : `${named.companyId}/${named[parameter]}` };
}

/** What changes with the books. */
const books = ['Company', 'Placement', 'Statement', 'Proofs', 'Ledger', 'Chart', 'History'] as const satisfies Tag[];
/** What changes with the placement. */
const placed = ['Placement', 'PlacementRecords', 'Company', 'Statement', 'Proofs', 'Chart', 'History'] as const satisfies Tag[];
/** Refused, it is somebody else who changed it. */
const unlessPlaced = { done: placed, refused: ['Placement'] } as const;

/** Beside a budget figures follow its changes too, in another currency those of the rates. */
const figures = ({ plan, currency }: { plan?: string | undefined; currency?: string | undefined }): readonly Tag[] => [
  'Statement',
  ...(plan === 'budget' || plan === 'composed' ? (['Budgets'] as const) : []),
  ...(currency === undefined ? [] : (['Rates'] as const)),
];

/** What each answer shows: it is read anew when that changes. */
export const shownBy: { readonly [Name in QueryName]: readonly Tag[] | typeof figures } = {
  health: [],
  listCompanies: ['Companies'],
  getCompany: ['Company'],
  checkSettings: ['Chart', 'Ledger'],
  proposeClosing: ['Ledger'],
  listHistory: ['History'],
  getSession: ['Session'],
  getSecondFactor: ['SecondFactor'],
  lookAtLink: [],
  listSessions: ['Sessions'],
  getInstallation: ['Installation'],
  listPeople: ['People'],
  getChart: ['Chart'],
  checkAccountChange: [],
  listNotes: ['Notes/accountId'],
  listAttachments: ['Attachments', 'Attachments/accountId'],
  listEntryAttachments: ['Attachments', 'Attachments/entryId'],
  listAccountPeriods: ['Ledger'],
  checkMerge: [],
  // Asked anew with other changes alone: once they are applied, their versions are no more.
  checkRenumbering: [],
  checkChartFile: ['Chart', 'Placement'],
  listChartViews: ['Views'],
  getPlacement: ['Placement'],
  listPlacedElsewhere: ['Placement'],
  rehearsePlacement: ['Placement', 'Statement'],
  getPastPlacement: [],
  listPlacementRecords: ['PlacementRecords'],
  getPlacementRecord: ['PlacementRecords'],
  listRehearsals: ['Rehearsals'],
  listCodeLists: ['Chart'],
  checkTrialBalance: ['Ledger', 'Placement'],
  listBroughtIn: ['Ledger'],
  viewTakingBack: ['Ledger'],
  getTrialBalance: ['Ledger'],
  getAdjustments: ['Ledger'],
  getAccountLedger: ['Ledger', 'Chart'],
  listAccountLines: ['Ledger'],
  getEntry: ['Ledger'],
  getEntryClimb: ['Ledger'],
  getAccountClimb: ['Statement'],
  listEntries: ['Ledger'],
  getJournalImport: [],
  listBudgets: ['Budgets'],
  getBudgetGrid: ['Budgets', 'Ledger', 'Chart'],
  listRates: ['Rates'],
  listSeries: ['Series', 'Ledger'],
  getLayoutOptions: ['Options'],
  checkLayoutOptions: [],
  getStatement: figures,
  getEvidence: figures,
  getProofs: ['Proofs'],
  listLayouts: ['Layouts'],
  // A draft that somebody else saved is seen when the layout is opened again.
  getLayout: [],
  getLayoutVersion: [],
  getKeptDraft: [],
  listColumnPlans: ['ColumnPlans'],
  listSets: ['Sets'],
  runSet: ['Sets/setId', 'Statement', 'Budgets', 'Rates'],
};

type Changed<Name extends MutationName> =
  | readonly Tag[]
  | { readonly done: readonly Tag[]; readonly refused: readonly Tag[] }
  | ((args: ArgsOf<Name>) => readonly Tag[]);

/** What each change changes; refused ones too, since then somebody else has, but where it says otherwise. */
export const changedBy: { readonly [Name in MutationName]: Changed<Name> } = {
  createCompany: ['Companies'],
  changeSettings: ['Companies', ...books],
  removeCompany: { done: ['Companies'], refused: [] },
  makeYear: books,
  addAdjustingPeriod: books,
  closeYear: books,
  lockPeriods: ['Company', 'History'],
  unlockPeriod: ['Company', 'History'],
  signIn: [],
  enterDemo: [],
  signOut: [],
  signOutEverywhere: [],
  changePassword: [],
  useLink: [],
  acceptInvitation: [],
  askRecovery: [],
  endSession: ['Sessions'],
  beginSecondFactor: [],
  confirmSecondFactor: ['SecondFactor', 'Session'],
  renewRecoveryCodes: ['SecondFactor'],
  removeSecondFactor: ['SecondFactor', 'Session'],
  helpPerson: ['Installation'],
  requireSecondFactor: ['Installation', 'Session', 'SecondFactor'],
  takeSecondFactor: ['Installation'],
  invitePerson: ['People', 'History'],
  renewInvitation: ['People', 'History'],
  withdrawInvitation: ['People', 'History'],
  changeRole: ['People', 'Company', 'Companies', 'History'],
  addOwnRole: ['People', 'History'],
  changeOwnRole: ['People', 'Company', 'Companies', 'History'],
  deleteOwnRole: ['People', 'History'],
  removePerson: ['People', 'Company', 'Companies', 'History'],
  grantCompanies: ['People', 'History'],
  renewLink: [],
  addAccount: books,
  changeAccount: books,
  deleteAccount: books,
  addNote: ['Notes/accountId', 'Chart', 'History'],
  addAttachment: ['Attachments/accountId', 'History'],
  addEntryAttachment: ['Attachments/entryId', 'History'],
  deleteAttachment: ['Attachments', 'History'],
  mergeAccounts: books,
  renumberAccounts: books,
  uploadChartFile: [],
  applyChartFile: books,
  chooseChartColumns: [],
  saveChartView: ['Views', 'History'],
  changeChartView: ['Views', 'History'],
  deleteChartView: ['Views', 'History'],
  addClassification: ['Company', 'History'],
  changeClassification: placed,
  deleteClassification: ['Company', 'History'],
  setExclusions: placed,
  readPlacementFile: [],
  setPlaces: unlessPlaced,
  addCategory: placed,
  changeCategory: placed,
  deleteCategory: placed,
  applyPlacement: { done: [...placed, 'Rehearsals'], refused: ['Placement'] },
  undoPlacement: unlessPlaced,
  // The one at work is kept after each change, and is in no list.
  saveRehearsal: ({ body: { name } }) => (name === '' ? [] : ['Rehearsals']),
  changeRehearsal: ({ body: { name, state, word } }) => (name === undefined && state === undefined && word === undefined ? [] : ['Rehearsals']),
  deleteRehearsal: ['Rehearsals'],
  addCodeList: books,
  changeCodeList: books,
  deleteCodeList: books,
  addPairingRule: ['Chart', 'History'],
  deletePairingRule: ['Chart', 'History'],
  checkFacetFill: [],
  applyFacetFill: books,
  checkFacetFile: [],
  applyFacetFile: books,
  uploadTrialBalance: [],
  postTrialBalance: books,
  takeBackTrialBalance: books,
  reverseEntry: books,
  postEntry: books,
  lookAtJournal: [],
  beginJournalImport: [],
  readJournal: [],
  postJournalImport: books,
  discardJournalImport: [],
  addBudget: ['Budgets', 'History'],
  changeBudget: ['Budgets', 'History'],
  deleteBudget: ['Budgets', 'History'],
  lockBudget: ['Budgets', 'History'],
  unlockBudget: ['Budgets', 'History'],
  setBudgetCells: ['Budgets', 'History'],
  readBudgetWorkbook: [],
  setRates: ['Rates', 'History'],
  readRateFile: [],
  addSeries: ['Series', 'History'],
  changeSeries: ['Series', 'History'],
  deleteSeries: ['Series', 'History'],
  setLayoutOptions: ['Options', 'Statement', 'Proofs'],
  addLayout: ['Layouts', 'History'],
  renameLayout: ['Layouts', 'History'],
  saveLayoutDraft: ['Layouts'],
  putLayoutInUse: ['Layouts', 'Statement', 'History'],
  deleteLayout: ['Layouts', 'Statement', 'History'],
  addLayoutFile: ['Layouts', 'History'],
  addColumnPlan: ['ColumnPlans', 'History'],
  changeColumnPlan: ['ColumnPlans', 'Statement', 'History'],
  deleteColumnPlan: ['ColumnPlans', 'Statement', 'History'],
  addSet: ['Sets', 'History'],
  changeSet: ['Sets', 'Sets/setId', 'History'],
  deleteSet: ['Sets', 'Sets/setId', 'History'],
  setComment: ['Sets/setId', 'History'],
};
