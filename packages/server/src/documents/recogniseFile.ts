import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../application/failure.ts';
import { beginsAsXml } from './auditFile.ts';

type FileKind = 'delimited' | 'workbook' | 'audit_file';

const startsWith = (content: Buffer, bytes: readonly number[]): boolean => bytes.every((byte, at) => content[at] === byte);

/** Goes by the first bytes, never by the name: a PDF renamed .csv is a PDF. */
export function recogniseFile(content: Buffer): Outcome<FileKind, Failure> {
  const refuse = (found: Extract<Failure, { code: 'file_not_a_table' }>['found']) => fail({ code: 'file_not_a_table' as const, found });
  if (content.length === 0 || content.toString('latin1').trim() === '') return refuse('empty');
  if (startsWith(content, [0x50, 0x4b, 0x03, 0x04])) return content.includes('xl/') ? succeed('workbook') : refuse('document');
  if (content.subarray(0, 1024).includes('%PDF-')) return refuse('pdf');
  if (startsWith(content, [0xd0, 0xcf, 0x11, 0xe0])) return refuse('old_workbook');
  if (startsWith(content, [0x89, 0x50, 0x4e, 0x47]) || startsWith(content, [0xff, 0xd8, 0xff]) || startsWith(content, [0x47, 0x49, 0x46, 0x38]))
    return refuse('picture');
  if (startsWith(content, [0xff, 0xfe])) return succeed('delimited');
  const head = content.subarray(0, 65_536);
  const odd = head.reduce((count, byte) => (byte < 9 || (byte > 13 && byte < 32 && byte !== 27) ? count + 1 : count), 0);
  if (head.includes(0) || odd > head.length / 100) return refuse('binary');
  return succeed(beginsAsXml(content) ? 'audit_file' : 'delimited');
}
