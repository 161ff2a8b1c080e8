import { type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { DocumentSeries, Ports } from '../ports/index.ts';

export interface ListedSeries {
  readonly series: DocumentSeries[];
  readonly nextPlain: number;
}

export async function listSeries({ series }: Ports, { companyId }: Access): Promise<Outcome<ListedSeries, Failure>> {
  return succeed({ series: await series.list(companyId), nextPlain: await series.nextPlain(companyId) });
}

export async function addSeries(
  ports: Ports,
  access: Access<'prepare_entries'>,
  added: Pick<DocumentSeries, 'code' | 'name' | 'nextNumber'>,
): Promise<Outcome<ListedSeries, Failure>> {
  const done = await ports.series.add(access.companyId, added, access.actor);
  return done.ok ? listSeries(ports, access) : done;
}

/** Its code stays: documents bear it. */
export async function changeSeries(
  ports: Ports,
  access: Access<'prepare_entries'>,
  id: number,
  { version, ...change }: { readonly version: number; readonly name?: string | undefined; readonly active?: boolean | undefined },
): Promise<Outcome<ListedSeries, Failure>> {
  const done = await ports.series.change(access.companyId, id, version, change, access.actor);
  return done.ok ? listSeries(ports, access) : done;
}

export function deleteSeries({ series }: Ports, { companyId, actor }: Access<'prepare_entries'>, id: number): Promise<Outcome<null, Failure>> {
  return series.delete(companyId, id, actor);
}

/** That a new document can be numbered in it; 0 stands for the plain numbers. */
export async function checkSeries({ series }: Pick<Ports, 'series'>, companyId: number, id: number): Promise<Failure | null> {
  if (id === 0) return null;
  const found = await series.find(companyId, id);
  if (!found) return { code: 'not_found', thing: 'document_series', id };
  return found.active ? null : { code: 'series_ended', id };
}
