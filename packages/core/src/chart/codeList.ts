import type { Element, Side } from './element.ts';

/** A list of report codes, or the values of a facet of which an account names its default. */
export type ListKind = 'report' | 'facet';
export type ListKey = `${ListKind}:${number}`;

export interface ListedCode {
  /** Up to 50 characters, unique in its list without regard to case. */
  readonly code: string;
  /** What it stands for. */
  readonly caption: string;
  /** Which accounts it is meant for; `null`: any. */
  readonly element: Element | null;
  readonly side: Side | null;
  /** Code of the one above it in the same list. */
  readonly parent: string | null;
  /** Kept for what has it, and not given any more. */
  readonly retired?: boolean;
}

/** A named list of codes; an account has at most one code from each. */
export interface CodeList {
  readonly key: ListKey;
  readonly name: string;
  readonly codes: readonly ListedCode[];
}

/** By list; lists that an account has no code of are not in it. */
export type CodesOfAccount = Readonly<Record<ListKey, string>>;

/** In whatever order the lists are named. */
export function sameCodes(a: CodesOfAccount, b: CodesOfAccount): boolean {
  const keys = new Set([...Object.keys(a), ...Object.keys(b)]) as ReadonlySet<ListKey>;
  return [...keys].every((key) => a[key] === b[key]);
}

export function listKey(kind: ListKind, id: number): ListKey {
  return `${kind}:${id}`;
}

export function isListKey(text: string): text is ListKey {
  return /^(report|facet):\d+$/.test(text);
}

/** Finds codes as the list writes them, whatever the case in which they are typed. The list is gone through once. */
export function codeFinder({ codes }: Pick<CodeList, 'codes'>): (typed: string) => ListedCode | undefined {
  const byCode = new Map(codes.map((listed) => [listed.code.toLowerCase(), listed]));
  return (typed) => byCode.get(typed.trim().toLowerCase());
}

const answersOf = new WeakMap<CodeList['codes'], Map<string, boolean>>();

/** Whether a list has the code, or one that begins so, whatever their case; looked up once for each state of a list. */
export function isListed({ codes }: Pick<CodeList, 'codes'>, code: string, begins: boolean): boolean {
  const wanted = code.toLowerCase();
  const answers = answersOf.get(codes) ?? new Map<string, boolean>();
  answersOf.set(codes, answers);
  const asked = `${begins ? 'begins' : 'is'} ${wanted}`;
  const answer = answers.get(asked) ?? codes.some((listed) => (begins ? listed.code.toLowerCase().startsWith(wanted) : listed.code.toLowerCase() === wanted));
  answers.set(asked, answer);
  return answer;
}

/** What of an account is not what its code is meant for; `null` where nothing is. */
export function oddityOf({ element, side }: ListedCode, account: { readonly element: Element; readonly normalSide: Side }): 'element' | 'side' | null {
  if (element !== null && element !== account.element) return 'element';
  return side !== null && side !== account.normalSide ? 'side' : null;
}

export type CodesRefused =
  | { code: 'list_code_missing' }
  | { code: 'list_code_twice'; listed: string }
  /** `listed` names one above it that is not in the list, or stands below itself. */
  | { code: 'list_code_parent_unknown'; listed: string; parent: string }
  | { code: 'list_code_nested_in_itself'; listed: string };

/** Whether codes make a list: each has a code, none twice, those above are among them, and none stands below itself. */
export function checkCodes(codes: readonly ListedCode[]): CodesRefused | null {
  const byCode = new Map<string, ListedCode>();
  for (const listed of codes) {
    if (listed.code.trim() === '') return { code: 'list_code_missing' };
    if (byCode.has(listed.code.toLowerCase())) return { code: 'list_code_twice', listed: listed.code };
    byCode.set(listed.code.toLowerCase(), listed);
  }
  for (const listed of codes) {
    const seen = new Set([listed]);
    for (let at = listed; at.parent !== null; ) {
      const above = byCode.get(at.parent.toLowerCase());
      if (!above) return { code: 'list_code_parent_unknown', listed: at.code, parent: at.parent };
      if (seen.has(above)) return { code: 'list_code_nested_in_itself', listed: listed.code };
      seen.add(above);
      at = above;
    }
  }
  return null;
}
