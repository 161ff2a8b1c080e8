import type { CodeListBody, CodeListChange } from '@ivory-ladder/contract';
import { readElement, type Side } from '@ivory-ladder/core';

type List = Pick<CodeListBody, 'codes'>;
type CodesToSet = NonNullable<CodeListChange['set']>;

const sides: Readonly<Record<string, Side>> = { debit: 'debit', credit: 'credit' };

/**
 * Rows of a spreadsheet, `code, caption, code of the one above, element, side`, as changes of a list: a code that is there
 * is changed, another added; columns that are missing, and words that are none of theirs, leave what stands. `null` for
 * text that is no row.
 */
export function pastedCodes(text: string, { codes }: List): CodesToSet | null {
  const rows = text
    .replace(/\r\n?/g, '\n')
    .split('\n')
    .map((line) => line.split('\t').map((cell) => cell.trim()))
    .filter(([code = '']) => code !== '' && code.toLowerCase() !== 'code');
  if (rows.length === 0) return null;
  const byCode = new Map(codes.map((listed) => [listed.code.toLowerCase(), listed]));
  return rows.map(([code = '', caption, parent, element, side]) => {
    const listed = byCode.get(code.toLowerCase());
    return {
      was: listed?.code ?? null,
      code,
      caption: caption ?? listed?.caption ?? '',
      element: readElement(element ?? '') ?? listed?.element ?? null,
      side: sides[(side ?? '').toLowerCase()] ?? listed?.side ?? null,
      parent: parent === undefined ? (listed?.parent ?? null) : parent || null,
      retired: listed?.retired ?? false,
    };
  });
}
