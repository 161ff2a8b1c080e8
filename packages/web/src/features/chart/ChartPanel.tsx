import type { AccountChange, AccountInputBody, ChartAccountBody, ChartView, CodeListBody, PlacementView } from '@ivory-ladder/contract';
import { accountLabel, type Currency } from '@ivory-ladder/core';
import Close from '@mui/icons-material/Close';
import KeyboardArrowDown from '@mui/icons-material/KeyboardArrowDown';
import KeyboardArrowUp from '@mui/icons-material/KeyboardArrowUp';
import IconButton from '@mui/material/IconButton';
import { useEffect, useRef } from 'react';
import { useMay } from '../../shared/state/useCompany.ts';
import { AccountOpening } from '../opening/index.ts';
import { AccountFacts } from './AccountFacts.tsx';
import { AccountForm } from './AccountForm.tsx';
import { ChangeManyPanel } from './ChangeManyPanel.tsx';
import styles from './ChartScreen.module.css';
import { branchOf, type Move, type NewAccountStart, startBelow, startBeside } from './chartModel.ts';
import { MergePanel } from './MergePanel.tsx';
import { PlaceAfterPanel } from './PlaceAfterPanel.tsx';
import { RenumberPanel } from './RenumberPanel.tsx';
import type { ChartActions } from './useChartActions.ts';

/** What is being done in the panel beside the chart; `null`: the chosen account is looked at. */
export type ChartTask =
  | { readonly kind: 'renumber' | 'many' | 'merge' | 'place' | 'opening' }
  /** `count` sets a form apart from the one before it. */
  | { readonly kind: 'form'; readonly start: NewAccountStart; readonly account: ChartAccountBody | null; readonly count: number };

interface ChartPanelProps {
  readonly chart: ChartView | undefined;
  readonly categories: PlacementView['categories'];
  readonly categoryPaths: readonly string[];
  readonly lists: readonly CodeListBody[];
  readonly currency: Currency;
  readonly chosen: ChartAccountBody | null;
  /** Rows selected in the table at this moment. */
  readonly blockNow: () => readonly ChartAccountBody[];
  /** Asked only where something is done with them: with every letter that is typed it would cost a pass over all accounts. */
  readonly shownNow: () => readonly ChartAccountBody[];
  readonly task: ChartTask | null;
  readonly actions: ChartActions;
  readonly onTask: (task: ChartTask | null) => void;
  readonly onForm: (start: NewAccountStart, account?: ChartAccountBody) => void;
  readonly onOpen: (accountId: number | null) => void;
  readonly onStep: (step: 1 | -1) => void;
  readonly onAdd: (body: AccountInputBody, isAnother: boolean) => void;
  readonly onChange: (account: ChartAccountBody, fields: AccountChange) => void;
  readonly onMove: (account: ChartAccountBody, move: Move) => void;
  /** Takes changes of many accounts to where they are looked at before they are applied. */
  readonly onLook: (file: File) => void;
}

/** Beside the chart: the chosen account, or what is being done with it or with many. */
export function ChartPanel(props: ChartPanelProps) {
  const { chart, chosen, task, actions, onTask, onOpen } = props;
  const done = () => onTask(null);
  const panel = useRef<HTMLElement>(null);
  const kind = task?.kind;
  useEffect(() => {
    if (kind === undefined || kind === 'form') return;
    // After the menu that it was chosen from has given the focus back.
    const frame = requestAnimationFrame(() => panel.current?.querySelector<HTMLElement>('input:not([type=hidden]), select, [role=combobox]')?.focus());
    return () => cancelAnimationFrame(frame);
  }, [kind]);
  return (
    <aside ref={panel} className={styles.panel} aria-label="Account">
      <header className={styles.panelHead}>
        <h2>{titleOf(task, chosen)}</h2>
        {chosen && !task && (
          <span className={styles.steps}>
            <IconButton size="small" aria-label="Previous account" title="Previous account" onClick={() => props.onStep(-1)}>
              <KeyboardArrowUp fontSize="inherit" />
            </IconButton>
            <IconButton size="small" aria-label="Next account" title="Next account" onClick={() => props.onStep(1)}>
              <KeyboardArrowDown fontSize="inherit" />
            </IconButton>
          </span>
        )}
        {(task || chosen) && (
          <IconButton size="small" aria-label={task ? 'Leave the form' : 'Close the account'} onClick={() => (task ? done() : onOpen(null))}>
            <Close fontSize="inherit" />
          </IconButton>
        )}
      </header>
      {chart && task && <TaskForm {...props} chart={chart} task={task} />}
      {chart && !task && chosen && (
        <AccountFacts
          key={chosen.id}
          account={chosen}
          chart={chart}
          currency={props.currency}
          lists={props.lists}
          actions={actions}
          onEdit={() => props.onForm(startBeside(chart.accounts, chosen), chosen)}
          onAddBeside={() => props.onForm(startBeside(chart.accounts, chosen))}
          onAddBelow={() => props.onForm(startBelow(chart.accounts, chosen))}
          onTask={(kind) => onTask({ kind })}
          onOpen={onOpen}
        />
      )}
      {!task && !chosen && <Explained />}
    </aside>
  );
}

