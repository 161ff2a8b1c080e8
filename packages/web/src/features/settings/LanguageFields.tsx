import type { Company } from '@ivory-ladder/contract';
import { captionLanguages } from '@ivory-ladder/core';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { languageNames } from '../../shared/words/languageNames.ts';
import styles from './SettingsScreen.module.css';

type Language = Company['languages'][number];

interface LanguageFieldsProps {
  /** The main one first. */
  readonly languages: readonly Language[];
  readonly onChange: (languages: Language[]) => void;
}

/** The language in which categories are named, and others in which statements can be read. */
export function LanguageFields({ languages, onChange }: LanguageFieldsProps) {
  const [main = 'en', ...others] = languages;
  return (
    <>
      <SelectTextField
        label="Language of captions"
        value={main}
        onChange={(event) => {
          const next = event.target.value as Language;
          onChange([next, ...others.filter((language) => language !== next)]);
        }}
        helperText="in which categories are named; totals and titles follow"
      >
        {captionLanguages.map((language) => (
          <option key={language} value={language}>
            {languageNames[language]}
          </option>
        ))}
      </SelectTextField>
      <fieldset className={styles.choices} data-beside>
        <legend>Statements can be read in these too</legend>
        {captionLanguages
          .filter((language) => language !== main)
          .map((language) => (
            <label key={language}>
              <input
                type="checkbox"
                checked={others.includes(language)}
                onChange={(event) => onChange([main, ...others.filter((other) => other !== language), ...(event.target.checked ? [language] : [])])}
              />
              {languageNames[language]}
            </label>
          ))}
      </fieldset>
    </>
  );
}
