import { parseArgs } from 'node:util';
import { runKillTrial } from './killTrial.ts';
import { startOwnDatabase } from './ownDatabase.ts';
import { runCutTrial, runHangTrial, runImportersTrial, type TroubleReport } from './troubles.ts';

/** Kills of server and database, cut connections, two importers, a database that hangs, as many as is said; ends with 1 if anything is wrong afterwards. */
const { values } = parseArgs({
  options: {
    kills: { type: 'string', default: '20' },
    cuts: { type: 'string', default: '60' },
    files: { type: 'string', default: '6' },
    hangs: { type: 'string', default: '3' },
  },
});
const print = (text: string) => void process.stdout.write(`${text}\n`);
let wrong = 0;
const tell = ({ done, faults }: TroubleReport) => {
  print(done);
  for (const fault of faults) print(`✗ ${fault}`);
  wrong += faults.length;
};
const database = await startOwnDatabase();
try {
  const { kills, inside, of, duringImports, entriesPosted, importsPosted, faults } = await runKillTrial(database, Number(values.kills), print);
  tell({
    done: `${kills} kills (${of.server} of the server, ${of.database} of the database, ${of.both} of both; ${duringImports} during imports), ${inside} of them inside a transaction; ${entriesPosted} entries and ${importsPosted} imports posted`,
    faults,
  });
  tell(await runCutTrial(database.url, Number(values.cuts)));
  tell(await runImportersTrial(database.url, Number(values.files)));
  tell(await runHangTrial(database.url, database.pid(), Number(values.hangs)));
  print(wrong === 0 ? 'Nothing was left half, and nothing is there twice' : `${wrong} faults`);
  process.exitCode = wrong === 0 ? 0 : 1;
} finally {
  await database.stop();
}
