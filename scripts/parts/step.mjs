/** A step of a script that failed for a reason a person can act on; anything else is a bug and keeps its stack. */
export class StepFailed extends Error {}

/** Runs a named step, says that it runs and how long it took, and on failure which one it was. */
export async function step(name, action) {
  process.stdout.write(`• ${name} …\n`);
  const began = Date.now();
  try {
    const result = await action();
    const seconds = ((Date.now() - began) / 1000).toFixed(1);
    if (Date.now() - began > 500) process.stdout.write(`  ${name}: done in ${seconds} s\n`);
    return result;
  } catch (error) {
    process.stderr.write(`✗ ${name} failed: ${error instanceof StepFailed ? error.message : error.stack}\n`);
    throw Object.assign(error, { told: true });
  }
}

/** Runs a script's main function; a step that failed has told its reason already. */
export async function runScript(main) {
  try {
    await main();
  } catch (error) {
    if (!error.told) process.stderr.write(`✗ ${error instanceof StepFailed ? error.message : error.stack}\n`);
    process.exitCode = 1;
  }
}
