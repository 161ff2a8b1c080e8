import type { RowRole } from '../statement/statement.ts';

interface CommentedRow {
  readonly lineKey: string;
  readonly accountId: number | null;
  readonly role: RowRole;
  readonly caption: string;
}

/** A comment as it is listed under a statement. `caption`: of the line that it is on. */
export type MarkedComment<Comment> = Comment & { readonly mark: string; readonly caption: string };

export interface MarkedComments<Comment> {
  /** In the order of the lines. */
  readonly marked: readonly MarkedComment<Comment>[];
  /** On lines that are not shown. */
  readonly unseen: readonly Comment[];
}

/**
 * Gives the comments of a statement letters from top to bottom: a, b … z, aa. The mark stands at the row that bears the line's
 * figures, which of a group that is open is its total.
 */
export function markComments<Comment extends { readonly lineKey: string }>(
  rows: readonly CommentedRow[],
  comments: readonly Comment[],
): MarkedComments<Comment> {
  const rowOf = new Map<string, number>();
  for (const [at, { lineKey, accountId, role }] of rows.entries()) if (accountId === null && role !== 'heading') rowOf.set(lineKey, at);
  const seen = comments.filter(({ lineKey }) => rowOf.has(lineKey));
  const marked = seen
    .map((comment) => ({ comment, at: rowOf.get(comment.lineKey) as number }))
    .sort((one, other) => one.at - other.at)
    .map(({ comment, at }, place) => ({ ...comment, mark: letters(place), caption: rows[at]?.caption ?? '' }));
  return { marked, unseen: comments.filter(({ lineKey }) => !rowOf.has(lineKey)) };
}

/** 0 → a, 25 → z, 26 → aa. */
function letters(place: number): string {
  const last = String.fromCharCode(97 + (place % 26));
  return place < 26 ? last : `${letters(Math.floor(place / 26) - 1)}${last}`;
}
