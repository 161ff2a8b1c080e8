import type { Failure } from '../failure.ts';
import type { HistoryEvent, Ports } from '../ports/index.ts';

type VersionConflict = Extract<Failure, { code: 'version_conflict' }>;

/**
 * Things of which every new version is on record under the name that failures give them. What is written beside a thing without a new version of it (comments of a
 * set, cells of a budget) is on record under its name too, so that of those nobody is named rather than the wrong person.
 */
const recorded: ReadonlySet<string> = new Set([
  'account',
  'category',
  'classification',
  'code_list',
  'column_plan',
  'company',
  'document_series',
  'layout_options',
  'role',
]);
/** Among so many events that of the version is looked for; before it stand notes and files. */
const mostLookedAt = 20;

/** The conflict with who made the version that stands, and when, where that is on record. */
export async function withLastChange({ chart }: Pick<Ports, 'chart'>, companyId: number, conflict: VersionConflict): Promise<VersionConflict> {
  const { thing, id } = conflict;
  if (!recorded.has(thing)) return conflict;
  const { events } = await chart.history(companyId, { thing, thingId: id, actor: null, from: null, to: null, before: null, limit: mostLookedAt });
  const last = events.find(makesVersion);
  return last ? { ...conflict, last: { by: last.actor, at: last.happenedAt } } : conflict;
}

/** Notes, files and what a list was filled into stand beside a thing, whose version stays. */
function makesVersion({ action, after }: HistoryEvent): boolean {
  const isFile = typeof after === 'object' && after !== null && ('attached' in after || 'detached' in after);
  return (action === 'added' || action === 'changed') && !isFile;
}
