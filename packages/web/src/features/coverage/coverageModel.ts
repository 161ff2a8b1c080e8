import type { CodeListBody, PlacementView, ProofBody } from '@ivory-ladder/contract';
import {
  type CodeAtOdds,
  codeCoverage,
  codesAtOdds,
  coverageOf,
  type DigitOrder,
  isDeclaredComplete,
  isIncomeOrExpense,
  isInScope,
  type LayoutKind,
  type ListedCode,
  portionsOf,
  type StandsUnder,
} from '@ivory-ladder/core';
import { leftOutOf } from '../../shared/api/leftOutOf.ts';
import { standsIn } from '../../shared/api/standsIn.ts';
import type { PlacedAccount, PlacementModel } from '../rehearsal/index.ts';

export type Finding =
  | { readonly kind: 'in_layout'; readonly state: 'unplaced' | 'doubled' | 'half_placed'; readonly layout: string }
  | { readonly kind: 'unplaced' | 'doubled' | 'half_placed' | 'range_odd' | 'on_parent' | 'against_side' | 'no_code' }
  | {
      readonly kind: 'code_odd';
      readonly list: string;
      readonly code: ListedCode;
      readonly reason: CodeAtOdds<unknown>['reason'];
      readonly said: CodeAtOdds<unknown>['said'];
    }
  | { readonly kind: 'left_out'; readonly reason: string; readonly by: string; readonly at: string };

/** `wrong`: a statement misses an amount today; `idle`: it would, once there is one; `look`: placed, and odd; `out`: somebody left it out. */
export type Concern = 'wrong' | 'idle' | 'look' | 'out';

export interface CoverageRow {
  readonly account: PlacedAccount;
  readonly finding: Finding;
  readonly concern: Concern;
  /** At stake at the end of the span and of the comparative; debit positive. */
  readonly net: bigint;
  readonly before: bigint;
}

export interface CoveredScope {
  /** `placement`, a kind of statement, or the key of a list. */
  readonly key: string;
  readonly name: string;
  /** What exclusions from it are kept under. */
  readonly exclusion: string;
  readonly list: CodeListBody | null;
  /** The composed layout that it is of. */
  readonly layoutId: number | null;
  /** `false` for a list that is complete for nothing that was declared. */
  readonly isClaimed: boolean;
  readonly inScope: number;
  /** Of those in scope, how many are not as they should be. */
  readonly faulty: number;
  readonly atStake: bigint;
  readonly netEffect: bigint;
  readonly rows: readonly CoverageRow[];
}

const kinds = ['balance_sheet', 'income_statement'] as const;

/** How many accounts of the statements are not placed as they should be: what rail and proof strip say of the placement that is applied. */
export function faultsOf(view: PlacementView, model: PlacementModel): number {
  return kinds.reduce((sum, kind) => sum + statementCoverage(kind, view, model).faults.length, 0);
}

function statementCoverage(kind: LayoutKind, view: PlacementView, model: PlacementModel) {
  const accounts = [...model.byId.values()];
  const leftOut = leftOutOf(view);
  const portions = accounts.map((account) => portionsOf(standsIn(account)));
  const covered = accounts.map(({ id, element, isParent, doubledIn }, account) => ({
    account,
    element,
    isParent,
    isDoubled: doubledIn.length > 0,
    isLeftOut: leftOut.has(id),
  }));
  const nets = BigInt64Array.from(accounts, ({ balance }) => BigInt(balance));
  const [debit, credit] = (['debit', 'credit'] as const).map((side) => Int32Array.from(portions, (own) => own[side] ?? -1)) as [Int32Array, Int32Array];
  return { accounts, portions, ...coverageOf(kind, covered, debit, credit, nets) };
}

