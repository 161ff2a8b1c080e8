import type { AccountChange, AccountInputBody, ChartAccountBody, CodeListBody, PlacementView } from '@ivory-ladder/contract';
import {
  type AccountRole,
  accountLabel,
  accountLabels,
  accountRoles,
  bringToScheme,
  buildCategoryTree,
  type CodesOfAccount,
  type Element,
  elements,
  exampleOf,
  findByNumber,
  findSameNameBeside,
  isListKey,
  naturalSide,
  pathOf,
  roleRules,
  type Side,
  sideByName,
  sortByNumber,
  succeed,
  walkCategories,
} from '@ivory-ladder/core';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, type KeyboardEvent, useDeferredValue, useEffect, useMemo, useRef, useState } from 'react';
import { DayTextField } from '../../shared/components/dayfield/DayTextField.tsx';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { accountRoleNames, accountRoleWords } from '../../shared/words/accountRoleWords.ts';
import { landingOf, placerOf } from '../placement/index.ts';
import { type AccountDraft, changesToSend } from './accountDraft.ts';
import { ChangedMeanwhile } from './ChangedMeanwhile.tsx';
import styles from './ChartScreen.module.css';
import { CodeField } from './CodeField.tsx';
import type { NewAccountStart } from './chartModel.ts';
import { EffectOfChange } from './EffectOfChange.tsx';
import { proposeAccount } from './proposedAccount.ts';
import { touchesFigures } from './useAccountEffect.ts';

export interface AccountFormProps {
  readonly accounts: readonly ChartAccountBody[];
  readonly categories: PlacementView['categories'];
  readonly lists: readonly CodeListBody[];
  /** The account to change, or where a new one begins. */
  readonly account: ChartAccountBody | null;
  readonly start: NewAccountStart;
  readonly isBusy: boolean;
  readonly onAdd: (body: AccountInputBody, isAnother: boolean) => void;
  readonly onChange: (change: AccountChange) => void;
  readonly onCancel: () => void;
}

interface Option {
  readonly id: number;
  readonly label: string;
}

const fewOptions = createFilterOptions<Option>({ limit: 60 });

