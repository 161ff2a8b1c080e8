import { mapOutcome } from '@ivory-ladder/core';
import {
  addAccount,
  addAttachment,
  addCodeList,
  addNote,
  addPairingRule,
  applyChartFile,
  applyFacetFile,
  applyFacetFill,
  changeAccount,
  changeChartView,
  changeCodeList,
  checkAccountChange,
  checkChartFile,
  checkFacetFile,
  checkFacetFill,
  checkMerge,
  checkRenumbering,
  chooseChartColumns,
  deleteAccount,
  deleteAttachment,
  deleteChartView,
  deleteCodeList,
  deletePairingRule,
  downloadAttachment,
  exportChart,
  listAttachments,
  listChartViews,
  listNotes,
  mergeAccounts,
  renumberAccounts,
  saveChartView,
  viewAccountPeriods,
  viewChart,
  viewCodeLists,
} from '../application/chart/index.ts';
import { keepFile } from '../application/ledger/index.ts';
import type { Ports } from '../application/ports/index.ts';
import * as answers from './chartAnswers.ts';
import { toCodeList, toFacetFileFound, toFillFound } from './codeListAnswers.ts';
import { toPosting } from './ledgerAnswers.ts';
import type { On } from './operationRoutes.ts';

/** The chart of accounts, and what accounts bear. */
export function chartRoutes(on: On, ports: Ports): void {
  on('getChart', async ({ access, query }) => mapOutcome(await viewChart(ports, access, query), answers.toChart));
  on('addAccount', async ({ access, body }) => mapOutcome(await addAccount(ports, access, body), answers.toAccount));
  on('changeAccount', async ({ access, id, body }) => mapOutcome(await changeAccount(ports, access, id('accountId'), body), answers.toAccount));
  on('checkAccountChange', async ({ access, id, body: { change, from, to } }) =>
    mapOutcome(await checkAccountChange(ports, access, id('accountId'), change, { firstDay: from, lastDay: to }), answers.toEffect),
  );
  on('listNotes', async ({ access, id }) => mapOutcome(await listNotes(ports, access, id('accountId')), answers.toNotes));
  on('addNote', async ({ access, id, body }) => mapOutcome(await addNote(ports, access, id('accountId'), body.content), answers.toNotes));
  on('listAttachments', async ({ access, id }) =>
    mapOutcome(await listAttachments(ports, access, { kind: 'account', id: id('accountId') }), answers.toAttachments),
  );
  on('addAttachment', async ({ access, id, query, request }) =>
    mapOutcome(await addAttachment(ports, access, { kind: 'account', id: id('accountId') }, query.name, request), answers.toAttachments),
  );
  on('listEntryAttachments', async ({ access, id }) =>
    mapOutcome(await listAttachments(ports, access, { kind: 'entry', id: id('entryId') }), answers.toAttachments),
  );
  on('addEntryAttachment', async ({ access, id, query, request }) =>
    mapOutcome(await addAttachment(ports, access, { kind: 'entry', id: id('entryId') }, query.name, request), answers.toAttachments),
  );
  on('downloadAttachment', async ({ access, id }) => downloadAttachment(ports, access, id('attachmentId')));
  on('deleteAttachment', async ({ access, id }) => deleteAttachment(ports, access, id('attachmentId')));
  on('listAccountPeriods', async ({ access, id }) => mapOutcome(await viewAccountPeriods(ports, access, id('accountId')), answers.toAccountPeriods));
  on('checkMerge', async ({ access, id, body: { into, day, from, to } }) =>
    mapOutcome(await checkMerge(ports, access, id('accountId'), into, day, { firstDay: from, lastDay: to }), answers.toMergeCheck),
  );
  on('mergeAccounts', async ({ access, id, body: { into, ...body }, asked }) =>
    mapOutcome(await mergeAccounts(ports, access, id('accountId'), { intoId: into, ...body }, asked), toPosting),
  );
  on('checkRenumbering', async ({ access, body: { changes, from, to } }) =>
    mapOutcome(await checkRenumbering(ports, access, changes, { firstDay: from, lastDay: to }), answers.toEffect),
  );
  on('renumberAccounts', async ({ access, body }) => mapOutcome(await renumberAccounts(ports, access, body.changes), (renumbered) => ({ renumbered })));
  on('exportChart', async ({ access, query }) => exportChart(ports, access, query.kind));
  on('uploadChartFile', async ({ access, query, file }) => mapOutcome(await keepFile(ports, access, query.name, file), (fileId) => ({ fileId })));
  on('checkChartFile', async ({ access, id, body: { from, to } }) =>
    mapOutcome(await checkChartFile(ports, access, id('fileId'), { firstDay: from, lastDay: to }), answers.toChartCheck),
  );
  on('applyChartFile', async ({ access, id, body }) => applyChartFile(ports, access, id('fileId'), body));
  on('deleteAccount', async ({ access, id }) => deleteAccount(ports, access, id('accountId')));
  on('listChartViews', async ({ access }) => mapOutcome(await listChartViews(ports, access), answers.toViews));
  on('chooseChartColumns', async ({ access, body }) => chooseChartColumns(ports, access, body.columns));
  on('saveChartView', async ({ access, body }) => mapOutcome(await saveChartView(ports, access, body), (view) => answers.toView(view, access.personId)));
  on('changeChartView', async ({ access, id, body }) =>
    mapOutcome(await changeChartView(ports, access, id('viewId'), body), (view) => answers.toView(view, access.personId)),
  );
  on('deleteChartView', async ({ access, id }) => deleteChartView(ports, access, id('viewId')));
  on('listCodeLists', async ({ access }) =>
    mapOutcome(await viewCodeLists(ports, access), ({ lists, pairings }) => ({ lists: lists.map(toCodeList), pairings: [...pairings] })),
  );
  on('addPairingRule', async ({ access, body }) => mapOutcome(await addPairingRule(ports, access, body), (id) => ({ id })));
  on('checkFacetFile', async ({ access, id, query, file }) =>
    mapOutcome(await checkFacetFile(ports, access, id('listId'), { name: query.name, content: file }), toFacetFileFound),
  );
  on('applyFacetFile', async ({ access, id, query, file }) =>
    mapOutcome(await applyFacetFile(ports, access, id('listId'), { name: query.name, content: file }), (lines) => ({ lines })),
  );
  on('checkFacetFill', async ({ access, id, body }) => mapOutcome(await checkFacetFill(ports, access, { ...body, listId: id('listId') }), toFillFound));
  on('applyFacetFill', async ({ access, id, body }) =>
    mapOutcome(await applyFacetFill(ports, access, { ...body, listId: id('listId') }), (lines) => ({ lines })),
  );
  on('deletePairingRule', async ({ access, id }) => deletePairingRule(ports, access, id('ruleId')));
  on('addCodeList', async ({ access, body }) => mapOutcome(await addCodeList(ports, access, body), toCodeList));
  on('changeCodeList', async ({ access, id, body }) => mapOutcome(await changeCodeList(ports, access, id('listId'), body), toCodeList));
  on('deleteCodeList', async ({ access, id }) => deleteCodeList(ports, access, id('listId')));
}
