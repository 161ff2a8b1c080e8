import Redo from '@mui/icons-material/Redo';
import Undo from '@mui/icons-material/Undo';
import IconButton from '@mui/material/IconButton';

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
      <IconButton
        size="small"
        aria-label="Undo"
        disabled={undoName === null}
        title={undoName === null ? 'Nothing to undo' : `Undo: ${undoName} (Ctrl Z)`}
        onClick={onUndo}
      >
        <Undo fontSize="inherit" />
      </IconButton>
      <IconButton
        size="small"
        aria-label="Redo"
        disabled={redoName === null}
        title={redoName === null ? 'Nothing to redo' : `Redo: ${redoName} (Ctrl Shift Z)`}
        onClick={onRedo}
      >
        <Redo fontSize="inherit" />
      </IconButton>
    </>
  );
}
