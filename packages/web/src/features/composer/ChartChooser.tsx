import {
  type AccountsOwnLine,
  accountLabel,
  type CategoryNode,
  elements,
  freshKey,
  newLine,
  numberKey,
  type OwnLine,
  rangesOfNumbers,
  rangeTest,
  type Source,
  writeRangeText,
} from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMemo, useRef, useState } from 'react';
import { useCompany } from '../../app/useCompany.ts';
import { counted } from '../../components/counted.ts';
import styles from './ChartChooser.module.css';
import type { Composer } from './useComposer.ts';

interface ChartChooserProps {
  readonly composer: Composer;
  /** The line that takes what is chosen; `null`: new lines are made. */
  readonly line: AccountsOwnLine | null;
  readonly onTake: (line: AccountsOwnLine, sources: readonly Source[]) => void;
  readonly onAdd: (lines: readonly OwnLine[]) => void;
  readonly onClose: () => void;
}

/** A row of the tree: a category, or an account in it. */
type Item = { readonly id: string; readonly label: string; readonly depth: number } & (
  | { readonly kind: 'category'; readonly node: CategoryNode }
  | { readonly kind: 'account'; readonly accountId: number }
);

/** Accounts and categories, chosen one by one or in blocks with Shift; then one line for each, or one for all. */
export function ChartChooser({ composer, line, onTake, onAdd, onClose }: ChartChooserProps) {
  const { digitOrder } = useCompany();
  const { view } = composer;
  const [sought, setSought] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const anchor = useRef<string | null>(null);
  const items = useMemo(() => itemsOf(composer), [composer]);
  const words = sought.trim().toLowerCase();
  const shown = words === '' ? items : items.filter(({ label }) => label.toLowerCase().includes(words));
  const toggle = (item: Item, withBlock: boolean) => {
    const after = new Set(chosen);
    const isOn = !chosen.has(item.id);
    const [from, to] = [shown.findIndex(({ id }) => id === anchor.current), shown.indexOf(item)];
    const block = withBlock && from >= 0 ? shown.slice(Math.min(from, to), Math.max(from, to) + 1).filter(({ kind }) => kind === item.kind) : [item];
    for (const { id } of block) {
      if (isOn) after.add(id);
      else after.delete(id);
    }
    anchor.current = item.id;
    setChosen(after);
  };
  const picked = items.filter(({ id }) => chosen.has(id));
  const categories = picked.flatMap((item) => (item.kind === 'category' ? [item] : []));
  const accounts = picked.flatMap((item) => (item.kind === 'account' ? (view.accounts.find(({ id }) => id === item.accountId) ?? []) : []));
  const sourcesForAll = (): Source[] => {
    const all = view.accounts.map(({ number }) => number);
    const numbers = new Set(accounts.map(({ number }) => number).filter((number) => number !== ''));
    const ranges = rangesOfNumbers(numbers, all, digitOrder);
    // A number alone may hold others that begin with it; such an account is named itself.
    const isPlain = (text: (typeof ranges)[number]): boolean => {
      const holds = rangeTest({ include: [text], except: [] }, digitOrder);
      return all.every((number) => numbers.has(number) || !holds(numberKey(number, digitOrder)));
    };
    const plain = ranges.filter(isPlain);
    const held = rangeTest({ include: plain, except: [] }, digitOrder);
    const single = accounts.filter(({ number }) => number === '' || !held(numberKey(number, digitOrder)));
    return [
      ...categories.map(({ node }): Source => ({ kind: 'category', categoryId: node.category.id })),
      ...(plain.length > 0 ? [{ kind: 'numbers', text: writeRangeText({ include: plain, except: [] }) } as const] : []),
      ...single.map(({ id }): Source => ({ kind: 'account', accountId: id })),
    ];
  };
  const isExpense = (accountIds: readonly number[]) =>
    composer.layout.kind === 'income_statement' &&
    accountIds.length > 0 &&
    accountIds.every((id) => view.accounts.find((one) => one.id === id)?.element === 'expense');
  const eachOwn = (): OwnLine[] => {
    const taken = new Set(composer.expanded.origins.keys());
    const made = (caption: string, source: Source, accountIds: readonly number[]): OwnLine => {
      const key = freshKey(caption, taken);
      taken.add(key);
      return { ...newLine('accounts', key, caption), sources: [source], reversed: isExpense(accountIds) };
    };
    return [
      ...categories.map(({ node }) => made(node.category.name, { kind: 'category', categoryId: node.category.id }, accountIdsIn(node, composer))),
      ...accounts.map(({ id, name }) => made(name, { kind: 'account', accountId: id }, [id])),
    ];
  };
  const oneForAll = (): OwnLine[] => {
    const caption = categories[0]?.label ?? accounts[0]?.name ?? 'Accounts';
    const ids = [...categories.flatMap(({ node }) => accountIdsIn(node, composer)), ...accounts.map(({ id }) => id)];
    return [{ ...newLine('accounts', freshKey(caption, composer.expanded.origins), caption), sources: sourcesForAll(), reversed: isExpense(ids) }];
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{line ? `Take into «${line.caption}»` : 'Lines from the chart'}</DialogTitle>
      <DialogContent className={styles.content}>
        <input
          className={styles.seek}
          aria-label="Find an account or category"
          placeholder="Find an account or category"
          autoFocus
          value={sought}
          onChange={({ target: { value } }) => setSought(value)}
        />
        <ul className={styles.tree}>
          {shown.map((item) => (
            <li key={item.id} style={{ paddingLeft: words === '' ? item.depth * 18 : 0 }}>
              <label data-kind={item.kind}>
                <input type="checkbox" checked={chosen.has(item.id)} onChange={({ nativeEvent }) => toggle(item, (nativeEvent as MouseEvent).shiftKey)} />
                {item.label}
              </label>
            </li>
          ))}
          {shown.length === 0 && <li className={styles.none}>Nothing has these words.</li>}
        </ul>
      </DialogContent>
      <DialogActions>
        <span className={styles.count}>
          {picked.length === 0
            ? 'Shift chooses a block'
            : [
                categories.length > 0 ? counted(categories.length, 'category', 'categories') : '',
                accounts.length > 0 ? counted(accounts.length, 'account') : '',
              ]
                .filter(Boolean)
                .join(', ')}
        </span>
        <Button onClick={onClose}>Cancel</Button>
        {line ? (
          <Button
            variant="contained"
            disabled={picked.length === 0}
            onClick={() => {
              onTake(line, [...line.sources, ...sourcesForAll()]);
              onClose();
            }}
          >
            Take them
          </Button>
        ) : (
          <>
            <Button
              disabled={picked.length === 0}
              onClick={() => {
                onAdd(eachOwn());
                onClose();
              }}
            >
              One line each
            </Button>
            <Button
              variant="contained"
              disabled={picked.length === 0}
              onClick={() => {
                onAdd(oneForAll());
                onClose();
              }}
            >
              One line for all
            </Button>
          </>
        )}
      </DialogActions>
    </Dialog>
  );
}

