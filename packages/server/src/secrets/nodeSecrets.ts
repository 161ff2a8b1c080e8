import { createHash, randomBytes, type ScryptOptions, scrypt, timingSafeEqual } from 'node:crypto';
import type { Secrets } from '../application/ports/index.ts';
import { isCommonPassword } from './commonPasswords.ts';
import { HashingLanes } from './hashingLanes.ts';

/** N 2¹⁷ and r 8 take 128 MB and some 0.4 s a hash (OWASP Password Storage Cheat Sheet); two at once at most. */
export const usualPasswordWork = 17;
const lanes = new HashingLanes();
const saltBytes = 16;
const hashBytes = 32;
const absent = `scrypt$${Buffer.alloc(saltBytes).toString('base64')}$${Buffer.alloc(hashBytes).toString('base64')}`;

/** `work`: the power of two that N of scrypt is, which a hash does not say: with another no password fits it. */
export function nodeSecrets(work: number): Secrets {
  const cost: ScryptOptions = { N: 2 ** work, r: 8, p: 1, maxmem: 192 << 20 };
  return {
    async hashPassword(password) {
      const salt = randomBytes(saltBytes);
      const derived = await lanes.run(null, () => derive(password, salt, cost));
      return `scrypt$${salt.toString('base64')}$${derived.toString('base64')}`;
    },
    withinLane: (lane, task) => (lane === null ? task() : lanes.within(lane, task)),
    async matchesPassword(password, hash, lane) {
      const [, salt = '', expected = ''] = (hash ?? absent).split('$');
      const derived = await lanes.run(lane, () => derive(password, Buffer.from(salt, 'base64'), cost));
      return timingSafeEqual(derived, Buffer.from(expected, 'base64')) && hash !== null;
    },
    isCommonPassword,
    newToken: () => randomBytes(32).toString('base64url'),
    hashToken: (token) => createHash('sha256').update(token).digest(),
  };
}

/** The same text in another Unicode form is the same password (NIST SP 800-63B, 5.1.1.2). */
function derive(password: string, salt: Buffer, cost: ScryptOptions): Promise<Buffer> {
  return new Promise((resolve, reject) => {
    scrypt(password.normalize('NFKC'), salt, hashBytes, cost, (error, key) => (error ? reject(error) : resolve(key)));
  });
}
