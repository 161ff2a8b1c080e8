import type { OperationName, Problem } from '@ivory-ladder/contract';
import {
  type BaseQueryFn,
  createApi,
  type FetchArgs,
  type FetchBaseQueryError,
  fetchBaseQuery,
  type MutationDefinition,
  type QueryDefinition,
} from '@reduxjs/toolkit/query/react';
import type { AnswerOf, ArgsOf, MutationName, QueryName } from './operationTypes.ts';
import { requestOf } from './requestOf.ts';
import { routes } from './routes.ts';
import { restoreMarks, showMarks } from './shownMarks.ts';
import { changedBy, shownBy, type Tag, type TagType, tagOf, tagTypes } from './tags.ts';

export type ApiFailure = Problem | { code: 'unreachable'; facts: Record<string, never> };

const fetchJson = fetchBaseQuery({
  baseUrl: '/api',
  prepareHeaders: (headers) => void headers.set('X-Ivory-Ladder', '1'),
  responseHandler: async (response) => {
    const text = showMarks(await response.text());
    // What is frozen the store takes in as it is; of anything else it walks through all that is in it, forty milliseconds of a large chart.
    return text === '' ? null : Object.freeze(JSON.parse(text));
  },
});

/** Failures come as problem documents; a server that does not answer is one of our own. */
const baseQuery: BaseQueryFn<FetchArgs, unknown, ApiFailure> = async (args, api, extra) => {
  const result = await fetchJson(withMarks(args), api, extra);
  if (!result.error) return { data: result.data };
  return { error: asFailure(result.error) };
};

/** Texts go as they are kept, not as they are shown. */
function withMarks(args: FetchArgs): FetchArgs {
  if (!isPlain(args.body)) return args;
  const text = JSON.stringify(args.body);
  const kept = restoreMarks(text);
  return kept === text ? args : { ...args, body: JSON.parse(kept) };
}

function isPlain(body: unknown): boolean {
  return typeof body === 'object' && body !== null && !(body instanceof Blob);
}

function asFailure(error: FetchBaseQueryError): ApiFailure {
  const data = 'data' in error ? error.data : undefined;
  const parsed = typeof data === 'string' ? tryParse(data) : data;
  return parsed && typeof parsed === 'object' && 'code' in parsed ? (parsed as Problem) : { code: 'unreachable', facts: {} };
}

function tryParse(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return undefined;
  }
}

type Definitions = {
  [Name in QueryName]: QueryDefinition<ArgsOf<Name>, typeof baseQuery, TagType, AnswerOf<Name>, 'ivoryApi'>;
} & { [Name in MutationName]: MutationDefinition<ArgsOf<Name>, typeof baseQuery, TagType, AnswerOf<Name>, 'ivoryApi'> };

type AnyArgs = ArgsOf<OperationName>;
const isQuery = (name: OperationName): name is QueryName => name in shownBy;

/** What is of one moment, and asked for again each time that it is looked at. */
const askedAnew: ReadonlySet<QueryName> = new Set<QueryName>([
  'lookAtLink',
  'getLayout',
  'checkAccountChange',
  'checkChartFile',
  'checkLayoutOptions',
  // Of other companies too, whose changes are told to theirs alone.
  'listPlacedElsewhere',
]);

/** What a page may still send while it is left, which browsers allow for so much. */
const isShort = ({ body }: { body: unknown }): boolean => JSON.stringify(body).length < 60_000;

/** What goes on where the page that asked for it is left meanwhile. */
const carriedOn: { readonly [Name in OperationName]?: (args: ArgsOf<Name>) => boolean } = {
  saveRehearsal: isShort,
  changeRehearsal: isShort,
  deleteRehearsal: () => true,
};

/** Every operation of the contract, each asked for as its route says, told of what its answer shows or it changes. */
export const ivoryApi = createApi({
  reducerPath: 'ivoryApi',
  baseQuery,
  keepUnusedDataFor: 300,
  tagTypes,
  endpoints: (build) => {
    const tagged = (tags: readonly Tag[], args: unknown) => tags.map((tag) => tagOf(tag, args));
    const made = Object.keys(routes).map((each) => {
      const name = each as OperationName;
      const query = (args: AnyArgs) => ({ ...requestOf(name, args as never), ...(carriedOn[name]?.(args as never) ? { keepalive: true } : {}) });
      if (isQuery(name)) {
        const shown = shownBy[name];
        return [
          name,
          build.query<unknown, AnyArgs>({
            query,
            providesTags: (_answer, _failure, args) => tagged(typeof shown === 'function' ? shown(args as never) : shown, args),
            ...(askedAnew.has(name) ? { keepUnusedDataFor: 0 } : {}),
          }),
        ];
      }
      const changed = changedBy[name as MutationName];
      return [
        name,
        build.mutation<unknown, AnyArgs>({
          query,
          invalidatesTags: (_answer, failure, args) =>
            tagged(typeof changed === 'function' ? changed(args as never) : 'done' in changed ? (failure ? changed.refused : changed.done) : changed, args),
        }),
      ];
    });
    return Object.fromEntries(made) as Definitions;
  },
});
