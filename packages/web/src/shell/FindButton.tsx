import { lazy, Suspense, useEffect, useState } from 'react';
import styles from './FindButton.module.css';

const FindDialog = lazy(async () => ({ default: (await import('./FindDialog.tsx')).FindDialog }));

/** Find, by mouse or Ctrl K. */
export function FindButton() {
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'k') {
        event.preventDefault();
        setOpen(true);
      }
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, []);
  return (
    <>
      <button type="button" className={styles.find} onClick={() => setOpen(true)}>
        <span>Find account or line</span>
        <kbd>Ctrl K</kbd>
      </button>
      {open && (
        <Suspense fallback={null}>
          <FindDialog onClose={() => setOpen(false)} />
        </Suspense>
      )}
    </>
  );
}
