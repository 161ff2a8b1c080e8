import type { CaptionInLanguage } from '@ivory-ladder/core';
import { useCompany } from '../../shared/state/useCompany.ts';
import { languageNames } from '../../shared/words/languageNames.ts';
import styles from './LinePanel.module.css';

interface CaptionsFieldProps {
  /** What is named, before the language: `Title`; nothing where the fields stand right below it. */
  readonly of?: string;
  readonly captions: readonly CaptionInLanguage[];
  readonly disabled: boolean;
  readonly onChange: (captions: readonly CaptionInLanguage[]) => void;
}

/** A caption in each of the company's further languages; an empty one is that of the main language. */
export function CaptionsField({ of, captions, disabled, onChange }: CaptionsFieldProps) {
  const { languages } = useCompany();
  return languages.slice(1).map((language) => (
    <label key={language} className={styles.field}>
      <span className={styles.label}>{of ? `${of}: ${languageNames[language]}` : languageNames[language]}</span>
      <input
        className={styles.input}
        value={captions.find((one) => one.language === language)?.caption ?? ''}
        disabled={disabled}
        maxLength={200}
        onChange={({ target: { value } }) =>
          onChange([...captions.filter((one) => one.language !== language), ...(value === '' ? [] : [{ language, caption: value }])])
        }
      />
    </label>
  ));
}
