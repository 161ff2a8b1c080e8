import type { RequestHandler } from 'express';
import { sendProblem } from './problems.ts';

/** Calls when the database hangs; gives how to stop listening. */
export type ListenForHang = (giveUp: () => void) => () => void;

/** Who waits for a database that hangs is told after ten seconds; what they asked for is not begun later, and ends by itself where it had begun. */
export function giveUpWhereItHangs(listen: ListenForHang): RequestHandler {
  return (_request, response, next) => {
    const stop = listen(() => {
      if (response.headersSent) response.destroy();
      else sendProblem(response, { code: 'database_hangs' });
    });
    response.once('close', stop);
    next();
  };
}
