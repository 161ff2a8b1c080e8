import { spawn, spawnSync } from 'node:child_process';
import { StepFailed } from './step.mjs';

/** Whether a program is on the path; tried by looking for it, not by running it. */
export function findProgram(...names) {
  for (const name of names) {
    const found = spawnSync('sh', ['-c', `command -v ${name}`], {
      encoding: 'utf8',
      env: { ...process.env, PATH: `${process.env.PATH}:/usr/sbin:/usr/local/sbin` },
    });
    if (found.status === 0) return found.stdout.trim();
  }
  return null;
}

/** Runs a command to its end; `quiet` keeps its output back unless it fails. */
export function runCommand(command, args, { quiet = false, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { stdio: quiet ? ['ignore', 'pipe', 'pipe'] : ['ignore', 'inherit', 'inherit'], ...options });
    let output = '';
    child.stdout?.on('data', (data) => (output += data));
    child.stderr?.on('data', (data) => (output += data));
    child.on('error', (error) => reject(new StepFailed(`${command} cannot be run: ${error.message}`)));
    child.on('close', (code, signal) =>
      code === 0
        ? resolve(output)
        : reject(new StepFailed(`${[command, ...args].join(' ').slice(0, 120)} ended with ${signal ?? code}${output ? `\n${output.slice(-3000)}` : ''}`)),
    );
  });
}
