import { useEffect, useRef, useState } from 'react';

/** What was typed into a cell and does not stand in its row yet. */
export interface TypedCell {
  readonly text: string;
  /** Why it was not taken; `null` while that is not known. */
  readonly refusal: string | null;
}

/** By the id of the column. */
export type TypedRow = ReadonlyMap<string, TypedCell>;

export interface TypedCells {
  /** By the key of the row. */
  readonly rows: ReadonlyMap<number, TypedRow>;
  take(key: number, columnId: string, text: string, onRefused: () => void): void;
  letGo(key: number, columnId: string): void;
  /** Does something once all that was typed has been taken or refused. */
  afterAll(act: () => void): void;
}

/**
 * What is typed is taken one after another while the keyboard goes on: a row changed in two cells is never changed
 * twice at once, and nobody waits for the server between two cells. What is refused stays in its cell until it is
 * typed anew or let go.
 */
export function useTypedCells(onTake: (key: number, columnId: string, text: string) => Promise<string | null>): TypedCells {
  const [rows, setRows] = useState<ReadonlyMap<number, TypedRow>>(new Map());
  const last = useRef<Promise<void>>(Promise.resolve());
  const latest = useRef(onTake);
  useEffect(() => {
    latest.current = onTake;
  });
  const set = (key: number, columnId: string, to: TypedCell | null, from?: TypedCell) =>
    setRows((before) => {
      // Typed anew meanwhile: what became of the earlier text does not matter any more.
      if (from && before.get(key)?.get(columnId) !== from) return before;
      const cells = new Map(before.get(key));
      if (to) cells.set(columnId, to);
      else cells.delete(columnId);
      const after = new Map(before);
      if (cells.size > 0) after.set(key, cells);
      else after.delete(key);
      return after;
    });
  return {
    rows,
    take: (key, columnId, text, onRefused) => {
      const cell = { text, refusal: null };
      set(key, columnId, cell);
      last.current = last.current.then(async () => {
        const refusal = await latest.current(key, columnId, text);
        set(key, columnId, refusal === null ? null : { text, refusal }, cell);
        if (refusal !== null) onRefused();
      });
    },
    letGo: (key, columnId) => set(key, columnId, null),
    afterAll: (act) => void last.current.then(act),
  };
}
