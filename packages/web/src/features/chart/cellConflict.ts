import type { AccountChange, ChartAccountBody } from '@ivory-ladder/contract';

/** Of an account that somebody else changed meanwhile: what stands in the field now, which the editor covers. */
export function theirsIn(refused: unknown, field: keyof AccountChange, seen: ChartAccountBody): string | null {
  const { code, facts } = (refused ?? {}) as { code?: string; facts?: { current?: Partial<ChartAccountBody> | null } };
  if (code !== 'version_conflict' || !facts?.current) return null;
  const theirs = String(facts.current[field as keyof ChartAccountBody] ?? '');
  const isSame = theirs === String(seen[field as keyof ChartAccountBody] ?? '');
  return isSame
    ? 'Somebody changed something else of this account meanwhile. Enter again applies yours beside it.'
    : `Somebody changed this meanwhile to «${theirs}». Enter again puts yours in its place, Escape keeps theirs.`;
}
