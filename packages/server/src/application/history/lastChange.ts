import type { Failure } from '../failure.ts';
import type { Ports } from '../ports/index.ts';

type VersionConflict = Extract<Failure, { code: 'version_conflict' }>;

/** Things of which every new version is on record, under the name that failures give them. */
const recorded: ReadonlySet<string> = new Set([
  'account',
  'budget',
  'category',
  'classification',
  'code_list',
  'column_plan',
  'company',
  'document_series',
  'layout_options',
  'person',
  'role',
  'statement_set',
  'view',
]);

/** The conflict with who made the version that stands, and when, where that is on record. */
export async function withLastChange({ chart }: Pick<Ports, 'chart'>, companyId: number, conflict: VersionConflict): Promise<VersionConflict> {
  const { thing, id } = conflict;
  if (!recorded.has(thing)) return conflict;
  const { events } = await chart.history(companyId, { thing, thingId: id, actor: null, from: null, to: null, before: null, limit: 1 });
  const [last] = events;
  return last ? { ...conflict, last: { by: last.actor, at: last.happenedAt } } : conflict;
}
