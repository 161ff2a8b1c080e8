import type { AttachmentKind } from '@ivory-ladder/core';
import { fileTypeFromBuffer } from 'file-type';
import type { AttachmentContent } from '../application/ports/index.ts';
import { peek } from './peek.ts';

/** What is known of a file by its first bytes, for each kind; a packed document looks like an archive until all of it is there. */
const foundIn: Readonly<Partial<Record<AttachmentKind, readonly string[]>>> = {
  pdf: ['pdf'],
  png: ['png'],
  jpg: ['jpg'],
  jpeg: ['jpg'],
  webp: ['webp'],
  xlsx: ['xlsx', 'zip'],
  docx: ['docx', 'zip'],
  zip: ['zip', 'xlsx', 'docx'],
};
const pdfHeader = '%PDF-';
/** A PDF may begin with something else (ISO 32000-1, Annex H.3.4). */
const bytesBeforePdf = 1024;
/** Kinds of text that are told apart by their first words, and are text for all that. */
const texts = ['xml', 'eml', 'ics', 'vcf', 'rtf'];

const bytesLookedAt = 8192;

export const attachmentContent: AttachmentContent = {
  async beginsAs(kind, content) {
    const [head, whole] = await peek(content, bytesLookedAt);
    return [await isOf(kind, head), whole];
  },
};

async function isOf(kind: AttachmentKind, head: Uint8Array): Promise<boolean> {
  if (kind === 'pdf' && Buffer.from(head.subarray(0, bytesBeforePdf)).includes(pdfHeader)) return true;
  const found = await fileTypeFromBuffer(head).catch(() => undefined);
  const expected = foundIn[kind];
  if (expected) return found !== undefined && expected.includes(found.ext);
  // The mark of UTF-16 looks like the beginning of sound, so it is not asked about.
  return isTextInUtf16(head) ?? ((found === undefined || texts.includes(found.ext)) && !head.includes(0));
}

/** `null`: it does not say at its beginning that it is. */
function isTextInUtf16(head: Uint8Array): boolean | null {
  const [first, second] = head;
  const isLittle = first === 0xff && second === 0xfe;
  if (!isLittle && !(first === 0xfe && second === 0xff)) return null;
  try {
    // As a stream: what is looked at may end within a character.
    const text = new TextDecoder(isLittle ? 'utf-16le' : 'utf-16be', { fatal: true }).decode(head, { stream: true });
    return !text.includes('\0');
  } catch {
    return false;
  }
}
