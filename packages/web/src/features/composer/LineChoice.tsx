import Autocomplete from '@mui/material/Autocomplete';
import { useState } from 'react';
import styles from './LinePanel.module.css';

interface LineChoiceProps {
  readonly label: string;
  /** Captions by key of the lines to choose from. */
  readonly captions: ReadonlyMap<string, string>;
  readonly onChoose: (key: string) => void;
}

/** A line of the layout, found by its caption or key. */
export function LineChoice({ label, captions, onChoose }: LineChoiceProps) {
  const [typed, setTyped] = useState('');
  return (
    <Autocomplete
      size="small"
      options={[...captions.keys()]}
      getOptionLabel={(key) => `${captions.get(key)} (${key})`}
      inputValue={typed}
      onInputChange={(_, text, reason) => reason !== 'reset' && setTyped(text)}
      value={null}
      blurOnSelect={false}
      onChange={(_, key) => {
        if (key !== null) onChoose(key);
        setTyped('');
      }}
      renderInput={({ slotProps }) => (
        <div ref={slotProps.input.ref}>
          <input {...slotProps.htmlInput} className={styles.input} aria-label={label} placeholder={label} />
        </div>
      )}
    />
  );
}
