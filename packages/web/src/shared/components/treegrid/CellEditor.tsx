import { type KeyboardEvent, useEffect, useId, useRef, useState } from 'react';
import { Select } from '../Select.tsx';
import styles from './CellEditor.module.css';
import type { CellEdit } from './gridColumn.ts';

/** Where the keyboard goes afterwards; `away`: it has gone elsewhere already. */
export type EditEnd = 'down' | 'right' | 'left' | 'stay' | 'away';

interface CellEditorProps {
  readonly label: string;
  readonly edit: Omit<CellEdit<never>, 'value'>;
  readonly initial: string;
  /** Why the text it begins with was not taken before. */
  readonly refusal: string | null;
  /** `null`: the cell stays as it was. */
  readonly onEnd: (text: string | null, end: EditEnd) => void;
}

/** Edits one cell in its place: Enter applies and goes down, Tab applies and goes on, Escape leaves it as it was. */
export function CellEditor({ label, edit, initial, refusal, onEnd }: CellEditorProps) {
  const [text, setText] = useState(initial);
  const field = useRef<HTMLInputElement & HTMLSelectElement>(null);
  // The field loses the focus as it goes; that must not apply once more, nor what was just thrown away.
  const isEnded = useRef(false);
  const [listId, refusalId] = [useId(), useId()];
  useEffect(() => field.current?.focus(), []);
  const end = (result: string | null, where: EditEnd) => {
    if (isEnded.current) return;
    isEnded.current = true;
    onEnd(result, where);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    event.stopPropagation();
    if (event.key === 'Escape') end(null, 'stay');
    else if (event.key === 'Enter') end(text, 'down');
    else if (event.key === 'Tab') end(text, event.shiftKey ? 'left' : 'right');
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
    // Leaving the cell by the mouse applies too, and nothing typed is lost; who leaves what was refused lets it be.
    onBlur: () => end(refusal !== null && text === initial ? null : text, 'away'),
  };
  return (
    <>
      {edit.choices ? (
        <Select {...shared} onChange={(event) => setText(event.target.value)}>
          {edit.choices.map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </Select>
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
