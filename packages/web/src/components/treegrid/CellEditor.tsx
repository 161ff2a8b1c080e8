import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react';
import styles from './CellEditor.module.css';
import type { CellEdit } from './gridColumn.ts';

/** Where the keyboard goes afterwards; `away`: it has gone elsewhere already. */
export type EditEnd = 'down' | 'right' | 'left' | 'stay' | 'away';

interface CellEditorProps {
  readonly label: string;
  readonly edit: Omit<CellEdit<never>, 'value'>;
  readonly initial: string;
  /** Gives `null` where the value was taken, else why not; then one goes on editing. */
  readonly onApply: (text: string) => Promise<string | null>;
  readonly onEnd: (end: EditEnd) => void;
}

/** Edits one cell in its place: Enter applies and goes down, Tab applies and goes on, Escape leaves it as it was. */
export function CellEditor({ label, edit, initial, onApply, onEnd }: CellEditorProps) {
  const [text, setText] = useState(initial);
  const [refusal, setRefusal] = useState<string | null>(null);
  const field = useRef<HTMLInputElement & HTMLSelectElement>(null);
  const isEnding = useRef(false);
  const [listId, refusalId] = [useId(), useId()];
  useEffect(() => field.current?.focus(), []);
  const refusedText = useRef<string | null>(null);
  const apply = async (end: EditEnd) => {
    if (isEnding.current) return;
    // Who leaves what was refused lets it be; else there would be no way out by the mouse.
    if (end === 'away' && refusedText.current === text) return onEnd(end);
    isEnding.current = true;
    const refused = await onApply(text);
    if (refused === null) return onEnd(end);
    isEnding.current = false;
    refusedText.current = text;
    setRefusal(refused);
    field.current?.focus();
  };
  const onKeyDown = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === 'Escape') {
      // The field loses the focus as it goes; that must not apply what was just thrown away.
      isEnding.current = true;
      onEnd('stay');
    } else if (event.key === 'Enter') void apply('down');
    else if (event.key === 'Tab') void apply(event.shiftKey ? 'left' : 'right');
    else return;
    event.preventDefault();
  };
  const shared = {
    ref: field,
    className: styles.editor,
    'aria-label': label,
    'aria-invalid': refusal !== null,
    'aria-describedby': refusal === null ? undefined : refusalId,
    value: text,
    onKeyDown,
    // Leaving the cell by the mouse applies too; nothing typed is lost.
    onBlur: () => void apply('away'),
  };
  return (
    <>
      {edit.choices ? (
        <select {...shared} onChange={(event) => setText(event.target.value)}>
          {edit.choices.map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </select>
      ) : (
        <input {...shared} list={edit.suggestions && listId} maxLength={edit.maxLength} onChange={(event) => setText(event.target.value)} />
      )}
      {edit.suggestions && (
        <datalist id={listId}>
          {edit.suggestions.map((suggestion) => (
            <option key={suggestion} value={suggestion} />
          ))}
        </datalist>
      )}
      {refusal !== null && (
        <span id={refusalId} role="alert" className={styles.refusal}>
          {refusal}
        </span>
      )}
    </>
  );
}
