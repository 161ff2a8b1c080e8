/** What goes to somebody by mail. */
export interface Letter {
  readonly recipient: string;
  readonly subject: string;
  readonly content: string;
}

/**
 * `kept`: there is no mail server, it is in the outbox; `waits`: to be handed over; `handed`: it was about to be handed over when
 * something broke off, so it may have gone; `sent`; `failed`.
 */
type LetterState = 'kept' | 'waits' | 'handed' | 'sent' | 'failed';

export interface LetterRecord extends Letter {
  readonly id: number;
  readonly state: LetterState;
  /** UTC, as DATETIME text. */
  readonly madeAt: string;
  readonly failure: string;
}

export interface Outbox {
  /** Kept whole, and handed over where there is a mail server. */
  post(letter: Letter): Promise<void>;
  /** Latest first. */
  latest(most: number): Promise<LetterRecord[]>;
  /** Of one that waits: marked before it is handed over; `null` where that was done. */
  take(id: number): Promise<Letter | null>;
  /** `failure`: empty where it went. What opens something is blotted out of what went. */
  end(id: number, failure: string): Promise<void>;
}

/** Hands a letter to a mail server; throws where it does not take it. */
export type HandOver = (letter: Letter) => Promise<void>;

export type JobKind = 'mail' | 'recovery' | 'tidy';

export interface JobToDo {
  readonly id: number;
  readonly kind: JobKind;
  readonly payload: unknown;
  readonly attempt: number;
}

export interface JobRecord {
  readonly id: number;
  readonly kind: JobKind;
  readonly state: 'waits' | 'runs' | 'done' | 'failed';
  /** UTC, as DATETIME text. */
  readonly due: string;
  readonly attempt: number;
  readonly failure: string;
  readonly endedAt: string | null;
}

/** Work that no request waits for, by any number of servers; times are the database's. */
export interface Jobs {
  /** An occurrence that is there already stays as it is. */
  add(kind: JobKind, occurrence: string, payload: unknown): Promise<void>;
  /** One that is due, held for a while; committed before the work begins. `null` where there is none. */
  claim(): Promise<JobToDo | null>;
  /** `false`: the hold was lost, and the work must stop. */
  renew(job: JobToDo): Promise<boolean>;
  done(job: JobToDo): Promise<void>;
  /** Waits anew, longer each time and for a day at most; then it has failed. */
  failed(job: JobToDo, failure: string): Promise<void>;
  latest(most: number): Promise<JobRecord[]>;
  /** Ended ones that nobody asks about any more. */
  forgetOld(): Promise<void>;
}
