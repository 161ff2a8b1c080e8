import { describe, expect, it } from 'vitest';
import { asPlainText, textBehindMark } from './plainText.ts';

describe('plain text in a spreadsheet', () => {
  it.each(['=1+1', '+49 30', '-5', '@name', '\tindented', "'=quoted", "''-twice"])('marks %j, and takes the mark off again', (text) => {
    expect(asPlainText(text)).toBe(`'${text}`);
    expect(textBehindMark(asPlainText(text))).toBe(text);
  });

  it.each(['Cash at bank', "d'Arcy", "'quoted", '1000', '', 'a=b'])('leaves %j as it is, both ways', (text) => {
    expect(asPlainText(text)).toBe(text);
    expect(textBehindMark(text)).toBe(text);
  });
});
