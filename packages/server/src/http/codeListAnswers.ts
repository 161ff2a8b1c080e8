import type { CodeListBody } from '@ivory-ladder/contract';
import type { CountedCodeList } from '../application/codeLists.ts';

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
