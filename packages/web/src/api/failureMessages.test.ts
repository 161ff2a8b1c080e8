import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { describe, expect, it } from 'vitest';
import { describeFailure } from './failureMessages.ts';

/** The codes that a union of failures names in its source; the types themselves are gone at run time. */
function codesIn(path: string): string[] {
  const source = readFileSync(fileURLToPath(new URL(path, import.meta.url)), 'utf8');
  return [...source.matchAll(/code: '([a-z_]+)'/g)].map((match) => match[1] as string);
}

const sources = [
  '../../../server/src/application/failure.ts',
  '../../../core/src/trialbalance/deriveEntries.ts',
  '../../../core/src/placement/place.ts',
  '../../../core/src/chart/checkAccount.ts',
  '../../../core/src/chart/accountRole.ts',
  '../../../core/src/chartfile/chartFields.ts',
  '../../../core/src/chart/numberScheme.ts',
  '../../../core/src/people/checkPassword.ts',
];

describe('words for failures', () => {
  it.each([...new Set(sources.flatMap(codesIn))])('%s has words of its own', (code) => {
    const words = describeFailure({ code, facts: { accountIds: [1], issues: [], currency: 'ABC', day: '2026-09-30', difference: '5' } });
    expect(words).not.toMatch(/^Not done:/);
    expect(words).toMatch(/^[A-Z«1-9].*[.?]$/);
    expect(words).not.toContain('_');
  });

  it('a code that nobody knows is still said, without its code form', () => {
    expect(describeFailure({ code: 'tide_too_low', facts: {} })).toBe('Not done: tide too low.');
    expect(describeFailure(undefined)).toBe('Not done: unknown reason.');
  });
});
