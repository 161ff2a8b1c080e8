import type { ColumnPlanBody, LayoutDetail } from '@ivory-ladder/contract';
import { mapOutcome, type OwnLayout, succeed } from '@ivory-ladder/core';
import {
  addLayout,
  addPlan,
  changePlan,
  deleteLayout,
  deletePlan,
  listLayouts,
  listPlans,
  putLayoutInUse,
  readLayoutFile,
  renameLayout,
  saveLayoutDraft,
  viewKeptDraft,
  viewLayout,
  viewLayoutVersion,
  writeLayoutFile,
} from '../application/layouts/index.ts';
import type { ColumnPlanRecord, LayoutRecord, Ports, StoredLayout } from '../application/ports/index.ts';
import type { On } from './operationRoutes.ts';

/** Layouts that are composed: drafts, versions, and the one in use. */
export function layoutRoutes(on: On, ports: Ports): void {
  on('listLayouts', async ({ access }) => succeed({ layouts: await listLayouts(ports, access) }));
  on('addLayout', async ({ access, body }) => mapOutcome(await addLayout(ports, access, body), toDetail));
  on('getLayout', async ({ access, id }) => mapOutcome(await viewLayout(ports, access, id('layoutId')), toDetail));
  on('renameLayout', async ({ access, id, body }) => mapOutcome(await renameLayout(ports, access, id('layoutId'), body.version, body.name), toDetail));
  on('saveLayoutDraft', async ({ access, id, body }) =>
    mapOutcome(await saveLayoutDraft(ports, access, id('layoutId'), body), ({ joined, ...stored }) => ({
      ...toDetail(stored),
      joined: joined && { by: joined.by, joined: [...joined.joined], overridden: [...joined.overridden] },
    })),
  );
  on('putLayoutInUse', async ({ access, id, body }) => mapOutcome(await putLayoutInUse(ports, access, id('layoutId'), body.version, body.reason), toDetail));
  on('deleteLayout', async ({ access, id, query }) => deleteLayout(ports, access, id('layoutId'), query.version ?? null));
  on('getLayoutVersion', async ({ access, id }) =>
    mapOutcome(await viewLayoutVersion(ports, access, id('layoutId'), id('number')), ({ definition, ...version }) => ({
      ...version,
      definition: toDefinition(definition),
    })),
  );
  on('getKeptDraft', async ({ access, id }) =>
    mapOutcome(await viewKeptDraft(ports, access, id('layoutId'), id('number')), (definition) => ({ definition: toDefinition(definition) })),
  );
  on('getLayoutFile', async ({ access, id }) =>
    mapOutcome(await writeLayoutFile(ports, access, id('layoutId')), (file) => ({
      name: `${file.name.replaceAll(/[\\/:*?"<>|]/g, '-')}.layout.json`,
      type: 'application/json',
      content: JSON.stringify(file, null, 2),
    })),
  );
  on('addLayoutFile', async ({ access, query, body }) =>
    mapOutcome(await readLayoutFile(ports, access, body as Parameters<typeof readLayoutFile>[2], query.classification), ({ stored, missing }) => ({
      layout: toDetail(stored),
      missing: [...missing],
    })),
  );
  on('listColumnPlans', async ({ access }) => succeed({ plans: (await listPlans(ports, access)).map(toPlan) }));
  on('addColumnPlan', async ({ access, body }) => mapOutcome(await addPlan(ports, access, body), toPlan));
  on('changeColumnPlan', async ({ access, id, body: { version, ...fields } }) =>
    mapOutcome(await changePlan(ports, access, id('planId'), version, fields), toPlan),
  );
  on('deleteColumnPlan', async ({ access, id, query }) => deletePlan(ports, access, id('planId'), query.version ?? null));
}

function toPlan(plan: ColumnPlanRecord): ColumnPlanBody {
  return plan as ColumnPlanBody;
}

/** Lists of the core are not to be written to; those of an answer are nobody's any more. */
function toDefinition(layout: OwnLayout): LayoutDetail['definition'] {
  return layout as LayoutDetail['definition'];
}

function toDetail({ draft, used, versions, keptDrafts, ...record }: StoredLayout): LayoutDetail {
  return {
    ...(record satisfies LayoutRecord),
    definition: toDefinition((draft ?? used) as OwnLayout),
    used: used && toDefinition(used),
    versions: [...versions],
    keptDrafts: [...keptDrafts],
  };
}
