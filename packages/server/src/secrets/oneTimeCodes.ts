import { randomBytes, randomInt } from 'node:crypto';
import { Secret, TOTP } from 'otpauth';
import type { OneTimeCodes } from '../application/ports/index.ts';

const issuer = 'Ivory Ladder';
const secretBytes = 20;
const period = 30;
/** Clocks that are apart by less than a step (RFC 6238, 5.2). */
const stepsApart = 1;
/** Without those that one takes for each other. */
const letters = 'ABCDEFGHJKLMNPQRSTUVWXYZ23456789';
const lettersOfCode = 10;
const codes = 10;

/** SHA-1, six digits, thirty seconds: what every device takes. */
function generatorOf(secret: Buffer, email = ''): TOTP {
  return new TOTP({ issuer, label: email, algorithm: 'SHA1', digits: 6, period, secret: new Secret({ buffer: new Uint8Array(secret).buffer }) });
}

export const oneTimeCodes: OneTimeCodes = {
  newSecret: () => randomBytes(secretBytes),
  addressOf(secret, email) {
    const generator = generatorOf(secret, email);
    return { secret: generator.secret.base32, address: generator.toString() };
  },
  stepOf(secret, code, now) {
    if (!/^\d{6}$/.test(code)) return null;
    const timestamp = now.getTime();
    const apart = generatorOf(secret).validate({ token: code, timestamp, window: stepsApart });
    return apart === null ? null : Math.floor(timestamp / 1000 / period) + apart;
  },
  newRecoveryCodes: () =>
    Array.from({ length: codes }, () => {
      const text = Array.from({ length: lettersOfCode }, () => letters[randomInt(letters.length)]).join('');
      return `${text.slice(0, 5)}-${text.slice(5)}`;
    }),
};
