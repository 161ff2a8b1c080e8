import type { FactsOf, FailureCode } from '@ivory-ladder/contract';

/** What the page itself finds, without asking a server. */
interface OwnFacts {
  /** No answer came. */
  readonly unreachable: Record<string, never>;
  readonly changed_meanwhile: Record<string, never>;
  readonly line_key_taken: { readonly line: string };
  readonly line_takes_no_lines: Record<string, never>;
  readonly line_within_itself: Record<string, never>;
  readonly line_follows: Record<string, never>;
  readonly line_in_use: { readonly line: string; readonly by: readonly string[] };
}

/** What happened, to what, and what to do: a sentence for every code that a failure can have. */
export type FailureWords = { readonly [Code in FailureCode]: (facts: FactsOf<Code>) => string } & {
  readonly [Code in keyof OwnFacts]: (facts: OwnFacts[Code]) => string;
};
