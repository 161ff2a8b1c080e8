import { longDay } from '@ivory-ladder/core';

/** Why a formula cannot be read or has no value, in words. */
export function formulaFaultText(fault: { readonly code: string }, captions: ReadonlyMap<string, string> = new Map()): string {
  const facts = fault as {
    readonly code: string;
    readonly reason?: string;
    readonly named?: string;
    readonly key?: string;
    readonly path?: readonly string[];
    readonly day?: string;
  };
  const caption = (key: string | undefined): string => `«${captions.get(key ?? '') ?? key}»`;
  switch (facts.code) {
    case 'no_balances_before':
      return `no balances before ${longDay(facts.day ?? '')}`;
    case 'formula_malformed':
      return malformed[facts.reason ?? ''] ?? 'this cannot be read';
    case 'formula_line_unknown':
      return `no line has the key «${facts.named}»`;
    case 'formula_span_unknown':
      return 'these two lines do not stand beside each other in this order';
    case 'divided_by_zero':
      return 'divided by zero';
    case 'operand_missing':
      return `${caption(facts.key)} has no value`;
    case 'span_unknown':
      return 'the lines of the sum do not stand beside each other';
    case 'amount_too_large':
      return 'the amount is too large';
    case 'formula_cycle':
      return `in a circle: ${[...(facts.path ?? []), facts.path?.[0]].map((key) => caption(key)).join(' needs ')}`;
    default:
      return facts.code.replaceAll('_', ' ');
  }
}

const malformed: Readonly<Record<string, string>> = {
  empty: 'write a formula',
  value_missing: 'a line or a number is missing here',
  comparison_missing: 'a comparison is missing here, such as revenue > 0',
  parenthesis_missing: 'a parenthesis is missing here',
  comma_missing: 'a comma is missing here',
  character_unknown: 'this character means nothing in a formula',
  quote_left_open: 'the quote is never closed',
  function_unknown: 'there is no function of this name',
  span_outside_sum: '«to» stands within sum() only',
  left_over: 'this is left over',
  too_deep: 'too many parentheses within each other',
};
