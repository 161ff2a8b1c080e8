import type { RanSet, StatementBody } from '@ivory-ladder/contract';
import { markComments, printWords } from '@ivory-ladder/core';
import { useMemo, useState } from 'react';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import type { CellAddress } from '../evidence/index.ts';
import { isWide, type RowComments, StatementFoot, StatementTable, statementDates } from '../statements/index.ts';
import { CommentEditor } from './CommentEditor.tsx';
import styles from './SetsScreen.module.css';

interface SetArticleProps {
  readonly part: RanSet['parts'][number];
  readonly ran: RanSet;
  readonly number: number;
  readonly cell: CellAddress | null;
  readonly onOpenCell: (part: string, cell: CellAddress) => void;
}

/** One statement of a set, as it is printed, with its comments under it. */
export function SetArticle({ part: { key, statement, failure }, ran, number, cell, onOpenCell }: SetArticleProps) {
  const { span } = useSpan();
  const part = ran.set.definition.parts.find((one) => one.key === key);
  if (!statement)
    return (
      <article className={styles.sheet} id={`part-${key}`}>
        <h2>{part?.title || `Statement ${number}`}</h2>
        <p className={styles.refused} role="alert">
          ✗ This statement cannot be run. {describeFailure(failure)}
        </p>
      </article>
    );
  return (
    <article className={styles.sheet} id={`part-${key}`} data-wide={isWide(statement) || undefined} aria-labelledby={`title-${key}`}>
      <header>
        <h2 id={`title-${key}`} lang={statement.language}>
          {statement.title}
        </h2>
        <p className={styles.dates}>{statementDates(statement, span)}</p>
      </header>
      <Commented partKey={key} statement={statement} ran={ran} cell={cell} onOpenCell={onOpenCell} />
    </article>
  );
}

interface CommentedProps extends Pick<SetArticleProps, 'ran' | 'cell' | 'onOpenCell'> {
  readonly partKey: string;
  readonly statement: StatementBody;
}

function Commented({ partKey, statement, ran, cell, onOpenCell }: CommentedProps) {
  const company = useCompany();
  const mayComment = useMay('keep_layouts');
  const [writtenAt, setWrittenAt] = useState<string | null>(null);
  // The detail of a statement is that of the set.
  const closed = useMemo(() => ({ ...statement, rows: statement.rows.map((row) => ({ ...row, opens: false })) }), [statement]);
  const { marked, unseen } = useMemo(
    () =>
      markComments(
        statement.rows,
        ran.comments.filter((comment) => comment.partKey === partKey),
      ),
    [statement, ran, partKey],
  );
  const ofLine = (lineKey: string) => ran.comments.find((comment) => comment.partKey === partKey && comment.lineKey === lineKey);
  const rowComments: RowComments = {
    markOf: (lineKey) => marked.find((comment) => comment.lineKey === lineKey)?.mark,
    onComment: mayComment ? setWrittenAt : undefined,
    writtenAt,
    writing: writtenAt !== null && (
      <CommentEditor
        key={writtenAt}
        companyId={company.id}
        setId={ran.set.id}
        partKey={partKey}
        lineKey={writtenAt}
        comment={ofLine(writtenAt)}
        earlier={ran.earlier.find((comment) => comment.partKey === partKey && comment.lineKey === writtenAt)}
        onClose={() => setWrittenAt(null)}
      />
    ),
  };
  return (
    <>
      <StatementTable statement={closed} cell={cell} comments={rowComments} onToggle={() => undefined} onOpenCell={(opened) => onOpenCell(partKey, opened)} />
      <StatementFoot statement={statement} />
      {marked.length > 0 && (
        <section className={styles.comments} aria-label="Comments">
          <h3>{printWords[statement.language].comments}</h3>
          <ol>
            {marked.map(({ mark, caption, text, lineKey }) => (
              <li key={lineKey}>
                <b>{mark}</b>
                <p>
                  <strong>{caption}:</strong> {text}
                </p>
              </li>
            ))}
          </ol>
        </section>
      )}
      {unseen.length > 0 && (
        <p className={styles.unseenComments}>
          ▲ {unseen.length === 1 ? 'A comment stands' : `${unseen.length} comments stand`} on lines that are not shown here, and{' '}
          {unseen.length === 1 ? 'is' : 'are'} not printed: {unseen.map(({ text }) => `“${text}”`).join(', ')}
        </p>
      )}
    </>
  );
}
