import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { enterDemo } from '../tests/support/apiClient.ts';
import { measureAccountTable } from './accountTable.ts';
import { measureFirstScreen } from './firstScreen.ts';
import { calibrate, median, type Result } from './measure.ts';
import { measureStatements } from './statements.ts';

/** Prints one line a measurement and writes them as JSON with `--json FILE`; ends with 1 if a bar is missed. */
async function main(): Promise<void> {
  const { values } = parseArgs({ options: { json: { type: 'string' } } });
  const url = process.env.IVORY_LADDER_URL;
  const databaseUrl = process.env.IVORY_LADDER_DATABASE_URL;
  if (!url || !databaseUrl) throw new Error('run it with npm run bench, which starts what it measures');
  const client = await enterDemo(url, 'preparer');
  const before = median([calibrate(), calibrate(), calibrate()]);
  const results: Result[] = [...(await measureFirstScreen(client)), ...(await measureAccountTable(client)), ...(await measureStatements(client, databaseUrl))];
  const print = (text: string) => void process.stdout.write(`${text}\n`);
  print(`calibration loop: ${before.toFixed(1)} ms before, ${median([calibrate(), calibrate(), calibrate()]).toFixed(1)} ms after`);
  for (const { name, product, productMin, productMax, yardstick, unit, ratio, bar, holds } of results) {
    print(`${holds ? '✓' : '✗'} ${name}: ${product.toFixed(1)} ${unit} (${productMin.toFixed(1)} to ${productMax.toFixed(1)}); bar ${bar}`);
    if (yardstick !== null && ratio !== null) print(`    SQL over the lines: ${yardstick.toFixed(1)} ${unit}, ${ratio.toFixed(1)} times as long`);
  }
  if (values.json) writeFileSync(values.json, `${JSON.stringify(results, null, 2)}\n`);
  process.exitCode = results.every(({ holds }) => holds) ? 0 : 1;
}

await main();
