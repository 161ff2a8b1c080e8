import { describe, expect, it } from 'vitest';
import { counted } from './counted.ts';

describe('a count with its noun', () => {
  it('is grouped by thousands and agrees in number', () => {
    expect([counted(1, 'entry', 'entries'), counted(0, 'entry', 'entries'), counted(12_345, 'account')]).toEqual(['1 entry', '0 entries', '12,345 accounts']);
  });
});
