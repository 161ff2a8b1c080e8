import type { ChartAccountBody } from '@ivory-ladder/contract';
import Autocomplete, { createFilterOptions } from '@mui/material/Autocomplete';
import type { KeyboardEvent } from 'react';
import styles from './NewEntryScreen.module.css';

interface AccountPickerProps {
  readonly label: string;
  /** Those to choose from. */
  readonly accounts: readonly ChartAccountBody[];
  readonly accountId: number | null;
  readonly isAtFault: boolean;
  readonly placeholder?: string;
  readonly onChange: (account: ChartAccountBody | null) => void;
  /** Chosen from the list with the keyboard: it goes on. */
  readonly onChosen?: () => void;
  readonly onEnter?: (event: KeyboardEvent<HTMLInputElement>) => void;
}

const few = createFilterOptions<ChartAccountBody>({ limit: 40, stringify: ({ label }) => label });

/** An account by its number, its name or a part of either. */
export function AccountPicker({ label, accounts, accountId, isAtFault, placeholder, onChange, onChosen, onEnter }: AccountPickerProps) {
  return (
    <Autocomplete
      options={accounts}
      filterOptions={few}
      getOptionLabel={(account) => account.label}
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
