import type { SelectHTMLAttributes } from 'react';
import styles from './Select.module.css';

interface SelectProps extends SelectHTMLAttributes<HTMLSelectElement> {
  /** As wide as what it stands in. */
  readonly wide?: boolean;
  /** Among words, of which it is one. */
  readonly quiet?: boolean;
}

/**
 * One of several `<option>`s, chosen from the browser's own list: all that choose from a list look alike, find a choice by its
 * first letters, and open by the arrows. Takes `className` for its size and place alone.
 */
export function Select({ wide = false, quiet = false, className = '', ...rest }: SelectProps) {
  return <select {...rest} className={`${quiet ? styles.quiet : styles.select} ${wide ? styles.wide : ''} ${className}`} />;
}
