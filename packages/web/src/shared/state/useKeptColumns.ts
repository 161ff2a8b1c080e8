import { useState } from 'react';
import type { ColumnChoice } from '../components/treegrid/columnChoice.ts';

const none: readonly ColumnChoice[] = [];

/** Widths of the columns of a table, as they were left on this device. `table` says which one, with whatever makes its columns others. */
export function useKeptColumns(table: string): readonly [readonly ColumnChoice[], (choice: readonly ColumnChoice[]) => void] {
  const key = `columns of ${table}`;
  const [chosen, setChosen] = useState<{ readonly key: string; readonly choice: readonly ColumnChoice[] } | null>(null);
  const choose = (choice: readonly ColumnChoice[]) => {
    setChosen({ key, choice });
    localStorage.setItem(key, JSON.stringify(choice));
  };
  return [chosen?.key === key ? chosen.choice : read(key), choose];
}

/** What is kept is written by anybody who uses the device: what is no choice is none. */
function read(key: string): readonly ColumnChoice[] {
  try {
    const kept: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
    if (!Array.isArray(kept)) return none;
    return kept.flatMap((one: unknown): ColumnChoice[] => {
      const { id, width } = (one ?? {}) as Partial<Record<keyof ColumnChoice, unknown>>;
      return typeof id === 'string' && (width === null || typeof width === 'number') ? [{ id, width }] : [];
    });
  } catch {
    return none;
  }
}
