import type { LayoutDetail, OwnLayoutBody } from '@ivory-ladder/contract';
import type { OwnLayout } from '@ivory-ladder/core';
import { formatFigure } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { useMemo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { usePutLayoutInUseMutation } from '../../shared/api/layoutApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { DifferenceTable } from './DifferenceTable.tsx';
import { differencesOf } from './layoutDifferences.ts';
import { isTied, tiesText } from './tiesText.ts';
import styles from './UseDialog.module.css';
import type { Composer } from './useComposer.ts';
import { useOtherRows } from './useOtherRows.ts';
import { usePreviewRest, usePreviewRows } from './usePreview.ts';

interface UseDialogProps {
  readonly composer: Composer;
  readonly detail: LayoutDetail;
  /** The definition that runs; `null` where none does yet. */
  readonly used: OwnLayoutBody | null;
  readonly onUsed: (detail: LayoutDetail) => void;
  readonly onClose: () => void;
}

/** What the draft is otherwise than the version that runs, line by line and in figures, before it takes its place. */
export function UseDialog({ composer, detail, used, onUsed, onClose }: UseDialogProps) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [reason, setReason] = useState('');
  const [putInUse, { isLoading }] = usePutLayoutInUseMutation();
  const preview = usePreviewRows(composer.figures);
  const rest = usePreviewRest(composer.figures);
  const usedRows = useOtherRows(composer, used as OwnLayout | null);
  const differences = useMemo(() => (preview && usedRows ? differencesOf(usedRows, preview.rows) : []), [preview, usedRows]);
  const currency = { code: company.currency, exponent: company.exponent };
  const faults = rest?.coverage.faults.length ?? 0;
  const put = async () => {
    const version = await composer.flush();
    if (version === null) return;
    const { data, error } = await putInUse({ companyId: company.id, layoutId: detail.id, body: { version, reason } });
    if (data) {
      dispatch(noticeGiven({ tone: 'done', text: `In use: version ${data.inUse} of ${data.name}.` }));
      onUsed(data);
      onClose();
    } else dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
  };
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth>
      <DialogTitle>Put in use: {detail.name}</DialogTitle>
      <DialogContent className={styles.content}>
        {faults > 0 && (
          <p className={styles.odd}>
            ▲ {faults === 1 ? 'One account stands' : `${faults} accounts stand`} not exactly once. The layout can be put in use; what is missing is missing in
            its totals.
          </p>
        )}
        {rest?.totals && !isTied(rest.totals) && (
          <p className={styles.odd}>
            {tiesText(rest.totals, (net) => formatFigure(net, 'amount', currency), composer.layout.kind)}. The layout can be put in use; its statements are
            marked as drafts until it ties.
          </p>
        )}
        {used === null ? (
          <p>No version runs yet. Statements will list this layout from now on.</p>
        ) : differences.length === 0 ? (
          <p>No line shows another figure or caption than the version that runs.</p>
        ) : (
          <DifferenceTable differences={differences} before="Runs now" after="Draft" />
        )}
        <TextField
          label="Why, for the record"
          value={reason}
          onChange={({ target: { value } }) => setReason(value)}
          slotProps={{ htmlInput: { maxLength: 500 } }}
        />
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Cancel</Button>
        <Button variant="contained" disabled={isLoading} onClick={() => void put()}>
          Put in use
        </Button>
      </DialogActions>
    </Dialog>
  );
}
