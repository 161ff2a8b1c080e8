import type { ColumnPlanBody, LayoutDetail, LayoutFigures, StatementBody, TriedColumn } from '@ivory-ladder/contract';
import { mapOutcome, type OwnLayout, type StatementColumn, succeed } from '@ivory-ladder/core';
import * as plans from '../application/columnPlans.ts';
import { readLayoutFile, writeLayoutFile } from '../application/layoutFile.ts';
import * as layouts from '../application/layouts.ts';
import type { ColumnPlanRecord, LayoutRecord, Ports, StoredLayout } from '../application/ports/index.ts';
import { type LayoutFigures as Figures, viewLayoutFigures } from '../application/viewLayoutFigures.ts';
import { text } from './amountText.ts';
import type { On } from './operationRoutes.ts';

/** Layouts that are composed: drafts, versions, and the one in use. */
export function layoutRoutes(on: On, ports: Ports): void {
  on('listLayouts', async ({ access }) => succeed({ layouts: await layouts.listLayouts(ports, access) }));
  on('addLayout', async ({ access, body }) => mapOutcome(await layouts.addLayout(ports, access, body), toDetail));
  on('getLayout', async ({ access, id }) => mapOutcome(await layouts.viewLayout(ports, access, id('layoutId')), toDetail));
  on('renameLayout', async ({ access, id, body }) => mapOutcome(await layouts.renameLayout(ports, access, id('layoutId'), body.version, body.name), toDetail));
  on('saveLayoutDraft', async ({ access, id, body }) =>
    mapOutcome(await layouts.saveLayoutDraft(ports, access, id('layoutId'), body), ({ joined, ...stored }) => ({
      ...toDetail(stored),
      joined: joined && { by: joined.by, joined: [...joined.joined], overridden: [...joined.overridden] },
    })),
  );
  on('putLayoutInUse', async ({ access, id, body }) =>
    mapOutcome(await layouts.putLayoutInUse(ports, access, id('layoutId'), body.version, body.reason), toDetail),
  );
  on('deleteLayout', async ({ access, id, query }) => layouts.deleteLayout(ports, access, id('layoutId'), query.version ?? null));
  on('getLayoutVersion', async ({ access, id }) =>
    mapOutcome(await layouts.viewLayoutVersion(ports, access, id('layoutId'), id('number')), ({ definition, ...version }) => ({
      ...version,
      definition: toDefinition(definition),
    })),
  );
  on('getKeptDraft', async ({ access, id }) =>
    mapOutcome(await layouts.viewKeptDraft(ports, access, id('layoutId'), id('number')), (definition) => ({ definition: toDefinition(definition) })),
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
  on('listColumnPlans', async ({ access }) => succeed({ plans: (await plans.listPlans(ports, access)).map(toPlan) }));
  on('addColumnPlan', async ({ access, body }) => mapOutcome(await plans.addPlan(ports, access, body), toPlan));
  on('changeColumnPlan', async ({ access, id, body: { version, ...fields } }) =>
    mapOutcome(await plans.changePlan(ports, access, id('planId'), version, fields), toPlan),
  );
  on('deleteColumnPlan', async ({ access, id, query }) => plans.deletePlan(ports, access, id('planId'), query.version ?? null));
  on('getLayoutFigures', async ({ access, query }) => mapOutcome(await viewLayoutFigures(ports, access, query), toFigures));
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

function toFigures({ books, columns, amounts }: Figures): LayoutFigures {
  let next = 0;
  const texts = (vector: BigInt64Array): string[] => Array.from(vector, text);
  return {
    accountIds: [...books.cube.accountIds],
    columns: columns.map((column): TriedColumn => {
      const shown = toColumn(column);
      if (column.kind === 'calculation' && shown.kind === 'calculation') return { ...shown, operands: [...column.operands], days: column.days };
      if (column.kind !== 'amount' || shown.kind !== 'amount') return shown as Exclude<typeof shown, { kind: 'amount' | 'calculation' }>;
      const { opening, movement, closing, notAllotted, flows } = amounts[next++] as (typeof amounts)[number];
      return {
        ...shown,
        ...(column.equity === undefined ? {} : { equity: column.equity }),
        ...(column.total === undefined ? {} : { total: column.total }),
        opening: texts(opening),
        movement: texts(movement),
        closing: texts(closing),
        notAllotted: text(notAllotted),
        flows: flows
          ? {
              increases: texts(flows.increases),
              raised: texts(flows.raised),
              exchange: texts(flows.exchange),
              transfers: { raised: texts(flows.transfers.raised), lowered: texts(flows.transfers.lowered) },
            }
          : null,
      };
    }),
    revision: books.cube.revision,
  };
}

/** A column as the preview knows it. */
function toColumn(column: StatementColumn): StatementBody['columns'][number] {
  const { heading, group, width, format } = column;
  const head = {
    ...(heading === undefined ? {} : { heading }),
    ...(group === undefined ? {} : { group }),
    ...(width === undefined ? {} : { width }),
    ...(format === undefined ? {} : { format }),
  };
  if (column.kind === 'calculation') return { kind: column.kind, text: column.text, result: column.result, ...head };
  if (column.kind !== 'amount') return column;
  const { kind, measure, span, budget = null, placedOn, began, adjusting } = column;
  return {
    kind,
    measure,
    firstDay: span.firstDay,
    lastDay: span.lastDay,
    budget,
    ...(placedOn === undefined ? {} : { placedOn }),
    ...(began === undefined ? {} : { began }),
    ...(adjusting === undefined ? {} : { adjusting }),
    ...head,
  };
}
