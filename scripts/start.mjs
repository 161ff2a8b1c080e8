import { serve } from './parts/serve.mjs';
import { runScript } from './parts/step.mjs';

await runScript(() => serve({}));
