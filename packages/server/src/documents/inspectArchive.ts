import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import yauzl from 'yauzl';
import type { Failure } from '../application/failure.ts';
import { tableLimits } from './tableLimits.ts';

/** Inflates every part once, counting, before any reader sees the archive; entity definitions are refused. */
export function inspectArchive(content: Buffer): Promise<Outcome<null, Failure>> {
  return new Promise((resolve) => {
    yauzl.fromBuffer(content, { lazyEntries: true, validateEntrySizes: true }, (error, archive) => {
      if (error || !archive) return resolve(fail({ code: 'file_unreadable', reason: 'archive_damaged' }));
      let inflated = 0;
      const end = (outcome: Outcome<null, Failure>): void => {
        archive.close();
        resolve(outcome);
      };
      archive.on('error', () => end(fail({ code: 'file_unreadable', reason: 'archive_damaged' })));
      archive.on('end', () => end(succeed(null)));
      archive.on('entry', (entry: yauzl.Entry) => {
        if (archive.entryCount > tableLimits.parts) return end(fail({ code: 'file_limit_exceeded', limit: 'parts' }));
        archive.openReadStream(entry, (openError, stream) => {
          if (openError || !stream) return end(fail({ code: 'file_unreadable', reason: 'archive_damaged' }));
          let head = '';
          stream.on('data', (chunk: Buffer) => {
            inflated += chunk.length;
            if (head.length < 4096) head += chunk.toString('latin1', 0, 4096);
            const isTooMuch = inflated > tableLimits.inflatedBytes || (inflated > 1 << 20 && inflated > content.length * tableLimits.inflation);
            if (isTooMuch || /<!DOCTYPE|<!ENTITY/i.test(head)) {
              stream.destroy();
              end(isTooMuch ? fail({ code: 'file_limit_exceeded', limit: 'inflated_bytes' }) : fail({ code: 'file_unreadable', reason: 'entity_definition' }));
            }
          });
          stream.on('error', () => end(fail({ code: 'file_unreadable', reason: 'archive_damaged' })));
          stream.on('end', () => archive.readEntry());
        });
      });
      archive.readEntry();
    });
  });
}
