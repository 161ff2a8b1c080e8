import type { Actor } from './actor.ts';
export interface AccountNote {
  readonly id: number;
  readonly accountId: number;
  readonly content: string;
  /** UTC, as DATETIME text. */
  readonly writtenAt: string;
  readonly writtenBy: string;
}

export interface NoteStore {
  add(companyId: number, accountId: number, content: string, actor: Actor): Promise<void>;
  /** Newest first; of one account, or of all. */
  list(companyId: number, accountId: number | null): Promise<AccountNote[]>;
}
