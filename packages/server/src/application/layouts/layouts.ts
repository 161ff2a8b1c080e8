import {
  beginLayout,
  expandLayout,
  factsOn,
  fail,
  type GeneratedName,
  type LayoutFinding,
  mapOutcome,
  type Outcome,
  type OwnLayout,
  succeed,
  walkOwn,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { mainLanguage, openClassified } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, JoinedDraft, LayoutRecord, LayoutVersion, Ports, StoredLayout } from '../ports/index.ts';
import { groundOf, setsWith } from '../statements/index.ts';

export function listLayouts({ layouts }: Ports, { companyId }: Access): Promise<LayoutRecord[]> {
  return layouts.list(companyId);
}

export async function viewLayout({ layouts }: Pick<Ports, 'layouts'>, { companyId }: Access, id: number): Promise<Outcome<StoredLayout, Failure>> {
  const found = await layouts.find(companyId, id);
  return found ? succeed(found) : fail({ code: 'not_found', thing: 'layout', id });
}

export async function viewLayoutVersion(
  { layouts }: Ports,
  { companyId }: Access,
  id: number,
  number: number,
): Promise<Outcome<LayoutVersion & { readonly definition: OwnLayout }, Failure>> {
  const found = await layouts.findVersion(companyId, id, number);
  return found ? succeed(found) : fail({ code: 'not_found', thing: 'layout_version', id: number });
}

export interface LayoutBeginning {
  readonly name: string;
  /** The generated layout that it begins as, the layout that it is a copy of, or nothing. */
  readonly from: GeneratedName | 'nothing' | number;
  readonly classificationId?: number | undefined;
}

export async function addLayout(
  ports: Ports,
  access: Access<'keep_layouts'>,
  { name, from, classificationId }: LayoutBeginning,
): Promise<Outcome<StoredLayout, Failure>> {
  const begun = await beginningOf(ports, access, from, classificationId);
  if (!begun.ok) return begun;
  const { books, definition } = begun.value;
  const draft = { ...definition, title: name };
  const added = await ports.layouts.add(access.companyId, { name, classificationId: books.classificationId, draft }, access.actor);
  return added.ok ? viewLayout(ports, access, added.value) : added;
}

async function beginningOf(
  ports: Ports,
  access: Access<'keep_layouts'>,
  from: LayoutBeginning['from'],
  classificationId: number | undefined,
): Promise<Outcome<{ books: Books; definition: OwnLayout }, Failure>> {
  const copied = typeof from === 'number' ? await viewLayout(ports, access, from) : null;
  if (copied && !copied.ok) return copied;
  const opened = await openClassified(ports, access.companyId, copied ? copied.value.classificationId : classificationId);
  if (!opened.ok) return opened;
  const books = opened.value;
  if (copied) return succeed({ books, definition: (copied.value.draft ?? copied.value.used) as OwnLayout });
  if (from === 'nothing' || typeof from === 'number') {
    const empty: OwnLayout = { kind: 'free', title: '', titles: [], measure: 'movement', scope: [], lines: [] };
    return succeed({ books, definition: empty });
  }
  const language = mainLanguage(books.company);
  return succeed({ books, definition: beginLayout(from, { tree: books.categoryTree, options: books.options, language }) });
}

export async function renameLayout(
  ports: Ports,
  access: Access<'keep_layouts'>,
  id: number,
  version: number,
  name: string,
): Promise<Outcome<StoredLayout, Failure>> {
  const renamed = await ports.layouts.rename(access.companyId, id, version, name, access.actor);
  return renamed.ok ? viewLayout(ports, access, id) : renamed;
}

/** Kept as it is, whatever it lacks: a draft is worked at. What somebody else saved since `base` is joined line by line. */
export async function saveLayoutDraft(
  ports: Ports,
  access: Access<'keep_layouts'>,
  id: number,
  { version, definition, base }: { readonly version: number; readonly definition: OwnLayout | null; readonly base?: OwnLayout | undefined },
): Promise<Outcome<StoredLayout & { readonly joined: JoinedDraft | null }, Failure>> {
  const twice = definition ? keyTwice(definition) : undefined;
  if (twice !== undefined) return fail({ code: 'layout_key_twice', line: twice });
  const saved = await ports.layouts.saveDraft(access.companyId, id, version, { draft: definition, base: base ?? null }, access.actor);
  if (!saved.ok) return saved;
  return mapOutcome(await viewLayout(ports, access, id), (stored) => ({ ...stored, joined: saved.value }));
}

export async function viewKeptDraft({ layouts }: Ports, { companyId }: Access, id: number, number: number): Promise<Outcome<OwnLayout, Failure>> {
  const found = await layouts.findKeptDraft(companyId, id, number);
  return found ? succeed(found) : fail({ code: 'not_found', thing: 'layout_version', id: number });
}

/** The first key that two lines have. */
export function keyTwice({ lines }: OwnLayout): string | undefined {
  const seen = new Set<string>();
  let twice: string | undefined;
  walkOwn(lines, ({ key }) => {
    if (seen.has(key)) twice ??= key;
    seen.add(key);
  });
  return twice;
}

/** What runs must compute: a formula or sum that names what is not there keeps a draft from use; an account that is left out does not, and is told. */
export async function putLayoutInUse(
  ports: Ports,
  access: Access<'keep_layouts'>,
  id: number,
  version: number,
  reason: string,
): Promise<Outcome<StoredLayout, Failure>> {
  const found = await viewLayout(ports, access, id);
  if (!found.ok) return found;
  const { draft, classificationId } = found.value;
  if (draft) {
    const opened = await openClassified(ports, access.companyId, classificationId);
    if (!opened.ok) return opened;
    const { findings } = expandLayout(draft, factsOn(groundOf(opened.value), draft, mainLanguage(opened.value.company)));
    const unsound = findings.filter(isUnsound).map(({ key }) => key);
    if (unsound.length > 0) return fail({ code: 'layout_unsound', lines: [...new Set(unsound)] });
  }
  const put = await ports.layouts.putInUse(access.companyId, id, version, reason, access.actor);
  return put.ok ? viewLayout(ports, access, id) : put;
}

function isUnsound({ code }: LayoutFinding): boolean {
  switch (code) {
    case 'adjustment_idle':
    case 'source_unknown':
    case 'listed_code_unknown':
    case 'followed_unknown':
    case 'no_cash':
      return false;
    case 'formula_malformed':
    case 'formula_line_unknown':
    case 'formula_span_unknown':
    case 'sum_line_unknown':
    case 'hidden_in_unknown':
    case 'hidden_nowhere':
    case 'transfer_line_unknown':
      return true;
  }
}

export async function deleteLayout(
  { layouts, sets }: Pick<Ports, 'layouts' | 'sets'>,
  { companyId, actor }: Access<'keep_layouts'>,
  id: number,
  version: number | null,
): Promise<Outcome<null, Failure>> {
  const users = await setsWith({ sets }, companyId, ({ statement }) => statement === id);
  if (users.length === 0) return layouts.delete(companyId, id, version, actor);
  const record = await layouts.record(companyId, id);
  return fail({ code: 'layout_in_use', name: record?.name ?? '', sets: users });
}
