import type { Account } from './account.ts';
import { type Element, elements } from './element.ts';

const step = 10;

/**
 * Numbers for a whole chart that has none: the first digit is the element's place among the elements (1 assets … 5
 * expenses), then accounts count by tens in the chart's own order, so that others fit between; as many digits as the
 * largest element needs, four at least. Common practice. Cost: accounts.
 */
export function numberWhole(inOrder: readonly Pick<Account, 'id' | 'element'>[]): ReadonlyMap<number, string> {
  const counts = new Map<Element, number>();
  for (const { element } of inOrder) counts.set(element, (counts.get(element) ?? 0) + 1);
  const digits = Math.max(3, ...[...counts.values()].map((count) => String(count * step - step).length));
  const next = new Map<Element, number>();
  return new Map(
    inOrder.map(({ id, element }) => {
      const at = next.get(element) ?? 0;
      next.set(element, at + step);
      return [id, `${elements.indexOf(element) + 1}${String(at).padStart(digits, '0')}`];
    }),
  );
}
