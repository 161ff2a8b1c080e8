import type { operations } from '@ivory-ladder/contract';
import { mapOutcome, succeed } from '@ivory-ladder/core';
import type { z } from 'zod';
import {
  addAdjustingPeriod,
  changeSettings,
  checkSettings,
  createCompany,
  lockPeriods,
  makeNextYear,
  makeYear,
  removeCompany,
  unlockPeriod,
  viewCompany,
} from '../application/companies/index.ts';
import { viewHistory } from '../application/history/index.ts';
import { closeYear, proposeClosing } from '../application/ledger/index.ts';
import type { HistoryWanted, Ports } from '../application/ports/index.ts';
import { toEffect } from './chartAnswers.ts';
import * as answers from './companyAnswers.ts';
import type { On } from './operationRoutes.ts';

/** Companies, their settings and the record of changes. */
export function companyRoutes(on: On, ports: Ports): void {
  on('listCompanies', async ({ identity }) => succeed(answers.toCompanies(await ports.companies.list(identity.person.id))));
  on('createCompany', async ({ identity, body }) => mapOutcome(await createCompany(ports, identity, body), answers.toCompany));
  on('getCompany', async ({ access }) => mapOutcome(await viewCompany(ports, access), answers.toCompany));
  on('removeCompany', async ({ access, body }) => removeCompany(ports, access, body.name));
  on('checkSettings', async ({ access, body: { from, to, ...edit } }) =>
    mapOutcome(await checkSettings(ports, access, edit, { firstDay: from, lastDay: to }), ({ effect, ...counts }) => ({
      ...counts,
      effect: toEffect(effect),
    })),
  );
  on('changeSettings', async ({ access, body }) => mapOutcome(await changeSettings(ports, access, body), answers.toCompany));
  on('makeYear', async ({ access, body }) => {
    const made = 'day' in body ? await makeYear(ports, access, body.day) : await makeNextYear(ports, access, body);
    return made.ok ? mapOutcome(await viewCompany(ports, access), answers.toCompany) : made;
  });
  on('addAdjustingPeriod', async ({ access, id }) => {
    const added = await addAdjustingPeriod(ports, access, id('year'));
    return added.ok ? mapOutcome(await viewCompany(ports, access), answers.toCompany) : added;
  });
  on('proposeClosing', async ({ access, id }) => mapOutcome(await proposeClosing(ports, access, id('year')), answers.toClosing));
  on('closeYear', async ({ access, id, asked }) =>
    mapOutcome(await closeYear(ports, access, id('year'), asked), (entries) => ({
      entries: entries.map(({ entryId, documentNumber }) => ({ entryId, documentNumber })),
    })),
  );
  on('lockPeriods', async ({ access, body }) => mapOutcome(await lockPeriods(ports, access, body), answers.toCompany));
  on('unlockPeriod', async ({ access, body }) => mapOutcome(await unlockPeriod(ports, access, body), answers.toCompany));
  on('listHistory', async ({ access, query }) =>
    mapOutcome(await viewHistory(ports, access, historyWanted(query, query.before ?? null, query.limit)), ({ events, next }) => ({
      events: [...events],
      next,
    })),
  );
  on('exportHistory', async ({ access, query }) =>
    mapOutcome(await viewHistory(ports, access, historyWanted(query, null, mostExported)), ({ books, events }) =>
      ports.writer.historyToCsv(books.company.name, events),
    ),
  );
}

const mostExported = 10_000;

type HistoryQuery = z.infer<(typeof operations)['exportHistory']['query']>;

const historyWanted = ({ thing, thingId, actor, from, to }: HistoryQuery, before: number | null, limit: number): HistoryWanted => ({
  thing: thing ?? null,
  thingId: thingId ?? null,
  actor: actor ?? null,
  from: from ?? null,
  to: to ?? null,
  before,
  limit,
});
