import { dirname, join, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';

export const projectFolder = resolve(dirname(fileURLToPath(import.meta.url)), '..', '..');
/** Everything the application keeps on this machine; outside version control. */
export const dataFolder = process.env.IVORY_LADDER_DATA ? resolve(process.env.IVORY_LADDER_DATA) : join(projectFolder, '.data');
