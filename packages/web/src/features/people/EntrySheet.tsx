import type { ReactNode } from 'react';
import styles from './EntrySheet.module.css';

/** The sheet in the middle of the page where one comes in. */
export function EntrySheet({ title, children }: { title: string; children: ReactNode }) {
  return (
    <main className={styles.screen}>
      <p className={styles.brand}>Ivory Ladder</p>
      <section className={styles.sheet} aria-labelledby="entry-title">
        <h1 id="entry-title">{title}</h1>
        {children}
      </section>
    </main>
  );
}
