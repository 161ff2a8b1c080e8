import type { RangeTextMalformed } from '@ivory-ladder/core';

const reasons: Readonly<Record<RangeTextMalformed['reason'], string>> = {
  number_missing: 'a number is missing',
  word_out_of_place: 'this word is out of place',
  upside_down: 'it ends before it begins',
  star_not_at_end: 'an asterisk stands at the end of a number only, and in no span: write the first and the last number, as 6700 to 7499',
  except_twice: 'all exceptions stand behind one «except»',
  quote_left_open: 'the quote is never closed',
  nothing_before_except: 'nothing stands before the exceptions',
};

/** What is wrong with the text of a range, and the characters around the fault. */
export function rangeFault(text: string, { at, length, reason }: RangeTextMalformed): { before: string; wrong: string; after: string; said: string } {
  const begin = Math.max(0, at - 14);
  return {
    before: `${begin > 0 ? '…' : ''}${text.slice(begin, at)}`,
    wrong: text.slice(at, at + length) || '▯',
    after: text.slice(at + length, at + length + 10),
    said: reasons[reason],
  };
}
