import { describe, expect, it } from 'vitest';
import { captionLanguages } from '../layout/captionWords.ts';
import { transferText } from './transferText.ts';

describe('an amount that stands in another line', () => {
  it('is told in words, with why where that says more than the lines', () => {
    const lines = { from: 'Profit before tax', on: 'Interest paid' };
    expect(transferText({ ...lines, text: 'Interest on the loan' }, 'en')).toBe(
      'Interest on the loan: more in “Interest paid”, as much less in “Profit before tax”',
    );
    expect(transferText({ ...lines, text: 'Interest paid' }, 'en')).toBe('More in “Interest paid”, as much less in “Profit before tax”');
    expect(transferText({ ...lines, text: '' }, 'de')).toBe('Mehr in „Interest paid“, ebenso viel weniger in „Profit before tax“');
  });

  it('is told in every language, with both lines', () => {
    for (const language of captionLanguages) {
      const text = transferText({ text: 'Why', from: 'One', on: 'Other' }, language);
      expect(text).toMatch(/^Why: .*Other.*One/);
    }
  });
});
