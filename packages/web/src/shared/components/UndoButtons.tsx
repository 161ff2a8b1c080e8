import Redo from '@mui/icons-material/Redo';
import Undo from '@mui/icons-material/Undo';
import type { ReactNode } from 'react';
import styles from './UndoButtons.module.css';

interface UndoButtonsProps {
  /** What the step back or forth is called; `null`: there is none. */
  readonly undoName: string | null;
  readonly redoName: string | null;
  readonly onUndo: () => void;
  readonly onRedo: () => void;
}

/** A step back and a step forth, each called by its name. */
export function UndoButtons({ undoName, redoName, onUndo, onRedo }: UndoButtonsProps) {
  return (
    <>
      <StepButton name={undoName} does="Undo" keys="Ctrl Z" icon={undoIcon} onClick={onUndo} />
      <StepButton name={redoName} does="Redo" keys="Ctrl Shift Z" icon={redoIcon} onClick={onRedo} />
    </>
  );
}

const [undoIcon, redoIcon] = [<Undo key="undo" fontSize="small" />, <Redo key="redo" fontSize="small" />];

interface StepButtonProps {
  readonly name: string | null;
  readonly does: 'Undo' | 'Redo';
  readonly keys: string;
  readonly icon: ReactNode;
  readonly onClick: () => void;
}

/** Named anew with every step, so it is one that is drawn quickly. */
function StepButton({ name, does, keys, icon, onClick }: StepButtonProps) {
  const label = name === null ? `Nothing to ${does.toLowerCase()}` : `${does}: ${name}`;
  return (
    <button
      type="button"
      className={styles.step}
      onClick={onClick}
      disabled={name === null}
      title={name === null ? label : `${label} (${keys})`}
      aria-label={label}
    >
      {icon}
    </button>
  );
}
