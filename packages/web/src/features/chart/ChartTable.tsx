import type { ChartAccountBody, ChartView } from '@ivory-ladder/contract';
import type { KeyboardEvent, Ref } from 'react';
import type { ColumnChoice } from '../../shared/components/treegrid/columnChoice.ts';
import type { GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import type { RowDrag } from '../../shared/components/treegrid/rowDrag.ts';
import { TreeGrid, type TreeGridHandle } from '../../shared/components/treegrid/TreeGrid.tsx';
import { useAccountMenu } from '../../shared/state/useAccountMenu.ts';
import { counted } from '../../shared/words/counted.ts';
import type { CellEdits } from './useCellEdits.ts';

interface ChartTableProps {
  readonly ref: Ref<TreeGridHandle>;
  readonly chart: ChartView;
  readonly columns: readonly GridColumn<ChartAccountBody>[];
  readonly choice: readonly ColumnChoice[];
  readonly onChoice: (choice: readonly ColumnChoice[]) => void;
  readonly order: string;
  readonly onOrder: (order: string) => void;
  readonly isSought: ((account: ChartAccountBody) => boolean) | null;
  readonly chosen: number;
  readonly onOpen: (account: ChartAccountBody) => void;
  readonly onCopied: (rows: number) => void;
  /** `null` for who may not change the chart. */
  readonly edits: CellEdits | null;
  readonly drag: RowDrag<ChartAccountBody> | null;
  readonly onRowKey: (event: KeyboardEvent, account: ChartAccountBody, isFlat: boolean) => boolean;
}

const idOf = ({ id }: ChartAccountBody) => id;
const depthOf = ({ depth }: ChartAccountBody) => depth;
const isInactive = ({ active }: ChartAccountBody) => !active;
const countText = (shown: number, all: number) => (shown === all ? counted(all, 'account') : `${shown} of ${counted(all, 'account')}`);

/** Every account in the chart's own order, with what it is, where it stands and what is on it. */
export function ChartTable({ chart, edits, ...grid }: ChartTableProps) {
  const menuOf = useAccountMenu();
  return (
    <TreeGrid
      label="Chart of accounts"
      rows={chart.accounts}
      keyOf={idOf}
      depthOf={depthOf}
      isFaint={isInactive}
      countText={countText}
      menu={({ id }) => menuOf(id).slice(0, 3)}
      {...(edits ?? {})}
      {...grid}
    />
  );
}
