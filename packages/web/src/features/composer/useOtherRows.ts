import type { StatementRowBody } from '@ivory-ladder/contract';
import type { OwnLayout } from '@ivory-ladder/core';
import { useEffect, useState } from 'react';
import type { Composer } from './useComposer.ts';

/** The rows of another definition over the same figures: the version that runs, or an old one. `null` until they are there. */
export function useOtherRows({ figures }: Composer, layout: OwnLayout | null): readonly StatementRowBody[] | null {
  const [found, setFound] = useState<{ readonly layout: OwnLayout; readonly rows: readonly StatementRowBody[] } | null>(null);
  useEffect(() => {
    if (layout === null) return;
    let isOver = false;
    void figures.rowsOf(layout).then((rows) => {
      if (!isOver) setFound({ layout, rows });
    });
    return () => {
      isOver = true;
    };
  }, [figures, layout]);
  return found?.layout === layout ? found.rows : null;
}
