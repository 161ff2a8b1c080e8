import type { BudgetGridBody } from '@ivory-ladder/contract';
import { type Currency, formatAmount } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { UndoButtons } from '../../shared/components/UndoButtons.tsx';
import { counted } from '../../shared/words/counted.ts';
import styles from './BudgetsScreen.module.css';
import { type BudgetDraft, resultByPeriod } from './budgetModel.ts';
import type { DraftSteps } from './useBudgetDraft.ts';

interface BudgetBarProps {
  readonly grid: BudgetGridBody;
  readonly draft: BudgetDraft;
  readonly currency: Currency;
  readonly steps: Pick<DraftSteps, 'undoName' | 'redoName' | 'undo' | 'redo'>;
  readonly isSaving: boolean;
  readonly isChangedOnly: boolean;
  readonly onChangedOnly: (isOn: boolean) => void;
  readonly onSave: () => void;
  readonly onDiscard: () => void;
}

const nothing: BudgetDraft = new Map();

/** What was typed and not saved, and what it does to the year's profit. */
export function BudgetBar({ grid, draft, currency, steps, isSaving, isChangedOnly, onChangedOnly, onSave, onDiscard }: BudgetBarProps) {
  const accounts = new Set([...draft.keys()].map((key) => key.split(' ')[0])).size;
  const profit = (of: BudgetDraft) => resultByPeriod(grid.accounts, of).reduce((sum, amount) => sum + amount, 0n);
  const [before, after] = [profit(nothing), profit(draft)];
  return (
    <div className={styles.bar} role="status">
      <span>
        {draft.size === 0 ? (
          'Nothing is waiting to be saved.'
        ) : (
          <>
            <strong>{counted(draft.size, 'amount')}</strong> of {counted(accounts, 'account')} not saved.{' '}
            {before === after
              ? 'The year’s profit stays as it is.'
              : `The year’s profit goes from ${formatAmount(before, currency)} to ${formatAmount(after, currency)}.`}
          </>
        )}
      </span>
      <label className={styles.check}>
        <input type="checkbox" checked={isChangedOnly} onChange={(event) => onChangedOnly(event.target.checked)} /> changed rows only
      </label>
      <Button variant="contained" disabled={isSaving || draft.size === 0} onClick={onSave} title="Ctrl Enter">
        Save
      </Button>
      <UndoButtons undoName={steps.undoName} redoName={steps.redoName} onUndo={steps.undo} onRedo={steps.redo} />
      <Button disabled={draft.size === 0} onClick={onDiscard}>
        Discard
      </Button>
    </div>
  );
}
