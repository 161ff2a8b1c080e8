import { describe, expect, it } from 'vitest';
import { oneTimeCodes } from './oneTimeCodes.ts';

/** RFC 6238, appendix B: secret, times and the last six of the eight digits for SHA-1. */
const secret = Buffer.from('12345678901234567890', 'ascii');
const published: readonly (readonly [number, string])[] = [
  [59, '287082'],
  [1111111109, '081804'],
  [1111111111, '050471'],
  [1234567890, '005924'],
  [2000000000, '279037'],
  [20000000000, '353130'],
];
const at = (seconds: number): Date => new Date(seconds * 1000);

describe('codes by time', () => {
  it.each(published)('are those of RFC 6238 at %i seconds', (seconds, code) => {
    expect(oneTimeCodes.stepOf(secret, code, at(seconds))).toBe(Math.floor(seconds / 30));
  });

  it('are taken a step early and a step late, and no further (5.2)', () => {
    const [seconds, code] = published[3] as readonly [number, string];
    const step = Math.floor(seconds / 30);
    expect([-60, -30, 0, 30, 60].map((apart) => oneTimeCodes.stepOf(secret, code, at(seconds + apart)))).toEqual([null, step, step, step, null]);
  });

  it.each(['', '28708', '2870822', '28708a', '２８７０８２', '28708\u0000'])('«%s» is no code', (text) => {
    expect(oneTimeCodes.stepOf(secret, text, at(59))).toBeNull();
  });

  it('are made of 160 bits, which a device reads as base32 or in an otpauth address', () => {
    const made = oneTimeCodes.newSecret();
    expect(made.length).toBe(20);
    expect(made.equals(oneTimeCodes.newSecret())).toBe(false);
    // RFC 4648 of the secret of appendix B.
    const { secret: text, address } = oneTimeCodes.addressOf(secret, 'nils.berg@example.org');
    expect(text).toBe('GEZDGNBVGY3TQOJQGEZDGNBVGY3TQOJQ');
    const { protocol, host, pathname, searchParams } = new URL(address);
    expect([protocol, host, decodeURIComponent(pathname)]).toEqual(['otpauth:', 'totp', '/Ivory Ladder:nils.berg@example.org']);
    expect(Object.fromEntries(searchParams)).toEqual({ issuer: 'Ivory Ladder', secret: text, algorithm: 'SHA1', digits: '6', period: '30' });
  });
});

it('recovery codes are ten, all different, without letters that one takes for digits', () => {
  const codes = oneTimeCodes.newRecoveryCodes();
  expect(new Set(codes).size).toBe(10);
  for (const code of codes) expect(code).toMatch(/^[A-HJ-NP-Z2-9]{5}-[A-HJ-NP-Z2-9]{5}$/);
});
