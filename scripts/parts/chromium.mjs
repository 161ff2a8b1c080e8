import { findProgram } from './command.mjs';
import { installDebianPackages } from './debian.mjs';
import { step } from './step.mjs';

/** The path of Debian's Chromium, installed if it is missing. */
export async function ensureChromium() {
  const there = findProgram('chromium');
  if (there) return there;
  await step('Installing Chromium', () => installDebianPackages(['chromium'], 'the browser for the tests', 'Install the Debian package chromium'));
  return findProgram('chromium');
}
