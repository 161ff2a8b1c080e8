import { accountsByNumber, joinPath, referenceKey } from '../chart/accountReference.ts';
import { type AccountRole, accountRoles } from '../chart/accountRole.ts';
import { type CodesOfAccount, codeFinder, type ListKey } from '../chart/codeList.ts';
import { type Element, naturalSide, type Side } from '../chart/element.ts';
import { bringToScheme, type NumberScheme } from '../chart/numberScheme.ts';
import { textOf } from '../exchange/cell.ts';
import { readElement } from '../exchange/readElement.ts';
import type { PlaceSide } from '../placement/place.ts';
import { fieldOfSide, type KeptAccount } from './chartCells.ts';
import type { ChartFacts } from './chartFacts.ts';
import type { ChartField, ChartFile, ChartFileRow } from './chartFields.ts';
import { faultIn, type RowFault } from './rowFault.ts';

/** What a row makes of an account: every field as it will be, the account itself where there is one. */
export interface RowDraft {
  readonly row: number;
  readonly cells: ChartFileRow['cells'];
  readonly account: KeptAccount | null;
  /** Its id, or a negative one that no account has. */
  readonly id: number;
  /** In a company of names only: the path, as the chart has it, or as the file gives it to a new account. */
  number: string;
  readonly name: string;
  /** `null`: as the one above it. */
  element: Element | null;
  normalSide: Side | null;
  /** Number of the one above as written; `undefined` where the file has no such column. */
  readonly parentText: string | undefined;
  readonly active: boolean;
  readonly role: AccountRole | null;
  readonly purpose: string;
  readonly externalNumber: string;
  readonly codes: CodesOfAccount;
  /** Paths as written, for the sides that the file has a column of; `undefined` where it has none. */
  readonly placeTexts: Readonly<Partial<Record<PlaceSide, string>>> | undefined;
  readonly faults: RowFault[];
}

const yes = /^(yes|y|true|1|active)$/i;
const no = /^(no|n|false|0|inactive)$/i;
const sides: Readonly<Record<string, Side>> = { debit: 'debit', dr: 'debit', d: 'debit', credit: 'credit', cr: 'credit', c: 'credit' };
const longest: Readonly<Partial<Record<ChartField, number>>> = { number: 50, newNumber: 50, name: 200, purpose: 2000, externalNumber: 50 };

