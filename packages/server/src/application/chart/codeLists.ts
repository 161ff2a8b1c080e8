import {
  checkCodes,
  type Element,
  fail,
  type ListedCode,
  type ListKind,
  type Outcome,
  type PairingRule,
  readRangeText,
  succeed,
  writeRangeText,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, CodesChange, ListFields, Ports, StoredCodeList } from '../ports/index.ts';

/** A list with how many accounts have each of its codes. */
export interface CountedCodeList extends StoredCodeList {
  readonly accounts: ReadonlyMap<string, number>;
}

export interface CodeListEdit extends Partial<CodesChange> {
  readonly version: number;
  readonly name?: string | undefined;
  readonly neededFor?: readonly Element[] | undefined;
  readonly neededOn?: string | undefined;
  readonly notAllowedOn?: string | undefined;
}

export async function viewCodeLists(
  ports: Ports,
  { companyId }: Access,
): Promise<Outcome<{ lists: CountedCodeList[]; pairings: readonly PairingRule[] }, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const books = opened.value;
  return succeed({ lists: books.lists.map((list) => counted(books, list)), pairings: books.pairings });
}

export function addCodeList(
  ports: Ports,
  { companyId, actor }: Access<'keep_chart'>,
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
  { companyId, actor }: Access<'keep_chart'>,
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
    const { set = [], remove = [] } = edit;
    const fields = fieldsAfter(current, edit);
    if (!fields.ok) return fields;
    const { name } = fields.value;
    const after = codesAfter(current.codes, { set, remove });
    if (!after.ok) return after;
    const { accounts } = counted(books, current);
    const lines = remove.length > 0 && current.kind === 'facet' ? await ports.codeLists.linesHaving(companyId, listId) : new Map<string, number>();
    const budgets = remove.length > 0 && current.kind === 'facet' ? await ports.budgets.budgetsHaving(companyId, listId) : new Map<string, number>();
    const pairingsOf = (code: string) => books.pairings.filter((rule) => isIn(rule, current, code)).length;
    const held = remove.find((code) => accounts.has(code) || lines.has(code) || budgets.has(code) || pairingsOf(code) > 0);
    if (held !== undefined)
      return fail({
        code: 'list_code_held',
        listed: held,
        accounts: accounts.get(held) ?? 0,
        lines: lines.get(held) ?? 0,
        pairings: pairingsOf(held),
        budgets: budgets.get(held) ?? 0,
      });
    const refused = checkName(books, current.kind, name, listId) ?? checkCodes(after.value);
    if (refused) return fail(refused);
    const changed = await ports.codeLists.change(
      companyId,
      current,
      fields.value,
      { set: differing(current.codes, after.value), remove },
      books.company.structureVersion,
      actor,
    );
    return changed.ok ? findList(ports, companyId, listId) : changed;
  });
}

/** Only a list that no account has a code of, and no line a value; pairing rules with it go along. */
export function deleteCodeList(ports: Ports, { companyId, actor }: Access<'keep_chart'>, listId: number): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const books = opened.value;
    const list = books.lists.find(({ id }) => id === listId);
    if (!list) return fail({ code: 'not_found', thing: 'code_list', id: listId });
    const accounts = books.accounts.filter(({ codes }) => codes[list.key] !== undefined).length;
    const lines = list.kind === 'facet' ? [...(await ports.codeLists.linesHaving(companyId, listId)).values()].reduce((sum, count) => sum + count, 0) : 0;
    const budgets = (await ports.budgets.list(companyId)).filter(({ facet }) => facet === list.key).length;
    if (accounts + lines + budgets > 0) return fail({ code: 'code_list_held', name: list.name, accounts, lines, budgets });
    return ports.codeLists.delete(companyId, list, books.company.structureVersion, actor);
  });
}

/** Lines that have both values stay as they are; new ones are refused. */
export function addPairingRule(ports: Ports, { companyId, actor }: Access<'keep_chart'>, rule: Omit<PairingRule, 'id'>): Promise<Outcome<number, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const { lists, company } = opened.value;
    if (rule.first === rule.second) return fail({ code: 'pairing_of_one_facet' });
    for (const [key, value] of [
      [rule.first, rule.firstValue],
      [rule.second, rule.secondValue],
    ] as const) {
      const facet = lists.find((list) => list.key === key && list.kind === 'facet');
      if (!facet) return fail({ code: 'facet_unknown', facet: key });
      if (!facet.codes.some(({ code }) => code === value)) return fail({ code: 'facet_value_unknown', facet: facet.name, value });
    }
    return ports.codeLists.addPairing(companyId, rule, company.structureVersion, actor);
  });
}

export function deletePairingRule(ports: Ports, { companyId, actor }: Access<'keep_chart'>, ruleId: number): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const rule = opened.value.pairings.find(({ id }) => id === ruleId);
    if (!rule) return fail({ code: 'not_found', thing: 'pairing_rule', id: ruleId });
    return ports.codeLists.deletePairing(companyId, rule, opened.value.company.structureVersion, actor);
  });
}

function isIn(rule: PairingRule, { key }: StoredCodeList, code: string): boolean {
  return (rule.first === key && rule.firstValue === code) || (rule.second === key && rule.secondValue === code);
}

/** Ranges as they are written back, whatever way they were typed. */
function fieldsAfter(current: StoredCodeList, edit: CodeListEdit): Outcome<ListFields, Failure> {
  const fields = {
    name: edit.name ?? current.name,
    neededFor: edit.neededFor ?? current.neededFor,
    neededOn: current.neededOn,
    notAllowedOn: current.notAllowedOn,
  };
  for (const field of ['neededOn', 'notAllowedOn'] as const) {
    const text = edit[field]?.trim();
    if (text === undefined) continue;
    const read = text === '' ? null : readRangeText(text, null);
    if (read && !read.ok) return fail({ code: 'facet_range_malformed', field, at: read.failure.at, reason: read.failure.reason });
    fields[field] = read ? writeRangeText(read.value) : '';
  }
  return succeed(fields);
}

type CodeToSet = CodesChange['set'][number];

/** The list with those taken away, changed and added; those below a renamed one follow it. A code that is not in it is refused. */
function codesAfter(codes: readonly ListedCode[], { set, remove }: CodesChange): Outcome<CodeToSet[], Failure> {
  const codesListed = new Set(codes.map(({ code }) => code));
  const gone = [...remove, ...set.flatMap(({ was }) => was ?? [])].find((code) => !codesListed.has(code));
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
  const isSame = (a: ListedCode, b: ListedCode) =>
    (['code', 'caption', 'element', 'side', 'parent', 'retired'] as const).every((field) => a[field] === b[field]);
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
