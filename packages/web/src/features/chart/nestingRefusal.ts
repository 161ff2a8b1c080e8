import type { ChartAccountBody } from '@ivory-ladder/contract';
import { type AccountTree, buildAccountTree, checkAccount } from '@ivory-ladder/core';
import { describeFailure } from '../../shared/words/failureMessages.ts';

const trees = new WeakMap<readonly ChartAccountBody[], AccountTree>();

/** Made for a chart when it is first asked for: most charts are read without anybody moving a row. */
function treeOf(accounts: readonly ChartAccountBody[]): AccountTree {
  const tree = trees.get(accounts) ?? buildAccountTree(accounts.map((account, position) => ({ ...account, position })));
  trees.set(accounts, tree);
  return tree;
}

/** Why an account cannot stand below another (`null`: at the top level), as the server will judge it; `null` where it can. */
export function nestingRefusal(
  accounts: readonly ChartAccountBody[],
  { id, number, name, element, active }: ChartAccountBody,
  parentId: number | null,
): string | null {
  const refused = checkAccount({ number, name, element, parentId, active }, id, treeOf(accounts), number !== '');
  if (refused) return describeFailure({ code: refused.code, facts: refused });
  const parent = accounts.find((account) => account.id === parentId);
  return parent && !parent.active && active ? describeFailure({ code: 'account_parent_inactive', facts: { number: parent.number || parent.name } }) : null;
}