const shortOf = (account: ChartAccountBody | null): string => account?.number || account?.name || '';

function titleOf(task: ChartTask | null, chosen: ChartAccountBody | null): string {
  switch (task?.kind) {
    case 'renumber':
      return 'Renumber';
    case 'many':
      return 'Change many';
    case 'merge':
      return `Merge ${shortOf(chosen)}`;
    case 'opening':
      return `Opening balance of ${shortOf(chosen)}`;
    case 'place':
      return `Place ${shortOf(chosen)} after …`;
    case 'form':
      return task.account ? `Change ${shortOf(task.account)}` : 'New account';
    case undefined:
      return chosen ? accountLabel(chosen) : 'No account chosen';
  }
}

function TaskForm(props: ChartPanelProps & { readonly chart: ChartView; readonly task: ChartTask }) {
  const { chart, chosen, task, actions, onTask } = props;
  const done = () => onTask(null);
  switch (task.kind) {
    case 'renumber':
      return (
        <RenumberPanel
          accounts={chart.accounts}
          categories={props.categories}
          shown={props.shownNow()}
          branch={branchOf(chart.accounts, chosen)}
          block={props.blockNow()}
          isBusy={actions.isBusy}
          onApply={async (changes) => {
            const isApplied = await actions.renumber(changes);
            if (isApplied) done();
            return isApplied;
          }}
          onCancel={done}
        />
      );
    case 'many':
      return (
        <ChangeManyPanel
          shown={props.shownNow()}
          branch={branchOf(chart.accounts, chosen)}
          block={props.blockNow()}
          accounts={chart.accounts}
          categoryPaths={props.categoryPaths}
          lists={props.lists}
          onLook={props.onLook}
          onCancel={done}
        />
      );
    case 'merge':
      return chosen && <MergePanel key={chosen.id} account={chosen} chart={chart} currency={props.currency} onDone={props.onOpen} onCancel={done} />;
    case 'opening':
      return chosen && <AccountOpening key={chosen.id} account={chosen} accounts={chart.accounts} currency={props.currency} onDone={done} />;
    case 'place':
      return (
        chosen && (
          <PlaceAfterPanel
            key={chosen.id}
            account={chosen}
            accounts={chart.accounts}
            isBusy={actions.isBusy}
            onMove={(move) => props.onMove(chosen, move)}
            onCancel={done}
          />
        )
      );
    case 'form':
      return (
        <AccountForm
          key={task.count}
          accounts={chart.accounts}
          categories={props.categories}
          lists={props.lists}
          account={chart.accounts.find(({ id }) => id === task.account?.id) ?? task.account}
          start={task.start}
          isBusy={actions.isBusy}
          onAdd={props.onAdd}
          onChange={(fields) => task.account && props.onChange(task.account, fields)}
          onCancel={done}
        />
      );
  }
}

function Explained() {
  const mayKeep = useMay('keep_chart');
  return (
    <div className={styles.quiet}>
      <p>Choose an account to see what it is, what is on it and what was changed.</p>
      {mayKeep && (
        <>
          <p>By the keyboard, on a row:</p>
          <dl className={styles.keys}>
            <dt>→</dt>
            <dd>its cells; there, Enter or a letter edits one, Ctrl D fills it down a block</dd>
            <dt>Alt and an arrow</dt>
            <dd>orders it among its siblings, nests it below the one above, or takes it out</dd>
            <dt>Insert</dt>
            <dd>adds one beside it</dd>
            <dt>F2</dt>
            <dd>changes all of it</dd>
          </dl>
          <p>Rows are dragged too: to the edge of another to stand beside it, to its middle to stand below it. A block of a spreadsheet is pasted anywhere.</p>
        </>
      )}
    </div>
  );
}
