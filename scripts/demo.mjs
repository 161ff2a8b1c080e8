import { serve } from './parts/serve.mjs';
import { runScript } from './parts/step.mjs';

await runScript(() => serve({ IVORY_LADDER_DEMO: '1' }));
