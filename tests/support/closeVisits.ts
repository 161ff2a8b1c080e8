import { afterEach } from 'vitest';
import { closeVisits } from './browser.ts';

afterEach(closeVisits);