/** The coverage of a placement for each statement that follows it, with what is odd in it although it is placed. */
export function placementScopes(
  view: PlacementView,
  model: PlacementModel,
  name: string,
  exclusion: string,
  proofs: readonly ProofBody[],
  lists: readonly CodeListBody[],
): CoveredScope[] {
  const odd = oddRows(view, model, proofs, lists);
  const own = kinds.map((kind): CoveredScope => {
    const { accounts, portions, inScope, faults, leftOut, atStake, netEffect } = statementCoverage(kind, view, model);
    const rowOf = ({ account: at, state, net }: (typeof faults)[number], reason?: PlacementView['exclusions'][number]): CoverageRow => {
      const account = accounts[at] as PlacedAccount;
      const then = BigInt(account.balanceBefore);
      const missedThen = (then > 0n ? portions[at]?.debit : portions[at]?.credit) == null ? then : 0n;
      const finding: Finding = reason ? { kind: 'left_out', reason: reason.reason, by: reason.by, at: reason.at } : { kind: state };
      const concern = reason ? 'out' : net !== 0n || missedThen !== 0n ? 'wrong' : 'idle';
      return { account, finding, concern, net, before: missedThen };
    };
    const excluded = new Map(view.exclusions.filter(({ scope }) => scope === exclusion).map((one) => [one.accountId, one]));
    const missed = new Set(leftOut.map(({ account: at }) => (accounts[at] as PlacedAccount).id));
    // Placed since, it misses nothing; who wants it counted again must find it.
    const placedSince = [...excluded].flatMap(([id, { reason, by, at }]): CoverageRow[] => {
      const account = model.byId.get(id);
      if (!account || missed.has(id) || !isInScope(kind, account.element)) return [];
      return [{ account, finding: { kind: 'left_out', reason, by, at }, concern: 'out', net: 0n, before: 0n }];
    });
    return {
      key: kind,
      name: kind === 'balance_sheet' ? 'Balance sheet' : 'Income statement',
      exclusion,
      list: null,
      layoutId: null,
      isClaimed: true,
      inScope,
      faulty: faults.length,
      atStake,
      netEffect,
      rows: [
        ...faults.map((fault) => rowOf(fault)),
        ...odd.filter(({ account }) => isInScope(kind, account.element)),
        ...leftOut.map((fault) => rowOf(fault, excluded.get((accounts[fault.account] as PlacedAccount).id))),
        ...placedSince,
      ].sort(byConcern),
    };
  });
  const sum = (of: (scope: CoveredScope) => bigint) => own.reduce((total, scope) => total + of(scope), 0n);
  const whole: CoveredScope = {
    key: 'placement',
    name,
    exclusion,
    list: null,
    layoutId: null,
    isClaimed: true,
    inScope: own.reduce((total, scope) => total + scope.inScope, 0),
    faulty: own.reduce((total, scope) => total + scope.faulty, 0),
    atStake: sum(({ atStake }) => atStake),
    netEffect: sum(({ netEffect }) => netEffect),
    rows: own.flatMap(({ rows }) => rows).sort(byConcern),
  };
  return [whole, ...own];
}

/** The coverage of each composed layout in use that claims to be whole, as the server proved it over the placement that is applied. */
export function layoutScopes(view: PlacementView, model: PlacementModel, proofs: readonly ProofBody[]): CoveredScope[] {
  return proofs
    .flatMap(({ layouts = [] }) => layouts)
    .map(({ layoutId, name, inScope, faults }): CoveredScope => {
      const exclusion = `layout:${layoutId}`;
      const row = (accountId: number, finding: Finding, concern: Concern, net: bigint): CoverageRow[] => {
        const account = model.byId.get(accountId);
        return account ? [{ account, finding, concern, net, before: 0n }] : [];
      };
      const nets = faults.map(({ net }) => BigInt(net));
      return {
        key: exclusion,
        name,
        exclusion,
        list: null,
        layoutId,
        isClaimed: true,
        inScope,
        faulty: faults.length,
        atStake: nets.reduce((sum, net) => sum + (net < 0n ? -net : net), 0n),
        netEffect: nets.reduce((sum, net) => sum + net, 0n),
        rows: [
          ...faults.flatMap(({ accountId, state, net }) =>
            row(accountId, { kind: 'in_layout', state, layout: name }, net === '0' ? 'idle' : 'wrong', BigInt(net)),
          ),
          ...view.exclusions
            .filter(({ scope }) => scope === exclusion)
            .flatMap(({ accountId, reason, by, at }) => row(accountId, { kind: 'left_out', reason, by, at }, 'out', 0n)),
        ].sort(byConcern),
      };
    });
}

