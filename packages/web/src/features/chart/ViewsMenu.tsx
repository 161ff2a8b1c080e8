import type { ChartViewContent, SavedChartView } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import Checkbox from '@mui/material/Checkbox';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import FormControlLabel from '@mui/material/FormControlLabel';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useChangeChartViewMutation, useDeleteChartViewMutation, useListChartViewsQuery, useSaveChartViewMutation } from '../../shared/api/chartApi.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';

interface ViewsMenuProps {
  /** What is shown now. */
  readonly content: ChartViewContent;
  readonly viewId: number | null;
  /** `null`: everything, in the chart’s own order. */
  readonly onOpen: (view: SavedChartView | null) => void;
}

/** Views of the chart under a name: opened, saved for oneself or for all, saved anew, deleted. */
export function ViewsMenu({ content, viewId, onOpen }: ViewsMenuProps) {
  const { id: companyId } = useCompany();
  const dispatch = useDispatch();
  const mayShare = useMay('keep_chart');
  const { data } = useListChartViewsQuery({ companyId });
  const [change] = useChangeChartViewMutation();
  const [remove] = useDeleteChartViewMutation();
  const [isNaming, setNaming] = useState(false);
  const views = data?.views ?? [];
  const view = views.find(({ id }) => id === viewId) ?? null;
  const mayChange = view !== null && (view.isMine || mayShare);
  const say = (error: unknown, done: string) =>
    dispatch(noticeGiven(error === undefined ? { tone: 'done', text: done } : { tone: 'refused', text: describeFailure(error) }));
  const onChoose = async (choice: string) => {
    if (choice === 'save') return setNaming(true);
    if (choice === 'anew' && view) {
      const { id, name, isShared, version } = view;
      const { error } = await change({ companyId, viewId: id, body: { name, isShared, content, version } });
      return void say(error, `Saved anew: ${name}.`);
    }
    if (choice === 'delete' && view) {
      const { error } = await remove({ companyId, viewId: view.id });
      say(error, `Deleted: the view ${view.name}. What it showed is as it was.`);
      return onOpen(null);
    }
    onOpen(views.find(({ id }) => String(id) === choice) ?? null);
  };
  return (
    <>
      <ChoiceMenu
        label={view?.name ?? 'Views'}
        chosen={[view === null ? 'all' : String(view.id)]}
        choices={[
          { value: 'all', label: 'All accounts', divided: views.length === 0 },
          ...views.map(({ id, name, isShared }, at) => ({ value: String(id), label: isShared ? `${name} (for all)` : name, divided: at === views.length - 1 })),
          { value: 'save', label: 'Save as a view…' },
          ...(mayChange
            ? [
                { value: 'anew', label: `Save «${view.name}» anew` },
                { value: 'delete', label: `Delete «${view.name}»` },
              ]
            : []),
        ]}
        onChoose={(choice) => void onChoose(choice)}
      />
      {isNaming && <NameView content={content} mayShare={mayShare} onSaved={onOpen} onClose={() => setNaming(false)} />}
    </>
  );
}

interface NameViewProps {
  readonly content: ChartViewContent;
  readonly mayShare: boolean;
  readonly onSaved: (view: SavedChartView) => void;
  readonly onClose: () => void;
}

function NameView({ content, mayShare, onSaved, onClose }: NameViewProps) {
  const { id: companyId } = useCompany();
  const [save, { isLoading, error }] = useSaveChartViewMutation();
  const [name, setName] = useState('');
  const [isShared, setShared] = useState(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const saved = await save({ companyId, body: { name, isShared, content } });
    if (!saved.data) return;
    onSaved(saved.data);
    onClose();
  };
  return (
    <Dialog open onClose={onClose} aria-labelledby="save-view" fullWidth maxWidth="xs">
      <form onSubmit={(event) => void submit(event)}>
        <DialogTitle id="save-view">Save as a view</DialogTitle>
        <DialogContent>
          <p>It brings back the columns with their widths, their order, and what is filtered now.</p>
          <TextField
            autoFocus
            fullWidth
            label="Name"
            value={name}
            onChange={(event) => setName(event.target.value)}
            error={error !== undefined}
            helperText={error === undefined ? undefined : describeFailure(error)}
            slotProps={{ htmlInput: { maxLength: 100 } }}
          />
          {mayShare && (
            <FormControlLabel
              control={<Checkbox checked={isShared} onChange={(event) => setShared(event.target.checked)} />}
              label="For all who work in this company"
            />
          )}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={isLoading || name.trim() === ''}>
            Save
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
