import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import type { PlacedAccount } from '../rehearsal/index.ts';

interface LeaveOutDialogProps {
  readonly accounts: readonly PlacedAccount[];
  readonly from: string;
  readonly onClose: () => void;
  readonly onLeaveOut: (reason: string) => void;
}

/** Asks why accounts are left out of a coverage; the reason stands beside them from then on. */
export function LeaveOutDialog({ accounts, from, onClose, onLeaveOut }: LeaveOutDialogProps) {
  const [reason, setReason] = useState('');
  const title = accounts.length === 1 ? `Leave ${accounts[0]?.label} out` : `Leave ${accounts.length} accounts out`;
  const hasAmount = accounts.some(({ balance }) => balance !== '0');
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onLeaveOut(reason.trim());
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-label={title}>
      <form onSubmit={submit}>
        <DialogTitle>{title}</DialogTitle>
        <DialogContent sx={{ pt: '8px !important' }}>
          <TextField
            label="Reason"
            value={reason}
            onChange={(event) => setReason(event.target.value)}
            helperText={`Stands with your name under «Left out»; ${from} no longer counts on it`}
            slotProps={{ htmlInput: { maxLength: 500 } }}
            autoFocus
            fullWidth
            required
          />
          {hasAmount && <p role="note">It has an amount today. What no line holds is still missing on the statements, and their proofs go on saying so.</p>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={reason.trim() === ''}>
            Leave out
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
