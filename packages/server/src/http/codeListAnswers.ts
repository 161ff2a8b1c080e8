import type { CodeListBody, FacetFileFound, FacetFillFoundBody } from '@ivory-ladder/contract';
import type { CountedCodeList, FacetFileView, FacetFillView } from '../application/chart/index.ts';

export function toCodeList({ id, key, kind, name, neededFor, neededOn, notAllowedOn, version, codes, accounts }: CountedCodeList): CodeListBody {
  return {
    id,
    key,
    kind,
    name,
    neededFor: [...neededFor],
    neededOn,
    notAllowedOn,
    version,
    codes: codes.map((listed) => ({ ...listed, retired: listed.retired ?? false, accounts: accounts.get(listed.code) ?? 0 })),
  };
}

const mostFaultsTold = 200;

export function toFacetFileFound({ given, kept, faults }: FacetFileView): FacetFileFound {
  const byValue = new Map<string, { lines: number; net: bigint }>();
  for (const { value, line } of given) {
    const before = byValue.get(value) ?? { lines: 0, net: 0n };
    byValue.set(value, { lines: before.lines + 1, net: before.net + line.net });
  }
  return {
    given: [...byValue].map(([value, { lines, net }]) => ({ value, lines, net: net.toString() })),
    kept,
    faultCount: faults.length,
    faults: faults.slice(0, mostFaultsTold),
  };
}

export function toFillFound({ books, found }: FacetFillView): FacetFillFoundBody {
  return {
    lines: found.reduce((sum, { lines }) => sum + lines, 0),
    accounts: found.map(({ accountId, lines, net }) => ({ accountId, label: books.labels.get(accountId) ?? '', lines, net: net.toString() })),
  };
}
