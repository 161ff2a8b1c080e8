import type { ChartAccountBody } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useListAttachmentsQuery } from '../../api/chartApi.ts';
import { useCompany } from '../../app/useCompany.ts';
import { counted } from '../../components/counted.ts';

interface DeleteButtonProps {
  readonly account: ChartAccountBody;
  readonly isBusy: boolean;
  readonly onDelete: () => void;
}

/** Deletes an account that was never used, when it is pressed a second time; what goes with it is said before. */
export function DeleteButton({ account, isBusy, onDelete }: DeleteButtonProps) {
  const { id: companyId } = useCompany();
  const { data } = useListAttachmentsQuery({ companyId, owner: `accounts/${account.id}` });
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
