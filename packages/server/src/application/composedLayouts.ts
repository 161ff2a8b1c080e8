import {
  type CaptionLanguage,
  type CompiledLayout,
  type CoveredLayout,
  compileLayout,
  expandLayout,
  layoutCoverage,
  type OwnLayout,
  scopeOf,
} from '@ivory-ladder/core';
import { accountsInOrder } from './accountsInOrder.ts';
import { layoutFactsOf } from './layoutFacts.ts';
import type { Books, Ports, RunningLayout } from './ports/index.ts';

const known = new WeakMap<Books['portions'], Map<string, CompiledLayout>>();

/** The version of a composed layout that runs, made ready over the books; once for each state of the chart and placement. */
export function compileComposed(books: Books, { id, inUse, used }: Pick<RunningLayout, 'id' | 'inUse' | 'used'>, language: CaptionLanguage): CompiledLayout {
  const compiled = known.get(books.portions) ?? new Map<string, CompiledLayout>();
  known.set(books.portions, compiled);
  const key = `${books.company.id} ${id} ${inUse} ${language}`;
  const there = compiled.get(key);
  if (there) return there;
  const made = compileOwn(books, used, language);
  compiled.set(key, made);
  return made;
}

function compileOwn(books: Books, layout: OwnLayout, language: CaptionLanguage): CompiledLayout {
  return compileLayout(expandLayout(layout, layoutFactsOf(books, layout, language)).layout, books.cube.accountIds, books.portions);
}

/** What stands in each composed layout that runs over the categories which the books show. */
export async function coveredLayouts({ layouts }: Pick<Ports, 'layouts'>, books: Books, net: BigInt64Array): Promise<CoveredLayout[]> {
  const running = (await layouts.running(books.company.id)).filter(({ classificationId }) => classificationId === books.classificationId);
  return running.map((layout) => {
    const leftOut = new Set(books.exclusions.filter(({ scope }) => scope === `layout:${layout.id}`).map(({ accountId }) => accountId));
    const accounts = accountsInOrder(books).map(({ account, index, isParent }) => ({
      account: index,
      element: account.element,
      isParent,
      isLeftOut: leftOut.has(account.id),
    }));
    const compiled = compileComposed(books, layout, books.company.languages[0] ?? 'en');
    return { name: layout.name, coverage: layoutCoverage(compiled, scopeOf(layout.used), accounts, net, books.lists) };
  });
}
