import type { ChartViewContent, SavedChartView } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { ColumnsMenu } from '../../shared/components/treegrid/ColumnsMenu.tsx';
import type { ColumnChoice } from '../../shared/components/treegrid/columnChoice.ts';
import type { GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { ChartFileMenu } from './ChartFileMenu.tsx';
import styles from './ChartScreen.module.css';
import { ViewsMenu } from './ViewsMenu.tsx';

interface ChartToolsProps {
  readonly columns: readonly Pick<GridColumn<never>, 'id' | 'caption' | 'width' | 'isExtra'>[];
  readonly choice: readonly ColumnChoice[];
  readonly onChoice: (choice: readonly ColumnChoice[]) => void;
  readonly content: ChartViewContent;
  readonly viewId: number | null;
  readonly onView: (view: SavedChartView | null) => void;
  readonly onLoad: (() => void) | null;
  readonly onRenumber: () => void;
  readonly onChangeMany: () => void;
  readonly onAdd: () => void;
}

/** Views and columns, files, and what is done with the chart as a whole. */
export function ChartTools(props: ChartToolsProps) {
  const mayKeep = useMay('keep_chart');
  const { numbered } = useCompany();
  return (
    <div className={styles.tools}>
      <ViewsMenu content={props.content} viewId={props.viewId} onOpen={props.onView} />
      <ColumnsMenu columns={props.columns} choice={props.choice} onChoice={props.onChoice} />
      <ChartFileMenu onLoad={props.onLoad} />
      {mayKeep && (
        <>
          <ChoiceMenu
            label="Many"
            choices={[{ value: 'change', label: 'Change many accounts…' }, ...(numbered ? [{ value: 'renumber', label: 'Renumber…' }] : [])]}
            chosen={[]}
            onChoose={(value) => (value === 'renumber' ? props.onRenumber() : props.onChangeMany())}
          />
          <Button variant="contained" onClick={props.onAdd}>
            Add account…
          </Button>
        </>
      )}
    </div>
  );
}
