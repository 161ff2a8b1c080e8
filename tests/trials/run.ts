import { parseArgs } from 'node:util';
import { runKillTrial } from './killTrial.ts';
import { startOwnDatabase } from './ownDatabase.ts';

/** Kills of server and database during postings and imports, as many as `--kills` says; ends with 1 if anything is wrong afterwards. */
const { values } = parseArgs({ options: { kills: { type: 'string', default: '20' } } });
const print = (text: string) => void process.stdout.write(`${text}\n`);
const database = await startOwnDatabase();
try {
  const report = await runKillTrial(database, Number(values.kills), print);
  const { kills, inside, of, duringImports, entriesPosted, importsPosted, faults } = report;
  print(
    `${kills} kills (${of.server} of the server, ${of.database} of the database, ${of.both} of both; ${duringImports} during imports), ${inside} of them inside a transaction`,
  );
  print(`${entriesPosted} entries and ${importsPosted} imports posted, each once`);
  for (const fault of faults) print(`✗ ${fault}`);
  print(faults.length === 0 ? `${kills} of ${kills} left nothing half` : `${faults.length} faults`);
  process.exitCode = faults.length === 0 ? 0 : 1;
} finally {
  await database.stop();
}