/** The coverage of each list of report codes. */
export function listScopes(view: PlacementView, model: PlacementModel, lists: readonly CodeListBody[], order: DigitOrder): CoveredScope[] {
  const accounts = [...model.byId.values()].map((account) => ({ ...account, hasAmount: account.balance !== '0', placed: account }));
  return lists
    .filter(({ kind }) => kind === 'report')
    .map((list): CoveredScope => {
      const excluded = new Map(view.exclusions.filter(({ scope }) => scope === list.key).map((one) => [one.accountId, one]));
      const { inScope, missing } = codeCoverage(list, accounts, excluded, order);
      const rowOf = (account: PlacedAccount, finding: Finding, concern: Concern): CoverageRow => ({
        account,
        finding,
        concern,
        net: BigInt(account.balance),
        before: BigInt(account.balanceBefore),
      });
      const stake = missing.map(({ balance }) => BigInt(balance));
      return {
        key: list.key,
        name: list.name,
        exclusion: list.key,
        list,
        layoutId: null,
        isClaimed: isDeclaredComplete(list),
        inScope,
        faulty: missing.length,
        atStake: stake.reduce((sum, net) => sum + (net < 0n ? -net : net), 0n),
        netEffect: stake.reduce((sum, net) => sum + net, 0n),
        rows: [
          ...missing.map(({ placed, balance, balanceBefore }) =>
            rowOf(placed, { kind: 'no_code' }, balance === '0' && balanceBefore === '0' ? 'idle' : 'wrong'),
          ),
          ...codeOddities(model, list).map(({ account, finding }) => rowOf(account, finding, 'look')),
          ...[...excluded].flatMap(([id, { reason, by, at }]) => {
            const account = model.byId.get(id);
            return account ? [rowOf(account, { kind: 'left_out', reason, by, at }, 'out')] : [];
          }),
        ].sort(byConcern),
      };
    });
}

function codeOddities(model: PlacementModel, list: CodeListBody): { readonly account: PlacedAccount; readonly finding: Finding }[] {
  return codesAtOdds(list, [...model.byId.values()], (id) => standsUnder(model, id)).map(({ account, listed, reason, said }) => ({
    account,
    finding: { kind: 'code_odd', list: list.name, code: listed, reason, said },
  }));
}

function standsUnder(model: PlacementModel, accountId: number): StandsUnder | null {
  const account = model.byId.get(accountId);
  const { debit, credit } = account ? portionsOf(standsIn(account)) : { debit: null, credit: null };
  const own = account?.normalSide === 'credit' ? (credit ?? debit) : (debit ?? credit);
  let node = own === null ? undefined : model.tree.nodes.get(own);
  while (node?.parent) node = node.parent;
  if (!node) return null;
  const { id, element, term, step } = node.category;
  return { section: `${isIncomeOrExpense(element) ? '' : element} ${term ?? step ?? ''}`, categoryId: id };
}

function oddRows(view: PlacementView, model: PlacementModel, proofs: readonly ProofBody[], lists: readonly CodeListBody[]): CoverageRow[] {
  const look = (account: PlacedAccount, finding: Finding, net = BigInt(account.balance)): CoverageRow => ({
    account,
    finding,
    concern: 'look',
    net,
    before: BigInt(account.balanceBefore),
  });
  const ranges = view.accounts.flatMap(({ id }) => {
    const account = model.byId.get(id);
    return account && account.oddIn.length > 0 ? [look(account, { kind: 'range_odd' })] : [];
  });
  const proved = proofs.flatMap(({ name, accounts }) => {
    if (name !== 'parents_without_postings' && name !== 'normal_sides') return [];
    return accounts.flatMap(({ accountId, net }) => {
      const account = model.byId.get(accountId);
      if (!account) return [];
      if (name === 'normal_sides' && hasPlaceForOtherSide(account)) return [];
      return [look(account, { kind: name === 'normal_sides' ? 'against_side' : 'on_parent' }, BigInt(net))];
    });
  });
  const coded = lists
    .filter(({ kind }) => kind === 'report')
    .flatMap((list) => codeOddities(model, list).map(({ account, finding }) => look(account, finding)));
  return [...ranges, ...proved, ...coded];
}

/** Once its other side has a place of its own, a balance there is as it should be. */
function hasPlaceForOtherSide(account: PlacedAccount): boolean {
  const { debit, credit } = portionsOf(standsIn(account));
  return debit !== null && credit !== null && debit !== credit;
}

const concerns: readonly Concern[] = ['wrong', 'idle', 'look', 'out'];
const byConcern = (a: CoverageRow, b: CoverageRow): number => concerns.indexOf(a.concern) - concerns.indexOf(b.concern);
