import Alert from '@mui/material/Alert';
import Snackbar from '@mui/material/Snackbar';
import { useDispatch, useSelector } from 'react-redux';
import { noticeDismissed } from './noticeSlice.ts';
import type { AppState } from './store.ts';

export function NoticeBar() {
  const notice = useSelector((state: AppState) => state.notice.current);
  const dispatch = useDispatch();
  return (
    <Snackbar
      key={notice?.count}
      open={notice !== null}
      autoHideDuration={notice?.tone === 'refused' ? 12_000 : 6000}
      onClose={(_event, reason) => reason !== 'clickaway' && dispatch(noticeDismissed())}
      anchorOrigin={{ vertical: 'bottom', horizontal: 'center' }}
      sx={{ bottom: '44px !important' }}
    >
      <Alert
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
