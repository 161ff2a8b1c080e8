import { useUploadTrialBalanceMutation } from '../../shared/api/ledgerApi.ts';
import { useFileDrop } from '../../shared/state/useFileDrop.tsx';

/** A trial balance, dropped or chosen, wherever one can come in. */
export function useTrialBalanceDrop() {
  const [upload, { isLoading: isUploading }] = useUploadTrialBalanceMutation();
  return useFileDrop({ label: 'Trial balance file', upload, isUploading, readAt: (fileId) => `ledger/trial-balance-file/${fileId}` });
}
