import { captionWords } from '../layout/captionWords.ts';
import type { CompiledLayout } from '../layout/compileLayout.ts';
import type { AccountsLine, Line } from '../layout/line.ts';
import type { AccountsOnLines, PresentedAccount } from './accountsOnLines.ts';
import { type AccountEntry, type NestedAccount, nestAccounts } from './nestAccounts.ts';
import { fixedIn, type RunColumn } from './runColumn.ts';

/** What stands below an opened line of accounts. */
export interface BelowLine {
  /** Unique below the line. */
  readonly suffix: string;
  readonly accountId: number | null;
  readonly caption: string;
  /** What the line holds of it in each column, debit positive. */
  readonly amounts: readonly bigint[];
  /** What it is the sum of; empty where it is shown as one. */
  readonly inside: readonly BelowLine[];
}

const none: readonly BelowLine[] = [];

interface Presented {
  readonly compiled: CompiledLayout;
  readonly runs: readonly RunColumn[];
  readonly accounts: readonly PresentedAccount[];
}

/** Its accounts in the order of the chart, then the lines that are shown within it, then what is moved to or from it. */
export function belowLine({ compiled, runs, accounts }: Presented, onLines: AccountsOnLines, { key, byTree = 0 }: AccountsLine): BelowLine[] {
  const index = compiled.indexOf.get(key) as number;
  const entries: AccountEntry[] = [];
  for (const presented of onLines.on(index)) {
    const amounts = runs.map((run) => onLines.amountOn(index, presented.index, run));
    if (!presented.isParent || amounts.some((amount) => amount !== 0n)) entries.push({ presented, amounts });
  }
  const directly = captionWords[compiled.layout.language].postedDirectly;
  const below = ({ presented: { account, label }, amounts, isOwn, children }: NestedAccount, above: number | null): BelowLine => ({
    suffix: account.id === above ? `${account.id}.own` : String(account.id),
    accountId: account.id,
    caption: isOwn ? directly(label) : label,
    amounts,
    inside: children.length === 0 ? none : children.map((child) => below(child, account.id)),
  });
  const within = (compiled.shownWithin.get(index) ?? []).map((hidden) => {
    const other = compiled.lines[hidden] as Line;
    return { suffix: other.key, accountId: null, caption: other.caption, amounts: runs.map(({ amounts }) => amounts[hidden] as bigint), inside: none };
  });
  const transfers = onLines.transfersOn(index).map((text, place) => ({
    suffix: `transfer ${place + 1}`,
    accountId: null,
    caption: text,
    amounts: runs.map((run) => fixedIn(compiled, run).reduce((sum, one) => (one.line === index && one.text === text ? sum + one.net : sum), 0n)),
    inside: none,
  }));
  // One beside the other there may be hundreds; nothing is nested then.
  const own =
    byTree === 0
      ? entries.map(({ presented: { account, label, isParent }, amounts }) => ({
          suffix: String(account.id),
          accountId: account.id,
          caption: isParent ? directly(label) : label,
          amounts,
          inside: none,
        }))
      : nestAccounts(entries, accounts, byTree).map((nested) => below(nested, null));
  return within.length === 0 && transfers.length === 0 ? own : [...own, ...within, ...transfers];
}
