import type { Request } from 'express';

/** The address on the network that a request comes from; behind a proxy on this machine, the one that the proxy names. */
export function originOf(request: Request): string {
  return request.ip ?? '';
}
