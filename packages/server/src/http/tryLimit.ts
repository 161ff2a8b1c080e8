import { rateLimit } from 'express-rate-limit';
import { sendProblem } from './problems.ts';

const minutes = 15;

/** Refused tries of links, and asking for letters, from one address. Signing in has pauses of its own, in the database. */
export const limitTries = rateLimit({
  windowMs: minutes * 60_000,
  limit: 50,
  skipSuccessfulRequests: true,
  legacyHeaders: false,
  standardHeaders: false,
  handler: (_request, response) => sendProblem(response, { code: 'too_many_attempts', seconds: minutes * 60 }),
});
