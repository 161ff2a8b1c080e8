import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useAddClassificationMutation, useChangeClassificationMutation, useDeleteClassificationMutation } from '../../shared/api/placementApi.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';

interface ClassificationDialogProps {
  readonly asked: 'add' | 'rename' | 'delete';
  readonly onClose: () => void;
}

/** The name of a classification, what a new one begins with, and the question before one is deleted. */
export function ClassificationDialog({ asked, onClose }: ClassificationDialogProps) {
  const { id: companyId, classifications } = useCompany();
  const { classification, choose } = useClassification();
  const [name, setName] = useState(asked === 'rename' ? classification.name : '');
  const [copies, setCopies] = useState(true);
  const [add, adding] = useAddClassificationMutation();
  const [change, changing] = useChangeClassificationMutation();
  const [remove, removing] = useDeleteClassificationMutation();
  const error = adding.error ?? changing.error ?? removing.error;
  const title = asked === 'add' ? 'New classification' : asked === 'rename' ? `Rename ${classification.name}` : `Delete ${classification.name}?`;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (asked === 'add') {
      const added = await add({ companyId, body: { name: name.trim(), copyOf: copies ? classification.id : null } });
      if (!added.data) return;
      choose(added.data.id);
    } else if (asked === 'rename') {
      const changed = await change({ companyId, classificationId: classification.id, body: { version: classification.version, name: name.trim() } });
      if (changed.error !== undefined) return;
    } else {
      const removed = await remove({ companyId, classificationId: classification.id });
      if (removed.error !== undefined) return;
      choose(classifications.find(({ isMain }) => isMain)?.id ?? 0);
    }
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-label={title}>
      <form onSubmit={(event) => void submit(event)}>
        <DialogTitle>{title}</DialogTitle>
        <DialogContent sx={{ pt: '8px !important' }}>
          {asked === 'delete' ? (
            <p>Its categories, ranges and places go with it. Accounts, entries and the other classifications stay as they are.</p>
          ) : (
            <TextField
              label="Name"
              value={name}
              onChange={(event) => setName(event.target.value)}
              helperText={asked === 'add' ? 'Another tree of categories over the same accounts: for management, for tax' : ' '}
              slotProps={{ htmlInput: { maxLength: 100 } }}
              autoFocus
              fullWidth
              required
            />
          )}
          {asked === 'add' && (
            <RadioGroup aria-label="It begins" value={copies ? 'copy' : 'empty'} onChange={(event) => setCopies(event.target.value === 'copy')}>
              <FormControlLabel value="copy" control={<Radio size="small" />} label={`as a copy of ${classification.name}`} />
              <FormControlLabel value="empty" control={<Radio size="small" />} label="without categories" />
            </RadioGroup>
          )}
          {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={asked !== 'delete' && name.trim() === ''} color={asked === 'delete' ? 'error' : 'primary'}>
            {asked === 'add' ? 'Begin' : asked === 'rename' ? 'Rename' : 'Delete'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