/** Each row read on its own: which account it is, and what its cells say; how rows fit together is judged afterwards. */
export function draftRows(
  file: ChartFile,
  accounts: readonly KeptAccount[],
  { scheme, numbered, lists }: Pick<ChartFacts, 'scheme' | 'numbered' | 'lists'>,
): RowDraft[] {
  const byKey = new Map(accounts.map((account) => [String(account.id), account]));
  const byNumber = accountsByNumber(accounts);
  const rowOf = new Map<number, number>();
  const findCode = new Map(lists.map((list) => [list.key, codeFinder(list)]));
  return file.rows.map((row, index) => {
    const faults: RowFault[] = [];
    const { cells } = row;
    for (const [field, most] of Object.entries(longest) as [ChartField, number][])
      if ((cells[field]?.length ?? 0) > most) faults.push(faultIn(field, 'too_long', most));
    const key = cells.key ?? '';
    const written = numbered ? (cells.number ?? '') : joinPath(cells.parent ?? '', cells.name ?? '');
    const account = key === '' ? (byNumber.get(referenceKey(written)) ?? null) : (byKey.get(key) ?? null);
    if (key !== '' && !account) faults.push(faultIn('key', 'no_such_account', key));
    const earlier = account ? rowOf.get(account.id) : undefined;
    if (earlier !== undefined) faults.push(faultIn(numbered ? 'number' : 'name', 'repeated_in_file', earlier));
    else if (account) rowOf.set(account.id, row.row);
    const fields = file.fields;
    const word = <Value>(field: ChartField, read: (text: string) => Value | undefined, kept: Value): Value => {
      const text = cells[field] ?? '';
      if (text === '') return kept;
      const value = read(text);
      if (value === undefined) faults.push(faultIn(field, 'unknown_word', text));
      return value ?? kept;
    };
    // Cells come trimmed and with plain spaces; what differs in nothing else is what it was.
    const text = (field: 'name' | 'purpose' | 'externalNumber'): string => {
      const [written, own] = [cells[field] ?? '', account?.[field] ?? ''];
      return !fields.has(field) || written === textOf(own) ? own : written;
    };
    const element = word<Element | null>('element', (written) => readElement(written) ?? undefined, account?.element ?? null);
    // A path in the column of names is how the row was found, and no new name.
    const isFoundByPath = !numbered && key === '' && !fields.has('parent');
    const name = account && isFoundByPath ? account.name : text('name');
    if (name === '') faults.push(faultIn('name', 'missing'));
    return {
      row: row.row,
      cells,
      account,
      id: account?.id ?? -1 - index,
      number: numbered ? numberOf(cells, account, scheme, faults) : (account?.number ?? written),
      name,
      element,
      normalSide: word<Side | null>(
        'side',
        (written) => sides[written.toLowerCase()],
        account && account.element === element ? account.normalSide : element ? naturalSide(element) : null,
      ),
      parentText: fields.has('parent') ? (cells.parent ?? '') : undefined,
      active: word('active', (written) => (yes.test(written) ? true : no.test(written) ? false : undefined), account?.active ?? true),
      role: fields.has('role') ? roleOf(cells.role ?? '', faults) : (account?.role ?? null),
      purpose: text('purpose'),
      externalNumber: text('externalNumber'),
      codes: codesOf(file, cells, account, findCode, faults),
      placeTexts: placeTexts(file, cells),
      faults,
    };
  });
}

function numberOf(cells: ChartFileRow['cells'], account: KeptAccount | null, scheme: NumberScheme | null, faults: RowFault[]): string {
  const field = (cells.newNumber ?? '') === '' ? 'number' : 'newNumber';
  const written = cells[field] ?? '';
  if (written === '') {
    faults.push(faultIn('number', 'missing'));
    return account?.number ?? '';
  }
  // What was numbered before the scheme was set stays as it is.
  if (written === account?.number) return written;
  const brought = bringToScheme(written, scheme);
  if (!brought.ok) faults.push(faultIn(field, 'malformed_number', written));
  return brought.ok ? brought.value : written;
}

function roleOf(text: string, faults: RowFault[]): AccountRole | null {
  if (text === '') return null;
  const wanted = text.trim().toLowerCase().replaceAll(' ', '_');
  const role = accountRoles.find((value) => value === wanted);
  if (!role) faults.push(faultIn('role', 'unknown_word', text));
  return role ?? null;
}

/** A list whose column is not in the file, or holds what is no code of it, leaves the account its own. */
function codesOf(
  { fields }: ChartFile,
  cells: ChartFileRow['cells'],
  account: KeptAccount | null,
  findCode: ReadonlyMap<ListKey, ReturnType<typeof codeFinder>>,
  faults: RowFault[],
): CodesOfAccount {
  const codes: Record<ListKey, string> = { ...account?.codes };
  for (const [key, find] of findCode) {
    if (!fields.has(key)) continue;
    const text = cells[key] ?? '';
    const found = find(text);
    if (text === '') delete codes[key];
    else if (found) codes[key] = found.code;
    else faults.push(faultIn(key, 'no_such_code', text));
  }
  return codes;
}

function placeTexts({ fields }: ChartFile, cells: ChartFileRow['cells']): RowDraft['placeTexts'] {
  const sides = (['any', 'debit', 'credit'] as const).filter((side) => fields.has(fieldOfSide[side]));
  return sides.length === 0 ? undefined : Object.fromEntries(sides.map((side) => [side, cells[fieldOfSide[side]] ?? '']));
}
