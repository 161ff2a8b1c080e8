import { type CaptionLanguage, captionLanguages } from '../layout/captionWords.ts';
import { freshKey } from '../layout/lineKeys.ts';
import { newLine } from '../layout/newLine.ts';
import { mapLines, type OwnLayout, type OwnLine, ownChildren, walkOwn } from '../layout/ownLayout.ts';
import type { Source } from '../layout/source.ts';
import { translationWords } from './translationWords.ts';

/**
 * A layout with a line for the difference that translation leaves, which `accountId` bears: beside the result of the year, counting in every
 * sum that names it; in a cash flow beside the effect of exchange rates, since it is what they did to cash (IAS 7.28). Other
 * lines leave it to this one. A layout without such a place stays as it is.
 */
export function withDifferenceLine(own: OwnLayout, accountId: number, language: CaptionLanguage): OwnLayout {
  const keys = new Set<string>();
  walkOwn(own.lines, ({ key }) => void keys.add(key));
  const source: Source = { kind: 'account', accountId };
  const line: OwnLine = {
    ...newLine('accounts', freshKey('exchange_differences', keys), translationWords[language].difference),
    captions: captionLanguages.map((one) => ({ language: one, caption: translationWords[one].difference })),
    side: 'credit',
    sources: [source],
  };
  const apart = mapLines(own.lines, (one) => (one.kind === 'accounts' ? { ...one, except: [...one.except, source] } : one));
  const beside = own.kind === 'cash_flow' ? cashPlace(apart) : resultPlace(apart);
  if (beside === null) return own;
  return { ...own, lines: inserted(apart, beside, line) };
}

/** Key of the line that it stands beside, and whether behind it. */
interface Place {
  readonly key: string;
  readonly isBehind: boolean;
}

/** Among the topmost lines, so that it is no flow of any activity. */
function cashPlace(lines: readonly OwnLine[]): Place | null {
  const holding = (of: 'exchange' | 'closing'): OwnLine | undefined =>
    lines.find((line) => {
      let found = false;
      walkOwn([line], (one) => {
        if (one.kind === 'cash' && one.of === of) found = true;
      });
      return found;
    });
  const [exchange, closing] = [holding('exchange'), holding('closing')];
  if (exchange) return { key: exchange.key, isBehind: true };
  const last = lines.at(-1);
  return closing ? { key: closing.key, isBehind: false } : last ? { key: last.key, isBehind: true } : null;
}

function resultPlace(lines: readonly OwnLine[]): Place | null {
  let found: string | null = null;
  walkOwn(lines, ({ kind, key }) => {
    if (kind === 'result') found = key;
  });
  return found === null ? null : { key: found, isBehind: true };
}

function inserted(lines: readonly OwnLine[], { key, isBehind }: Place, line: OwnLine): readonly OwnLine[] {
  const at = lines.findIndex((one) => one.key === key);
  const within = at < 0 ? lines : lines.toSpliced(isBehind ? at + 1 : at, 0, line);
  return within.map((one): OwnLine => {
    if (one.kind === 'sum') {
      const term = one.terms.find((named) => named.key === key);
      return term ? { ...one, terms: [...one.terms, { key: line.key, sign: term.sign }] } : one;
    }
    const children = ownChildren(one);
    if (children.length > 0 && (one.kind === 'group' || one.kind === 'heading')) return { ...one, children: inserted(children, { key, isBehind }, line) };
    if (one.kind !== 'follows') return one;
    // A result that stands among lines that follow has the difference behind it there.
    return { ...one, inserted: one.inserted.flatMap((there) => (there.line.key === key ? [there, { ...there, after: key, line }] : [there])) };
  });
}
