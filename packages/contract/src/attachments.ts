import { z } from 'zod';
import { id, name } from './primitives.ts';

export const attachmentName = z.object({ name });

/** Newest first; only those that are there whole. */
export const attachmentList = z.object({
  attachments: z.array(z.object({ id, name: z.string(), bytes: z.int(), addedAt: z.string(), addedBy: z.string() })),
});
export type AttachmentList = z.infer<typeof attachmentList>;
