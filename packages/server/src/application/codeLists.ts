import { checkCodes, fail, type ListedCode, type ListKind, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from './access.ts';
import type { Failure } from './failure.ts';
import { openBooks, withFreshBooks } from './openBooks.ts';
import type { Books, CodesChange, Ports, StoredCodeList } from './ports/index.ts';

/** A list with how many accounts have each of its codes. */
export interface CountedCodeList extends StoredCodeList {
  readonly accounts: ReadonlyMap<string, number>;
}

export interface CodeListEdit extends Partial<CodesChange> {
  readonly version: number;
  readonly name?: string | undefined;
}

export async function viewCodeLists(ports: Ports, { companyId }: Access): Promise<Outcome<CountedCodeList[], Failure>> {
  const opened = await openBooks(ports, companyId);
  return opened.ok ? succeed(opened.value.lists.map((list) => counted(opened.value, list))) : opened;
}

export function addCodeList(
  ports: Ports,
  { companyId, actor }: Access<'preparer'>,
  { kind, name, codes }: { readonly kind: ListKind; readonly name: string; readonly codes: readonly ListedCode[] },
): Promise<Outcome<CountedCodeList, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const refused = checkName(opened.value, kind, name, null) ?? checkCodes(codes);
    if (refused) return fail(refused);
    const added = await ports.codeLists.add(companyId, kind, name, codes, opened.value.company.structureVersion, actor);
    return added.ok ? findList(ports, companyId, added.value) : added;
  });
}

/** A code that accounts have can be renamed, and is taken away only once none has it. */
export function changeCodeList(
  ports: Ports,
  { companyId, actor }: Access<'preparer'>,
  listId: number,
  edit: CodeListEdit,
): Promise<Outcome<CountedCodeList, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const current = books.lists.find(({ id }) => id === listId);
    if (!current) return fail({ code: 'not_found', thing: 'code_list', id: listId });
    if (current.version !== edit.version) return fail({ code: 'version_conflict', thing: 'code_list', id: listId, current });
    const { name = current.name, set = [], remove = [] } = edit;
    const after = codesAfter(current.codes, { set, remove });
    if (!after.ok) return after;
    const { accounts } = counted(books, current);
    const held = remove.find((code) => accounts.has(code));
    if (held !== undefined) return fail({ code: 'list_code_held', listed: held, accounts: accounts.get(held) ?? 0 });
    const refused = checkName(books, current.kind, name, listId) ?? checkCodes(after.value);
    if (refused) return fail(refused);
    const changed = await ports.codeLists.change(
      companyId,
      current,
      name,
      { set: differing(current.codes, after.value), remove },
      books.company.structureVersion,
      actor,
    );
    return changed.ok ? findList(ports, companyId, listId) : changed;
  });
}

/** Only a list that no account has a code of. */
export function deleteCodeList(ports: Ports, { companyId, actor }: Access<'preparer'>, listId: number): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const list = books.lists.find(({ id }) => id === listId);
    if (!list) return fail({ code: 'not_found', thing: 'code_list', id: listId });
    const accounts = books.accounts.filter(({ codes }) => codes[list.key] !== undefined).length;
    if (accounts > 0) return fail({ code: 'code_list_held', name: list.name, accounts });
    return ports.codeLists.delete(companyId, list, books.company.structureVersion, actor);
  });
}

type CodeToSet = CodesChange['set'][number];

/** The list with those taken away, changed and added; those below a renamed one follow it. A code that is not in it is refused. */
function codesAfter(codes: readonly ListedCode[], { set, remove }: CodesChange): Outcome<CodeToSet[], Failure> {
  const known = new Set(codes.map(({ code }) => code));
  const gone = [...remove, ...set.flatMap(({ was }) => was ?? [])].find((code) => !known.has(code));
  if (gone !== undefined) return fail({ code: 'list_code_unknown', listed: gone });
  const away = new Set(remove);
  const renamed = new Map(set.flatMap(({ was, code }) => (was === null || was === code ? [] : [[was, code] as const])));
  const follow = (listed: CodeToSet): CodeToSet => ({ ...listed, parent: listed.parent === null ? null : (renamed.get(listed.parent) ?? listed.parent) });
  const changed = new Map(set.flatMap((listed) => (listed.was === null ? [] : [[listed.was, listed] as const])));
  return succeed([
    ...codes.filter(({ code }) => !away.has(code)).map((listed) => follow(changed.get(listed.code) ?? { ...listed, was: listed.code })),
    ...set.filter(({ was }) => was === null),
  ]);
}

function differing(codes: readonly ListedCode[], after: readonly CodeToSet[]): CodeToSet[] {
  const before = new Map(codes.map((listed) => [listed.code, listed]));
  const isSame = (a: ListedCode, b: ListedCode) => (['code', 'caption', 'element', 'side', 'parent'] as const).every((field) => a[field] === b[field]);
  return after.filter((listed) => {
    const was = listed.was === null ? undefined : before.get(listed.was);
    return !was || !isSame(was, listed);
  });
}

function checkName({ lists }: Books, kind: ListKind, name: string, own: number | null): Failure | null {
  const taken = lists.some((list) => list.kind === kind && list.id !== own && list.name.toLowerCase() === name.toLowerCase());
  return taken ? { code: 'code_list_name_taken', name } : null;
}

function counted({ accounts }: Books, list: StoredCodeList): CountedCodeList {
  const counts = new Map<string, number>();
  for (const { codes } of accounts) {
    const code = codes[list.key];
    if (code !== undefined) counts.set(code, (counts.get(code) ?? 0) + 1);
  }
  return { ...list, accounts: counts };
}

async function findList(ports: Ports, companyId: number, listId: number): Promise<Outcome<CountedCodeList, Failure>> {
  const books = await openBooks(ports, companyId);
  const list = books.ok ? books.value.lists.find(({ id }) => id === listId) : undefined;
  return books.ok && list ? succeed(counted(books.value, list)) : fail({ code: 'not_found', thing: 'code_list', id: listId });
}
