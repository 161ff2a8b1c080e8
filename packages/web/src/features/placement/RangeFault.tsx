import styles from './CategoryPanel.module.css';
import { rangeFault } from './rangeWords.ts';

/** The fault at its place in the text of a range, with its reason. */
export function RangeFault({ text, failure }: { text: string; failure: Parameters<typeof rangeFault>[1] }) {
  const { before, wrong, after, said } = rangeFault(text, failure);
  return (
    <>
      {before}
      <mark className={styles.wrong}>{wrong}</mark>
      {after}: {said}
    </>
  );
}
