import type { DigitOrder } from '../chart/numberOrder.ts';
import { type NumberFollowed, rangesFollowing } from '../chart/rangesFollowing.ts';
import { readRangeText, writeRangeText } from '../chart/rangeText.ts';
import { mapOwn, type OwnLayout, type OwnLine } from './ownLayout.ts';
import type { Source } from './source.ts';

/**
 * A layout whose lines go on taking the accounts that they take, although numbers or their order change under its ranges; the same object
 * where none is another. A text that cannot say it stays as it was written. Cost: accounts × ranges.
 */
export function layoutFollowing(
  layout: OwnLayout,
  accounts: readonly NumberFollowed[],
  order: { readonly before: DigitOrder; readonly after: DigitOrder },
): OwnLayout {
  const follow = (source: Source): Source => {
    if (source.kind !== 'numbers') return source;
    const read = readRangeText(source.text, null);
    const followed = read.ok ? rangesFollowing(read.value, accounts, order) : null;
    if (!read.ok || followed === null || writeRangeText(followed) === writeRangeText(read.value)) return source;
    return { ...source, text: writeRangeText(followed) };
  };
  const all = (sources: readonly Source[]): readonly Source[] => {
    const followed = sources.map(follow);
    return followed.every((source, at) => source === sources[at]) ? sources : followed;
  };
  const lineFollowing = (line: OwnLine): OwnLine => {
    if (line.kind === 'accounts' || line.kind === 'memo') {
      const [sources, except] = [all(line.sources), all(line.except)];
      return sources === line.sources && except === line.except ? line : { ...line, sources, except };
    }
    if (line.kind !== 'result' || line.except === undefined) return line;
    const except = all(line.except);
    return except === line.except ? line : { ...line, except };
  };
  const lines = mapOwn(layout, lineFollowing);
  const transfers = layout.transfers?.map((one) => {
    if (one.amount.kind !== 'living') return one;
    const [sources, except] = [all(one.amount.sources), all(one.amount.except)];
    return sources === one.amount.sources && except === one.amount.except ? one : { ...one, amount: { ...one.amount, sources, except } };
  });
  return transfers === undefined || transfers.every((one, at) => one === layout.transfers?.[at]) ? lines : { ...lines, transfers };
}
