import { z } from 'zod';

/** What may happen under one code: the status it is answered with, and the shape of its facts. */
export interface FailureKind {
  readonly status: number;
  readonly facts: z.ZodObject;
}

const kind =
  <const Status extends number>(status: Status) =>
  <Shape extends z.ZodRawShape>(shape: Shape) => ({ status, facts: z.strictObject(shape) });

/** It speaks of something that has changed, or that something else holds. */
export const conflict = kind(409);
/** It is understood, and may not be. */
export const refused = kind(422);
export const forbidden = kind(403);
/** Any other status, by its number. */
export const answered = kind;
/** For a failure whose code says all. */
export const nothing = {};
