import { createHash } from 'node:crypto';
import { type DocumentKept, statementDocument } from '@ivory-ladder/contract';
import { documentVersion, fail, type Outcome, type StatementDocument, succeed } from '@ivory-ladder/core';
import canonicalize from 'canonicalize';
import type { WrittenFile } from '../application/ports/index.ts';
import { fileNameOf } from './statementCaptions.ts';

/** Why kept bytes are no statement that can be trusted. */
export type DocumentRefused =
  /** No JSON, or JSON of something else; `at`: where in it, empty for the whole. */
  | { readonly code: 'document_unreadable'; readonly at: string }
  /** Written by a later version of the product. */
  | { readonly code: 'document_newer'; readonly version: number; readonly known: number }
  /** A figure or a word in it is not what the digest was made of. */
  | { readonly code: 'document_changed'; readonly digest: string; readonly found: string };

/** JSON as RFC 8785 has it: the same bytes for the same value. A lone surrogate is a bug of whoever made the text. */
export function canonicalJson(value: unknown): string {
  const text = canonicalize(value);
  // A surrogate without its other half is escaped by JSON and has no bytes of its own.
  if (text === undefined || /(?<!\\)(?:\\\\)*\\ud[89a-f][0-9a-f]{2}/.test(text)) throw new Error('what is written has no canonical JSON');
  return text;
}

/** SHA-256 of the canonical JSON of figures, words and look, in hexadecimal: what a signature is bound to. */
export function contentDigest({ content }: Pick<StatementDocument, 'content'>): string {
  return createHash('sha256').update(canonicalJson(content)).digest('hex');
}

/** A document as it is kept: its bytes are what is compared later, and are never made again. */
export function writeDocument(document: StatementDocument): WrittenFile {
  const kept: DocumentKept = { ...(document as Omit<DocumentKept, 'digest'>), digest: contentDigest(document) };
  return { name: fileNameOf(document.content, 'json'), type: 'application/json', content: Buffer.from(canonicalJson(kept)) };
}

/** What was kept, if it is whole and unchanged. */
export function readDocument(bytes: Uint8Array): Outcome<StatementDocument, DocumentRefused> {
  let value: unknown;
  try {
    value = JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    return fail({ code: 'document_unreadable', at: '' });
  }
  const version = (value as { version?: unknown } | null)?.version;
  if (typeof version === 'number' && version > documentVersion) return fail({ code: 'document_newer', version, known: documentVersion });
  const read = statementDocument.safeParse(value);
  if (!read.success) return fail({ code: 'document_unreadable', at: read.error.issues[0]?.path.join('.') ?? '' });
  const { digest, ...document } = read.data;
  const found = contentDigest(document);
  return found === digest ? succeed(document) : fail({ code: 'document_changed', digest, found });
}
