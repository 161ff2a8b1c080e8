import { formatAmount } from '@ivory-ladder/core';
import { countUnsearchable, findDifferences, rebuildBalances } from './persistence/books/index.ts';
import { rowsOf } from './persistence/database/index.ts';
import { DatabaseUnfit, openDatabase } from './persistence/openDatabase.ts';

const mostListed = 20;

/** `verify`: compares the kept balances of every company with its lines; `rebuild`: makes them anew where they differ. Ends with 1 where something differs and stays. */
async function main(task: string | undefined): Promise<number> {
  if (task !== 'verify' && task !== 'rebuild') {
    process.stderr.write('npm run ledger -- verify, or npm run ledger -- rebuild\n');
    return 2;
  }
  const url = process.env.IVORY_LADDER_DATABASE_URL;
  if (!url) throw new DatabaseUnfit('IVORY_LADDER_DATABASE_URL is not set; npm run ledger sets it to the database of its own.');
  const database = await openDatabase(url, 2);
  try {
    let wrong = 0;
    for (const { id, name } of await rowsOf<{ id: number; name: string }>(database, 'SELECT id, name FROM company WHERE removed_at IS NULL ORDER BY id')) {
      const differences = await findDifferences(database, id);
      say(`${name}: ${differences.length === 0 ? 'balances are what the lines add up to' : `${differences.length} balances differ from the lines`}`);
      for (const { table, accountId, year, period, debit, credit } of differences.slice(0, mostListed))
        say(`  ${table}, account ${accountId}, period ${period} of ${year}: ${minor(debit)} debit and ${minor(credit)} credit missing`);
      if (differences.length > mostListed) say(`  and ${differences.length - mostListed} more`);
      const unsearchable = await countUnsearchable(database, id);
      if (unsearchable > 0) say(`  ${unsearchable} entries are not sought by what they say`);
      const faults = differences.length + unsearchable;
      if (faults > 0 && task === 'rebuild') {
        await rebuildBalances(database, id);
        say('  made anew from the lines');
      } else wrong += faults;
    }
    return wrong === 0 ? 0 : 1;
  } finally {
    await database.destroy();
  }
}

/** Minor units as they are kept: companies have currencies of their own. */
function minor(amount: bigint): string {
  return formatAmount(amount, { code: '', exponent: 0 });
}

function say(text: string): void {
  process.stdout.write(`${text}\n`);
}

main(process.argv[2]).then(
  (code) => process.exit(code),
  (error: Error) => {
    process.stderr.write(`${error instanceof DatabaseUnfit ? error.message : error.stack}\n`);
    process.exit(1);
  },
);
