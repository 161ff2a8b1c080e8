import type { Operation } from '@ivory-ladder/contract';
import { json, type RequestHandler } from 'express';
import { z } from 'zod';
import { largestUploadBytes } from '../application/limits.ts';
import { scanBody } from './bodyScan.ts';

/** Nobody knows who sends these. */
const ofNobody = 10 << 10;
const ofOne = 1 << 20;

const words = {
  unknown_key: 'Unknown keys',
  too_deep: 'Nested too deeply',
  too_many_members: 'Too many members',
} as const;

/** Reads the body of an operation: as much as it may have, and not where its frame is refused. */
export function readJson({ needs, takesMany, body }: Pick<Operation, 'needs' | 'takesMany' | 'body'>): RequestHandler {
  const fields = body instanceof z.ZodObject && body.def.catchall instanceof z.ZodNever ? new Set(Object.keys(body.shape)) : null;
  return json({
    limit: needs === 'nobody' ? ofNobody : takesMany ? largestUploadBytes : ofOne,
    verify: (_request, _response, bytes, encoding) => {
      if (encoding !== 'utf-8') throw new BodyRefused('Not in UTF-8');
      const refused = scanBody(bytes, fields);
      if (refused) throw new BodyRefused(words[refused]);
    },
  });
}

/** Of a body that was not read; `type` is what is told. */
class BodyRefused extends Error {
  readonly status = 400;

  constructor(readonly type: string) {
    super(type);
  }
}
