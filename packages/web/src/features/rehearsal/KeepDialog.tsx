import type { PlacementDraftBody } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useChangeRehearsalMutation, useSaveRehearsalMutation } from '../../shared/api/placementApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { rehearsalCleared, rehearsedKey } from '../../shared/state/rehearsalSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { usePlacement } from './usePlacement.ts';

const words = {
  apply: { title: 'Apply with a reason', label: 'Reason', button: 'Apply', hint: 'It stands in the placement record' },
  keep: {
    title: 'Keep the rehearsal under a name',
    label: 'Name',
    button: 'Keep',
    hint: 'You find it in the placement record, and begin with nothing proposed',
  },
  offer: {
    title: 'Give the rehearsal to others to look at',
    label: 'Name',
    button: 'Give',
    hint: 'Every preparer can look at it, apply it, or return it with a word',
  },
  return: { title: 'Return the rehearsal', label: 'Word to who made it', button: 'Return', hint: 'Nothing of it is applied' },
} as const;

/** The one line that is asked for before something is done with the whole rehearsal. */
export function KeepDialog({ ask, onClose }: { ask: keyof typeof words; onClose: () => void }) {
  const { id: companyId } = useCompany();
  const { classification, asked } = useClassification();
  const { working, apply } = usePlacement();
  const dispatch = useDispatch();
  const [save] = useSaveRehearsalMutation();
  const [change] = useChangeRehearsalMutation();
  const { kept } = working;
  const [text, setText] = useState(ask === 'keep' || ask === 'offer' ? (kept?.name ?? '') : '');
  const { title, label, button, hint } = words[ask];
  const needsText = ask !== 'apply';
  const done = async (): Promise<string | null> => {
    if (ask === 'apply') return (await apply(text)) ? '' : null;
    if (ask === 'return') {
      const returned = await change({ companyId, rehearsalId: kept?.id ?? 0, body: { version: kept?.version ?? 0, word: text } });
      return returned.error === undefined ? `Returned to ${kept?.by}.` : refuse(returned.error);
    }
    const body = working.steps.now as PlacementDraftBody;
    const saved = kept ? { data: kept, error: undefined } : await save({ companyId, body: { name: '', draft: body, ...asked } });
    if (!saved.data) return refuse(saved.error);
    const state = ask === 'offer' ? 'offered' : 'drafted';
    const named = await change({ companyId, rehearsalId: saved.data.id, body: { version: saved.data.version, name: text, state, draft: body } });
    return named.error === undefined ? `${ask === 'offer' ? 'Given to others' : 'Kept'}: «${text}».` : refuse(named.error);
  };
  const refuse = (error: unknown): null => {
    dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    return null;
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const said = await done();
    if (said === null) return;
    if (said !== '') {
      dispatch(noticeGiven({ tone: 'done', text: said }));
      dispatch(rehearsalCleared({ rehearsed: rehearsedKey(companyId, classification.id) }));
    }
    onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs" aria-label={title}>
      <form onSubmit={(event) => void submit(event)}>
        <DialogTitle>{title}</DialogTitle>
        <DialogContent sx={{ pt: '8px !important' }}>
          <TextField
            label={label}
            value={text}
            onChange={(event) => setText(event.target.value)}
            helperText={hint}
            autoFocus
            fullWidth
            required={needsText}
            slotProps={{ htmlInput: { maxLength: ask === 'apply' || ask === 'return' ? 500 : 200 } }}
          />
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={needsText && text.trim() === ''}>
            {button}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
