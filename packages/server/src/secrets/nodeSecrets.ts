import { createHash, randomBytes, type ScryptOptions, scrypt, timingSafeEqual } from 'node:crypto';
import pLimit from 'p-limit';
import type { Secrets } from '../application/ports/index.ts';

/** N 2¹⁷ and r 8 take 128 MB and some 0.4 s a hash (OWASP Password Storage Cheat Sheet); two at once at most. */
const cost: ScryptOptions = { N: 1 << 17, r: 8, p: 1, maxmem: 192 << 20 };
const atOnce = pLimit(2);
const saltBytes = 16;
const hashBytes = 32;
const absent = `scrypt$${Buffer.alloc(saltBytes).toString('base64')}$${Buffer.alloc(hashBytes).toString('base64')}`;

export const nodeSecrets: Secrets = {
  async hashPassword(password) {
    const salt = randomBytes(saltBytes);
    return `scrypt$${salt.toString('base64')}$${(await derive(password, salt)).toString('base64')}`;
  },
  async matchesPassword(password, hash) {
    const [, salt = '', expected = ''] = (hash ?? absent).split('$');
    const derived = await derive(password, Buffer.from(salt, 'base64'));
    return timingSafeEqual(derived, Buffer.from(expected, 'base64')) && hash !== null;
  },
  newToken: () => randomBytes(32).toString('base64url'),
  hashToken: (token) => createHash('sha256').update(token).digest(),
};

/** The same text in another Unicode form is the same password (NIST SP 800-63B, 5.1.1.2). */
function derive(password: string, salt: Buffer): Promise<Buffer> {
  return atOnce(
    () =>
      new Promise((resolve, reject) => {
        scrypt(password.normalize('NFKC'), salt, hashBytes, cost, (error, key) => (error ? reject(error) : resolve(key)));
      }),
  );
}
