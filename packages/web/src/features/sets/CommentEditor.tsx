import type { LineCommentBody, RanSet } from '@ivory-ladder/contract';
import { longDay } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { type KeyboardEvent, useEffect, useRef, useState } from 'react';
import { useSetCommentMutation } from '../../shared/api/setApi.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './SetsScreen.module.css';

interface CommentEditorProps {
  readonly companyId: number;
  readonly setId: number;
  readonly partKey: string;
  readonly lineKey: string;
  readonly comment: LineCommentBody | undefined;
  /** Of the last day before. */
  readonly earlier: RanSet['earlier'][number] | undefined;
  readonly onClose: () => void;
}

/** Writes a comment under its line: Ctrl Enter keeps it, Escape leaves it as it was, no text takes it away. */
export function CommentEditor({ companyId, setId, partKey, lineKey, comment, earlier, onClose }: CommentEditorProps) {
  const { span } = useSpan();
  const [text, setText] = useState(comment?.text ?? '');
  // Refused where somebody else wrote meanwhile: then what they wrote is the one that is looked at.
  const [version, setVersion] = useState(comment?.version ?? 0);
  const [refusal, setRefusal] = useState<string | null>(null);
  const field = useRef<HTMLTextAreaElement>(null);
  useEffect(() => field.current?.focus(), []);
  const [set, { isLoading }] = useSetCommentMutation();
  const keep = async () => {
    if (text.trim() === (comment?.text ?? '')) return onClose();
    const { error } = await set({ companyId, setId, body: { partKey, lineKey, day: span.to, text, version } });
    if (error === undefined) return onClose();
    const { current } = ((error as { facts?: { current?: { version: number; text: string } } }).facts ?? {}) as { current?: { version: number; text: string } };
    if (current) setVersion(current.version);
    setRefusal(current ? `Somebody else wrote meanwhile: “${current.text}”. Keep again to put yours in its place.` : describeFailure(error));
  };
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.key === 'Escape') onClose();
    else if (event.key === 'Enter' && (event.ctrlKey || event.metaKey)) void keep();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <div className={styles.editor}>
      <textarea
        ref={field}
        className={styles.editorText}
        rows={3}
        maxLength={4000}
        aria-label="Comment"
        placeholder={`What explains this line at ${longDay(span.to)}`}
        value={text}
        onChange={({ target: { value } }) => setText(value)}
        onKeyDown={onKeyDown}
      />
      {refusal !== null && (
        <p role="alert" className={styles.refused}>
          {refusal}
        </p>
      )}
      <div className={styles.editorActs}>
        <Button variant="contained" size="small" disabled={isLoading} onClick={() => void keep()}>
          {text.trim() === '' && comment ? 'Take the comment away' : 'Keep'}
        </Button>
        <Button size="small" onClick={onClose}>
          Leave as it was
        </Button>
        {earlier && text === '' && (
          <Button size="small" title={earlier.text} onClick={() => setText(earlier.text)}>
            As of {longDay(earlier.day)}
          </Button>
        )}
        <small>{comment ? `${comment.changedBy}, ${momentText(comment.changedAt)}` : 'Ctrl Enter keeps, Escape leaves'}</small>
      </div>
    </div>
  );
}
