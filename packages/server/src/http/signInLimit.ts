import { rateLimit } from 'express-rate-limit';
import { sendProblem } from './problems.ts';

/** Refused attempts from one address; those on one person are counted in the database, for all servers together. */
export const limitSignIns = rateLimit({
  windowMs: 15 * 60_000,
  limit: 50,
  skipSuccessfulRequests: true,
  legacyHeaders: false,
  standardHeaders: false,
  handler: (_request, response) => sendProblem(response, { code: 'too_many_attempts' }),
});
