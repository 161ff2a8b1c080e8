import { elements, type OwnLine } from '@ivory-ladder/core';
import styles from './LinePanel.module.css';

type RemainderLine = Extract<OwnLine, { kind: 'remainder' }>;

interface ElementsFieldProps {
  readonly line: RemainderLine;
  readonly disabled: boolean;
  readonly onChange: (elements: RemainderLine['elements']) => void;
}

/** Of which elements a line takes what no other line takes. */
export function ElementsField({ line, disabled, onChange }: ElementsFieldProps) {
  return (
    <fieldset className={styles.checks} disabled={disabled}>
      <legend className={styles.label}>Of which elements; none: those of its group</legend>
      {elements.map((element) => (
        <label key={element}>
          <input
            type="checkbox"
            checked={line.elements.includes(element)}
            onChange={({ target: { checked } }) => onChange(checked ? [...line.elements, element] : line.elements.filter((one) => one !== element))}
          />
          {element}
        </label>
      ))}
    </fieldset>
  );
}
