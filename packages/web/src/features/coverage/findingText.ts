import { isOnSide, pathOf } from '@ivory-ladder/core';
import { standsIn } from '../../shared/api/standsIn.ts';
import { momentText } from '../../shared/words/momentText.ts';
import type { PlacementModel } from '../rehearsal/index.ts';
import type { Concern, CoverageRow, Finding } from './coverageModel.ts';

const names: Readonly<Record<Exclude<Finding['kind'], 'in_layout'>, string>> = {
  unplaced: 'unplaced',
  doubled: 'doubled',
  half_placed: 'half-placed',
  range_odd: 'range at odds',
  on_parent: 'on a parent',
  against_side: 'against its side',
  no_code: 'no code',
  code_odd: 'code at odds',
  left_out: 'left out',
};

export function findingName(finding: Finding): string {
  return names[finding.kind === 'in_layout' ? finding.state : finding.kind];
}

export const concernNames: Readonly<Record<Concern, string>> = {
  wrong: 'Wrong today',
  idle: 'Nothing at stake',
  look: 'To look at',
  out: 'Left out',
};

/** Of a code list nothing is wrong with a statement, only missing. */
export const concernNamesOfLists: Readonly<Record<Concern, string>> = { ...concernNames, wrong: 'Missing today' };

/** Why an account is listed, in few words. */
export function causeText({ account, finding, net }: CoverageRow, model: PlacementModel): string {
  const nameOf = (id: number) => model.placement.categories.get(id)?.name ?? '';
  switch (finding.kind) {
    case 'in_layout':
      return inLayout[finding.state](finding.layout);
    case 'unplaced':
      return account.active ? 'in no category' : 'in no category, inactive';
    case 'doubled':
      return account.doubledIn.map(nameOf).join(' or ');
    case 'half_placed':
      return `nowhere while in ${standsIn(account)[0]?.side === 'credit' ? 'debit' : 'credit'}`;
    case 'range_odd':
      return `in a range of ${account.oddIn.map(nameOf).join(' and ')}`;
    case 'on_parent':
      return 'has sub-accounts';
    case 'against_side':
      return `in ${isOnSide(net, 'debit') ? 'debit' : 'credit'}`;
    case 'no_code':
      return account.active ? account.element : `${account.element}, inactive`;
    case 'code_odd': {
      const { code, reason, said } = finding;
      if (reason === 'category') return `${code.code} says ${nameOf(said?.categoryId ?? 0)}`;
      return `${code.code} is for ${reason === 'element' ? code.element : code.side}`;
    }
    case 'left_out':
      return finding.reason;
  }
}

const inLayout = {
  unplaced: (layout: string) => `No line of ${layout} takes it.`,
  half_placed: (layout: string) => `Lines of ${layout} take some of it, one of its sides or facet values, and none takes the rest.`,
  doubled: (layout: string) => `More than one line of ${layout} takes it.`,
};

/** The same in a sentence. */
export function whyText({ account, finding, net }: CoverageRow, model: PlacementModel): string {
  const nameOf = (id: number) => model.placement.categories.get(id)?.name ?? '';
  const [stands] = standsIn(account);
  switch (finding.kind) {
    case 'in_layout':
      return inLayout[finding.state](finding.layout);
    case 'unplaced':
      return account.active ? 'It stands in no category.' : 'It stands in no category; it is inactive.';
    case 'doubled':
      return `The ranges of ${account.doubledIn.map(nameOf).join(' and ')} both take its number.`;
    case 'half_placed': {
      const placed = stands?.side === 'credit' ? 'credit' : 'debit';
      const other = placed === 'debit' ? 'credit' : 'debit';
      const now = net === 0n ? `Today it is not in ${other}.` : `Today it is in ${other}, so a statement misses it.`;
      return `It stands in ${nameOf(stands?.categoryId ?? 0)} while in ${placed}, and nowhere while in ${other}. ${now}`;
    }
    case 'range_odd':
      return `The range of ${account.oddIn.map(nameOf).join(' and ')} holds its number, but cannot take ${account.element} accounts.`;
    case 'on_parent':
      return 'It has sub-accounts, and amounts of its own beside theirs.';
    case 'against_side':
      return `Its balance is in ${isOnSide(net, 'debit') ? 'debit' : 'credit'}, and it has no place of its own for that side.`;
    case 'no_code':
      return account.active ? 'It needs a code of this list.' : 'It needs a code of this list; it is inactive.';
    case 'code_odd': {
      const { code, reason, said, list } = finding;
      const named = `${list} ${code.code}${code.caption === '' ? '' : ` ${code.caption}`}`;
      if (reason === 'element') return `${named} is meant for ${code.element} accounts; this one is ${account.element}.`;
      if (reason === 'side') return `${named} is meant for accounts in ${code.side}; this one’s side is ${account.normalSide}.`;
      const node = stands ? model.tree.nodes.get(stands.categoryId) : undefined;
      return `${named} says ${nameOf(said?.categoryId ?? 0)}, where ${said?.accounts ?? 0} of its accounts stand; the category says ${node ? pathOf(node).join(' › ') : ''}.`;
    }
    case 'left_out':
      return `«${finding.reason}» ${finding.by}, ${momentText(finding.at)}.${stands ? ` It stands in ${nameOf(stands.categoryId)} now, and is not counted.` : ''}`;
  }
}
