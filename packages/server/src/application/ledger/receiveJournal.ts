import { fail, type Outcome } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { Ports, ReceivedFile } from '../ports/index.ts';
import { millisecondsBetweenNotes } from './importJournal.ts';

/**
 * Takes the file in, as slowly as it comes, before any of it is read: whoever sends holds no connection to the database. `left`: who sends has gone away,
 * which ends the import also while it is read.
 */
export async function receiveJournal(
  { journals, received }: Ports,
  { companyId }: Access<'prepare_entries'>,
  importId: number,
  content: AsyncIterable<Uint8Array>,
  left: AbortSignal,
): Promise<Outcome<ReceivedFile, Failure>> {
  const record = await journals.find(companyId, importId);
  if (!record) return fail({ code: 'not_found', thing: 'journal_import', id: importId });
  if (!(await journals.claim(companyId, importId))) return fail({ code: 'journal_not_ready', state: record.state });
  left.addEventListener('abort', () => void journals.cancel(companyId, importId).catch(() => undefined));
  let noted = 0;
  const note = async (bytes: number): Promise<boolean> => {
    if (Date.now() - noted < millisecondsBetweenNotes) return true;
    noted = Date.now();
    return journals.received(companyId, importId, bytes);
  };
  let file: Outcome<ReceivedFile, Failure> | null = null;
  let isWanted = true;
  try {
    file = await received.receive(content, record.bytes, note);
    isWanted = await journals.received(companyId, importId, file.ok ? file.value.bytes : 0);
    if (isWanted && file.ok && file.value.bytes === record.bytes) return file;
  } catch (error) {
    await journals.abandon(companyId, importId);
    throw error;
  }
  await journals.abandon(companyId, importId);
  if (file.ok) await received.release(file.value);
  if (!isWanted) return fail({ code: 'journal_not_ready', state: 'cancelled' });
  return file.ok ? fail({ code: 'file_incomplete', bytes: file.value.bytes, expected: record.bytes }) : file;
}

/** However its reading ended. */
export async function releaseJournal(
  { journals, received }: Ports,
  { companyId }: Access<'prepare_entries'>,
  importId: number,
  file: ReceivedFile,
): Promise<void> {
  await received.release(file);
  await journals.abandon(companyId, importId);
}
