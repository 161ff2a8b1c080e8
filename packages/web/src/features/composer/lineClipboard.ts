import { type CarriedNames, carryOver, type NotCarried, namesCarried, type OwnLine, withFreshKeys } from '@ivory-ladder/core';
import type { Composer } from './useComposer.ts';

/** Lines as text, with the names of all that they speak of, so that another company can be asked for the same. */
export function writeLines(lines: readonly OwnLine[], composer: Composer): string {
  const { facts, view, lists } = composer;
  return JSON.stringify({ format: 'ivory-ladder-lines', lines, names: namesCarried(lines, [], { tree: facts.tree, accounts: view.accounts, lists }) });
}

/**
 * The lines of a text that was copied, with keys of their own; `null` where it is none. What this chart lacks is told. What checks the text is fetched with the
 * first that is pasted: it is as much again as the composer.
 */
export async function readLines(
  text: string,
  composer: Composer,
): Promise<{ readonly lines: readonly OwnLine[]; readonly missing: readonly NotCarried[] } | null> {
  const { copiedLines } = await import('@ivory-ladder/contract');
  const read = copiedLines.safeParse(parsed(text));
  if (!read.success) return null;
  const { facts, view, lists, expanded } = composer;
  const { lines, missing } = carryOver(read.data.lines as OwnLine[], [], read.data.names as CarriedNames, {
    tree: facts.tree,
    accounts: view.accounts,
    lists,
  });
  return { lines: withFreshKeys(lines, expanded.origins), missing };
}

function parsed(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
