import type { FailureWords } from './failureWords.ts';

/** Words for what the page itself finds. */
export const ownWords = {
  unreachable: () => 'The server does not answer. Nothing was changed; try again when it is back.',
  changed_meanwhile: () => 'Not taken back: it has been changed since, by you or somebody else. Its history says how.',
  line_key_taken: ({ line }) => `Another line has the key ${line} already.`,
  line_takes_no_lines: () => 'This line takes no lines; only groups, headings and lines that follow do.',
  line_within_itself: () => 'A line cannot stand in itself.',
  line_follows: () => 'This line follows the categories: it moves among the lines beside it. For another order of categories, move them under Placement.',
  line_in_use: ({ line, by }) => `${line} is used by ${by.join(', ')}. Change these first.`,
} satisfies Partial<FailureWords>;
