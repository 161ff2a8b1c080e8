import { freshKey, type OwnTransfer } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { DayInput } from '../../shared/components/dayfield/DayInput.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { AmountField } from './AmountField.tsx';
import styles from './LinePanel.module.css';
import { accountLines } from './lineCaptions.ts';
import { SourcesField } from './SourcesField.tsx';
import type { Composer } from './useComposer.ts';

interface TransfersFieldProps {
  readonly composer: Composer;
  readonly disabled: boolean;
}

/** Amounts that stand on one line of a cash flow instead of another: as accounts move, or fixed on a day. */
export function TransfersField({ composer, disabled }: TransfersFieldProps) {
  const { span } = useSpan();
  const [opened, setOpened] = useState<string | null>(null);
  const transfers = composer.layout.transfers ?? [];
  const lines = accountLines(composer.expanded);
  const set = (changed: readonly OwnTransfer[], what: string, merge?: string) =>
    composer.edit([{ kind: 'set', settings: { transfers: changed } }], what, merge === undefined ? undefined : `transfer ${merge}`);
  const add = (amount: OwnTransfer['amount'], text: string) => {
    const [from = '', on = from] = [...lines.keys()];
    const key = freshKey('moved', new Set(transfers.map((one) => one.key)));
    if (set([...transfers, { key, text, on, from, amount }], `Add: ${text}`)) setOpened(key);
  };
  const at = (key: string): string => lines.get(key) ?? `${key}, which has gone`;
  return (
    <section className={styles.field} aria-label="Moved between lines">
      <span className={styles.label}>Moved between lines, in no total of both</span>
      <ul className={styles.transfers}>
        {transfers.map((transfer) => (
          <li key={transfer.key} data-odd={!lines.has(transfer.on) || !lines.has(transfer.from) || undefined}>
            <button
              type="button"
              className={styles.transfer}
              aria-expanded={opened === transfer.key}
              onClick={() => setOpened(opened === transfer.key ? null : transfer.key)}
            >
              <strong>{transfer.text || 'Without a text'}</strong>
              <small>
                {at(transfer.from)} → {at(transfer.on)}
              </small>
            </button>
            {opened === transfer.key && (
              <TransferPanel
                composer={composer}
                transfer={transfer}
                lines={lines}
                disabled={disabled}
                onChange={(changed, what, merge) =>
                  set(
                    transfers.map((one) => (one.key === changed.key ? changed : one)),
                    `${what} of ${changed.text || 'what is moved'}`,
                    merge,
                  )
                }
                onRemove={() =>
                  set(
                    transfers.filter(({ key }) => key !== transfer.key),
                    `Remove: ${transfer.text}`,
                  )
                }
              />
            )}
          </li>
        ))}
      </ul>
      {!disabled && lines.size > 1 && (
        <div className={styles.pair}>
          <Button onClick={() => add({ kind: 'living', sources: [], except: [] }, 'As accounts move')}>Add as accounts move</Button>
          <Button onClick={() => add({ kind: 'fixed', day: span.to, inflow: '0' }, 'Fixed amount')}>Add a fixed amount</Button>
        </div>
      )}
    </section>
  );
}

interface TransferPanelProps {
  readonly composer: Composer;
  readonly transfer: OwnTransfer;
  readonly lines: ReadonlyMap<string, string>;
  readonly disabled: boolean;
  readonly onChange: (transfer: OwnTransfer, what: string, merge?: string) => void;
  readonly onRemove: () => void;
}

function TransferPanel({ composer, transfer, lines, disabled, onChange, onRemove }: TransferPanelProps) {
  const { currency, exponent } = useCompany();
  const { text, amount } = transfer;
  return (
    <div className={styles.transferFields}>
      <label className={styles.field}>
        <span className={styles.label}>Why, as it is listed under the statement</span>
        <input
          className={styles.input}
          value={text}
          disabled={disabled}
          maxLength={300}
          onChange={({ target: { value } }) => onChange({ ...transfer, text: value }, 'Text', `text ${transfer.key}`)}
        />
      </label>
      {(['from', 'on'] as const).map((end) => (
        <label key={end} className={styles.field}>
          <span className={styles.label}>{end === 'from' ? 'Taken from' : 'Added on'}</span>
          <Select wide value={transfer[end]} disabled={disabled} onChange={({ target: { value } }) => onChange({ ...transfer, [end]: value }, 'Line')}>
            {!lines.has(transfer[end]) && <option value={transfer[end]}>{transfer[end]}, which has gone</option>}
            {[...lines].map(([key, caption]) => (
              <option key={key} value={key}>
                {caption}
              </option>
            ))}
          </Select>
        </label>
      ))}
      {amount.kind === 'living' ? (
        <SourcesField
          composer={composer}
          label="What these move in each column"
          sources={amount.sources}
          except={amount.except}
          takes="any"
          side="credit"
          disabled={disabled}
          onChange={(sources) => onChange({ ...transfer, amount: { ...amount, sources } }, 'Sources')}
        />
      ) : (
        <div className={styles.pair}>
          <AmountField
            label="More inflow there"
            value={amount.inflow}
            currency={{ code: currency, exponent }}
            disabled={disabled}
            onChange={(inflow) => onChange({ ...transfer, amount: { ...amount, inflow } }, 'Amount', `amount ${transfer.key}`)}
          />
          <label className={styles.field}>
            <span className={styles.label}>In columns with the day</span>
            <DayInput
              wide
              className={styles.input}
              value={amount.day}
              disabled={disabled}
              onChange={(day) => day !== '' && onChange({ ...transfer, amount: { ...amount, day } }, 'Day')}
            />
          </label>
        </div>
      )}
      {!disabled && (
        <button type="button" className={styles.link} onClick={onRemove}>
          Remove
        </button>
      )}
    </div>
  );
}
