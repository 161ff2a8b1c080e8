import Button from '@mui/material/Button';
import { useState } from 'react';
import styles from './PeopleScreen.module.css';

export interface LinkGiven {
  readonly name: string;
  readonly token: string;
  /** `a week` */
  readonly lasts: string;
}

/** A one-time link, said once, to be handed over by a way that only its owner reads. */
export function LinkToGive({ link, onClose }: { link: LinkGiven; onClose: () => void }) {
  const [copied, setCopied] = useState(false);
  const url = `${window.location.origin}/join#${link.token}`;
  return (
    <div className={styles.link} role="status">
      <p>
        Give this link to <strong>{link.name}</strong>, by a way that only they read. It works once and within {link.lasts}, and is not shown again.
      </p>
      <code>{url}</code>
      <div className={styles.buttons}>
        <Button variant="contained" onClick={() => void navigator.clipboard.writeText(url).then(() => setCopied(true))}>
          {copied ? 'Copied' : 'Copy the link'}
        </Button>
        <Button onClick={onClose}>Done</Button>
      </div>
    </div>
  );
}
