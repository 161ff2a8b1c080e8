import { runOnFreshDemo } from './parts/freshDemo.mjs';
import { runScript } from './parts/step.mjs';

/** Takes the pictures in docs/screenshots anew. */
await runScript(() => runOnFreshDemo('screenshots', 'tests/screenshots/run.ts', { small: true }));
