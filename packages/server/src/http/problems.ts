import { type FactsOf, type FailureCode, failures, type Problem } from '@ivory-ladder/contract';
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

/** As JSON holds it: amounts are strings, and what is only read can be written. */
type InJson<Value> = unknown extends Value
  ? unknown
  : Value extends bigint
    ? string
    : Value extends readonly (infer Item)[]
      ? InJson<Item>[]
      : Value extends object
        ? { -readonly [Key in keyof Value]: InJson<Value[Key]> }
        : Value;
/** Of each kind of failure with the code, what else it says. */
type FactsGiven<Code, Kind = HttpFailure> = Kind extends { code: infer Codes } ? (Code extends Codes ? InJson<Omit<Kind, 'code'>> : never) : never;
/** Codes whose facts are not those of the contract, or that nothing gives; there are none, or this file does not compile. */
type Astray =
  | Exclude<FailureCode, HttpFailure['code']>
  | { [Code in HttpFailure['code']]: FactsGiven<Code> extends FactsOf<Code> ? never : Code }[HttpFailure['code']];
const agreed: [Astray] extends [never] ? Record<FailureCode, { status: number }> : Astray = failures;

/** The one mapper from a failure to a problem document (RFC 9457). */
export function toProblem(failure: HttpFailure): Problem {
  const { code, ...facts } = failure;
  const { status } = agreed[code];
  const plain = JSON.parse(JSON.stringify(facts, (_, value) => (typeof value === 'bigint' ? value.toString() : value))) as Record<string, unknown>;
  return { type: `/problems/${code.replaceAll('_', '-')}`, title: code.replaceAll('_', ' '), status, code, facts: plain } as Problem;
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
