import type { ReactNode } from 'react';
import styles from './EmptyState.module.css';

/** Says what there is not, and offers what to do next. */
export function EmptyState({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className={styles.empty}>
      <h2>{title}</h2>
      <div className={styles.next}>{children}</div>
    </div>
  );
}