function itemsOf({ facts: { tree, portions }, view: { accounts: all } }: Composer): Item[] {
  const inCategory = new Map<number, typeof all>();
  for (const account of all) {
    const own = portions.get(account.id);
    for (const id of new Set([own?.debit, own?.credit])) if (typeof id === 'number') inCategory.set(id, [...(inCategory.get(id) ?? []), account]);
  }
  const made: Item[] = [];
  const accountItem = (account: (typeof all)[number], depth: number, where: string): void =>
    void made.push({ kind: 'account', id: `account ${account.id} ${where}`, label: accountLabel(account), depth, accountId: account.id });
  const visit = (nodes: readonly CategoryNode[]): void => {
    for (const node of nodes) {
      made.push({ kind: 'category', id: `category ${node.category.id}`, label: node.category.name, depth: node.depth, node });
      for (const account of inCategory.get(node.category.id) ?? []) accountItem(account, node.depth + 1, String(node.category.id));
      visit(node.children);
    }
  };
  for (const element of elements) visit(tree.tops.get(element) ?? []);
  for (const account of all) if (!portions.has(account.id)) accountItem(account, 0, 'unplaced');
  return made;
}

function accountIdsIn(node: CategoryNode, composer: Composer): number[] {
  const ids = new Set<number>();
  const collect = (one: CategoryNode): void => {
    ids.add(one.category.id);
    for (const child of one.children) collect(child);
  };
  collect(node);
  return [...composer.facts.portions].flatMap(([id, { debit, credit }]) =>
    (debit !== null && ids.has(debit)) || (credit !== null && ids.has(credit)) ? [id] : [],
  );
}
