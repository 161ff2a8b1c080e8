import { type DragEvent, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useLocation, useNavigate } from 'react-router';
import { describeFailure } from '../words/failureMessages.ts';
import { noticeGiven } from './noticeSlice.ts';
import { useCompany } from './useCompany.ts';

const largestBytes = 20 << 20;

interface FileDropOptions {
  readonly label: string;
  readonly upload: (input: { companyId: number; file: File }) => PromiseLike<{ data?: { fileId: number } | undefined; error?: unknown }>;
  readonly isUploading: boolean;
  /** Under the company, where the file is read. */
  readonly readAt: (fileId: number) => string;
}

/** Hands a file in, dropped or chosen, and goes on to the screen that reads it. */
export function useFileDrop({ label, upload, isUploading, readAt }: FileDropOptions) {
  const company = useCompany();
  const navigate = useNavigate();
  const { search } = useLocation();
  const dispatch = useDispatch();
  const [isOver, setOver] = useState(false);
  const chooser = useRef<HTMLInputElement>(null);
  const hand = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > largestBytes) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure({ code: 'file_too_large', facts: {} }) }));
    const uploaded = await upload({ companyId: company.id, file });
    if (uploaded.data) void navigate({ pathname: `/companies/${company.id}/${readAt(uploaded.data.fileId)}`, search });
    else dispatch(noticeGiven({ tone: 'refused', text: describeFailure(uploaded.error) }));
  };
  const input = (
    <input
      ref={chooser}
      type="file"
      hidden
      aria-label={label}
      accept=".csv,.tsv,.txt,.xlsx,.xml"
      onChange={(event) => {
        void hand(event.target.files?.[0]);
        event.target.value = '';
      }}
    />
  );
  return {
    input,
    hand,
    choose: () => chooser.current?.click(),
    isOver,
    isUploading,
    zone: {
      onDragOver: (event: DragEvent) => {
        if (!event.dataTransfer.types.includes('Files')) return;
        event.preventDefault();
        setOver(true);
      },
      onDragLeave: () => setOver(false),
      onDrop: (event: DragEvent) => {
        event.preventDefault();
        setOver(false);
        void hand(event.dataTransfer.files[0]);
      },
    },
  };
}
