import type { DataSource } from 'typeorm';
import { purgeRemoved } from '../companies/index.ts';
import { forgetOldKeys } from '../database/index.ts';
import { forgetAbandonedImports, forgetUnpostedFiles } from '../ledger/index.ts';
import { forgetEndedSessions, forgetOldBrowsers, forgetOldPauses } from '../people/index.ts';

/** What nobody needs any more, in steps that hold few locks, beside the work of others; a start of the server waits for none of it. */
export async function forgetUnneeded(database: DataSource): Promise<void> {
  for (const forget of [forgetOldKeys, forgetEndedSessions, forgetAbandonedImports, forgetUnpostedFiles, forgetOldPauses, forgetOldBrowsers, purgeRemoved])
    await forget(database);
}
