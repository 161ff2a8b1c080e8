import { useEffect, useRef, useState } from 'react';
import { useChooseChartColumnsMutation, useListChartViewsQuery } from '../../shared/api/chartApi.ts';
import type { ColumnChoice } from '../../shared/components/treegrid/columnChoice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';

const none: readonly ColumnChoice[] = [];
/** So that dragging an edge is one request and not a hundred. */
const restMilliseconds = 500;

/** The columns that one chose here before, and a way to choose others, which the server keeps. */
export function useChosenColumns(): readonly [readonly ColumnChoice[], (choice: readonly ColumnChoice[]) => void] {
  const { id: companyId } = useCompany();
  const { data } = useListChartViewsQuery({ companyId });
  const [keep] = useChooseChartColumnsMutation();
  const [chosen, setChosen] = useState<{ readonly companyId: number; readonly choice: readonly ColumnChoice[] } | null>(null);
  const waiting = useRef<{ timer: ReturnType<typeof setTimeout>; send: () => void } | null>(null);
  useEffect(
    () => () => {
      if (!waiting.current) return;
      clearTimeout(waiting.current.timer);
      waiting.current.send();
    },
    [],
  );
  const choose = (choice: readonly ColumnChoice[]) => {
    setChosen({ companyId, choice });
    if (waiting.current) clearTimeout(waiting.current.timer);
    const send = () => {
      waiting.current = null;
      void keep({ companyId, body: { columns: [...choice] } });
    };
    waiting.current = { timer: setTimeout(send, restMilliseconds), send };
  };
  return [(chosen?.companyId === companyId ? chosen.choice : data?.columns) ?? none, choose];
}
