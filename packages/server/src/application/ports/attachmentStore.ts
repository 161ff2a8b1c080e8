import type { AttachmentKind, Outcome } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Actor } from './actor.ts';

/** What a file belongs to. */
export interface AttachmentOwner {
  readonly kind: 'account' | 'entry';
  readonly id: number;
}

export interface Attachment {
  readonly id: number;
  readonly owner: AttachmentOwner;
  readonly name: string;
  readonly bytes: number;
  /** UTC, as DATETIME text. */
  readonly addedAt: string;
  readonly addedBy: string;
}

/** What files are by their content. */
export interface AttachmentContent {
  /** Whether it begins as files of the kind do, and all of it again from its beginning. */
  beginsAs(kind: AttachmentKind, content: AsyncIterable<Uint8Array>): Promise<readonly [isOfKind: boolean, whole: AsyncIterable<Uint8Array>]>;
}

/** Files attached to accounts and entries; one is there only once its last byte and the hash of all are. */
export interface AttachmentStore {
  /** Newest first. */
  list(companyId: number, owner: AttachmentOwner): Promise<Attachment[]>;
  find(companyId: number, id: number): Promise<Attachment | null>;
  /** Takes the bytes as they come; refused beyond `most`, or where they end before their time, and then nothing is kept. */
  write(
    companyId: number,
    owner: AttachmentOwner,
    name: string,
    content: AsyncIterable<Uint8Array>,
    most: number,
    actor: Actor,
  ): Promise<Outcome<number, Failure>>;
  /** Part by part. */
  read(companyId: number, id: number): AsyncIterable<Uint8Array>;
  remove(companyId: number, attachment: Attachment, actor: Actor): Promise<Outcome<void, Failure>>;
}
