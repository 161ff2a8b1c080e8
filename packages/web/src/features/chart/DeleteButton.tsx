import type { ChartAccountBody } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useListAttachmentsQuery } from '../../shared/api/chartApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';

interface DeleteButtonProps {
  readonly account: ChartAccountBody;
  readonly isBusy: boolean;
  readonly onDelete: () => void;
}

/** Deletes an account that was never used, when it is pressed a second time; what goes with it is said before. */
export function DeleteButton({ account, isBusy, onDelete }: DeleteButtonProps) {
  const { id: companyId } = useCompany();
  const { data } = useListAttachmentsQuery({ companyId, accountId: account.id });
  const [isAsked, setIsAsked] = useState(false);
  const goesToo = [
    ...(account.notes.length > 0 ? [counted(account.notes.length, 'note')] : []),
    ...(data && data.attachments.length > 0 ? [counted(data.attachments.length, 'attachment')] : []),
  ].join(' and ');
  return (
    <Button disabled={isBusy} onBlur={() => setIsAsked(false)} onClick={() => (isAsked ? onDelete() : setIsAsked(true))}>
      {isAsked ? `Delete for good${goesToo === '' ? '' : `, with ${goesToo}`}?` : 'Delete'}
    </Button>
  );
}
