import type { CashOwnLine } from '@ivory-ladder/core';
import { Segmented } from '../../shared/components/Segmented.tsx';
import { FreedOn } from './FreedOn.tsx';
import styles from './LinePanel.module.css';
import type { Composer } from './useComposer.ts';

interface CashFieldsProps {
  readonly composer: Composer;
  readonly line: CashOwnLine;
  readonly disabled: boolean;
  readonly onChange: (line: CashOwnLine, what: string) => void;
}

/** Which amount of cash a line of a cash flow shows; of the effect of exchange rates, where profit is freed of it. */
export function CashFields({ composer, line, disabled, onChange }: CashFieldsProps) {
  const held = composer.facts.accounts.filter(({ role }) => role === 'cash').length;
  return (
    <>
      <Segmented
        label="Cash and cash equivalents"
        value={line.of}
        disabled={disabled}
        choices={[
          { value: 'opening', label: 'At the beginning' },
          { value: 'closing', label: 'At the end' },
          { value: 'exchange', label: 'Exchange', says: 'Entries whose only counterpart are exchange differences' },
        ]}
        onChange={(of) => onChange({ ...line, of, addedBackOn: of === 'exchange' ? line.addedBackOn : null }, 'Cash')}
      />
      <p className={styles.note} data-odd={held === 0 || undefined}>
        {held === 0 ? '▲ No account has the role cash yet; give it in the chart.' : `Of ${held} ${held === 1 ? 'account' : 'accounts'} with the role cash.`}
      </p>
      {line.of === 'exchange' && (
        <FreedOn
          composer={composer}
          label="Profit is freed of it on"
          none="no line: it stays in profit"
          value={line.addedBackOn ?? undefined}
          disabled={disabled}
          onChange={(addedBackOn) => onChange({ ...line, addedBackOn: addedBackOn ?? null }, 'Where it is added back')}
        />
      )}
    </>
  );
}
