import type { ChartAccountBody } from '@ivory-ladder/contract';
import Autocomplete from '@mui/material/Autocomplete';
import type { KeyboardEvent } from 'react';
import { accountsFound } from './accountsFound.ts';
import styles from './NewEntryScreen.module.css';

const mostOffered = 40;

interface AccountPickerProps {
  readonly label: string;
  /** Those to choose from. */
  readonly accounts: readonly ChartAccountBody[];
  readonly accountId: number | null;
  readonly isAtFault: boolean;
  readonly placeholder?: string;
  readonly onChange: (account: ChartAccountBody | null) => void;
  /** Why one of them is not to be had, which is then said in its place; `null` where it is. */
  readonly refusal?: (account: ChartAccountBody) => string | null;
  /** Chosen from the list with the keyboard: it goes on. */
  readonly onChosen?: () => void;
  readonly onEnter?: (event: KeyboardEvent<HTMLInputElement>) => void;
}

const few = (accounts: readonly ChartAccountBody[], { inputValue }: { readonly inputValue: string }) => accountsFound(accounts, inputValue, mostOffered);

/** An account by its number, its name or a part of either. */
export function AccountPicker({ label, accounts, accountId, isAtFault, placeholder, refusal, onChange, onChosen, onEnter }: AccountPickerProps) {
  return (
    <Autocomplete
      options={accounts}
      filterOptions={few}
      getOptionLabel={(account) => account.label}
      getOptionDisabled={(account) => (refusal?.(account) ?? null) !== null}
      renderOption={({ key, ...option }, account) => {
        const refused = refusal?.(account) ?? null;
        return (
          <li key={key} {...option}>
            <span>
              {account.label}
              {refused !== null && <small className={styles.refusal}>{refused}</small>}
            </span>
          </li>
        );
      }}
      noOptionsText="No account has this in its number or name"
      value={accounts.find(({ id }) => id === accountId) ?? null}
      onChange={(event, account, reason) => {
        onChange(account);
        if (reason === 'selectOption' && event.type === 'keydown') onChosen?.();
      }}
      isOptionEqualToValue={(a, b) => a.id === b.id}
      autoHighlight
      renderInput={({ slotProps }) => (
        <div ref={slotProps.input.ref}>
          <input
            {...slotProps.htmlInput}
            className={styles.cell}
            aria-label={label}
            placeholder={placeholder}
            aria-invalid={isAtFault}
            onKeyDown={(event) => {
              // With the list open Enter is for what it offers.
              if (event.currentTarget.getAttribute('aria-expanded') !== 'true') onEnter?.(event);
            }}
          />
        </div>
      )}
    />
  );
}
