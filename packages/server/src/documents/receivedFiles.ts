import { randomUUID } from 'node:crypto';
import { close, open, read, unlink, write } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../application/failure.ts';
import type { ReceivedFile, ReceivedFiles } from '../application/ports/index.ts';

const [openFile, unlinkFile, readBlock, writeBlock, closeFile] = [promisify(open), promisify(unlink), promisify(read), promisify(write), promisify(close)];
const bytesAtOnce = 64 << 10;

/**
 * Files that have no name any more while they are held, so that nothing of them is left whatever ends the server. Threads of the process read them by
 * their descriptor.
 */
export const receivedFiles: ReceivedFiles = {
  async receive(content, most, onBytes) {
    const path = join(tmpdir(), `ivory-ladder-received-${randomUUID()}`);
    const descriptor = await openFile(path, 'wx+', 0o600);
    await unlinkFile(path);
    let bytes = 0;
    const refuse = async (failure: Failure): Promise<Outcome<never, Failure>> => {
      await closeFile(descriptor);
      return fail(failure);
    };
    try {
      for await (const block of content) {
        if (bytes + block.length > most) return await refuse({ code: 'file_incomplete', bytes: bytes + block.length, expected: most });
        for (let at = 0; at < block.length; ) at += (await writeBlock(descriptor, block, at, block.length - at, bytes + at)).bytesWritten;
        bytes += block.length;
        if (!(await onBytes(bytes))) return await refuse({ code: 'file_incomplete', bytes, expected: most });
      }
    } catch (error) {
      const { code } = error as { code?: string };
      await closeFile(descriptor);
      if (code === 'ENOSPC') return fail({ code: 'storage_full' });
      if (code === 'ECONNRESET') return fail({ code: 'file_incomplete', bytes, expected: most });
      throw error;
    }
    return succeed({ descriptor, bytes });
  },
  // A stream would close it, in a thread that did not open it.
  async *read({ descriptor }: ReceivedFile) {
    for (let at = 0; ; ) {
      const { bytesRead, buffer } = await readBlock(descriptor, Buffer.alloc(bytesAtOnce), 0, bytesAtOnce, at);
      if (bytesRead === 0) return;
      at += bytesRead;
      yield buffer.subarray(0, bytesRead);
    }
  },
  release: ({ descriptor }: ReceivedFile) => closeFile(descriptor),
};
