import type { AttachmentList } from '@ivory-ladder/contract';
import { attachmentKindOf, attachmentKinds, isPicture, largestAttachment } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { skipToken } from '@reduxjs/toolkit/query';
import { useEffect, useRef, useState } from 'react';
import {
  useAddAttachmentMutation,
  useAddEntryAttachmentMutation,
  useDeleteAttachmentMutation,
  useListAttachmentsQuery,
  useListEntryAttachmentsQuery,
} from '../../shared/api/chartApi.ts';
import { addressOf } from '../../shared/api/requestOf.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './Attachments.module.css';

type Attachment = AttachmentList['attachments'][number];
type Owner = { readonly accountId: number } | { readonly entryId: number };

/** Files that belong to an account or an entry: a lease, a bank's letter, an invoice. Pictures are shown; all else is only ever downloaded. */
export function Attachments({ of }: { of: Owner }) {
  const company = useCompany();
  const [mayKeep, mayRead] = [useMay('prepare_entries'), useMay('see_papers')];
  const { data, add, isLoading, error } = useAttachmentsOf(of, mayRead);
  const [remove, removal] = useDeleteAttachmentMutation();
  const [tooLarge, setTooLarge] = useState(false);
  const [askedId, setAskedId] = useState<number | null>(null);
  const [shownId, setShownId] = useState<number | null>(null);
  const chooser = useRef<HTMLInputElement>(null);
  const attachments = data?.attachments ?? [];
  if (!mayKeep && attachments.length === 0) return null;
  const attach = (file: File | undefined) => {
    setTooLarge(file !== undefined && file.size > largestAttachment);
    if (file && file.size <= largestAttachment) add(file);
  };
  const failure = tooLarge ? { code: 'attachment_too_large', facts: { limit: largestAttachment } } : (error ?? removal.error);
  return (
    <section aria-label="Attachments" aria-busy={isLoading}>
      <h3>Attachments</h3>
      <ul className={styles.list}>
        {attachments.map((attachment) => (
          <li key={attachment.id}>
            <a href={addressOf('downloadAttachment', { companyId: company.id, attachmentId: attachment.id })} download={attachment.name}>
              {attachment.name}
            </a>
            <span>
              {sizeText(attachment.bytes)}, {attachment.addedBy}, {momentText(attachment.addedAt)}
            </span>
            <span className={styles.ways}>
              {isShowable(attachment) && (
                <button type="button" aria-expanded={shownId === attachment.id} onClick={() => setShownId(shownId === attachment.id ? null : attachment.id)}>
                  {shownId === attachment.id ? 'Hide' : 'Show'}
                </button>
              )}
              {mayKeep && (
                <button
                  type="button"
                  aria-label={`Take ${attachment.name} away${askedId === attachment.id ? ' for good' : ''}`}
                  disabled={removal.isLoading}
                  onBlur={() => setAskedId(null)}
                  onClick={() => {
                    if (askedId === attachment.id) void remove({ companyId: company.id, attachmentId: attachment.id });
                    else setAskedId(attachment.id);
                  }}
                >
                  {askedId === attachment.id ? 'For good?' : 'Take away'}
                </button>
              )}
            </span>
            {shownId === attachment.id && <Picture companyId={company.id} attachment={attachment} />}
          </li>
        ))}
      </ul>
      {failure !== undefined && <p role="alert">{describeFailure(failure)}</p>}
      {mayKeep && (
        <>
          <input
            ref={chooser}
            type="file"
            hidden
            aria-label="File to attach"
            accept={attachmentKinds.map((kind) => `.${kind}`).join(',')}
            onChange={(event) => {
              attach(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
          <Button disabled={isLoading} onClick={() => chooser.current?.click()}>
            {isLoading ? 'Attaching …' : 'Attach a file…'}
          </Button>
        </>
      )}
    </section>
  );
}

/** The attachments of one account or entry, and one more. */
function useAttachmentsOf(of: Owner, mayRead: boolean) {
  const { id: companyId } = useCompany();
  const isEntry = 'entryId' in of;
  const ofAccount = useListAttachmentsQuery(mayRead && !isEntry ? { companyId, ...of } : skipToken);
  const ofEntry = useListEntryAttachmentsQuery(mayRead && isEntry ? { companyId, ...of } : skipToken);
  const [addToAccount, toAccount] = useAddAttachmentMutation();
  const [addToEntry, toEntry] = useAddEntryAttachmentMutation();
  const { isLoading, error } = isEntry ? toEntry : toAccount;
  return {
    data: isEntry ? ofEntry.data : ofAccount.data,
    add: (file: File) => void (isEntry ? addToEntry({ companyId, ...of, file }) : addToAccount({ companyId, ...of, file })),
    isLoading,
    error,
  };
}

function isShowable({ name }: Attachment): boolean {
  const kind = attachmentKindOf(name);
  return kind !== null && isPicture(kind);
}

function sizeText(bytes: number): string {
  return bytes < 1 << 20 ? `${Math.max(1, Math.round(bytes / 1024))} kB` : `${(bytes / (1 << 20)).toFixed(1)} MB`;
}

/** The bytes as a picture and as nothing else: whatever they are, they can only be painted. */
function Picture({ companyId, attachment }: { companyId: number; attachment: Attachment }) {
  const [address, setAddress] = useState<string | null>(null);
  const [isBroken, setBroken] = useState(false);
  useEffect(() => {
    let made: string | null = null;
    let isGone = false;
    void fetch(addressOf('downloadAttachment', { companyId, attachmentId: attachment.id }))
      .then((answer) => (answer.ok ? answer.blob() : Promise.reject(new Error(String(answer.status)))))
      .then((blob) => {
        if (isGone) return;
        made = URL.createObjectURL(new Blob([blob], { type: `image/${(attachmentKindOf(attachment.name) ?? 'png').replace('jpg', 'jpeg')}` }));
        setAddress(made);
      })
      .catch(() => setBroken(true));
    return () => {
      isGone = true;
      if (made !== null) URL.revokeObjectURL(made);
    };
  }, [companyId, attachment]);
  if (isBroken) return <p>It cannot be shown; download it instead.</p>;
  return address === null ? null : <img className={styles.picture} src={address} alt={attachment.name} onError={() => setBroken(true)} />;
}
