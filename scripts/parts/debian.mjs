import { findProgram, runCommand } from './command.mjs';
import { StepFailed } from './step.mjs';

/** Installs Debian packages, saying so before; without root or apt it says what to do instead. */
export async function installDebianPackages(names, why, otherwise) {
  const isRoot = process.getuid?.() === 0;
  const sudo = isRoot ? null : findProgram('sudo');
  if (!findProgram('apt-get') || !(isRoot || sudo)) throw new StepFailed(`${why} is missing and cannot be installed from here. ${otherwise}`);
  process.stdout.write(`  Installing ${names.join(', ')} from Debian's packages (${why})\n`);
  const apt = (...args) =>
    runCommand(sudo ?? 'apt-get', sudo ? ['-n', 'apt-get', ...args] : args, { quiet: true, env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } });
  try {
    await apt('update');
    await apt('install', '-y', '--no-install-recommends', ...names);
  } catch (error) {
    throw new StepFailed(`${error.message}\n${otherwise}`);
  }
}
