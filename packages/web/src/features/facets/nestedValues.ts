import type { CodeListBody } from '@ivory-ladder/contract';

type Value = CodeListBody['codes'][number];

/** Values of a facet in their order, each before those nested below it. */
export function nestedValues({ codes }: Pick<CodeListBody, 'codes'>): (Value & { readonly depth: number })[] {
  const below = (parent: string | null, depth: number): (Value & { depth: number })[] =>
    codes.filter((value) => value.parent === parent).flatMap((value) => [{ ...value, depth }, ...below(value.code, depth + 1)]);
  return below(null, 0);
}
