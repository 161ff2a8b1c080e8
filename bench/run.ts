import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { type ApiClient, enterDemo } from '../tests/support/apiClient.ts';
import { measureAccountTable } from './accountTable.ts';
import { measureComposer } from './composerEdits.ts';
import { measureFirstScreen } from './firstScreen.ts';
import { measureImport } from './journalImport.ts';
import { distribution, loadLargeLedger } from './largeLedger.ts';
import { loadPlacement } from './largePlacement.ts';
import { measureLargeStatements } from './largeStatements.ts';
import { measureManyReaders } from './manyReaders.ts';
import { calibrate, median, type Result } from './measure.ts';
import { measureNothingStops } from './nothingStops.ts';
import { measureOpening } from './openingScreens.ts';
import { measurePosting } from './posting.ts';
import { measureRehearsal } from './rehearsalMoves.ts';
import { measureStatements } from './statements.ts';

/**
 * Prints one line a measurement and writes them as JSON with `--json FILE`; ends with 1 if a bar is missed. With `--lines N`
 * a ledger of so many lines is what is measured: statements over it, postings into it, and an import of a fifth of it. With `--loads` it is how
 * requests fare beside loads that take long.
 */
async function main(): Promise<void> {
  const { values } = parseArgs({ options: { json: { type: 'string' }, lines: { type: 'string' }, loads: { type: 'boolean' } } });
  const url = process.env.IVORY_LADDER_URL;
  const databaseUrl = process.env.IVORY_LADDER_DATABASE_URL;
  if (!url || !databaseUrl) throw new Error('run it with npm run bench, which starts what it measures');
  const client = await enterDemo(url, 'preparer');
  const before = median([calibrate(), calibrate(), calibrate()]);
  const results: Result[] = values.lines
    ? await measureLedger(client, databaseUrl, Number(values.lines))
    : values.loads
      ? await measureNothingStops(client)
      : [
          ...(await measureFirstScreen(client)),
          ...(await measureOpening(client)),
          ...(await measureAccountTable(client)),
          ...(await measurePlacement(client)),
          ...(await measureStatements(client, databaseUrl)),
          ...(await measureManyReaders(client)),
        ];
  const print = (text: string) => void process.stdout.write(`${text}\n`);
  print(`calibration loop: ${before.toFixed(1)} ms before, ${median([calibrate(), calibrate(), calibrate()]).toFixed(1)} ms after`);
  for (const { name, product, productMin, productMax, yardstick, unit, ratio, bar, holds } of results) {
    print(`${holds ? '✓' : '✗'} ${name}: ${product.toFixed(1)} ${unit} (${productMin.toFixed(1)} to ${productMax.toFixed(1)}); bar ${bar}`);
    if (yardstick !== null && ratio !== null) print(`    yardstick: ${yardstick.toFixed(1)} ${unit}; ratio ${ratio.toFixed(2)}`);
  }
  if (values.json) writeFileSync(values.json, `${JSON.stringify(results, null, 2)}\n`);
  process.exitCode = results.every(({ holds }) => holds) ? 0 : 1;
}

/** Moves of accounts and edits of a layout, over one large chart. */
async function measurePlacement(client: ApiClient): Promise<Result[]> {
  const { id } = await loadPlacement(client);
  return [...(await measureRehearsal(client, id)), ...(await measureComposer(client, id))];
}

async function measureLedger(client: ApiClient, databaseUrl: string, lines: number): Promise<Result[]> {
  if (!Number.isInteger(lines) || lines < 10_000) throw new Error('--lines takes a whole number of 10,000 or more');
  const folder = mkdtempSync(join(tmpdir(), 'ivory-ladder-bench-'));
  try {
    // First, while the tables hold little: its yardstick loads into empty ones.
    const imported = await measureImport(client, databaseUrl, lines / 5, folder);
    const began = performance.now();
    const ledger = await loadLargeLedger(client, databaseUrl, lines, folder);
    process.stdout.write(`${lines.toLocaleString('en')} lines loaded in ${((performance.now() - began) / 1000).toFixed(0)} s; ${distribution}\n`);
    return [...(await measureLargeStatements(client, databaseUrl, ledger)), ...imported, ...(await measurePosting(client, databaseUrl, ledger))];
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

await main();
