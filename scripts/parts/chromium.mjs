import { findProgram } from './command.mjs';
import { installDebianPackages } from './debian.mjs';
import { step } from './step.mjs';

/** Chromium without all that draws windows: pages come in about two thirds of the time. */
const shell = 'chromium-headless-shell';

/** The path of Debian's headless Chromium, installed if it is missing; where it cannot be, that of a whole Chromium. */
export async function ensureChromium() {
  const there = findProgram(shell);
  if (there) return there;
  try {
    await step('Installing Chromium', () => installDebianPackages([shell], 'the browser for the tests', `Install the Debian package ${shell}`));
  } catch (error) {
    const whole = findProgram('chromium');
    if (whole) return whole;
    throw error;
  }
  return findProgram(shell);
}
