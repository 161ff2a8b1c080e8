import type { Problem } from '@ivory-ladder/contract';
import type { ErrorRequestHandler, Response } from 'express';
import type { Logger } from 'pino';
import { ZodError } from 'zod';
import type { Failure } from '../application/failure.ts';

type HttpFailure =
  | Failure
  | { code: 'request_invalid'; issues: { path: string; message: string }[] }
  | { code: 'host_refused' }
  | { code: 'origin_refused' }
  | { code: 'header_missing'; header: string }
  | { code: 'internal' }
  | { code: 'route_unknown' }
  /** More than 64 kB of address and headers. */
  | { code: 'address_too_long' };

const conflicts = new Set([
  'version_conflict',
  'place_conflict',
  'placement_undone_already',
  'nothing_to_close',
  'adjusting_period_there',
  'classification_name_taken',
  'layout_name_taken',
  'column_plan_name_taken',
  'set_name_taken',
  'rehearsal_name_taken',
  'category_held',
  'ledger_moved_on',
  'category_name_taken',
  'category_not_empty',
  'period_locked',
  'period_not_locked',
  'entry_not_reversible',
  'account_number_taken',
  'account_not_retirable',
  'account_held',
  'person_is_member',
  'person_is_invited',
  'account_there_already',
  'last_administrator',
  'own_right_kept',
  'account_name_taken',
  'account_name_beside',
  'names_repeated',
  'company_name_differs',
  'view_name_taken',
  'setting_held',
  'code_list_name_taken',
  'series_code_taken',
  'series_held',
  'budget_name_taken',
  'budget_locked',
  'budget_not_locked',
  'budget_cells_moved_on',
  'rates_moved_on',
  'exclusions_moved_on',
  'code_list_held',
  'list_code_held',
  'role_name_taken',
  'role_in_use',
  'chart_moved_on',
  'journal_not_ready',
]);
const statusOf: Readonly<Record<string, number>> = {
  not_found: 404,
  route_unknown: 404,
  request_invalid: 400,
  host_refused: 421,
  origin_refused: 403,
  header_missing: 403,
  busy: 503,
  database_lost: 503,
  database_hangs: 503,
  storage_full: 507,
  share_of_disk_full: 507,
  sign_in_needed: 401,
  sign_in_refused: 401,
  permission_needed: 403,
  beyond_own_permissions: 403,
  adding_companies_refused: 403,
  person_of_other_companies: 403,
  installation_not_kept: 403,
  invitation_of_another: 403,
  too_many_attempts: 429,
  asked_for_much: 429,
  address_too_long: 431,
  file_too_large: 413,
  attachment_too_large: 413,
  internal: 500,
};

/** The one mapper from a failure to a problem document (RFC 9457). */
export function toProblem(failure: HttpFailure): Problem {
  const { code, ...facts } = failure;
  const status = statusOf[code] ?? (conflicts.has(code) ? 409 : 422);
  const plain = JSON.parse(JSON.stringify(facts, (_, value) => (typeof value === 'bigint' ? value.toString() : value))) as Record<string, unknown>;
  return { type: `/problems/${code.replaceAll('_', '-')}`, title: code.replaceAll('_', ' '), status, code, facts: plain };
}

/** What is answered before all of it was read closes its connection: whatever came next on it would be lost with the rest. */
export function closeUnread(response: Response): void {
  if (!response.req.complete) response.setHeader('Connection', 'close');
}

export function sendProblem(response: Response, failure: HttpFailure): void {
  // Told already that the database hangs.
  if (response.headersSent) return;
  const problem = toProblem(failure);
  closeUnread(response);
  if (failure.code === 'too_many_attempts' || failure.code === 'asked_for_much') response.setHeader('Retry-After', failure.seconds);
  response.status(problem.status).type('application/problem+json').send(JSON.stringify(problem));
}

const mostIssues = 20;
const longestText = 200;

/** A key that is no name of ours is the sender’s own. */
function named(part: PropertyKey): string {
  return /^\w{1,40}$/.test(String(part)) ? String(part) : '…';
}

/** What was thrown: a request that breaks the contract, trouble with what the application stands on, or a bug, of which the answer tells nothing. */
export function problemHandler(log: Logger, troubleOf: (error: unknown) => Failure | null): ErrorRequestHandler {
  return (error, _request, response, _next) => {
    if (response.writableEnded) return;
    if (response.headersSent) return void response.destroy();
    if (error instanceof ZodError) {
      // The first few, and nothing of what was sent.
      const issues = error.issues.slice(0, mostIssues).map(({ path, message, code }) => ({
        path: path.map(named).join('.').slice(0, longestText),
        message: code === 'unrecognized_keys' ? 'Unknown keys' : message.slice(0, longestText),
      }));
      return sendProblem(response, { code: 'request_invalid', issues });
    }
    const { status, type, limit } = error as { status?: number; type?: string; limit?: number };
    if (type === 'entity.too.large') return sendProblem(response, { code: 'file_too_large', bytes: 0, limit: limit ?? 0 });
    if (status !== undefined && status >= 400 && status < 500)
      return sendProblem(response, { code: 'request_invalid', issues: [{ path: '', message: type ?? 'malformed' }] });
    log.error({ err: error }, 'request failed');
    sendProblem(response, troubleOf(error) ?? { code: 'internal' });
  };
}
