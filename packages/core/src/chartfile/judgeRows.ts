import { type AccountRole, checkRole, roleRules } from '../chart/accountRole.ts';
import { deepestAccounts } from '../chart/checkAccount.ts';
import type { ChartFacts } from './chartFacts.ts';
import type { ChartOfRows } from './chartOfRows.ts';
import type { RowDraft } from './draftRows.ts';
import { faultIn } from './rowFault.ts';

/** Adds to each row what stands in its way by the rules of the chart as it would stand. */
export function judgeRows(chart: ChartOfRows, facts: ChartFacts): void {
  if (facts.numbered) judgeNumbersAndNames(chart, facts);
  else judgeNamesBeside(chart);
  judgeNesting(chart);
  judgeRetiring(chart, facts);
  judgeRoles(chart);
}

function judgeNumbersAndNames(chart: ChartOfRows, facts: ChartFacts): void {
  const holders = new Map<string, { id: number; row: number | null; name: string }>();
  const names = new Map<string, { id: number; number: string }>();
  for (const { id, number, name, active } of chart.accounts) {
    if (chart.draftOf.has(id)) continue;
    holders.set(number.toLowerCase(), { id, row: null, name });
    if (active) names.set(name.toLowerCase(), { id, number });
  }
  for (const draft of chart.drafts) {
    const number = draft.number.toLowerCase();
    const holder = holders.get(number);
    const field = (draft.cells.newNumber ?? '') === '' ? 'number' : 'newNumber';
    if (holder && holder.id !== draft.id)
      draft.faults.push(holder.row === null ? faultIn(field, 'number_taken', holder.name) : faultIn(field, 'repeated_in_file', holder.row));
    else holders.set(number, { id: draft.id, row: draft.row, name: draft.name });
    if (!draft.active) continue;
    const other = names.get(draft.name.toLowerCase());
    const isOld = draft.account?.active === true && draft.account.name === draft.name;
    if (other && other.id !== draft.id && !isOld && facts.repeatedNames === 'forbidden') draft.faults.push(faultIn('name', 'name_taken', other.number));
    else names.set(draft.name.toLowerCase(), { id: draft.id, number: draft.number });
  }
}

/** Without numbers, no two active accounts beside each other have one name. */
function judgeNamesBeside(chart: ChartOfRows): void {
  const holders = new Map<string, RowDraft | null>();
  const keyOf = (id: number, name: string): string => `${chart.parentOf.get(id) ?? null} ${name.toLowerCase()}`;
  for (const { id, name, active } of chart.accounts) if (active && !chart.draftOf.has(id)) holders.set(keyOf(id, name), null);
  for (const draft of chart.drafts) {
    if (!draft.active) continue;
    const key = keyOf(draft.id, draft.name);
    const holder = holders.get(key);
    if (holder === null) draft.faults.push(faultIn('name', 'name_taken', draft.name));
    else if (holder) draft.faults.push(faultIn('name', 'repeated_in_file', holder.row));
    else holders.set(key, draft);
  }
}

function judgeNesting(chart: ChartOfRows): void {
  for (const draft of chart.drafts) {
    const parent = chart.parentOf.get(draft.id) ?? null;
    if (parent === null) continue;
    const above = chart.above(draft.id);
    if (above.includes(draft.id)) draft.faults.push(faultIn('parent', 'nested_in_itself'));
    else if (above.length >= deepestAccounts) draft.faults.push(faultIn('parent', 'nested_too_deep', deepestAccounts));
    if (chart.elementOf.get(parent) !== chart.elementOf.get(draft.id))
      draft.faults.push(faultIn('parent', 'parent_of_other_element', chart.elementOf.get(parent) ?? null));
    if (draft.active && !chart.isActive(parent)) draft.faults.push(faultIn('parent', 'parent_inactive', chart.numberOf(parent)));
  }
  // Those below that the file does not name would stand below another element, or too deep.
  for (const { id, number } of chart.accounts) {
    if (chart.draftOf.has(id)) continue;
    const above = chart.above(id);
    const moved = above.map((parent) => chart.draftOf.get(parent)).find((draft) => draft !== undefined);
    if (!moved) continue;
    if (above.some((parent) => chart.elementOf.get(parent) !== chart.elementOf.get(id)))
      moved.faults.push(faultIn('element', 'sub_accounts_of_other_element', number));
    else if (above.length >= deepestAccounts) moved.faults.push(faultIn('parent', 'nested_too_deep', deepestAccounts));
  }
}

function judgeRetiring(chart: ChartOfRows, facts: ChartFacts): void {
  const activeBelow = new Set<number>();
  for (const id of chart.parentOf.keys()) {
    const parent = chart.parentOf.get(id) ?? null;
    if (parent !== null && chart.isActive(id)) activeBelow.add(parent);
  }
  for (const draft of chart.drafts) {
    if (draft.active || !draft.account?.active) continue;
    if (facts.balanceOf(draft.id) !== 0n) draft.faults.push(faultIn('active', 'balance_not_zero'));
    if (activeBelow.has(draft.id)) draft.faults.push(faultIn('active', 'sub_accounts_active'));
  }
}

function judgeRoles(chart: ChartOfRows): void {
  const holders = new Map<AccountRole, RowDraft>();
  const roles = new Set(chart.drafts.flatMap(({ role }) => role ?? []));
  for (const draft of chart.drafts) {
    const { account, role, active, element } = draft;
    if (element === null) continue;
    const before = account?.role ?? null;
    // A needed role may leave where the file gives it to another account.
    const isGivenOn = before !== null && before !== role && roles.has(before);
    const refused = checkRole(isGivenOn ? null : before, { role, element, active });
    if (refused)
      draft.faults.push(
        faultIn('role', refused.reason === 'needed' ? 'role_needed' : refused.reason === 'element' ? 'role_not_for_element' : 'role_of_inactive'),
      );
    // What was cash stays so: it is nil from then on.
    if (role !== null && role !== 'cash' && !active && before === role) draft.faults.push(faultIn('active', 'role_of_inactive'));
    if (role === null || roleRules[role].isForSeveral) continue;
    const other = holders.get(role);
    if (other) draft.faults.push(faultIn('role', 'role_twice', other.row));
    else holders.set(role, draft);
  }
}
