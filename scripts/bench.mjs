import { runOnFreshDemo } from './parts/freshDemo.mjs';
import { runScript } from './parts/step.mjs';

/** Measures the production build; arguments go on to bench/run.ts. */
await runScript(() => runOnFreshDemo('bench', 'bench/run.ts'));
