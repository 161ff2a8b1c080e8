import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link } from 'react-router';
import styles from './SecondFactor.module.css';

interface RecoveryCodesProps {
  readonly codes: readonly string[];
  /** Whose they are, for the file. */
  readonly name: string;
  readonly back: string;
  readonly onKept: () => void;
}

/** Codes that are shown this once, to be kept where the phone is not. */
export function RecoveryCodes({ codes, name, back, onKept }: RecoveryCodesProps) {
  const [isCopied, setCopied] = useState(false);
  const text = `Recovery codes of ${name} for Ivory Ladder, each opens once:\n\n${codes.join('\n')}\n`;
  return (
    <>
      <p>Each of these opens once in the place of a code of your phone. They are not shown again: keep them where your phone is not.</p>
      <ol className={styles.codes} aria-label="Recovery codes">
        {codes.map((code) => (
          <li key={code}>
            <code>{code}</code>
          </li>
        ))}
      </ol>
      <div className={styles.buttons}>
        <Button variant="contained" onClick={() => void navigator.clipboard.writeText(text).then(() => setCopied(true))}>
          {isCopied ? 'Copied' : 'Copy'}
        </Button>
        <Button component="a" href={`data:text/plain;charset=utf-8,${encodeURIComponent(text)}`} download="recovery codes.txt">
          Save as a file
        </Button>
        <Button onClick={() => window.print()}>Print…</Button>
      </div>
      <p>
        <Link to={back} onClick={onKept}>
          I have kept them: go on
        </Link>
      </p>
    </>
  );
}
