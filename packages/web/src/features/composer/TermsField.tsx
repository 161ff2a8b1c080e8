import type { SumOwnLine } from '@ivory-ladder/core';
import { formatFigure } from '@ivory-ladder/core';
import Close from '@mui/icons-material/Close';
import { useCompany } from '../../shared/state/useCompany.ts';
import { LineChoice } from './LineChoice.tsx';
import styles from './LinePanel.module.css';
import { lineCaptions } from './lineCaptions.ts';
import type { Composer } from './useComposer.ts';
import { usePreviewRest } from './usePreview.ts';

interface TermsFieldProps {
  readonly composer: Composer;
  readonly line: SumOwnLine;
  readonly disabled: boolean;
  readonly onChange: (terms: SumOwnLine['terms']) => void;
}

/** The lines that a sum adds or takes off, each with its figure. */
export function TermsField({ composer, line, disabled, onChange }: TermsFieldProps) {
  const { currency, exponent } = useCompany();
  const preview = usePreviewRest(composer.figures);
  const captions = lineCaptions(composer.expanded);
  const sideOf = (key: string) => composer.expanded.byKey.get(key)?.side;
  const signFor = (key: string): 1 | -1 => {
    const own = line.side ?? sideOf(line.terms[0]?.key ?? key);
    return sideOf(key) === own ? 1 : -1;
  };
  return (
    <div className={styles.field}>
      <span className={styles.label}>Adds and takes off</span>
      <ul className={styles.sources}>
        {line.terms.map(({ key, sign }, at) => (
          <li key={key}>
            <button
              type="button"
              className={styles.sign}
              disabled={disabled}
              aria-label={`${captions.get(key) ?? key}: ${sign === 1 ? 'added' : 'taken off'}`}
              title={sign === 1 ? 'Added; take it off instead' : 'Taken off; add it instead'}
              onClick={() => onChange(line.terms.map((term, place) => (place === at ? { key, sign: sign === 1 ? -1 : 1 } : term)))}
            >
              {sign === 1 ? '+' : '−'}
            </button>
            <span className={styles.sourceName}>{captions.get(key) ?? <em>{key}, which has gone</em>}</span>
            <span className={styles.held}>
              <span>{formatFigure(preview?.values.get(key)?.[0] ?? null, 'amount', { code: currency, exponent })}</span>
            </span>
            {!disabled && (
              <button
                type="button"
                className={styles.off}
                aria-label={`Without ${captions.get(key) ?? key}`}
                onClick={() => onChange(line.terms.filter((_, place) => place !== at))}
              >
                <Close fontSize="inherit" />
              </button>
            )}
          </li>
        ))}
      </ul>
      {!disabled && (
        <LineChoice
          label="Add a line"
          captions={new Map([...captions].filter(([key]) => key !== line.key && !line.terms.some((term) => term.key === key)))}
          // From the other side it is taken off: assets less liabilities.
          onChoose={(key) => onChange([...line.terms, { key, sign: signFor(key) }])}
        />
      )}
    </div>
  );
}
