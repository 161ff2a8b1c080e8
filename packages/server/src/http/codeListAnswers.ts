import type { CodeListBody, FacetFillFoundBody } from '@ivory-ladder/contract';
import type { CountedCodeList } from '../application/codeLists.ts';
import type { FacetFillView } from '../application/fillFacet.ts';

export function toCodeList({ id, key, kind, name, neededOn, notAllowedOn, version, codes, accounts }: CountedCodeList): CodeListBody {
  return {
    id,
    key,
    kind,
    name,
    neededOn,
    notAllowedOn,
    version,
    codes: codes.map((listed) => ({ ...listed, retired: listed.retired ?? false, accounts: accounts.get(listed.code) ?? 0 })),
  };
}

export function toFillFound({ books, found }: FacetFillView): FacetFillFoundBody {
  return {
    lines: found.reduce((sum, { lines }) => sum + lines, 0),
    accounts: found.map(({ accountId, lines, net }) => ({ accountId, label: books.labels.get(accountId) ?? '', lines, net: net.toString() })),
  };
}
