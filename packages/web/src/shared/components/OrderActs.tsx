import ArrowBack from '@mui/icons-material/ArrowBack';
import ArrowDownward from '@mui/icons-material/ArrowDownward';
import ArrowForward from '@mui/icons-material/ArrowForward';
import ArrowUpward from '@mui/icons-material/ArrowUpward';
import DeleteOutlined from '@mui/icons-material/DeleteOutlined';
import IconButton from '@mui/material/IconButton';

const directions = {
  down: { back: 'Up', on: 'Down', Back: ArrowUpward, On: ArrowDownward, keys: null },
  across: { back: 'To the left', on: 'To the right', Back: ArrowBack, On: ArrowForward, keys: { back: 'Alt ←', on: 'Alt →' } },
} as const;

interface OrderActsProps {
  /** How they stand in their order; those that stand across are moved with Alt and an arrow too. */
  readonly runs: keyof typeof directions;
  readonly at: number;
  readonly count: number;
  readonly removeLabel: string;
  readonly onShift: (by: 1 | -1) => void;
  readonly onRemove: () => void;
}

/** Moves one of several in their order, and takes it out. */
export function OrderActs({ runs, at, count, removeLabel, onShift, onRemove }: OrderActsProps) {
  const { back, on, Back, On, keys } = directions[runs];
  return (
    <>
      <IconButton size="small" aria-label={back} title={keys ? `${back} (${keys.back})` : back} disabled={at === 0} onClick={() => onShift(-1)}>
        <Back fontSize="inherit" />
      </IconButton>
      <IconButton size="small" aria-label={on} title={keys ? `${on} (${keys.on})` : on} disabled={at === count - 1} onClick={() => onShift(1)}>
        <On fontSize="inherit" />
      </IconButton>
      <IconButton size="small" aria-label={removeLabel} title={removeLabel} onClick={onRemove}>
        <DeleteOutlined fontSize="inherit" />
      </IconButton>
    </>
  );
}
