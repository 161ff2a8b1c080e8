import { z } from 'zod';
import { mayBeLong, type Operation } from './operation.ts';
import { operations } from './operations.ts';
import { problem } from './problem.ts';
import { statementKind } from './statement.ts';

type Json = Record<string, unknown>;

/** Schemas that hold themselves stand once, among the components. */
const shared: Json = {};

function schemaOf(type: z.ZodType, io: 'input' | 'output'): Json {
  const { definitions, ...schema } = z.toJSONSchema(type, { io, unrepresentable: 'any', target: 'openapi-3.0' }) as Json;
  if (definitions === undefined) return schema;
  Object.assign(shared, withSharedNames(definitions as Json));
  return withSharedNames(schema);
}

function withSharedNames(schema: Json): Json {
  return JSON.parse(JSON.stringify(schema).replaceAll('"#/definitions/', '"#/components/schemas/')) as Json;
}

/** The OpenAPI 3.0 description of every operation, made from the schemas that check requests and answers. */
export function describeApi(version: string): Json {
  const paths: Record<string, Json> = {};
  for (const [name, operation] of Object.entries(operations)) {
    const at = `/api${operation.path}`;
    paths[at] = { ...paths[at], [operation.method]: describeOperation(name, operation) };
    if (mayBeLong(operation)) paths[`${at}/query`] = { post: describeOperation(`${name}Query`, withQueryInBody(operation)) };
  }
  return {
    openapi: '3.0.3',
    info: {
      title: 'Ivory Ladder',
      version,
      description:
        'Amounts are decimal strings of minor units, debit positive unless a field says otherwise. Requests that change something carry the header `X-Ivory-Ladder: 1` and come from the origin the server listens as.',
    },
    paths,
    components: { schemas: { ...shared, Problem: schemaOf(problem, 'output') } },
  };
}

/** The same question, asked in the body: for what is too long for an address. */
function withQueryInBody({ query, ...operation }: Operation): Operation {
  return { ...operation, method: 'post', summary: `${operation.summary}, asked for in the body`, ...(query ? { body: query } : {}) };
}

function describeOperation(name: string, operation: Operation): Json {
  const query = operation.query ? Object.entries(operation.query.shape as Record<string, z.ZodType>) : [];
  const parameters = [
    ...[...operation.path.matchAll(/\{(\w+)\}/g)].map(([, parameter]) => ({
      name: parameter,
      in: 'path',
      required: true,
      schema: parameter === 'kind' ? schemaOf(statementKind, 'input') : { type: 'integer', minimum: 1 },
    })),
    ...query.map(([key, type]) => ({ name: key, in: 'query', required: !type.safeParse(undefined).success, schema: schemaOf(type, 'input') })),
    ...(operation.idempotent ? [{ name: 'Idempotency-Key', in: 'header', required: false, schema: { type: 'string', maxLength: 100 } }] : []),
  ];
  const content =
    operation.takesFile || operation.takesStream
      ? { 'application/octet-stream': { schema: { type: 'string', format: 'binary' } } }
      : operation.body
        ? { 'application/json': { schema: schemaOf(operation.body, 'input') } }
        : null;
  const answer = operation.answer;
  const success =
    answer === 'none'
      ? { description: 'done' }
      : answer === 'file' || answer === 'stream'
        ? { description: 'a file' }
        : { description: 'done', content: { 'application/json': { schema: schemaOf(answer, 'output') } } };
  return {
    operationId: name,
    summary: operation.summary,
    'x-needs': operation.needs,
    ...(parameters.length > 0 ? { parameters } : {}),
    ...(content ? { requestBody: { required: true, content } } : {}),
    responses: {
      [operation.status ?? 200]: success,
      default: { description: 'a problem document (RFC 9457)', content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } } },
    },
  };
}
