import { describe, expect, it } from 'vitest';
import { inBody } from './longAddress.ts';

describe('an address', () => {
  it('that is short stays one', () => {
    expect(inBody('/companies/1/entries?from=2026-01-01')).toBeNull();
  });

  it('that is too long is asked for in a body, letter by letter the same', () => {
    const facets = JSON.stringify({ 'facet:3': Array.from({ length: 200 }, (_, at) => `Fähre & Söhne +${at}=${'x'.repeat(30)}`) });
    const address = `/companies/1/entries?${new URLSearchParams({ from: '2026-01-01', facets })}`;
    expect(inBody(address)).toEqual({ url: '/companies/1/entries/query', method: 'POST', body: { from: '2026-01-01', facets } });
  });
});
