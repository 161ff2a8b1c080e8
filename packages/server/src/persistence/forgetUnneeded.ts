import type { DataSource } from 'typeorm';
import { forgetUnpostedFiles } from './fileStore.ts';
import { forgetOldKeys } from './idempotency.ts';
import { forgetAbandonedImports } from './journalStore.ts';
import { forgetOldBrowsers } from './knownBrowsers.ts';
import { purgeRemoved } from './removeCompany.ts';
import { forgetEndedSessions } from './sessionStore.ts';
import { forgetOldPauses } from './signInPauses.ts';

/** What nobody needs any more, in steps that hold few locks, beside the work of others; a start of the server waits for none of it. */
export async function forgetUnneeded(database: DataSource): Promise<void> {
  for (const forget of [forgetOldKeys, forgetEndedSessions, forgetAbandonedImports, forgetUnpostedFiles, forgetOldPauses, forgetOldBrowsers, purgeRemoved])
    await forget(database);
}
