import type { OperationName, operations } from '@ivory-ladder/contract';
import type { z } from 'zod';
import type { StatementKind } from './statementKind.ts';

type Operations = typeof operations;
type Flat<Type> = { [Key in keyof Type]: Type[Key] };

type ParametersIn<Path> = Path extends `${string}{${infer Name}}${infer Rest}`
  ? { readonly [Key in Name]: Key extends 'kind' ? StatementKind : number } & ParametersIn<Rest>
  : unknown;

/** In an address all is text: of numbers and words what is read from it, of lists and facets what is written there. */
type Written<Input, Output> = (Exclude<Output, undefined> extends string | number ? Output : Input) | (undefined extends Input ? undefined : never);
type Question<One> = One extends { query: infer Query extends z.ZodObject }
  ? { readonly [Key in keyof z.input<Query>]: Written<z.input<Query>[Key], z.output<Query>[Key & keyof z.output<Query>]> }
  : unknown;
/** The name of a file comes with it. */
type QueryOf<One> = One extends { takesFile: true } | { takesStream: true } ? Omit<Question<One>, 'name'> : Question<One>;
type BodyOf<One> = One extends { takesFile: true } | { takesStream: true }
  ? { readonly file: File }
  : One extends { body: infer Body extends z.ZodType }
    ? { readonly body: z.input<Body> }
    : unknown;
type KeyOf<One> = One extends { idempotent: true } ? { readonly key: string } : unknown;
type Given<One extends { path: string }> = Flat<ParametersIn<One['path']> & QueryOf<One> & BodyOf<One> & KeyOf<One>>;

/**
 * What an operation is called with: what stands in its path and in its query side by side, beside them its `body`, its `file`, and for one
 * that is done once at most its `key`.
 */
// biome-ignore lint/suspicious/noConfusingVoidType: a hook without an argument is one whose argument is void.
export type ArgsOf<Name extends OperationName> = keyof Given<Operations[Name]> extends never ? void : Given<Operations[Name]>;

/** What it answers; a file is fetched by its address. */
export type AnswerOf<Name extends OperationName> = Operations[Name]['answer'] extends infer Answer extends z.ZodType ? z.output<Answer> : null;

/** Asked for by POST, since their question is long; they change nothing. */
type AskedByPost =
  | 'lookAtLink'
  | 'checkSettings'
  | 'checkAccountChange'
  | 'checkRenumbering'
  | 'checkMerge'
  | 'checkChartFile'
  | 'rehearsePlacement'
  | 'checkTrialBalance'
  | 'checkLayoutOptions';

type ReadByGet = { [Name in OperationName]: Operations[Name] extends { method: 'get'; answer: z.ZodType } ? Name : never }[OperationName];
type FileName = { [Name in OperationName]: Operations[Name]['answer'] extends 'file' | 'stream' ? Name : never }[OperationName];

export type QueryName = ReadByGet | AskedByPost;
export type MutationName = Exclude<OperationName, QueryName | FileName>;
