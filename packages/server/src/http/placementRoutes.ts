import { mapOutcome } from '@ivory-ladder/core';
import {
  addCategory,
  addClassification,
  applyPlacement,
  changeCategory,
  changeClassification,
  changePlaces,
  changeRehearsal,
  deleteCategory,
  deleteClassification,
  deleteRehearsal,
  endRehearsal,
  exportPlacement,
  listPlacedElsewhere,
  listPlacementRecords,
  listRehearsals,
  readPlacementFile,
  rehearseDraft,
  saveRehearsal,
  setExclusions,
  undoPlacement,
  viewPastPlacement,
  viewPlacement,
  viewPlacementRecord,
} from '../application/placement/index.ts';
import type { Ports } from '../application/ports/index.ts';
import { toCategory, toEffect, toPlacement } from './chartAnswers.ts';
import type { On } from './operationRoutes.ts';
import { toApplied, toPastPlacement, toReadPlacement, toRecordDetail, toRehearsal, toSavedRehearsal } from './placementAnswers.ts';

/** Categories, where accounts stand, and changes of both: rehearsed, applied and taken back. */
export function placementRoutes(on: On, ports: Ports): void {
  on('getPlacement', async ({ access, query }) => mapOutcome(await viewPlacement(ports, access, query), toPlacement));
  on('addClassification', async ({ access, body }) => mapOutcome(await addClassification(ports, access, body), (id) => ({ id })));
  on('changeClassification', async ({ access, id, body }) => changeClassification(ports, access, id('classificationId'), body));
  on('deleteClassification', async ({ access, id }) => deleteClassification(ports, access, id('classificationId')));
  on('setExclusions', async ({ access, body }) => mapOutcome(await setExclusions(ports, access, body), (accounts) => ({ accounts })));
  on('exportPlacement', async ({ access, query }) => exportPlacement(ports, access, query));
  on('readPlacementFile', async ({ access, query, file }) =>
    mapOutcome(await readPlacementFile(ports, access, { name: query.name, content: file }, query.classification), toReadPlacement),
  );
  on('listPlacedElsewhere', async ({ access, identity }) =>
    mapOutcome(await listPlacedElsewhere(ports, access, identity), (placed) => ({ placed: [...placed] })),
  );
  on('setPlaces', async ({ access, body, query }) => mapOutcome(await changePlaces(ports, access, body.changes, query.classification), (moved) => ({ moved })));
  on('addCategory', async ({ access, body, query }) => mapOutcome(await addCategory(ports, access, body, query.classification), toCategory));
  on('changeCategory', async ({ access, id, body, query }) =>
    mapOutcome(await changeCategory(ports, access, id('categoryId'), body, query.classification), toCategory),
  );
  on('deleteCategory', async ({ access, id, query }) => deleteCategory(ports, access, id('categoryId'), query.classification));
  on('applyPlacement', async ({ access, body: { draft, reason, rehearsalId, ...span } }) => {
    const applied = await applyPlacement(ports, access, draft, reason, span);
    if (applied.ok) await endRehearsal(ports, access, { rehearsalId, classification: span.classification }, { draft, ids: applied.value.ids });
    return mapOutcome(applied, toApplied);
  });
  on('rehearsePlacement', async ({ access, body: { draft, ...span } }) => mapOutcome(await rehearseDraft(ports, access, draft, span), toEffect));
  on('getPastPlacement', async ({ access, query }) => mapOutcome(await viewPastPlacement(ports, access, query), toPastPlacement));
  on('listPlacementRecords', async ({ access, query }) =>
    mapOutcome(await listPlacementRecords(ports, access, query), ({ records, next }) => ({ records: [...records], next })),
  );
  on('getPlacementRecord', async ({ access, id }) => mapOutcome(await viewPlacementRecord(ports, access, id('recordId')), toRecordDetail));
  on('undoPlacement', async ({ access, id, query }) => mapOutcome(await undoPlacement(ports, access, id('recordId'), query), toApplied));
  on('listRehearsals', async ({ access, query }) =>
    mapOutcome(await listRehearsals(ports, access, query.classification), (rehearsals) => ({
      rehearsals: rehearsals.map((kept) => toRehearsal(kept, access.personId)),
    })),
  );
  on('saveRehearsal', async ({ access, body }) => mapOutcome(await saveRehearsal(ports, access, body), (saved) => toSavedRehearsal(saved, access.personId)));
  on('changeRehearsal', async ({ access, id, body }) =>
    mapOutcome(await changeRehearsal(ports, access, id('rehearsalId'), body), (saved) => toSavedRehearsal(saved, access.personId)),
  );
  on('deleteRehearsal', async ({ access, id }) => deleteRehearsal(ports, access, id('rehearsalId')));
}
