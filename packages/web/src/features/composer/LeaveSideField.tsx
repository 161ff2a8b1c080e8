import { type AccountsOwnLine, leaveSide, type Side, selectPortions } from '@ivory-ladder/core';
import Autocomplete from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import { useId, useMemo, useState } from 'react';
import { Segmented } from '../../shared/components/Segmented.tsx';
import { SelectField } from '../../shared/components/SelectField.tsx';
import styles from './LinePanel.module.css';
import { lineCaptions } from './lineCaptions.ts';
import type { Composer } from './useComposer.ts';

interface LeaveSideFieldProps {
  readonly composer: Composer;
  /** Of both sides. */
  readonly line: AccountsOwnLine;
}

interface Held {
  readonly id: number;
  readonly label: string;
  /** Minor units, debit positive. */
  readonly balance: bigint;
}

const mostOffered = 40;

/** Balances of one account on one side go to another line of the layout, and the other side stays: both lines in one step. */
export function LeaveSideField({ composer, line }: LeaveSideFieldProps) {
  const [isOpen, setOpen] = useState(false);
  const others = useMemo(
    () => [...composer.expanded.origins.values()].flatMap((origin) => (origin.kind === 'own' && takesBeside(origin.line, line) ? [origin.line] : [])),
    [composer.expanded, line],
  );
  if (others.length === 0) return null;
  return isOpen ? (
    <LeaveSideForm composer={composer} line={line} others={others} onClose={() => setOpen(false)} />
  ) : (
    <button type="button" className={styles.link} onClick={() => setOpen(true)}>
      Leave one side of an account to another line…
    </button>
  );
}

function takesBeside(other: { readonly kind: string; readonly key: string }, line: AccountsOwnLine): other is AccountsOwnLine {
  return other.kind === 'accounts' && other.key !== line.key;
}

function LeaveSideForm({
  composer,
  line,
  others,
  onClose,
}: LeaveSideFieldProps & { readonly others: readonly AccountsOwnLine[]; readonly onClose: () => void }) {
  const { facts, view, expanded, edit } = composer;
  const captions = useMemo(() => lineCaptions(expanded), [expanded]);
  const held = useMemo((): Held[] => {
    const { accounts, sides } = selectPortions(line.sources, line.except, line.takes, facts);
    return Array.from(accounts).flatMap((at, place) => {
      const account = view.accounts[at];
      return account && sides[place] === 3 ? [{ id: account.id, label: account.label, balance: BigInt(account.balance) }] : [];
    });
  }, [line, facts, view]);
  const usual: Side = expanded.byKey.get(line.key)?.side === 'credit' ? 'debit' : 'credit';
  // An account that is on the other side now is mostly the one that is meant.
  const against = held.find(({ balance }) => (usual === 'credit' ? balance < 0n : balance > 0n));
  const [account, setAccount] = useState<Held | null>(against ?? (held.length === 1 ? (held[0] ?? null) : null));
  const [side, setSide] = useState<Side>(usual);
  const likely = others.find(({ takes }) => takes === usual) ?? others.find(({ takes }) => takes === 'any') ?? others[0];
  const [to, setTo] = useState(likely?.key ?? '');
  const other = others.find(({ key }) => key === to);
  const left = account && other ? leaveSide(line, other, account.id, side) : null;
  const captionOf = (key: string): string => captions.get(key) ?? key;
  const label = useId();
  const leave = () => {
    if (!account || !left) return;
    const edits = [left.from, left.to].map((changed) => ({ kind: 'change', line: changed }) as const);
    if (edit(edits, `Leave ${side} balances of ${account.label} to ${captionOf(to)}`)) onClose();
  };
  return (
    <form
      className={styles.asked}
      aria-labelledby={label}
      onSubmit={(event) => {
        event.preventDefault();
        leave();
      }}
      onKeyDown={(event) => event.key === 'Escape' && !event.defaultPrevented && onClose()}
    >
      <strong id={label}>One side of an account to another line</strong>
      <Autocomplete<Held>
        fullWidth
        size="small"
        options={held}
        value={account}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        filterOptions={(all, { inputValue }) => all.filter((one) => one.label.toLowerCase().includes(inputValue.trim().toLowerCase())).slice(0, mostOffered)}
        noOptionsText="The line holds both sides of no such account"
        onChange={(_, chosen) => setAccount(chosen)}
        renderInput={({ slotProps }) => (
          <div ref={slotProps.input.ref} className={styles.field}>
            <span className={styles.label}>Account</span>
            <input
              {...slotProps.htmlInput}
              className={styles.input}
              aria-label="Account"
              placeholder="Number or name"
              // biome-ignore lint/a11y/noAutofocus: whoever asked for it goes on here
              autoFocus
            />
          </div>
        )}
      />
      <Segmented
        label="While its balance is in"
        value={side}
        disabled={false}
        choices={[
          { value: 'debit', label: 'Debit' },
          { value: 'credit', label: 'Credit' },
        ]}
        onChange={setSide}
      />
      <SelectField
        label="It stands in"
        value={to}
        choices={others.map(({ key }) => ({ value: key, label: captionOf(key) }))}
        disabled={false}
        onChange={setTo}
      />
      {account !== null && left === null && (
        <p className={styles.wrong}>
          «{captionOf(to)}» takes balances in {side === 'debit' ? 'credit' : 'debit'} alone.
        </p>
      )}
      <div className={styles.pair}>
        <Button type="submit" variant="contained" disabled={left === null}>
          Leave it there
        </Button>
        <Button onClick={onClose}>Cancel</Button>
      </div>
    </form>
  );
}
