import { createHash } from 'node:crypto';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { mayBeLong, type Operation, type OperationName, operations } from '@ivory-ladder/contract';
import { fail, type Outcome, type Permission, succeed } from '@ivory-ladder/core';
import { type NextFunction, type Request, type RequestHandler, type Response, type Router, raw } from 'express';
import { z } from 'zod';
import { type Access, enterCompany } from '../application/access.ts';
import type { Failure } from '../application/failure.ts';
import { largestUploadBytes } from '../application/limits.ts';
import type { Request as Asked, Identity, ReceivedFile, StreamedFile, WrittenFile } from '../application/ports/index.ts';
import type { StatementName } from '../application/statements/index.ts';
import { isHeavy } from './heavyOperations.ts';
import type { PersonTurns } from './personTurns.ts';
import { type AnswerElsewhere, answeredElsewhere, type PlainCall } from './plainCall.ts';
import { closeUnread, sendProblem } from './problems.ts';
import { readJson } from './readJson.ts';
import { sendJson, sendJsonText } from './sendJson.ts';
import { nameOf } from './statementNames.ts';
import { unsoundText } from './unsoundText.ts';

type OperationOf<Name extends OperationName> = (typeof operations)[Name];
type QueryOf<Name extends OperationName> = OperationOf<Name> extends { query: infer Query extends z.ZodType } ? z.output<Query> : undefined;
type BodyOf<Name extends OperationName> = OperationOf<Name> extends { body: infer Body extends z.ZodType } ? z.output<Body> : undefined;
type AnswerOf<Name extends OperationName> =
  OperationOf<Name> extends { answer: infer Answer extends z.ZodType }
    ? z.output<Answer>
    : OperationOf<Name> extends { answer: 'stream' }
      ? StreamedFile
      : WrittenFile | null;
type AccessOf<Name extends OperationName> = OperationOf<Name>['needs'] extends infer Needs ? (Needs extends Permission ? Access<Needs> : null) : never;

interface Call<Name extends OperationName> {
  /** Of a company's operations: that its role was checked. */
  readonly access: AccessOf<Name>;
  /** Who is signed in; always somebody where the operation needs more than nobody. */
  readonly identity: OperationOf<Name>['needs'] extends 'nobody' ? Identity | null : Identity;
  readonly query: QueryOf<Name>;
  readonly body: BodyOf<Name>;
  readonly file: Buffer;
  /** Of an operation whose stream is taken in first. */
  readonly received: ReceivedFile;
  readonly asked: Asked;
  readonly request: Request;
  /** Who asked has gone away before the answer. */
  readonly left: AbortSignal;
  /** A path parameter that is a whole number. */
  id(parameter: string): number;
  /** Of a statement. */
  kind(): StatementName;
}

type Handle<Name extends OperationName> = (call: Call<Name>) => Promise<Outcome<AnswerOf<Name>, Failure>>;
/** Hears of everything that is taken out as a file, before it goes. */
type Exported = (name: OperationName, call: { readonly identity: Identity | null; readonly access: Access | null; readonly request: Request }) => Promise<void>;
/** What of a failure is looked up before it is told. */
type Told = (failure: Failure, access: Access | null) => Promise<Failure>;
/** A stream that was taken in, and how it goes once it was answered for. */
interface Received {
  readonly file: ReceivedFile;
  release(): Promise<void>;
}

interface Steps<Name extends OperationName> {
  /** Before anything else is looked at. */
  readonly before?: RequestHandler;
  /** Takes the stream in, on the thread of the requests, before another answers. */
  readonly receive?: (call: Call<Name>) => Promise<Outcome<Received, Failure>>;
}

export type On = <Name extends OperationName>(name: Name, handle: Handle<Name>, steps?: Steps<Name>) => void;

const idempotencyKey = z.string().min(1).max(100).optional();
const nothingReceived: ReceivedFile = { descriptor: -1, bytes: 0 };
const wholeNumber = z.coerce.number().int().positive();

