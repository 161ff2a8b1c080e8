import { isLineKey, type OwnLine } from '@ivory-ladder/core';
import { useState } from 'react';
import styles from './LinePanel.module.css';
import type { Composer } from './useComposer.ts';

/** The key that formulas name it by; a wrong one is not taken. */
export function KeyField({
  composer,
  line,
  disabled,
  onRekeyed,
}: {
  readonly composer: Composer;
  readonly line: OwnLine;
  readonly disabled: boolean;
  readonly onRekeyed: (key: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  if (disabled || typed === null)
    return (
      <button type="button" className={styles.key} disabled={disabled} title="Formulas name it by this key" onClick={() => setTyped(line.key)}>
        key <strong>{line.key}</strong>
      </button>
    );
  const keep = () => {
    const to = typed.trim();
    if (to !== line.key && isLineKey(to) && composer.edit([{ kind: 'rename_key', key: line.key, to }], `Key of ${line.caption}`)) onRekeyed(to);
    setTyped(null);
  };
  return (
    <input
      className={styles.keyInput}
      aria-label="Key"
      // biome-ignore lint/a11y/noAutofocus: whoever chose the key wants to write it
      autoFocus
      value={typed}
      aria-invalid={!isLineKey(typed.trim())}
      onChange={({ target: { value } }) => setTyped(value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep();
        if (event.key === 'Escape') setTyped(null);
      }}
    />
  );
}
