import { type AccountsOwnLine, freshKey, newLine, numberKey, type OwnLine, rangesOfNumbers, rangeTest, type Source, writeRangeText } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { useMemo, useRef, useState } from 'react';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './ChartChooser.module.css';
import { accountIdsIn, type ChartItem, chartItems } from './chartItems.ts';
import type { Composer } from './useComposer.ts';

interface ChartChooserProps {
  readonly composer: Composer;
  /** The line that takes what is chosen; `null`: new lines are made. */
  readonly line: AccountsOwnLine | null;
  readonly onTake: (line: AccountsOwnLine, sources: readonly Source[]) => void;
  readonly onAdd: (lines: readonly OwnLine[]) => void;
  readonly onClose: () => void;
}

/** Accounts, categories and report codes, chosen one by one or in blocks with Shift; then one line for each, or one for all. */
export function ChartChooser({ composer, line, onTake, onAdd, onClose }: ChartChooserProps) {
  const { digitOrder } = useCompany();
  const { view } = composer;
  const [sought, setSought] = useState('');
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const anchor = useRef<string | null>(null);
  const items = useMemo(() => chartItems(composer), [composer]);
  const words = sought.trim().toLowerCase();
  const shown = words === '' ? items : items.filter(({ kind, label }) => kind !== 'list' && label.toLowerCase().includes(words));
  const toggle = (item: ChartItem, withBlock: boolean) => {
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
  const codes = picked.flatMap((item) => (item.kind === 'code' ? [item] : []));
  const sourceOf = ({ list, code }: (typeof codes)[number]): Source => ({ kind: 'code', list, code, begins: false });
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
      ...codes.map(sourceOf),
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
      ...codes.map((item) => made(item.caption, sourceOf(item), item.accountIds)),
    ];
  };
  const oneForAll = (): OwnLine[] => {
    const caption = categories[0]?.label ?? accounts[0]?.name ?? codes[0]?.caption ?? 'Accounts';
    const ids = [
      ...categories.flatMap(({ node }) => accountIdsIn(node, composer)),
      ...accounts.map(({ id }) => id),
      ...codes.flatMap(({ accountIds }) => accountIds),
    ];
    return [{ ...newLine('accounts', freshKey(caption, composer.expanded.origins), caption), sources: sourcesForAll(), reversed: isExpense(ids) }];
  };
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth>
      <DialogTitle>{line ? `Take into «${line.caption}»` : 'Lines from the chart'}</DialogTitle>
      <DialogContent className={styles.content}>
        <input
          className={styles.seek}
          aria-label="Find an account, category or report code"
          placeholder="Find an account, category or report code"
          autoFocus
          value={sought}
          onChange={({ target: { value } }) => setSought(value)}
        />
        <ul className={styles.tree}>
          {shown.map((item) => (
            <li key={item.id} style={{ paddingLeft: words === '' ? item.depth * 18 : 0 }}>
              {item.kind === 'list' ? (
                <span className={styles.list}>{item.label}</span>
              ) : (
                <label data-kind={item.kind}>
                  <input type="checkbox" checked={chosen.has(item.id)} onChange={({ nativeEvent }) => toggle(item, (nativeEvent as MouseEvent).shiftKey)} />
                  {item.label}
                </label>
              )}
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
                codes.length > 0 ? counted(codes.length, 'code') : '',
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
