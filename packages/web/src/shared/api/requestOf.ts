import type { OperationName } from '@ivory-ladder/contract';
import type { FetchArgs } from '@reduxjs/toolkit/query/react';
import { inBody } from './longAddress.ts';
import type { ArgsOf } from './operationTypes.ts';
import { routes } from './routes.ts';

const bytes = { 'Content-Type': 'application/octet-stream' };

/** Where nothing is an answer too: the part of a budget that stands under no value. */
const meantEmpty = new Set(['part']);

/** Query text without what is not set. */
function toQuery(params: Readonly<Record<string, unknown>>): string {
  return new URLSearchParams(
    Object.entries(params).flatMap(([key, value]) => (value === undefined || (value === '' && !meantEmpty.has(key)) ? [] : [[key, String(value)]])),
  ).toString();
}

/** Path and query under `/api`: what stands in no place of the path is a question. */
function filledPath(name: OperationName, args: Readonly<Record<string, unknown>>): string {
  const { path } = routes[name];
  const named = new Set<string>();
  const filled = path.replaceAll(/\{(\w+)\}/g, (_, parameter: string) => {
    named.add(parameter);
    return String(args[parameter]);
  });
  const query = toQuery(Object.fromEntries(Object.entries(args).filter(([key]) => !named.has(key))));
  return query === '' ? filled : `${filled}?${query}`;
}

/** The request that an operation is asked for with; the only place where one is made. */
export function requestOf<Name extends OperationName>(name: Name, args: ArgsOf<Name>): FetchArgs {
  const { body, file, key, ...rest } = (args ?? {}) as { body?: unknown; file?: File; key?: string };
  const { method, mayBeLong, takesName } = routes[name];
  const url = filledPath(name, file && takesName ? { ...rest, name: file.name } : rest);
  const long = mayBeLong ? inBody(url) : null;
  if (long) return long;
  const sent = file ?? body;
  return {
    url,
    method: method.toUpperCase(),
    ...(sent === undefined ? {} : { body: sent }),
    ...(file || key !== undefined ? { headers: { ...(file ? bytes : {}), ...(key === undefined ? {} : { 'Idempotency-Key': key }) } } : {}),
  };
}

/** Where a file is, under `/api`. */
export function pathOf<Name extends OperationName>(name: Name, args: ArgsOf<Name>): string {
  return filledPath(name, (args ?? {}) as Record<string, unknown>);
}

/** The address of a file that a link opens. */
export function addressOf<Name extends OperationName>(name: Name, args: ArgsOf<Name>): string {
  return `/api${pathOf(name, args)}`;
}
