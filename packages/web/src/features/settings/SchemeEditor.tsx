import { exampleOf, type NumberPart, type NumberScheme } from '@ivory-ladder/core';
import Add from '@mui/icons-material/Add';
import Close from '@mui/icons-material/Close';
import Button from '@mui/material/Button';
import IconButton from '@mui/material/IconButton';
import { Select } from '../../shared/components/Select.tsx';
import styles from './SettingsScreen.module.css';

const kinds: Readonly<Record<NumberPart['kind'], string>> = { digits: 'digits', letters: 'letters', either: 'digits or letters' };
const separators: Readonly<Record<NumberScheme['separator'], string>> = { '-': '- hyphen', '.': '. point', '/': '/ stroke', ' ': 'space', '': 'nothing' };
const mostParts = 8;

/** The parts of account numbers, one line each, with an example of what comes out. */
export function SchemeEditor({ scheme, onChange }: { scheme: NumberScheme; onChange: (scheme: NumberScheme) => void }) {
  const { parts, separator, leastParts } = scheme;
  const setPart = (at: number, part: NumberPart) => onChange({ ...scheme, parts: parts.map((other, index) => (index === at ? part : other)) });
  const lengths = Array.from({ length: 12 }, (_, at) => at + 1);
  return (
    <div className={styles.scheme}>
      {parts.map((part, at) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: parts have no identity but their place
        <div key={at} className={styles.part}>
          <span>Part {at + 1}</span>
          <Select
            aria-label={`Characters of part ${at + 1}`}
            value={part.kind}
            onChange={(event) => setPart(at, { ...part, kind: event.target.value as NumberPart['kind'] })}
          >
            {Object.entries(kinds).map(([value, name]) => (
              <option key={value} value={value}>
                {name}
              </option>
            ))}
          </Select>
          <Select
            aria-label={`Shortest length of part ${at + 1}`}
            value={part.shortest}
            onChange={(event) => setPart(at, { ...part, shortest: Number(event.target.value), longest: Math.max(part.longest, Number(event.target.value)) })}
          >
            {lengths.map((length) => (
              <option key={length}>{length}</option>
            ))}
          </Select>
          to
          <Select
            aria-label={`Longest length of part ${at + 1}`}
            value={part.longest}
            onChange={(event) => setPart(at, { ...part, longest: Number(event.target.value), shortest: Math.min(part.shortest, Number(event.target.value)) })}
          >
            {lengths.map((length) => (
              <option key={length}>{length}</option>
            ))}
          </Select>
          <label className={styles.check}>
            <input
              type="checkbox"
              checked={at < leastParts}
              disabled={at === 0}
              onChange={(event) => onChange({ ...scheme, leastParts: event.target.checked ? at + 1 : at })}
            />
            always there
          </label>
          {parts.length > 1 && at === parts.length - 1 && (
            <IconButton
              size="small"
              aria-label={`Remove part ${at + 1}`}
              onClick={() => onChange({ ...scheme, parts: parts.slice(0, -1), leastParts: Math.min(leastParts, parts.length - 1) })}
            >
              <Close fontSize="inherit" />
            </IconButton>
          )}
        </div>
      ))}
      <div className={styles.part}>
        <Button
          startIcon={<Add />}
          disabled={parts.length >= mostParts}
          onClick={() => onChange({ ...scheme, parts: [...parts, { kind: 'digits', shortest: 2, longest: 2 }] })}
        >
          Add a part
        </Button>
        {parts.length > 1 && (
          <label>
            between them{' '}
            <Select value={separator} onChange={(event) => onChange({ ...scheme, separator: event.target.value as NumberScheme['separator'] })}>
              {Object.entries(separators).map(([value, name]) => (
                <option key={value} value={value}>
                  {name}
                </option>
              ))}
            </Select>
          </label>
        )}
      </div>
      <p className={styles.quiet}>
        Numbers look like <strong className={styles.example}>{exampleOf(scheme)}</strong>
        {leastParts < parts.length && '; what stands in parentheses is for sub-accounts'}. Typing may leave the separators out and digits short.
      </p>
    </div>
  );
}
