import { mapOutcome, succeed } from '@ivory-ladder/core';
import {
  beginJournalImport,
  discardJournalImport,
  emptyLinesFile,
  lookAtJournal,
  postJournalImport,
  readJournal,
  receiveJournal,
  releaseJournal,
  viewJournalImport,
} from '../application/ledger/index.ts';
import type { JournalImportRecord, Ports } from '../application/ports/index.ts';
import type { On } from './operationRoutes.ts';

/** Journal lines from a file. */
export function journalRoutes(on: On, ports: Ports): void {
  on('emptyLinesFile', async ({ access }) => mapOutcome(await emptyLinesFile(ports, access), (headings) => ports.writer.emptyLinesFile(headings)));
  on('lookAtJournal', async ({ access, file }) =>
    mapOutcome(await lookAtJournal(ports, access, file), ({ rows, reading, ...form }) => ({
      ...form,
      rows: rows.map((row) => [...row]),
      reading: reading && { ...reading, columns: { ...reading.columns }, facets: { ...reading.facets } },
    })),
  );
  on('beginJournalImport', async ({ access, body: { name, bytes, ...form } }) =>
    mapOutcome(await beginJournalImport(ports, access, { name, bytes, form }), (id) => ({ id })),
  );
  on('readJournal', async ({ access, id, received }) => mapOutcome(await readJournal(ports, access, id('importId'), received), toImport), {
    receive: async ({ access, id, request, left }) =>
      mapOutcome(await receiveJournal(ports, access, id('importId'), request, left), (file) => ({
        file,
        release: () => releaseJournal(ports, access, id('importId'), file),
      })),
  });
  on('getJournalImport', async ({ access, id }) => mapOutcome(await viewJournalImport(ports, access, id('importId')), toImport));
  on('postJournalImport', async ({ access, id, asked }) => {
    const posted = await postJournalImport(ports, access, id('importId'), asked);
    return posted.ok ? succeed({ ...posted.value }) : posted;
  });
  on('discardJournalImport', async ({ access, id }) => discardJournalImport(ports, access, id('importId')));
}

function toImport({ form: _, summary, state, ...record }: JournalImportRecord) {
  return {
    ...record,
    // Begun and being read are one to who waits.
    state: state === 'begun' ? ('reading' as const) : state,
    summary: summary && {
      ...summary,
      debit: summary.debit.toString(),
      faults: summary.faults.map((fault) => ({ ...fault, facts: { ...fault.facts } })),
      groups: summary.groups.map((group) => ({ ...group, facts: { ...group.facts } })),
    },
  };
}