/** Adds operations of the contract to a router: who asks and what is asked are checked on the way in, failures become problem documents on the way out. */
export function operationRoutes(
  router: Router,
  {
    checkAnswers,
    exported,
    elsewhere,
    turns,
    told,
  }: { checkAnswers: boolean; exported: Exported; elsewhere: AnswerElsewhere | null; turns: PersonTurns; told: Told },
): On {
  return (name, handle, { before, receive } = {}) => {
    const operation: Operation = operations[name];
    const path = operation.path.replaceAll(/\{(\w+)\}/g, ':$1');
    // Who asks is known before anything that is sent is read.
    const allowed: RequestHandler = (request, response, next) => {
      // Told already that the database hangs: nothing is begun any more.
      if (response.headersSent) return;
      response.setHeader('Cache-Control', 'no-store');
      const entered = enter(operation, request);
      if (!entered.ok) return sendProblem(response, entered.failure);
      response.locals.entered = entered.value;
      next();
    };
    const sendWritten = (json: Uint8Array, request: Request, response: Response): void => {
      const text = Buffer.from(json.buffer, json.byteOffset, json.byteLength);
      if (checkAnswers && typeof operation.answer !== 'string') operation.answer.parse(JSON.parse(text.toString('utf8')));
      sendJsonText(request, response.status(operation.status ?? 200), text);
    };
    const answer = async (request: Request, response: Response): Promise<void> => {
      const call = readCall(name, operation, request, response);
      if (!receive) return answerCall(call, request, response);
      const received = await receive(call);
      if (!received.ok) return sendProblem(response, received.failure);
      try {
        await answerCall({ ...call, received: received.value.file }, request, response);
      } finally {
        await received.value.release();
      }
    };
    const answerCall = async (call: Call<typeof name>, request: Request, response: Response): Promise<void> => {
      if (elsewhere && answeredElsewhere.has(name)) {
        const answered = await elsewhere(plain(name, call), call.left);
        if (response.destroyed || response.headersSent) return;
        if (!answered.ok) return sendProblem(response, answered.failure);
        if ('json' in answered.value) return sendWritten(answered.value.json, request, response);
        await exported(name, { ...(response.locals.entered as Entered), request });
        return sendFile(answered.value.file, response);
      }
      const outcome = await handle(call);
      if (response.destroyed || response.headersSent) return;
      closeUnread(response);
      if (!outcome.ok) return sendProblem(response, await told(outcome.failure, (response.locals.entered as Entered).access));
      if (operation.answer === 'file' || operation.answer === 'stream') await exported(name, { ...(response.locals.entered as Entered), request });
      if (operation.answer === 'none') return void response.status(204).end();
      if (operation.answer === 'file') return sendFile(outcome.value as WrittenFile, response);
      if (operation.answer === 'stream') {
        const file = outcome.value as StreamedFile;
        sayAttached(response, file.name);
        response.setHeader('Content-Length', file.bytes);
        // What people attach is mostly packed already.
        response.setHeader('Cache-Control', 'no-store, no-transform');
        return pipeline(Readable.from(file.content), response.type('application/octet-stream'));
      }
      const body = checkAnswers ? operation.answer.parse(outcome.value) : outcome.value;
      sendJson(request, response.status(operation.status ?? 200), body);
    };
    const readers = operation.takesFile ? [raw({ type: () => true, limit: largestUploadBytes })] : operation.body ? [readJson(operation)] : [];
    const needsTurn = isHeavy(name, operation);
    const inTurn: RequestHandler = async (request, response, next) => {
      const { identity } = response.locals.entered as Entered;
      if (!identity || !needsTurn(request)) return next();
      const entered = await turns.enter(identity.person.id, whenLeft(response));
      if (typeof entered !== 'function') return sendProblem(response, entered);
      if (response.closed) return entered();
      response.once('close', entered);
      next();
    };
    const steps = [...(before ? [before] : []), allowed, inTurn];
    router[operation.method](path, ...steps, ...readers, answer);
    if (mayBeLong(operation)) router.post(`${path}/query`, ...steps, readJson({ needs: operation.needs }), queryInBody, answer);
  };
}

