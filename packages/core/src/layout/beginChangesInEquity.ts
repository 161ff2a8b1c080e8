import { type CaptionLanguage, captionWords } from './captionWords.ts';
import { equityWords } from './equityWords.ts';
import { newLine } from './newLine.ts';
import { type AccountsOwnLine, type OwnLayout, plainLook } from './ownLayout.ts';
import type { Source } from './source.ts';

const ofEquity: readonly Source[] = [{ kind: 'elements', elements: ['equity'] }];
/** What stands in categories that bear other comprehensive income. */
const ofOther: readonly Source[] = [{ kind: 'nature', nature: 'oci', elements: ['equity'] }];
/** Income and expense of a year that is not carried over yet are equity too. */
const ofAll: readonly Source[] = [{ kind: 'elements', elements: ['equity', 'income', 'expense'] }];

/**
 * Changes in equity (IAS 1.106): what there was, profit, other comprehensive income where a category bears it, what owners put in and
 * took out, what was moved within equity, what there is. Each account of equity stands once, by direction; columns are categories of equity, which follow the tree.
 */
export function beginChangesInEquity(language: CaptionLanguage): OwnLayout {
  const words = equityWords[language];
  const moved = (key: string, caption: string, direction: NonNullable<AccountsOwnLine['direction']>, more: Partial<AccountsOwnLine> = {}): AccountsOwnLine => ({
    ...newLine('accounts', key, caption),
    side: 'credit',
    sources: ofEquity,
    direction,
    ...more,
  });
  const comprehensive = ['profit', 'oci'];
  const terms = ['opening', ...comprehensive, 'contributions', 'distributions', 'transfers'];
  return {
    kind: 'changes_in_equity',
    title: words.title,
    titles: [],
    measure: 'movement',
    scope: [],
    lines: [
      {
        ...newLine('memo', 'opening', words.opening),
        side: 'credit',
        sources: ofAll,
        measure: 'opening',
        shown: 'always',
        look: { ...plainLook, weight: 'strong' },
      },
      { ...newLine('result', 'profit', captionWords[language].profit), shown: 'always' },
      moved('oci', words.otherComprehensive, 'increase', { sources: ofOther }),
      // Gains and losses are one figure.
      moved('oci_losses', words.otherComprehensive, 'decrease', { sources: ofOther, shown: 'never', hiddenIn: 'oci' }),
      {
        ...newLine('sum', 'comprehensive', words.totalComprehensive),
        side: 'credit',
        shown: 'differs',
        terms: comprehensive.map((key) => ({ key, sign: 1 })),
      },
      moved('contributions', words.contributions, 'increase', { except: ofOther }),
      moved('distributions', words.distributions, 'decrease', { except: ofOther }),
      moved('transfers', words.transfers, 'transfer'),
      {
        ...newLine('sum', 'closing', words.closing),
        side: 'credit',
        shown: 'always',
        terms: terms.map((key) => ({ key, sign: 1 })),
        look: { ...plainLook, weight: 'final' },
      },
    ],
  };
}
