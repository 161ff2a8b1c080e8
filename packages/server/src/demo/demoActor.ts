import type { Actor } from '../application/ports/index.ts';

/** Who is on record for what the demo made. */
export const demoActor: Actor = { name: 'Demo', personId: null };