function sendFile({ name, type, content }: WrittenFile, response: Response): void {
  sayAttached(response, name);
  // What came from another thread is bytes, no longer a buffer.
  response.type(type).send(typeof content === 'string' ? content : Buffer.from(content));
}

function plain<Name extends OperationName>(name: Name, { access, identity, query, body, file, received, asked, request }: Call<Name>): PlainCall {
  return { name, access, identity, query, body, file, received, asked, parameters: request.params as Record<string, string> };
}

/** What is asked for, of a body in the place of an address that would be too long. */
function queryInBody(request: Request, response: Response, next: NextFunction): void {
  response.locals.query = z.record(z.string(), z.string()).parse(request.body);
  next();
}

/** When who asked goes away before the answer. */
function whenLeft(response: Response): AbortSignal {
  const left = new AbortController();
  response.once('close', () => {
    if (!response.writableEnded) left.abort();
  });
  return left.signal;
}

/** A call that came as plain data, for handlers that are asked in another thread; none of them asks for the request itself. */
export function callOf(call: PlainCall): Call<OperationName> {
  return {
    ...call,
    file: Buffer.from(call.file),
    asked: { ...call.asked, requestHash: Buffer.from(call.asked.requestHash) },
    left: new AbortController().signal,
    get request(): Request {
      throw new Error(`${call.name} asks for its request in another thread`);
    },
    id: (parameter) => wholeNumber.parse(call.parameters[parameter]),
    kind: () => nameOf(String(call.parameters.kind)),
  } as Call<OperationName>;
}

/** To be kept by who asked for it, never opened in the page's place. */
function sayAttached(response: Response, name: string): void {
  response.setHeader('Content-Disposition', `attachment; filename*=UTF-8''${encodeURIComponent(name)}`);
}

interface Entered {
  readonly identity: Identity | null;
  readonly access: Access | null;
}

function enter({ needs, beforeSecondFactor }: Operation, request: Request): Outcome<Entered, Failure> {
  const identity = request.session?.identity ?? null;
  if (needs === 'nobody') return succeed({ identity, access: null });
  if (!identity) return fail({ code: 'sign_in_needed' });
  if (identity.lacksSecondFactor && !beforeSecondFactor) return fail({ code: 'second_factor_to_set_up' });
  if (needs === 'person') return succeed({ identity, access: null });
  const access = enterCompany(identity, wholeNumber.parse(request.params.companyId), needs);
  return access.ok ? succeed({ identity, access: access.value }) : access;
}

function readCall<Name extends OperationName>(name: Name, operation: Operation, request: Request, response: Response): Call<Name> {
  const { identity, access } = response.locals.entered as Entered;
  const file = operation.takesFile && Buffer.isBuffer(request.body) ? request.body : Buffer.alloc(0);
  const body = operation.body?.parse(request.body);
  const query = operation.query?.parse(response.locals.query ?? request.query);
  const written = JSON.stringify([name, request.path, body]);
  const unsound = unsoundText(written, body) ?? unsoundText(JSON.stringify(query) ?? '', query);
  if (unsound) throw new z.ZodError([{ code: 'custom', path: [...unsound], message: 'A character that no text has', input: undefined }]);
  return {
    access: access as AccessOf<Name>,
    identity: identity as Call<Name>['identity'],
    query: query as QueryOf<Name>,
    body: body as BodyOf<Name>,
    file,
    received: nothingReceived,
    request,
    left: whenLeft(response),
    asked: {
      actor: access?.actor ?? { name: '', personId: null },
      idempotencyKey: operation.idempotent ? (idempotencyKey.parse(request.headers['idempotency-key']) ?? null) : null,
      requestHash: createHash('sha256').update(written).digest(),
    },
    id: (parameter) => wholeNumber.parse(request.params[parameter]),
    kind: () => nameOf(String(request.params.kind)),
  };
}