/** All fields of an account; what is taken or repeated is said while one types, and where it will land before it is saved. */
export function AccountForm({ accounts, categories, lists, account, start, isBusy, onAdd, onChange, onCancel }: AccountFormProps) {
  const [number, setNumber] = useState(account?.number ?? start.number);
  const [name, setName] = useState(account?.name ?? '');
  const [element, setElement] = useState<Element>(account?.element ?? start.element);
  const [side, setSide] = useState<Side>(account?.normalSide ?? naturalSide(start.element));
  const [parentId, setParentId] = useState(account ? account.parentId : start.parentId);
  const mayPlace = useMay('keep_placement');
  const [categoryId, setCategoryId] = useState(mayPlace ? start.categoryId : null);
  /** What somebody has chosen is not proposed anew. */
  const [byHand, setByHand] = useState({ element: false, side: false, category: false });
  const [role, setRole] = useState(account?.role ?? null);
  const [cashFrom, setCashFrom] = useState(account?.cashFrom ?? null);
  const [cashUntil, setCashUntil] = useState(account?.cashUntil ?? null);
  const [purpose, setPurpose] = useState(account?.purpose ?? '');
  const [externalNumber, setExternalNumber] = useState(account?.externalNumber ?? '');
  const [codes, setCodes] = useState<CodesOfAccount>(account?.codes ?? {});
  const first = useRef<HTMLInputElement>(null);
  // What the account was when it was opened here; somebody else may save another version meanwhile.
  const [base] = useState(account);
  useEffect(() => first.current?.focus(), []);
  const tree = useMemo(() => buildCategoryTree(categories), [categories]);
  const labels = useMemo(() => accountLabels(accounts), [accounts]);
  const parents = useMemo(
    () =>
      accounts
        .filter((other) => other.element === element && other.id !== account?.id && (other.active || other.id === account?.parentId))
        .map(({ id }): Option => ({ id, label: labels.get(id) ?? '' })),
    [accounts, element, account, labels],
  );
  const places = useMemo(() => {
    const options: Option[] = [];
    walkCategories(tree.tops.get(element) ?? [], (node) => options.push({ id: node.category.id, label: pathOf(node).join(' › ') }));
    return options;
  }, [tree, element]);
  const { numberScheme, repeatedNames, numbered, digitOrder } = useCompany();
  const placer = useMemo(() => placerOf(categories, digitOrder), [categories, digitOrder]);
  const sorted = useMemo(() => sortByNumber(accounts, digitOrder), [accounts, digitOrder]);
  const brought = numbered ? bringToScheme(number, numberScheme) : succeed('');
  const isMalformed = !brought.ok && number.trim() !== (account?.number ?? '');
  const trimmed = brought.ok ? brought.value : number.trim();
  const holder = numbered ? findByNumber(accounts, trimmed) : undefined;
  const isTaken = holder !== undefined && holder.id !== account?.id;
  const sameName = accounts.find((other) => other.id !== account?.id && other.active && other.name.toLowerCase() === name.trim().toLowerCase());
  const beside = numbered ? undefined : findSameNameBeside(accounts, { name, parentId }, account?.id ?? null);
  const isNameTaken = beside !== undefined || (sameName !== undefined && repeatedNames === 'forbidden' && name.trim() !== account?.name);
  const isRefused = isBusy || isTaken || isMalformed || isNameTaken || (numbered && trimmed === '') || name.trim() === '';
  const ranged = account || trimmed === '' ? null : placer({ id: 0, number: trimmed, element }, []);
  const node = tree.nodes.get(categoryId ?? ranged?.places[0]?.categoryId ?? 0);
  const takeElement = (next: Element, nextSide: Side) => {
    setElement(next);
    setSide(nextSide);
    if (accounts.find(({ id }) => id === parentId)?.element !== next) setParentId(null);
    setCategoryId(null);
  };
  const chooseElement = (next: Element) => {
    setByHand({ ...byHand, element: true });
    takeElement(next, sideByName(next, name));
  };
  // A moment after what is typed, which is seen first.
  const typed = useDeferredValue(account ? null : `${trimmed}\n${name.trim()}\n${parentId ?? ''}`);
  const [proposedFor, setProposedFor] = useState(typed);
  if (typed !== null && typed !== proposedFor) {
    setProposedFor(typed);
    const proposed = proposeAccount({ number: trimmed, name: name.trim(), parentId }, sorted, placer, digitOrder);
    // Beside the account that it was begun at it has what that one has; a range says otherwise all the same.
    const isElsewhere = trimmed !== start.number || parentId !== start.parentId;
    const isProposed = proposed.element !== null && (isElsewhere || proposed.isByRange);
    const next = isProposed && !byHand.element ? (proposed.element ?? element) : element;
    if (next !== element) takeElement(next, sideByName(next, name));
    else if (!byHand.side) setSide(sideByName(element, name));
    if (mayPlace && !byHand.category && isProposed && proposed.element === next) setCategoryId(proposed.categoryId);
  }
  const own: AccountDraft = {
    number: trimmed,
    name: name.trim(),
    element,
    normalSide: side,
    parentId,
    role,
    cashFrom: role === 'cash' ? cashFrom : null,
    cashUntil: role === 'cash' ? cashUntil : null,
    purpose: purpose.trim(),
    externalNumber: externalNumber.trim(),
    codes,
  };
  const takeTheirs: Record<Exclude<keyof AccountDraft, 'codes'>, (theirs: ChartAccountBody) => void> = {
    number: (theirs) => setNumber(theirs.number),
    name: (theirs) => setName(theirs.name),
    element: (theirs) => setElement(theirs.element),
    normalSide: (theirs) => setSide(theirs.normalSide),
    parentId: (theirs) => setParentId(theirs.parentId),
    role: (theirs) => setRole(theirs.role),
    cashFrom: (theirs) => setCashFrom(theirs.cashFrom),
    cashUntil: (theirs) => setCashUntil(theirs.cashUntil),
    purpose: (theirs) => setPurpose(theirs.purpose),
    externalNumber: (theirs) => setExternalNumber(theirs.externalNumber),
  };
  const numberHelp = (): string | undefined => {
    if (isTaken) return `Taken by ${holder.name}`;
    if (number.trim() === '') return emptyNumberHelp(accounts.length > 0 && !account && start.number === '');
    if (isMalformed && numberScheme) return `Numbers here look like ${exampleOf(numberScheme)}`;
    return brought.ok && trimmed !== number.trim() ? `Becomes ${trimmed}` : undefined;
  };
  const nameHelp = (): string | undefined => {
    if (beside) return 'An active account beside it has this name';
    return sameName && name.trim() !== '' ? `${labels.get(sameName.id)} has this name too` : undefined;
  };
  const change = account ? { version: account.version, ...changesToSend(base ?? account, account, own) } : null;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const isAnother = (event.nativeEvent as SubmitEvent).submitter?.dataset.another !== undefined;
    if (change) return onChange(change);
    const { role: _, cashFrom: __, cashUntil: ___, ...fields } = own;
    onAdd({ ...fields, categoryId, ...(parentId === start.parentId && trimmed === start.number ? { after: start.after } : {}) }, isAnother);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLFormElement>) => {
    if (event.key === 'Escape' && !event.defaultPrevented) onCancel();
    else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey) && !isRefused) {
      event.preventDefault();
      event.currentTarget.requestSubmit(event.currentTarget.querySelector<HTMLButtonElement>('[data-another]'));
    }
  };
  return (
    <form className={styles.form} onSubmit={submit} onKeyDown={onKeyDown} aria-label={account ? `Change ${accountLabel(account)}` : 'New account'}>
      {base && account && base.version !== account.version && (
        <ChangedMeanwhile
          base={base}
          theirs={account}
          own={own}
          accounts={accounts}
          lists={lists}
          onTake={(field) => (isListKey(field) ? setCodes({ ...codes, [field]: account.codes[field] ?? '' }) : takeTheirs[field](account))}
        />
      )}
      {numbered && (
        <TextField
          label="Number"
          inputRef={first}
          value={number}
          onChange={(event) => setNumber(event.target.value)}
          error={isTaken || (isMalformed && number.trim() !== '')}
          helperText={numberHelp()}
          slotProps={{ htmlInput: { maxLength: 50 } }}
          required
        />
      )}
      <TextField
        label="Name"
        inputRef={numbered ? undefined : first}
        value={name}
        onChange={(event) => setName(event.target.value)}
        error={isNameTaken}
        helperText={nameHelp()}
        slotProps={{ htmlInput: { maxLength: 200 } }}
        required
      />
      <div className={styles.elementAndSide}>
        <SelectTextField label="Element" value={element} onChange={(event) => chooseElement(event.target.value as Element)}>
          {elements.map((value) => (
            <option key={value} value={value}>
              {value}
            </option>
          ))}
        </SelectTextField>
        <SelectTextField
          label="Normal side"
          value={side}
          onChange={(event) => {
            setByHand({ ...byHand, side: true });
            setSide(event.target.value as Side);
          }}
        >
          {(['debit', 'credit'] as const).map((value) => (
            <option key={value} value={value}>
              {value === naturalSide(element) ? value : `${value} (contra)`}
            </option>
          ))}
        </SelectTextField>
      </div>
      <Autocomplete
        options={parents}
        filterOptions={fewOptions}
        value={parents.find(({ id }) => id === parentId) ?? null}
        onChange={(_, option) => setParentId(option?.id ?? null)}
        isOptionEqualToValue={(a, b) => a.id === b.id}
        renderInput={(params) => <TextField {...params} label="Nested below" placeholder="nothing: at the top level" />}
      />
      {!account && mayPlace && (
        <Autocomplete
          options={places}
          filterOptions={fewOptions}
          value={places.find(({ id }) => id === categoryId) ?? null}
          onChange={(_, option) => {
            setByHand({ ...byHand, category: true });
            setCategoryId(option?.id ?? null);
          }}
          isOptionEqualToValue={(a, b) => a.id === b.id}
          renderInput={(params) => <TextField {...params} label="Category" placeholder="none yet" />}
        />
      )}
      {!account && (
        <p className={styles.lands}>
          {categoryId === null && ranged && ranged.doubledIn.length > 0 && (
            <span className={styles.unplaced}>
              The ranges of {ranged.doubledIn.map((id) => tree.nodes.get(id)?.category.name).join(' and ')} both hold this number; choose a category.
            </span>
          )}
          {categoryId === null && node && <span className={styles.landing}>By its number it stands in {node.category.name}:</span>}
          {node ? (
            landingOf(node).map((line) => (
              <span key={line} className={styles.landing}>
                {line}
              </span>
            ))
          ) : (
            <span className={styles.unplaced}>In no category it lands on no statement; it will be listed as unplaced.</span>
          )}
        </p>
      )}
      {account && (
        <SelectTextField
          label="Role"
          value={role ?? ''}
          onChange={(event) => setRole((event.target.value || null) as AccountRole | null)}
          helperText={role === null ? 'What the system needs the account for, if anything' : accountRoleWords[role]}
        >
          {(account.role === null || !roleRules[account.role].isNeeded) && <option value="">none</option>}
          {accountRoles
            .filter((value) => value === role || (roleRules[value].elements.includes(element) && (account.role === null || !roleRules[account.role].isNeeded)))
            .map((value) => (
              <option key={value} value={value}>
                {accountRoleNames[value]}
              </option>
            ))}
        </SelectTextField>
      )}
      {account && role === 'cash' && (
        <div className={styles.pair}>
          <DayTextField label="Cash from" value={cashFrom ?? ''} onChange={(day) => setCashFrom(day || null)} helperText="empty: ever" />
          <DayTextField
            label="Cash until"
            value={cashUntil ?? ''}
            onChange={(day) => setCashUntil(day || null)}
            error={cashFrom !== null && cashUntil !== null && cashFrom > cashUntil}
            helperText={cashFrom !== null && cashUntil !== null && cashFrom > cashUntil ? 'ends before it begins' : 'empty: still'}
          />
        </div>
      )}
      <TextField
        label="Purpose"
        placeholder="What belongs here, and what does not"
        value={purpose}
        onChange={(event) => setPurpose(event.target.value)}
        multiline
        minRows={2}
        maxRows={6}
        slotProps={{ htmlInput: { maxLength: 2000 } }}
      />
      <TextField
        label="External number"
        placeholder="Its number in another system"
        value={externalNumber}
        onChange={(event) => setExternalNumber(event.target.value)}
        slotProps={{ htmlInput: { maxLength: 50 } }}
      />
      {lists.map((list) => (
        <CodeField key={list.key} list={list} value={codes[list.key] ?? ''} onChange={(code) => setCodes({ ...codes, [list.key]: code })} />
      ))}
      {account && change && touchesFigures(change) && !isRefused && <EffectOfChange accountId={account.id} change={change} />}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={isRefused}>
          {account ? 'Apply' : 'Add'}
        </Button>
        {!account && (
          <Button type="submit" disabled={isRefused} data-another title="Ctrl Enter">
            Add, then another
          </Button>
        )}
        <Button onClick={onCancel}>Cancel</Button>
      </div>
    </form>
  );
}

/** An empty number cannot be added; it says what is wanted, and why none stands there. */
function emptyNumberHelp(isNoneFree: boolean): string {
  return isNoneFree ? 'No number of the same form is free beside it: type one of your own' : 'An account here needs a number';
}
