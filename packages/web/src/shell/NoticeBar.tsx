import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Snackbar from '@mui/material/Snackbar';
import { useDispatch, useSelector } from 'react-redux';
import { useUndoPlacementMutation } from '../shared/api/placementApi.ts';
import type { AppState } from '../shared/state/appState.ts';
import { noticeDismissed, noticeGiven } from '../shared/state/noticeSlice.ts';
import { draftUndone } from '../shared/state/rehearsalSlice.ts';
import { useCompany } from '../shared/state/useCompany.ts';
import { useSpan } from '../shared/state/useSpan.ts';
import { describeFailure } from '../shared/words/failureMessages.ts';

export function NoticeBar() {
  const notice = useSelector((state: AppState) => state.notice.current);
  const dispatch = useDispatch();
  const { id: companyId } = useCompany();
  const { span } = useSpan();
  const [undo] = useUndoPlacementMutation();
  const undoes = notice?.undoes;
  const takeBack = async (recordId: number) => {
    const { error } = await undo({ companyId, recordId, ...span });
    dispatch(
      noticeGiven(
        error === undefined ? { tone: 'done', text: 'Taken back: the placement is as it was before.' } : { tone: 'refused', text: describeFailure(error) },
      ),
    );
  };
  const restores = notice?.restores;
  const restore = (rehearsed: string) => {
    dispatch(draftUndone({ rehearsed }));
    dispatch(noticeDismissed());
  };
  const back = undoes !== undefined ? () => void takeBack(undoes) : restores !== undefined ? () => restore(restores) : null;
  return (
    <Snackbar
      key={notice?.count}
      open={notice !== null}
      autoHideDuration={notice?.tone === 'refused' || back !== null ? 12_000 : 6000}
      onClose={(_event, reason) => reason !== 'clickaway' && dispatch(noticeDismissed())}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      sx={{ bottom: '44px !important' }}
    >
      <Alert
        {...(back === null
          ? {}
          : {
              action: (
                <Button color="inherit" size="small" onClick={back}>
                  Undo
                </Button>
              ),
            })}
        severity={notice?.tone === 'refused' ? 'error' : 'success'}
        variant="filled"
        onClose={() => dispatch(noticeDismissed())}
        role={notice?.tone === 'refused' ? 'alert' : 'status'}
      >
        {notice?.text}
      </Alert>
    </Snackbar>
  );
}
